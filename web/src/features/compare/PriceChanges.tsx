import type { Hand } from "../hand";
import { usePriceChanges } from "./queries";
import { useRested } from "./useRested";

/** Another plan of one's own, and prices that end or begin on a day to come, where that moves the first place. */
export function PriceChanges({ hand }: { hand: Hand }) {
  const changes = usePriceChanges(useRested(hand)).data?.changes ?? [];
  return changes.map((change) => (
    <p key={change.text} className="border-l-2 border-saffron pl-3 py-0.5 mb-2">
      {change.text}
    </p>
  ));
}
