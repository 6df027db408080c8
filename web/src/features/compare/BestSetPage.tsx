import { useState } from "react";
import { Link } from "react-router";
import { toast } from "sonner";
import { said } from "../../api/client";
import { shown } from "../../lib/money";
import { Button } from "../../ui/Button";
import { Heading, Trouble, Waiting } from "../../ui/Page";
import { Picks } from "../../ui/Picks";
import { SubNav } from "../../ui/SubNav";
import { useDraft, usePutBestSet, useStep } from "../draft";
import { useHandSearch } from "../hand";
import { Accounts, count } from "./BestAccounts";
import { Inside, Outside } from "./BestTables";
import { type Best, type Limits, NO_LIMITS, useBestSet, useMoney, useSuggestedLimits } from "./bestQueries";
import { MoneyCurve } from "./MoneyCurve";
import { Turns } from "./Turns";
import { VIEWS } from "./views";

const COUNTS = ["1", "2", "3", "4", "5", "6", "7", "8"];
const ANY = "any";
const FINDS = [
  { value: "0", label: "what it finds" },
  { value: "1", label: "at least one way" },
  { value: "2", label: "at least two ways" },
];

/** The set of ways that leaves most for the shop's buyers, proven; why each way is in it or out, and what changes. */
export function BestSetPage() {
  const search = useHandSearch();
  const [limits, setLimits] = useState<Limits>(NO_LIMITS);
  const asked = useBestSet(limits);
  const data = asked.data;
  return (
    <>
      <SubNav label="Views of Compare" search={search} views={VIEWS} />
      <Heading
        title="The best set for your buyers"
        note={
          data?.best
            ? data.best.left === null
              ? "proven: no other set carries more for less"
              : "proven: no other set leaves more"
            : undefined
        }
      />
      {asked.error && <Trouble>{said(asked.error)}</Trouble>}
      {!data && !asked.error && <Waiting>Every set is being weighed</Waiting>}
      {data?.orders === "0" && (
        <p className="border-t border-ink pt-3 max-w-xl">
          There is no month of orders yet.{" "}
          <Link to={`/shop/orders${search}`} className="underline underline-offset-4">
            Type one, or read past orders from a file
          </Link>
          ; then it shows here what to offer.
        </p>
      )}
      {data && data.orders !== "0" && (
        <div className={asked.isPlaceholderData ? "opacity-60" : ""}>
          <BestSentence data={data} />
          <LimitSentence data={data} limits={limits} onChange={setLimits} />
          {data.best && (
            <div className="grid lg:grid-cols-[minmax(0,1fr)_20rem] gap-x-8 gap-y-6 mt-4">
              <div>
                <Inside data={data} />
                <Outside data={data} />
                <PutIn limits={limits} waiting={asked.isPlaceholderData} />
                <Besides data={data} limits={limits} />
              </div>
              <Accounts data={data} search={search} />
            </div>
          )}
        </div>
      )}
    </>
  );
}

/** Says how much the best set leaves, beside the checkout as it stands. */
export function BestSentence({ data }: { data: Best }) {
  const { best, stands } = data;
  if (!best)
    return <p className="font-serif text-xl">No set of ways keeps these limits. Loosen one of them.</p>;
  const ways = `${count(best.ways.length, "way")} with ${count(best.accounts, "account")}`;
  return (
    <div className="font-serif text-xl leading-snug my-2 max-w-4xl">
      {best.left !== null ? (
        <p>
          {ways} leave you <strong>{shown(best.left)}</strong> a month.
        </p>
      ) : (
        <p>
          {ways} carry <strong>{best.carried}</strong> of {data.orders} orders a month for {shown(best.cost)}.
        </p>
      )}
      {stands && (
        <p>
          {stands.left !== null
            ? `Your checkout as it stands leaves ${shown(stands.left)}.`
            : `Your checkout as it stands carries ${stands.carried} for ${shown(stands.cost)}.`}
        </p>
      )}
    </div>
  );
}

