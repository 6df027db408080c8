import { Button } from "../../ui/Button";
import { Picker } from "../../ui/Picker";
import { TextField } from "../../ui/TextField";
import type { Profile } from "./monthQueries";
import { useChoices } from "./queries";

type CardShare = NonNullable<Profile["cards"]>[number];

interface Props {
  profile: Profile;
  save: (change: (profile: Profile) => Profile) => Promise<unknown>;
  quietly: (change: (profile: Profile) => Profile) => void;
}

/** The cards that buyers hold, by kind and network, in percent. */
export function CardShares({ profile, save, quietly }: Props) {
  const choices = useChoices().data;
  const cards = profile.cards ?? [];
  const sum = Math.round(cards.reduce((total, card) => total + Number(card.share), 0) * 100) / 100;
  const edit = (place: number, part: Partial<CardShare>) => (before: Profile) => ({
    ...before,
    cards: (before.cards ?? []).map((card, index) => (index === place ? { ...card, ...part } : card)),
  });
  const any = { value: "any", label: "not known" };
  const named = (list: { code: string; name: string }[] = []) => [
    any,
    ...list.map(({ code, name }) => ({ value: code, label: name })),
  ];

  function add(before: Profile): Profile {
    const taken = new Set((before.cards ?? []).map((card) => `${card.kind} ${card.network}`));
    const pairs = (choices?.card_kinds ?? []).flatMap((kind) =>
      (choices?.card_networks ?? []).map((network) => [kind.code, network.code] as const),
    );
    const free = pairs.find(([kind, network]) => !taken.has(`${kind} ${network}`));
    const card = { kind: free?.[0] ?? null, network: free?.[1] ?? null, share: "0" } as CardShare;
    return { ...before, cards: [...(before.cards ?? []), card] };
  }

  return (
    <section aria-labelledby="cards" className="mb-8">
      <h2 id="cards" className="text-lg">
        Cards that your buyers hold
      </h2>
      <ul className="border-t border-rule max-w-xl">
        {cards.map((card, place) => (
          <li
            key={`${card.kind} ${card.network}`}
            className="grid grid-cols-[1fr_1fr_6rem_5rem] gap-3 border-b border-rule-soft items-center"
          >
            <Picker
              look="cell"
              label={`Kind of card ${place + 1}`}
              value={card.kind ?? "any"}
              options={named(choices?.card_kinds)}
              onPick={(kind) =>
                quietly(
                  edit(place, {
                    kind: (kind === "any" ? null : kind) as NonNullable<CardShare["kind"]> | null,
                  }),
                )
              }
            />
            <Picker
              look="cell"
              label={`Network of card ${place + 1}`}
              value={card.network ?? "any"}
              options={named(choices?.card_networks)}
              onPick={(network) => quietly(edit(place, { network: network === "any" ? null : network }))}
            />
            <TextField
              cell
              align="right"
              suffix="%"
              label={`Share of card ${place + 1}`}
              hideLabel
              value={card.share}
              save={(share) => save(edit(place, { share }))}
            />
            <Button
              look="quiet"
              aria-label={`Remove card ${place + 1}`}
              onClick={() =>
                quietly((before) => ({
                  ...before,
                  cards: (before.cards ?? []).filter((_, index) => index !== place),
                }))
              }
            >
              Remove
            </Button>
          </li>
        ))}
      </ul>
      <p className="mt-1 flex gap-4">
        <Button look="link" onClick={() => quietly(add)}>
          Add a card
        </Button>
        <span className="text-soft">{sum} % known; the rest counts as a card that nothing is known of.</span>
      </p>
    </section>
  );
}
