import { inCurrency, partsOf } from "../../lib/money";
import { Picker } from "../../ui/Picker";
import { Picks } from "../../ui/Picks";
import { TextField } from "../../ui/TextField";
import { AmountOfLine } from "./AmountOfLine";
import type { Shop } from "./queries";
import type { Sections } from "./sections";

type Line = Shop["lines"][number];
type When = "booked" | "share" | "amount" | "day";

const WHEN: { value: When; label: string }[] = [
  { value: "booked", label: "when it is booked" },
  { value: "share", label: "a share when booked, the rest on the day" },
  { value: "amount", label: "an amount when booked, the rest on the day" },
  { value: "day", label: "on the day" },
];

function whenOf({ deposit }: Line): When {
  if (!deposit) return "booked";
  if (deposit.amount) return "amount";
  return Number(deposit.percent) === 0 ? "day" : "share";
}

/** Tells what a booking is first paid by, when another time is picked. */
function depositAt(when: When, line: Line): NonNullable<Line["deposit"]> | null {
  if (when === "booked") return null;
  if (when === "amount") return { amount: line.usual_amount };
  return { percent: when === "day" ? "0" : "25" };
}

/** When bookings are paid, and goods of which it is known only when they go out what they come to. */
export function PaidLater({ shop, save, quietly }: Sections) {
  const bookings = shop.lines.filter((line) => line.kind === "booking" || line.deposit);
  const goods = shop.lines.filter((line) => line.kind === "goods" || line.highest);
  const weighed = goods.filter((line) => line.highest);
  const edit = (id: string, part: Partial<Line>) => (before: Shop) => ({
    ...before,
    lines: before.lines.map((line) => (line.id === id ? { ...line, ...part } : line)),
  });
  if (bookings.length + goods.length === 0) return null;
  return (
    <section aria-labelledby="later" className="mb-8 max-w-3xl">
      <h2 id="later" className="text-lg mb-1">
        Paid later{" "}
        <span className="font-sans font-normal text-figure text-soft">
          deposits, bookings paid on the day, goods that are weighed
        </span>
      </h2>
      <div className="border-t border-ink">
        {bookings.map((line) => (
          <div
            key={line.id}
            className="grid grid-cols-[minmax(0,1fr)_19rem_11rem] gap-6 items-end py-1 border-b border-rule-soft"
          >
            <span>{line.name} is paid</span>
            <Picker
              label={`When ${line.name} is paid`}
              value={whenOf(line)}
              options={WHEN}
              onPick={(when) => quietly(edit(line.id, { deposit: depositAt(when as When, line) }))}
            />
            {line.deposit?.amount ? (
              <TextField
                align="right"
                label={`Deposit of ${line.name}`}
                value={line.deposit.amount}
                save={(typed) =>
                  save(
                    edit(line.id, {
                      deposit: { amount: inCurrency(typed, partsOf(line.usual_amount).currency) },
                    }),
                  )
                }
              />
            ) : whenOf(line) === "share" ? (
              <TextField
                align="right"
                label={`Deposit in % of ${line.name}`}
                value={line.deposit?.percent ?? ""}
                save={(percent) => save(edit(line.id, { deposit: { percent } }))}
              />
            ) : (
              <span />
            )}
          </div>
        ))}
      </div>
      {goods.length > 0 && (
        <div className="mt-2">
          <Picks
            label="Weighed goods: what they come to is known when they go out"
            values={weighed.map((line) => line.id)}
            options={goods.map((line) => ({ value: line.id, label: line.name }))}
            none="none"
            onPick={(ids) =>
              quietly((before) => ({
                ...before,
                lines: before.lines.map((line) => ({
                  ...line,
                  highest: ids.includes(line.id) ? (line.highest ?? line.usual_amount) : null,
                })),
              }))
            }
          />
          {weighed.map((line) => (
            <AmountOfLine key={line.id} line={line}>
              <TextField
                align="right"
                width="w-32"
                label={`At most, ${line.name}`}
                value={line.highest ?? ""}
                save={(typed) =>
                  save(edit(line.id, { highest: inCurrency(typed, partsOf(line.usual_amount).currency) }))
                }
              />
            </AmountOfLine>
          ))}
          {weighed.length > 0 && (
            <p className="text-small text-soft mt-1">
              That much is authorised. Ways to pay that take the money at once are held back for them.
            </p>
          )}
        </div>
      )}
    </section>
  );
}
