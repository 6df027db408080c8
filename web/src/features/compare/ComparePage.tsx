import { toast } from "sonner";
import { said } from "../../api/client";
import { Button } from "../../ui/Button";
import { Heading, Trouble } from "../../ui/Page";
import { useAddTender } from "../checkout";
import { useHand } from "../hand";
import { CardPickers } from "./CardPickers";
import { useComparison, useExampleCards } from "./queries";
import { Ranking } from "./Ranking";
import { ReadCard } from "./ReadCard";
import { ShutRoutes } from "./ShutRoutes";

/** What each route costs for the order in hand, from the cheapest, and why the others are not open. */
export function ComparePage() {
  const { hand, shop } = useHand();
  const comparison = useComparison(hand);
  const examples = useExampleCards();
  const add = useAddTender();
  if (!shop) return null;
  if (!hand) return <Heading title="What each way costs" />;
  const data = comparison.data;

  async function put(added: Parameters<typeof add.mutate>[0]) {
    try {
      const draft = await add.mutateAsync(added);
      const tender = draft.tenders.find((entry) => entry.id === draft.added);
      toast(`${tender?.name ?? "It"} is in your checkout, switched off.`);
    } catch (refused) {
      toast.error(said(refused));
    }
  }

  return (
    <>
      <Heading title="What each way costs" note={`provider fees, in ${shop.currency}, for this order`}>
        <ReadCard />
      </Heading>
      {comparison.error && (
        <Trouble>The order in hand cannot be read. Mend it in the sentence above.</Trouble>
      )}
      {data?.rate_cards === 0 && (
        <div className="border-t border-ink pt-3 max-w-xl">
          <p className="mb-3">
            There is no rate card yet. A rate card holds a provider's prices; read one from a file, or begin
            with seven invented ones to see how it works.
          </p>
          <Button look="strong" onClick={() => examples.mutate()}>
            Put in seven example cards
          </Button>
        </div>
      )}
      {data?.nothing_to_pay && (
        <p className="border-t border-ink pt-3">
          An order of zero needs no payment, so there is nothing to compare.
        </p>
      )}
      {data && data.rate_cards > 0 && !data.nothing_to_pay && (
        <>
          <CardPickers />
          <Ranking ranked={data.ranked} onAdd={put} />
        </>
      )}
      {data && !data.nothing_to_pay && (
        <ShutRoutes shut={data.shut} arrangements={data.arrangements} onAdd={put} />
      )}
    </>
  );
}
