import { Picker } from "../../ui/Picker";
import type { Look, Matching } from "./monthQueries";
import { useChoices } from "./queries";

type PaidWith = NonNullable<Look["paid"][string]>;
const NONE = "none";

interface Props {
  paid: Look["paid"];
  /** Methods of which a file may tell network and kind of card. */
  cards: Look["card_methods"];
  onMatch: (paid_with: NonNullable<Matching["paid_with"]>) => void;
}

/** The words by which a file says how orders were paid, each matched to a method. */
export function PaidWithTable({ paid, cards, onMatch }: Props) {
  const choices = useChoices().data;
  const none = { value: NONE, label: "not known" };
  const named = (list: { code: string; name: string }[] = []) => [
    none,
    ...list.map(({ code, name }) => ({ value: code, label: name })),
  ];
  const match = (word: string, found: PaidWith | null) => onMatch({ ...paid, [word]: found });
  return (
    <table className="w-full max-w-3xl mt-4">
      <caption className="text-left text-soft">How the file says that orders were paid</caption>
      <thead>
        <tr className="border-b border-ink text-small text-soft text-left">
          <th className="font-normal">in the file</th>
          <th className="font-normal">paid with</th>
          <th className="font-normal">network</th>
          <th className="font-normal">kind of card</th>
        </tr>
      </thead>
      <tbody>
        {Object.entries(paid).map(([word, found]) => (
          <tr key={word} className="border-b border-rule-soft">
            <th scope="row" className="text-left font-semibold pr-3">
              {word}
            </th>
            <td className="pr-3">
              <Picker
                look="cell"
                label={`${word} is paid with`}
                value={found?.method ?? NONE}
                options={named(choices?.methods)}
                onPick={(method) => match(word, method === NONE ? null : { ...found, method })}
              />
            </td>
            {found && cards.includes(found.method) ? (
              <>
                <td className="pr-3">
                  <Picker
                    look="cell"
                    label={`Network of ${word}`}
                    value={found.network ?? NONE}
                    options={named(choices?.card_networks)}
                    onPick={(network) =>
                      match(word, { ...found, network: network === NONE ? null : network })
                    }
                  />
                </td>
                <td>
                  <Picker
                    look="cell"
                    label={`Kind of card of ${word}`}
                    value={found.kind ?? NONE}
                    options={named(choices?.card_kinds)}
                    onPick={(kind) =>
                      match(word, {
                        ...found,
                        kind: (kind === NONE ? null : kind) as NonNullable<PaidWith["kind"]> | null,
                      })
                    }
                  />
                </td>
              </>
            ) : (
              <td colSpan={2} />
            )}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
