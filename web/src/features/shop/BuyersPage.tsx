import { Link } from "react-router";
import { said } from "../../api/client";
import { useHandSearch } from "../../lib/handSearch";
import { grouped, shown } from "../../lib/money";
import { Button } from "../../ui/Button";
import { Heading, OnItsWay, Trouble } from "../../ui/Page";
import { Picker } from "../../ui/Picker";
import { Picks } from "../../ui/Picks";
import { SubNav } from "../../ui/SubNav";
import { TextField } from "../../ui/TextField";
import {
  type BuyersOf,
  type BuyersState,
  type Family,
  useBuyers,
  useForgetShares,
  useTypeShare,
} from "./buyersQueries";
import { ShareBar } from "./ShareBar";
import { VIEWS } from "./views";

const ALL = "all";
/** The buyers' first choices: a share for each family, and how many would take another way where theirs is missing. */
export function BuyersPage() {
  const search = useHandSearch();
  const buyers = useBuyers();
  const data = buyers.data;
  const share = useTypeShare();
  const forget = useForgetShares();
  if (buyers.error) return <Trouble>{said(buyers.error)}</Trouble>;
  if (!data) return <OnItsWay />;
  const [all, ...named] = data.buyers;
  const free = Object.entries(data.countries).filter(
    ([code]) => !named.some((entry) => entry.country === code),
  );
  const trouble = share.error ?? forget.error;
  return (
    <>
      <SubNav label="Views of Shop" search={search} views={VIEWS} />
      <div className="grid lg:grid-cols-[minmax(0,1fr)_21rem] gap-x-8 gap-y-6">
        <div>
          <Heading title="What your buyers pay with" note={all && originOf(all, data)} />
          {trouble && <Trouble>{said(trouble)}</Trouble>}
          {all && <Country of={all} data={data} share={share.mutateAsync} />}
          <section aria-labelledby="differs" className="mt-6">
            <h2 id="differs" className="text-lg border-b border-ink pb-1">
              Where it differs
            </h2>
            {named.map((entry) => (
              <div key={entry.country} className="pt-3">
                <div className="flex items-baseline gap-3">
                  <h3 className="font-semibold">{entry.name}</h3>
                  <span className="text-soft">{originOf(entry, data)}</span>
                  {entry.origin === "typed" && (
                    <Button look="quiet" onClick={() => forget.mutate(entry.country)}>
                      Take away what is typed of {entry.name}
                    </Button>
                  )}
                </div>
                {entry.origin === "typed" ? (
                  <Country of={entry} data={data} share={share.mutateAsync} />
                ) : (
                  <details>
                    <summary className="text-soft">
                      {entry.families.map((family) => `${family.name} ${family.share} %`).join(", ")}
                    </summary>
                    <Country of={entry} data={data} share={share.mutateAsync} />
                  </details>
                )}
              </div>
            ))}
            {named.length === 0 && (
              <p className="text-soft py-2">Nowhere yet: every country pays as above.</p>
            )}
            {free.length > 0 && (
              <div className="max-w-56 mt-2">
                <Picker
                  label="Another country"
                  value=""
                  showLabel
                  options={free.map(([value, label]) => ({ value, label }))}
                  onPick={(country) => {
                    const first = all?.families[0];
                    if (first) share.mutate({ country, family: first.family, share: first.share });
                  }}
                />
              </div>
            )}
          </section>
          <p className="text-soft mt-6 max-w-3xl">
            They are what buyers choose first. Whoever does not find it takes another way or leaves; nothing
            else decides, neither the fee nor the sequence on the page.
          </p>
          {all?.origin === "typed" && (
            <Button look="quiet" onClick={() => forget.mutate(null)}>
              Take away what is typed
            </Button>
          )}
        </div>
        <Follows data={data} search={search} />
      </div>
    </>
  );
}

/** Tells where shares come from. */
function originOf(of: BuyersOf, data: BuyersState): string {
  if (of.origin === "typed") return "typed by you";
  if (of.origin === "guess") return `a first guess: ${data.source}`;
  return `as ${grouped(String(of.read_from))} past orders were paid, among what was offered then`;
}

interface CountryProps {
  of: BuyersOf;
  data: BuyersState;
  share: ReturnType<typeof useTypeShare>["mutateAsync"];
}

