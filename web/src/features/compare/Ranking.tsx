import { Collapsible } from "radix-ui";
import { useState } from "react";
import { Link } from "react-router";
import { drawn, partsOf, shown } from "../../lib/money";
import { Button } from "../../ui/Button";
import { useHandSearch } from "../hand";
import { Derivation } from "./Derivation";
import { FeeBar } from "./FeeBar";
import type { Ranked, RouteOut } from "./queries";

type Add = (added: { method: string; route: RouteOut["route"] }) => void;

const COLUMNS =
  "grid grid-cols-[1.25rem_minmax(0,1fr)_4rem_3.5rem_4rem_6rem] lg:grid-cols-[1.75rem_minmax(0,1fr)_8.5rem_5rem_4.5rem_8.5rem] gap-x-2 lg:gap-x-3 items-baseline";

/** The routes from the cheapest; each fee opens into its parts. */
export function Ranking({ ranked, onAdd }: { ranked: Ranked[]; onAdd: Add }) {
  const dearest = Math.max(...ranked.map((entry) => drawn(entry.fee)), 0);
  if (ranked.length === 0)
    return <p className="border-t border-ink py-3">No route has a price for this order.</p>;
  return (
    <section aria-label="Routes from the cheapest">
      <div className={`${COLUMNS} border-b border-ink pb-1 text-small text-soft`}>
        <span />
        <span>Route</span>
        <span>
          <Legend />
        </span>
        <span className="text-right">fee, {partsOf(ranked[0]?.fee ?? "").currency}</span>
        <span className="text-right">of order</span>
        <span />
      </div>
      <ol>
        {ranked.map((entry, index) => (
          <Row key={keyOf(entry.route)} entry={entry} place={index + 1} dearest={dearest} onAdd={onAdd} />
        ))}
      </ol>
    </section>
  );
}

function Legend() {
  return (
    <span className="flex gap-2 max-lg:hidden">
      <i className="not-italic flex items-center gap-1">
        <b className="bar-percentage size-2.5" />%
      </i>
      <i className="not-italic flex items-center gap-1">
        <b className="bar-fixed size-2.5" />
        fixed
      </i>
      <i className="not-italic flex items-center gap-1">
        <b className="bar-extra size-2.5" />
        extra
      </i>
    </span>
  );
}

function keyOf(route: RouteOut): string {
  return [route.route?.provider, route.route?.plan, route.method].join("/");
}

interface RowProps {
  entry: Ranked;
  place: number;
  dearest: number;
  onAdd: Add;
}

function Row({ entry, place, dearest, onAdd }: RowProps) {
  const [open, setOpen] = useState(false);
  const search = useHandSearch();
  const { route } = entry;
  const named = [route.method_name, route.provider_name, route.plan_name].filter(Boolean).join(", ");
  return (
    <Collapsible.Root open={open} onOpenChange={setOpen} asChild>
      <li className="border-b border-rule-soft">
        <div className={`${COLUMNS} py-1.5`}>
          <span className="text-soft">{place}</span>
          <span className="min-w-0">
            <strong className="font-semibold">{route.method_name}</strong>{" "}
            <span className="text-soft">
              {route.provider_name}
              {route.plan_name && ` · ${route.plan_name}`}
            </span>
          </span>
          <FeeBar entry={entry} dearest={dearest} />
          <Collapsible.Trigger
            aria-label={`${shown(entry.fee)}: how the fee of ${named} came about`}
            className="text-right font-semibold underline decoration-dotted decoration-soft underline-offset-4 hover:decoration-solid min-h-6"
          >
            {partsOf(shown(entry.fee)).amount}
          </Collapsible.Trigger>
          <span className="text-right">
            {entry.effective_percent ? `${entry.effective_percent} %` : "unknown"}
          </span>
          <span className="text-right">
            {route.tenders.length > 0 ? (
              <Link
                to={`/checkout${search}`}
                className="text-soft underline decoration-rule underline-offset-4 hover:text-ink"
              >
                in checkout
              </Link>
            ) : (
              <Button
                look="link"
                aria-label={`Add to checkout: ${named}`}
                onClick={() => onAdd({ method: route.method, route: route.route })}
              >
                Add to checkout
              </Button>
            )}
          </span>
        </div>
        <Collapsible.Content>
          <Derivation entry={entry} />
        </Collapsible.Content>
      </li>
    </Collapsible.Root>
  );
}
