import { Link } from "react-router";
import { shown } from "../../lib/money";
import { Button } from "../../ui/Button";
import { useHand, useHandSearch } from "../hand";
import { AssumptionField } from "../shop";
import { fullName } from "./names";
import { type Add, type Ranked, useRouteDetail } from "./queries";
import { factOf } from "./sorting";

interface Props {
  entry: Ranked;
  currency: string;
  onAdd: Add;
  onBegin: (provider: string) => void;
}

const TOLD = [
  ["buyer", "The buyer"],
  ["arrives", "Money arrives"],
  ["reversible", "Can be taken back until"],
  ["refunds", "Refunds go"],
  ["reach", "Reach"],
  ["card_data", "Card data"],
  ["effort", "To get it"],
  ["terms", "Terms"],
] as const;

/** How a cost came about: every part with its formula and what it assumes, and the fee down to its rate. */
export function Derivation({ entry, currency, onAdd, onBegin }: Props) {
  const search = useHandSearch();
  const { hand } = useHand();
  const detail = useRouteDetail(hand, entry.route.key).data;
  const { route } = entry;
  const provider = route.route?.provider;
  if (!detail) return <div className="h-64" aria-hidden />;
  const fee = detail.fee_taken_apart;
  return (
    <div className="bg-sheet border border-rule-soft px-4 py-3">
      <table className="w-full">
        <caption className="text-left font-semibold pb-1">All in, for this order</caption>
        <thead className="sr-only">
          <tr>
            <th>Part</th>
            <th>How, and what it assumes</th>
            <th>Exactly</th>
            <th>Share of the rounded cost</th>
          </tr>
        </thead>
        <tbody>
          {detail.parts.map((part) => (
            <tr key={part.part} className="align-baseline border-b border-rule-soft">
              <th scope="row" className="text-left font-normal text-soft pr-4 py-1 whitespace-nowrap">
                {part.label}
              </th>
              <td className="py-1 pr-4">
                {part.formula}
                <div className="flex flex-wrap gap-x-6">
                  {part.assumptions.map((assumption) => (
                    <AssumptionField key={assumption.id} assumption={assumption} currency={currency} />
                  ))}
                </div>
              </td>
              <td className="text-right pr-4 text-soft whitespace-nowrap">{part.exact}</td>
              <td className="text-right font-medium whitespace-nowrap">{shown(part.amount)}</td>
            </tr>
          ))}
        </tbody>
        <tfoot>
          <tr>
            <th scope="row" colSpan={2} className="text-left font-normal text-soft py-1">
              Together
              {detail.unknown.map((sentence) => (
                <span key={sentence} className="block">
                  {sentence}
                </span>
              ))}
            </th>
            <td className="text-right pr-4 text-soft whitespace-nowrap">{detail.exact_cost}</td>
            <td className="text-right font-semibold whitespace-nowrap">{shown(detail.cost)}</td>
          </tr>
        </tfoot>
      </table>
      <section className="mt-3" aria-label="What it earns">
        <p className="font-semibold">What it earns</p>
        <p>
          {detail.earns
            ? `${shown(detail.earns)} when completion counts: buyers who finish x (margin - cost) - buyers lost x what a lost order costs.`
            : "Give the line a margin in Shop to see what it earns."}
          {detail.completion.value === null &&
            " Nothing is assumed of completion, so every buyer counts as finishing."}
        </p>
        <div className="flex flex-wrap gap-x-6">
          <AssumptionField assumption={detail.completion} currency={currency} />
          <AssumptionField assumption={detail.lost_order} currency={currency} />
        </div>
      </section>
      {fee && (
        <section className="mt-3" aria-label="The provider's fee">
          <p>
            <span className="font-semibold">{fee.rate}.</span>{" "}
            <span className="text-soft">It fits: {fee.conditions}.</span>{" "}
            {provider && (
              <Link
                to={`/compare/cards/${provider}/${fee.card_day ?? "always"}${search}`}
                className="underline decoration-rule underline-offset-4 hover:decoration-ink"
              >
                Open the rate card
              </Link>
            )}
          </p>
          <table className="my-1">
            <caption className="sr-only">Parts of the fee</caption>
            <tbody>
              {fee.parts.map((part) => (
                <tr key={part.label}>
                  <th scope="row" className="text-left font-normal text-soft pr-6 py-0.5">
                    {part.label}
                  </th>
                  <td className="pr-6">{part.formula}</td>
                  <td className="text-right pr-6 text-soft">{part.exact}</td>
                  <td className="text-right font-medium">{shown(part.amount)}</td>
                </tr>
              ))}
            </tbody>
          </table>
          {fee.assumptions.map((assumption) => (
            <AssumptionField key={assumption.id} assumption={assumption} currency={currency} />
          ))}
          {fee.steps.map((step) => (
            <p key={step} className="text-soft">
              {step}
            </p>
          ))}
        </section>
      )}
      <dl className="mt-3 grid grid-cols-[auto_1fr] gap-x-4 gap-y-0.5">
        {TOLD.map(([key, name]) => (
          <div key={key} className="contents">
            <dt className="text-soft">{name}</dt>
            <dd>{factOf(entry, key)?.text}</dd>
          </div>
        ))}
        {entry.month && (
          <div className="contents">
            <dt className="text-soft">Over your month</dt>
            <dd>
              carries {entry.month.orders} orders of {shown(entry.month.amount)}; fees{" "}
              {shown(entry.month.fees)}, all in {shown(entry.month.cost)}
            </dd>
          </div>
        )}
      </dl>
      <p className="mt-3 flex gap-5">
        {route.tenders.length > 0 ? (
          <Link
            to={`/checkout${search}`}
            className="text-verdigris font-semibold underline-offset-4 hover:underline"
          >
            It is in your checkout
          </Link>
        ) : (
          <Button
            look="link"
            aria-label={`Add to checkout: ${fullName(route)}`}
            onClick={() => onAdd({ method: route.method, route: route.route })}
          >
            Add to checkout
          </Button>
        )}
        {provider && route.can_begin && (
          <Button
            look="link"
            aria-label={`Begin an application with ${route.provider_name}`}
            onClick={() => onBegin(provider)}
          >
            Begin an application
          </Button>
        )}
      </p>
    </div>
  );
}
