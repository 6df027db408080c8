import { useState } from "react";
import { Link } from "react-router";
import { toast } from "sonner";
import { said } from "../../api/client";
import { shown } from "../../lib/money";
import { day } from "../../lib/time";
import { Button } from "../../ui/Button";
import { Heading, Trouble, Waiting } from "../../ui/Page";
import { Picks } from "../../ui/Picks";
import { SubNav } from "../../ui/SubNav";
import { useDraft, usePutBestSet, useStep } from "../draft";
import { useHandSearch } from "../hand";
import { type Best, type Limits, NO_LIMITS, useBestSet } from "./bestQueries";
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
                <Turns data={data} limits={limits} />
                <PutIn limits={limits} waiting={asked.isPlaceholderData} />
              </div>
              <Accounts data={data} search={search} />
            </div>
          )}
        </div>
      )}
    </>
  );
}

function count(number: number, word: string): string {
  return `${number} ${number === 1 ? word : `${word}s`}`;
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

const amount = (money: string) => shown(money).split(" ")[0] ?? "";
const isLess = (money: string) => money.startsWith("-");

function Inside({ data }: { data: Best }) {
  const margins = data.best?.left !== null;
  return (
    <table className="w-full" aria-label="Ways in the set">
      <thead>
        <tr className="border-b border-ink text-small text-soft text-right">
          <th className="font-normal text-left">In it</th>
          <th className="font-normal">orders a month</th>
          <th className="font-normal">cost, {data.currency}</th>
          <th className="font-normal">without it</th>
        </tr>
      </thead>
      <tbody>
        {data.inside.map((way) => (
          <tr key={way.method} className="border-b border-rule-soft text-right">
            <th scope="row" className="text-left font-normal py-1.5">
              <strong className="font-semibold">{way.method_name}</strong>{" "}
              <span className="text-soft">{way.by || "your own"}</span>
            </th>
            <td>{way.orders}</td>
            <td>{amount(way.cost)}</td>
            <td>{margins ? `leaves ${amount(way.without)} less` : `carries ${way.orders_without} less`}</td>
          </tr>
        ))}
        {data.best && data.best.lost !== "0" && (
          <tr className="border-b border-rule-soft text-right">
            <th scope="row" className="text-left font-normal text-soft py-1.5">
              no way that they take
            </th>
            <td>{data.best.lost}</td>
            <td />
            <td className="text-copper">{data.lost_margin && `${amount(data.lost_margin)} lost`}</td>
          </tr>
        )}
      </tbody>
    </table>
  );
}

function Outside({ data }: { data: Best }) {
  const margins = data.best?.left !== null;
  if (data.outside.length === 0) return null;
  return (
    <section aria-labelledby="outside" className="mt-6">
      <h2 id="outside" className="text-lg">
        Left out, and what would bring them in
      </h2>
      <table className="w-full">
        <thead>
          <tr className="border-b border-ink text-small text-soft text-left">
            <th className="font-normal">Way</th>
            <th className="font-normal">with it</th>
            <th className="font-normal text-right">pays for itself</th>
          </tr>
        </thead>
        <tbody>
          {data.outside.map((way) => (
            <tr key={way.method} className="border-b border-rule-soft">
              <th scope="row" className="text-left font-normal py-1.5 pr-4">
                <strong className="font-semibold">{way.method_name}</strong>{" "}
                <span className="text-soft">{way.by || "your own"}</span>
              </th>
              <td className="pr-4">
                {margins
                  ? isLess(way.changes)
                    ? `leaves ${amount(way.changes.slice(1))} less`
                    : "leaves no more"
                  : `costs ${amount(way.changes.replace("-", ""))} more`}
                {way.more_orders === "0"
                  ? "; no order that is not carried already"
                  : `; ${way.more_orders} orders more`}
              </td>
              <td className="text-right whitespace-nowrap">
                {way.pays_from === null
                  ? "not known"
                  : way.pays_from === "0"
                    ? "from the first who insists on it"
                    : `from ${way.pays_from} % who insist on it`}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

/** The accounts that the set needs, and the best with one account less. */
function Accounts({ data, search }: { data: Best; search: string }) {
  const others = [data.one_less, data.one_more].filter((month) => month !== null);
  return (
    <aside aria-label="What changing takes" className="lg:border-l border-rule lg:pl-6">
      <h2 className="text-lg border-b border-ink mb-1">Accounts that it needs</h2>
      <table className="w-full">
        <tbody>
          {data.accounts.map((account) => (
            <tr key={account.provider} className="border-b border-rule-soft">
              <th scope="row" className="text-left font-normal py-1">
                <Link
                  to={`/accounts/${account.provider}${search}`}
                  className="underline decoration-rule underline-offset-4 hover:decoration-ink"
                >
                  {account.name}
                </Link>
              </th>
              <td className={`text-right ${account.held ? "text-soft" : "text-copper font-medium"}`}>
                {account.held
                  ? "held"
                  : account.days === null
                    ? "to be opened"
                    : `to be opened, about ${count(account.days, "day")}`}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {data.changing && <Changing data={data} changing={data.changing} />}
      {others.map((month) => (
        <p key={month.accounts} className="mt-3">
          With {count(month.accounts, "account")}:{" "}
          {month.left !== null
            ? `${shown(month.left)} left`
            : `${month.carried} orders for ${shown(month.cost)}`}
          , by {month.ways.join(", ")}.
        </p>
      ))}
      <p className="text-small text-soft mt-3">
        The checkout as it stands is counted with its limits, conditions and accounts. What buyers choose is{" "}
        <Link to={`/shop/buyers${search}`} className="underline underline-offset-4">
          typed or guessed under Shop
        </Link>
        .
      </p>
    </aside>
  );
}

type ChangingProps = { data: Best; changing: NonNullable<Best["changing"]> };

/** Says what changing brings in a year and takes: fees, days, contracts that still run, details that are lost. */
function Changing({ data, changing }: ChangingProps) {
  const { left, days, fees, costs_now, a_year } = changing;
  const after = [
    fees && !fees.startsWith("0.00") && shown(fees),
    days > 0 && `about ${count(days, "day")}`,
  ].filter(Boolean);
  return (
    <>
      {data.better && a_year && (
        <p className="mt-3 font-semibold">
          {costs_now && `You pay ${shown(costs_now)} a month now. `}
          The set leaves {shown(data.better)} more a month, {shown(a_year)} a year
          {after.length > 0 && `, after ${after.join(" and ")}`}.
        </p>
      )}
      {left.length > 0 && (
        <>
          <h3 className="font-semibold mt-3">Accounts that it does not need</h3>
          <ul>
            {left.map((account) => (
              <li key={account.provider} className="border-b border-rule-soft py-1">
                {account.name}
                <span className="text-soft">
                  {account.ends && `; ends on ${day(account.ends)} at the earliest`}
                  {account.exit_fee && `; ${shown(account.exit_fee)} to leave`}
                  {account.saved_details && `; details of ${account.saved_details} buyers are lost`}
                </span>
              </li>
            ))}
          </ul>
        </>
      )}
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
