import { Button } from "../../ui/Button";
import type { RouteOut, Shut } from "./queries";

interface Props {
  shut: Shut[];
  arrangements: Shut[];
  onAdd: (added: { method: string; route: RouteOut["route"] }) => void;
}

/** The shop's own arrangements, and the routes that are not open or not priced, each with its reasons. */
export function ShutRoutes({ shut, arrangements, onAdd }: Props) {
  return (
    <>
      <section aria-labelledby="own" className="mt-7">
        <h2 id="own" className="text-lg">
          Arrangements of your own
        </h2>
        <p className="text-soft mb-1">They need no provider, so no provider's fee falls on them.</p>
        <ul className="border-t border-rule">
          {arrangements.map((entry) => (
            <li
              key={entry.route.method}
              className="border-b border-rule-soft py-1.5 flex items-baseline gap-3"
            >
              <strong className="font-semibold">{entry.route.method_name}</strong>
              <span className="text-soft flex-1">
                {entry.reasons.length > 0 && `not for this order: ${sentence(entry)}`}
              </span>
              {entry.route.tenders.length > 0 ? (
                <span className="text-soft">in checkout</span>
              ) : (
                <Button
                  look="link"
                  aria-label={`Add to checkout: ${entry.route.method_name}`}
                  onClick={() => onAdd({ method: entry.route.method, route: null })}
                >
                  Add to checkout
                </Button>
              )}
            </li>
          ))}
        </ul>
      </section>
      {shut.length > 0 && (
        <section aria-labelledby="shut" className="mt-7">
          <h2 id="shut" className="text-lg mb-1">
            Not for this order
          </h2>
          <ul className="border-t border-rule">
            {shut.map((entry) => (
              <li
                key={[entry.route.provider_name, entry.route.plan_name, entry.route.method].join("/")}
                className="border-b border-rule-soft py-1.5 grid grid-cols-[minmax(0,2fr)_minmax(0,3fr)] gap-4"
              >
                <span>
                  {entry.route.method_name}{" "}
                  <span className="text-soft">
                    {entry.route.provider_name}
                    {entry.route.plan_name && ` · ${entry.route.plan_name}`}
                  </span>
                </span>
                <span className="text-soft">{sentence(entry)}</span>
              </li>
            ))}
          </ul>
        </section>
      )}
    </>
  );
}

function sentence(entry: Shut): string {
  return entry.reasons.map((reason) => reason.text).join("; ");
}
