import { Link } from "react-router";
import { Button } from "../../ui/Button";
import { useHandSearch } from "../hand";
import type { Finding, Fix, Named, OrderToHand } from "./queries";

/** So many of a kind are told at once; the others unfold. */
const SHOWN = 3;

const INKS: Record<Finding["kind"], string> = {
  "dead-end": "text-copper",
  single: "text-saffron-ink",
  "fee-only": "text-ink",
  unreachable: "text-ink",
};

const MORE: Record<Finding["kind"], string> = {
  "dead-end": "more where nobody can pay",
  single: "more where one way is left",
  "fee-only": "more where every way costs something",
  unreachable: "more ways that no order reaches",
};

interface Props {
  findings: Finding[];
  /** Tells what ends each, once that is worked out. */
  fixes: Record<string, Fix[]> | undefined;
  looking: Named | null;
  onLook: (named: Named) => void;
  onOrder: (order: OrderToHand) => void;
}

/** Tells what was found, in sentences, the worst first; each with what ends it. */
export function Findings({ findings, fixes, looking, onLook, onOrder }: Props) {
  const kinds = [...new Set(findings.map((finding) => finding.kind))];
  const told = (finding: Finding) => (
    <FindingItem
      key={finding.id}
      finding={finding}
      fixes={fixes?.[finding.id]}
      looking={looking?.finding === finding.id ? looking.fix : ""}
      onLook={(fix) => onLook({ finding: finding.id, fix })}
      onOrder={onOrder}
    />
  );
  return (
    <>
      {kinds.map((kind) => {
        const own = findings.filter((finding) => finding.kind === kind);
        const rest = own.slice(SHOWN);
        return (
          <div key={kind}>
            <ul>{own.slice(0, SHOWN).map(told)}</ul>
            {rest.length > 0 && (
              <details className="border-b border-rule-soft py-1.5">
                <summary className="text-soft">
                  {rest.length} {MORE[kind]}
                </summary>
                <ul>{rest.map(told)}</ul>
              </details>
            )}
          </div>
        );
      })}
    </>
  );
}

interface ItemProps {
  finding: Finding;
  fixes: Fix[] | undefined;
  looking: string;
  onLook: (fix: string) => void;
  onOrder: (order: OrderToHand) => void;
}

function FindingItem({ finding, fixes, looking, onLook, onOrder }: ItemProps) {
  const { order } = finding;
  const search = useHandSearch();
  return (
    <li className="border-b border-rule-soft py-2" data-kind={finding.kind}>
      <p>
        <strong className={`font-semibold ${INKS[finding.kind]}`}>{finding.lead}</strong> {finding.text}
      </p>
      <p className="text-small text-soft">
        {finding.share}
        {order && (
          <>
            {finding.share && ", "}
            <Button
              look="quiet"
              onClick={() => onOrder(order)}
              aria-label={`put one in hand: ${finding.lead} ${finding.text}`}
            >
              put one in hand
            </Button>
          </>
        )}
      </p>
      {fixes && fixes.length > 0 && (
        <ul className="mt-0.5 text-small">
          {fixes.map((fix) => (
            <li key={fix.id}>
              {fix.go ? (
                <Link
                  to={`${fix.go}${search}`}
                  className="text-verdigris font-semibold underline-offset-4 hover:underline inline-block min-h-6 leading-6"
                >
                  {fix.text}
                </Link>
              ) : (
                <button
                  type="button"
                  aria-pressed={looking === fix.id}
                  onClick={() => onLook(fix.id)}
                  className="text-verdigris font-semibold underline-offset-4 hover:underline text-left min-h-6 aria-pressed:underline"
                >
                  {fix.text}
                </button>
              )}
              {fix.cost && <span className="text-soft"> {fix.cost}</span>}
            </li>
          ))}
        </ul>
      )}
      {fixes?.length === 0 && finding.kind !== "unreachable" && (
        <p className="text-small">
          Nothing that is in the checkout ends it.{" "}
          <Link
            to={`/compare${search}`}
            className="text-verdigris font-semibold underline-offset-4 hover:underline inline-block min-h-6 leading-6"
          >
            Add a way to pay
          </Link>
        </p>
      )}
    </li>
  );
}
