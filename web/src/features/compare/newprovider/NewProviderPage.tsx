import { useNavigate } from "react-router";
import { toast } from "sonner";
import { Refusal, said } from "../../../api/client";
import { shown } from "../../../lib/money";
import { Button } from "../../../ui/Button";
import { InputField } from "../../../ui/InputField";
import { Heading, OnItsWay, Trouble } from "../../../ui/Page";
import { Picks } from "../../../ui/Picks";
import { Segments } from "../../../ui/Segments";
import { SubNav } from "../../../ui/SubNav";
import { useHand, useHandSearch } from "../../hand";
import { idOf, useChoices } from "../../shop";
import { CardPickers } from "../CardPickers";
import { useShown } from "../useShown";
import { VIEWS } from "../views";
import { askedOf, BEGINNINGS, useForm } from "./form";
import { PriceRows } from "./PriceRows";
import { PriceText } from "./PriceText";
import { useAddProvider, usePreview, useWithoutPrice } from "./queries";
import { useTypedOut } from "./useTypedOut";

/** A provider of the owner's own, by its prices: typed, or pasted as its price list stands. */
export function NewProviderPage() {
  const { hand, shop } = useHand();
  if (!shop) return <OnItsWay />;
  return <Sheet hand={hand} country={shop.country} currency={shop.currency} />;
}

interface Props {
  hand: ReturnType<typeof useHand>["hand"];
  country: string;
  currency: string;
}

function Sheet({ hand, country, currency }: Props) {
  const search = useHandSearch();
  const navigate = useNavigate();
  const choices = useChoices().data;
  const [beginning, setBeginning] = useShown("from", BEGINNINGS);
  const { form, change, forget } = useForm(country, currency);
  const asked = askedOf(form, beginning, hand);
  const rested = useTypedOut(asked);
  const something = beginning === "text" ? rested.text?.trim() !== "" : (rested.rows ?? []).length > 0;
  const preview = usePreview(rested, something);
  const add = useAddProvider();
  const data = something ? preview.data : undefined;
  const problem = add.error ?? (something ? preview.error : null);
  const month = useWithoutPrice(rested, Boolean(data?.card)).data;
  const cheapest = data?.tried.find((route) => route.fee);
  const methods = (choices?.methods ?? []).map(({ code, name }) => ({ value: code, label: name }));

  function keep() {
    add.mutate(
      { ...asked, name: form.name.trim() },
      {
        onSuccess: (card) => {
          forget();
          toast(`${card.provider_name}'s prices are kept, and compared.`);
          void navigate(`/compare${search}`);
        },
      },
    );
  }

  return (
    <>
      <SubNav label="Views of Compare" search={search} views={VIEWS} />
      <Heading title="A new provider" note="what was not understood is left out, never guessed">
        <Segments
          label="How the prices begin"
          value={beginning}
          options={[
            { value: "text", label: "from text" },
            { value: "one", label: "one price" },
            { value: "place", label: "by where the card is from" },
          ]}
          onPick={setBeginning}
        />
      </Heading>
      <div className="border-t border-ink pt-2 mb-3 grid grid-cols-2 lg:grid-cols-5 gap-x-6 gap-y-2 items-end">
        <InputField label="Provider" value={form.name} onChange={(name) => change({ name })} begin />
        <Picks
          single
          label="Country of your shop"
          values={[form.country]}
          options={(choices?.countries ?? []).map(({ code, name }) => ({ value: code, label: name }))}
          none="choose one"
          onPick={([picked]) => change({ country: picked ?? form.country })}
        />
        <Picks
          single
          label="Pays out in"
          values={[form.currency]}
          options={(choices?.currencies ?? []).map(({ code, name }) => ({ value: code, label: name }))}
          none="choose one"
          onPick={([picked]) => change({ currency: picked ?? form.currency })}
        />
        <InputField
          label="Prices are from"
          value={form.validFrom}
          onChange={(validFrom) => change({ validFrom })}
        />
        <Picks
          label="Card networks of your shop"
          values={form.networks}
          options={(choices?.card_networks ?? []).map(({ code, name }) => ({ value: code, label: name }))}
          none="none told apart"
          add={idOf}
          onPick={(networks) => change({ networks })}
        />
      </div>
      <div className="mb-3">
        <CardPickers />
      </div>
      {beginning === "text" ? (
        <PriceText
          form={form}
          preview={data}
          unfolded={!preview.isPlaceholderData && rested.text === form.text ? data?.text : undefined}
          methods={methods}
          change={change}
        />
      ) : (
        <PriceRows
          rows={form[beginning]}
          currency={form.currency}
          methods={methods}
          preview={data}
          byPlace={beginning === "place"}
          onRows={(rows) => change({ [beginning]: rows })}
        />
      )}
      {problem && (
        <Trouble>
          {problem instanceof Refusal && problem.problem.errors.length > 0
            ? problem.problem.errors.map((fault) => (
                <span key={fault.field + fault.code} className="block">
                  {fault.detail}
                </span>
              ))
            : said(problem)}
        </Trouble>
      )}
      <div className="flex flex-wrap items-center gap-x-6 gap-y-2 mt-4">
        <Button
          look="strong"
          disabled={!data?.card || form.name.trim() === "" || add.isPending}
          onClick={keep}
        >
          {data?.card ? `Keep ${counted(data.prices)}` : "Keep these prices"}
        </Button>
        <p className="text-soft" role="status">
          {data && form.name.trim() === "" && "Name the provider to keep its prices. "}
          {data && beginning === "text" && leftOut(data.unread, data.lines.filter(written).length)}{" "}
          {data?.card && month?.text}
        </p>
        {cheapest?.fee && (
          <p className="ml-auto text-soft">
            Cheapest for this order now:{" "}
            <strong className="text-ink font-semibold">
              {methods.find((method) => method.value === cheapest.route.method)?.label} {shown(cheapest.fee)}
            </strong>
          </p>
        )}
      </div>
    </>
  );
}

function counted(prices: number): string {
  return prices === 1 ? "this price" : `these ${prices} prices`;
}

function written(line: { kind: string }): boolean {
  return line.kind !== "blank";
}

function leftOut(unread: number, lines: number): string {
  if (unread === 0) return "Every line is understood. The text is kept with the card as its source.";
  const are = unread === 1 ? "is" : "are";
  return `${unread} of ${lines} lines ${are} left out. The text is kept with the card as its source.`;
}
