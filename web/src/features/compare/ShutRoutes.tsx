import { Button } from "../../ui/Button";
import { behind, fullName } from "./names";
import type { Add, Shut } from "./queries";

interface Props {
  shut: Shut[];
  onAdd: Add;
}

/** The routes and arrangements that are not open, or cannot carry this order, each with every reason. */
export function ShutRoutes({ shut, onAdd }: Props) {
  if (shut.length === 0) return null;
  return (
    <section aria-labelledby="shut" className="mt-7">
      <h2 id="shut" className="text-lg mb-1">
        Not for this order
      </h2>
      <ul className="border-t border-rule">
        {shut.map((entry) => (
          <li
            key={entry.route.key}
            className="border-b border-rule-soft py-1.5 grid grid-cols-[minmax(0,2fr)_minmax(0,4fr)_auto] gap-4"
          >
            <span>
              {entry.route.method_name} <span className="text-soft">{behind(entry.route)}</span>
            </span>
            <span className="text-soft">{entry.reasons.map((reason) => reason.text).join("; ")}</span>
            {!entry.route.route && entry.route.tenders.length === 0 ? (
              <Button
                look="link"
                aria-label={`Add to checkout: ${fullName(entry.route)}`}
                onClick={() => onAdd({ method: entry.route.method, route: null })}
              >
                Add to checkout
              </Button>
            ) : (
              <span />
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