interface LimitProps {
  data: Best;
  limits: Limits;
  onChange: (limits: Limits) => void;
}

/** The limits of the set as a sentence whose words are chosen. */
function LimitSentence({ data, limits, onChange }: LimitProps) {
  const counts = [
    { value: ANY, label: "any number of" },
    ...COUNTS.map((value) => ({ value, label: `at most ${value}` })),
  ];
  const number = (text: string) => (text === ANY ? null : Number(text));
  const methods = Object.entries(data.methods).map(([value, label]) => ({ value, label }));
  const providers = Object.entries(data.providers).map(([value, label]) => ({ value, label }));
  return (
    <fieldset aria-label="Limits of the set" className="flex flex-wrap items-baseline gap-x-2 gap-y-1">
      <Picks
        single
        look="word"
        none=""
        label="Most accounts"
        values={[String(limits.most_accounts ?? ANY)]}
        options={counts}
        onPick={([text = ANY]) => onChange({ ...limits, most_accounts: number(text) })}
      />
      <span>accounts,</span>
      <Picks
        single
        look="word"
        none=""
        label="Most ways to pay"
        values={[String(limits.most_ways ?? ANY)]}
        options={counts}
        onPick={([text = ANY]) => onChange({ ...limits, most_ways: number(text) })}
      />
      <span>ways; every order finds</span>
      <Picks
        single
        look="word"
        none=""
        label="Ways that each order finds"
        values={[String(limits.every_order)]}
        options={FINDS}
        onPick={([text = ANY]) => onChange({ ...limits, every_order: Number(text) })}
      />
      <span>;</span>
      <Picks
        look="word"
        label="Ways that stay"
        none="none"
        values={limits.keep}
        options={methods}
        onPick={(keep) => onChange({ ...limits, keep })}
      />
      <span>must stay;</span>
      <Picks
        look="word"
        label="Providers of which one at most"
        none="none"
        values={limits.apart}
        options={providers}
        onPick={(apart) => onChange({ ...limits, apart })}
      />
      <span>never together.</span>
    </fieldset>
  );
}

/** Everything that follows besides: limits that add something, figures that would change the set, and when money comes. */
function Besides({ data, limits }: { data: Best; limits: Limits }) {
  const suggested = useSuggestedLimits(limits).data?.limits ?? [];
  const money = useMoney(limits).data;
  return (
    <>
      {suggested.length > 0 && (
        <section aria-labelledby="limits" className="mt-6">
          <h2 id="limits" className="text-lg border-b border-ink pb-1">
            One limit at a time
          </h2>
          <ul className="mt-2">
            {suggested.map((limit) => (
              <li key={limit.method}>{limit.text}</li>
            ))}
          </ul>
        </section>
      )}
      <Turns data={data} limits={limits} />
      {money && money.days.length > 0 && <MoneyCurve money={money} />}
    </>
  );
}

function PutIn({ limits, waiting }: { limits: Limits; waiting: boolean }) {
  const put = usePutBestSet();
  const step = useStep();
  const ready = useDraft().data !== undefined;
  return (
    <p className="mt-5 flex items-baseline gap-4">
      <Button
        look="strong"
        disabled={put.isPending || waiting || !ready}
        onClick={() =>
          put.mutate(limits, {
            onSuccess: (placed) =>
              toast(
                placed.waiting.length === 0
                  ? "The set is in the draft of your checkout."
                  : `The set is in the draft. Without an account yet, so not switched on: ${placed.waiting.join(", ")}.`,
                { duration: 12_000, action: { label: "Undo", onClick: () => step.mutate("back") } },
              ),
            onError: (failed) => toast.error(said(failed)),
          })
        }
      >
        Put it in the checkout
      </Button>
      <span className="text-soft">a draft only; one step takes it back</span>
    </p>
  );
}