/** The bar of the families of a country, and a row for each. */
function Country({ of, data, share }: CountryProps) {
  const country = of.country === ALL ? null : of.country;
  const here = of.country === ALL ? "" : `, ${of.name}`;
  const missing = (Object.keys(data.families) as Family[]).filter(
    (family) => !of.families.some((entry) => entry.family === family),
  );
  return (
    <>
      <ShareBar
        of={of}
        here={here}
        onShare={(family, typed) => void share({ country, family, share: typed })}
      />
      <table className="w-full">
        <thead>
          <tr className="border-b border-rule text-small text-soft text-left">
            <th className="font-normal">First choice</th>
            <th className="font-normal text-right w-24">share</th>
            <th className="font-normal text-right w-40">would take another way</th>
            <th className="font-normal pl-4">which</th>
          </tr>
        </thead>
        <tbody>
          {of.families.map((entry) => (
            <tr key={entry.family} className="border-b border-rule-soft">
              <th scope="row" className="text-left font-semibold">
                {entry.name}
              </th>
              <td>
                <TextField
                  cell
                  align="right"
                  suffix="%"
                  inputMode="decimal"
                  label={`Share of ${entry.name}${here}`}
                  hideLabel
                  value={entry.share}
                  save={(text) => share({ country, family: entry.family, share: text })}
                />
              </td>
              <td>
                <TextField
                  cell
                  align="right"
                  suffix="%"
                  inputMode="decimal"
                  label={`Of ${entry.name} would take another way${here}`}
                  hideLabel
                  value={entry.stay}
                  save={(text) => share({ country, family: entry.family, stay: text })}
                />
              </td>
              <td className="pl-4">
                <Picks
                  look="word"
                  label={`Instead of ${entry.name}${here}`}
                  values={entry.instead}
                  none="the most usual first"
                  options={(Object.entries(data.families) as [Family, string][])
                    .filter(([family]) => family !== entry.family)
                    .map(([value, label]) => ({ value, label }))}
                  onPick={(instead) =>
                    void share({ country, family: entry.family, instead: instead as Family[] })
                  }
                />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {missing.length > 0 && (
        <div className="max-w-56 mt-2">
          <Picker
            label={`Another way${here}`}
            value=""
            showLabel
            options={missing.map((value) => ({ value, label: data.families[value] ?? value }))}
            onPick={(family) => void share({ country, family: family as Family, share: "5" })}
          />
        </div>
      )}
    </>
  );
}

/** Shows what follows for a month of the checkout as it stands. */
function Follows({ data, search }: { data: BuyersState; search: string }) {
  return (
    <aside aria-label="What follows" className="lg:border-l border-rule lg:pl-6">
      <p className="text-small text-soft mb-3">What follows in a month, for the ways that are on</p>
      {data.orders === "0" && (
        <p>
          There is no month of orders yet.{" "}
          <Link to={`/shop/orders${search}`} className="underline underline-offset-4">
            Type one
          </Link>
          .
        </p>
      )}
      {data.orders !== "0" && data.lost === null && <p>Nothing is on in the checkout yet.</p>}
      {data.orders !== "0" && data.lost !== null && (
        <>
          <p className="font-serif text-lg leading-snug">
            Of {data.orders} orders <strong>{data.lost}</strong> find no way that they take.
          </p>
          <table className="w-full my-3">
            <tbody>
              {data.where.map((entry) => (
                <tr key={entry.country + entry.family} className="border-b border-rule-soft">
                  <th scope="row" className="text-left font-normal py-1">
                    {entry.country}, {entry.family}
                  </th>
                  <td className="text-right">{entry.orders}</td>
                </tr>
              ))}
            </tbody>
          </table>
          {data.lost_margin !== null && (
            <p>
              They would have left you <strong className="text-copper">{shown(data.lost_margin)}</strong>.
            </p>
          )}
          {data.left !== null ? (
            <p className="mt-1">The month leaves {shown(data.left)}.</p>
          ) : (
            <p className="mt-1">
              What is left of an order is not known of every line: type their margins under Shop.
            </p>
          )}
          <p className="text-small text-soft mt-1">
            Counted with the limits, conditions and accounts of the checkout as it stands.
          </p>
        </>
      )}
      {data.orders !== "0" && (
        <p className="mt-3">
          <Link
            to={`/compare/best${search}`}
            className="text-verdigris font-semibold underline-offset-4 hover:underline"
          >
            The best set for these buyers
          </Link>
        </p>
      )}
    </aside>
  );
}
