import { useMutationState } from "@tanstack/react-query";
import { useAskBeforeLeaving } from "../lib/useAskBeforeLeaving";

/** Says that what was changed waits for an answer, as long as something does. */
export function Unanswered() {
  const waiting = useMutationState({
    filters: { status: "pending" },
    select: (mutation) => mutation.state.failureCount,
  }).some((failures) => failures > 0);
  useAskBeforeLeaving(waiting);
  if (!waiting) return null;
  return (
    <p role="status" className="bg-sheet border-b border-copper text-copper px-6 py-1.5">
      Monedero does not answer. What you changed is still here, and is sent when it answers again.
    </p>
  );
}
