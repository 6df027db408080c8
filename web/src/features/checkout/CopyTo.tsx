import { toast } from "sonner";
import { said } from "../../api/client";
import { Button } from "../../ui/Button";
import { Picks } from "../../ui/Picks";
import { type Tender, useCopy } from "../draft";
import { useShop, useStorefront } from "../shop";

/** The other storefronts of the shop. */
function useOthers() {
  const here = useStorefront() ?? "";
  const fronts = useShop().data?.shop?.storefronts ?? [];
  return { here, others: fronts.filter((front) => front.id !== here) };
}

/** Copy a way to pay to another storefront; nothing where the shop has one alone. */
export function CopyTo({ tender }: { tender: Tender }) {
  const { here, others } = useOthers();
  const copy = useCopy();
  if (others.length === 0) return null;
  return (
    <Picks
      label="Copy it to another storefront"
      values={[]}
      options={others.map(({ id, name }) => ({ value: id, label: name }))}
      none="choose one"
      single
      onPick={([to]) =>
        to &&
        copy.mutate(
          { from: here, to, tender: tender.id },
          {
            onError: (refused) => toast.error(said(refused)),
            onSuccess: () => {
              toast(`${tender.name} is copied to ${others.find((front) => front.id === to)?.name ?? to}.`);
            },
          },
        )
      }
    />
  );
}

/** Begin an empty checkout as another storefront's. */
export function CopyAll() {
  const { here, others } = useOthers();
  const copy = useCopy();
  return others.map((front) => (
    <Button
      key={front.id}
      look="link"
      onClick={() =>
        copy.mutate(
          { from: front.id, to: here, tender: null },
          { onError: (refused) => toast.error(said(refused)) },
        )
      }
    >
      Copy everything from {front.name}
    </Button>
  ));
}
