import { Picker } from "../../ui/Picker";
import { useHand } from "../hand";
import { useChoices } from "../shop";

const ANY = "any";

/** Tells what is known of the card, where the buyer pays by card; it decides which rate fits. */
export function CardPickers() {
  const { hand, change } = useHand();
  const choices = useChoices().data;
  if (!hand || !choices) return null;
  const kinds = choices.card_kinds.map((choice) => ({ value: choice.code, label: choice.name }));
  const networks = choices.card_networks.map((choice) => ({ value: choice.code, label: choice.name }));

  return (
    <div className="flex flex-wrap items-center gap-x-2 gap-y-1 text-soft">
      If by card, a card of
      <div className="w-44 text-ink">
        <Picker
          label="Kind of card"
          value={hand.card_kind ?? ANY}
          options={[{ value: ANY, label: "a kind not known" }, ...kinds]}
          onPick={(kind) => change({ card_kind: kind === ANY ? "" : kind })}
        />
      </div>
      from
      <div className="w-48 text-ink">
        <Picker
          label="Card network"
          value={hand.card_network ?? ANY}
          options={[{ value: ANY, label: "a network not known" }, ...networks]}
          onPick={(network) => change({ card_network: network === ANY ? "" : network })}
        />
      </div>
    </div>
  );
}
