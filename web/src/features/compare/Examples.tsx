import { toast } from "sonner";
import { said } from "../../api/client";
import { Button } from "../../ui/Button";
import { useCards } from "./cards/queries";
import { useExampleCards, usePutExamplesAway } from "./queries";

/** Says that invented providers are among those that are compared, and puts them away in one act. */
export function Examples() {
  const examples = (useCards().data ?? []).filter((card) => card.example);
  const back = useExampleCards();
  const away = usePutExamplesAway(() =>
    toast("The examples are put away, with their ways to pay in your checkout.", {
      duration: 12_000,
      action: { label: "Put them in again", onClick: () => back.mutate() },
    }),
  );
  if (examples.length === 0) return null;
  return (
    <p className="border-l-2 border-saffron pl-3 py-0.5 mb-3">
      {examples.length} of the providers are invented examples, and their prices are no offers.{" "}
      <Button
        look="link"
        disabled={away.isPending}
        onClick={() => away.mutate(undefined, { onError: (refused) => toast.error(said(refused)) })}
      >
        Put the examples away
      </Button>
    </p>
  );
}
