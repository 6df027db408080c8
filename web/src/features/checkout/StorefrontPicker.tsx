import { useSearchParams } from "react-router";
import { Picks } from "../../ui/Picks";
import { useShop, useStorefront } from "../shop";

/** Tells which storefront's checkout is worked on, where the shop has several. */
export function StorefrontPicker() {
  const fronts = useShop().data?.shop?.storefronts ?? [];
  const chosen = useStorefront();
  const [, setAddress] = useSearchParams();
  if (fronts.length < 2 || !chosen) return null;
  return (
    <span className="font-serif">
      in the{" "}
      <Picks
        look="word"
        single
        label="Storefront"
        values={[chosen]}
        options={fronts.map(({ id, name }) => ({ value: id, label: name }))}
        none=""
        onPick={([id]) =>
          setAddress((before) => {
            const after = new URLSearchParams(before);
            after.delete("tender");
            if (id && id !== fronts[0]?.id) after.set("storefront", id);
            else after.delete("storefront");
            return after;
          })
        }
      />
    </span>
  );
}
