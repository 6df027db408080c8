import { inCurrency } from "../../lib/money";
import { Picks } from "../../ui/Picks";
import { TextField } from "../../ui/TextField";
import { AmountOfLine } from "./AmountOfLine";
import type { Sections } from "./sections";

/** Lines whose buyer chooses the amount: between which amounts, with the usual one among them. */
export function ChosenAmounts({ shop, save, quietly }: Sections) {
  const chosen = shop.lines.filter((line) => line.chosen);
  const edit = (id: string, part: object) => (before: typeof shop) => ({
    ...before,
    lines: before.lines.map((line) =>
      line.id === id && line.chosen ? { ...line, chosen: { ...line.chosen, ...part } } : line,
    ),
  });
  return (
    <section aria-labelledby="chosen" className="mb-8 max-w-2xl">
      <h2 id="chosen" className="text-lg mb-1">
        Amounts that buyers choose{" "}
        <span className="font-sans font-normal text-figure text-soft">
          a gift, a donation, a price of their own
        </span>
      </h2>
      <div className="border-t border-ink pt-2">
        <Picks
          label="Lines of which the buyer chooses the amount"
          values={chosen.map((line) => line.id)}
          options={shop.lines.map((line) => ({ value: line.id, label: line.name }))}
          none="none"
          onPick={(ids) =>
            quietly((before) => ({
              ...before,
              lines: before.lines.map((line) => ({
                ...line,
                chosen: ids.includes(line.id)
                  ? (line.chosen ?? { from: line.usual_amount, to: line.usual_amount })
                  : null,
              })),
            }))
          }
        />
      </div>
      {chosen.map((line) => (
        <AmountOfLine key={line.id} line={line}>
          <TextField
            align="right"
            width="w-32"
            label={`From, ${line.name}`}
            value={line.chosen?.from ?? ""}
            save={(from) => save(edit(line.id, { from: inCurrency(from, shop.currency) }))}
          />
          <TextField
            align="right"
            width="w-32"
            label={`To, ${line.name}`}
            value={line.chosen?.to ?? ""}
            save={(to) => save(edit(line.id, { to: inCurrency(to, shop.currency) }))}
          />
        </AmountOfLine>
      ))}
    </section>
  );
}
