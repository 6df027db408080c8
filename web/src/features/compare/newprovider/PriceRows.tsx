import { shown } from "../../../lib/money";
import { Button } from "../../../ui/Button";
import { InputField } from "../../../ui/InputField";
import type { Option } from "../../../ui/Picker";
import { Picks } from "../../../ui/Picks";
import type { TypedRow } from "./form";
import type { Preview } from "./queries";

interface Props {
  rows: TypedRow[];
  currency: string;
  methods: Option[];
  preview: Preview | undefined;
  /** True if a price is said for each place that a card can be from. */
  byPlace: boolean;
  onRows: (rows: TypedRow[]) => void;
}

const PLACE_NAMES: Record<string, string> = {
  domestic: "cards from your country",
  eea: "other cards from the EEA",
  abroad: "cards from abroad",
};

/** Prices that are typed: a row for each, with what the order in hand would cost on its method. */
export function PriceRows({ rows, currency, methods, preview, byPlace, onRows }: Props) {
  const changed = (place: number, part: Partial<TypedRow>) =>
    onRows(rows.map((row, at) => (at === place ? { ...row, ...part } : row)));
  // A row's price is the entry of its own line; lines are counted without the rows that say nothing yet.
  const filled = rows.filter((row) => row.percent || row.fixed);

  return (
    <>
      {rows.map((row, place) => {
        const line = preview?.lines[filled.indexOf(row)];
        return (
          <div
            key={place}
            className="grid grid-cols-[minmax(0,1fr)_6rem_8rem_7rem_5rem] gap-4 items-end border-b border-rule-soft py-1.5"
          >
            {byPlace && row.place ? (
              <p className="min-h-8">{PLACE_NAMES[row.place]}</p>
            ) : (
              <Picks
                single
                label={`Way to pay ${place + 1}`}
                values={[row.method]}
                options={methods}
                none="choose one"
                onPick={([method]) => changed(place, { method: method ?? row.method })}
              />
            )}
            <InputField
              label="Percent"
              inputMode="decimal"
              align="right"
              value={row.percent}
              onChange={(percent) => changed(place, { percent })}
            />
            <InputField
              label={`Fixed, ${currency}`}
              inputMode="decimal"
              align="right"
              value={row.fixed}
              onChange={(fixed) => changed(place, { fixed })}
            />
            <p className="text-right min-h-8" data-fee-of-row={place}>
              {line?.fee && <strong className="font-semibold">{shown(line.fee)}</strong>}
              {line && line.kind !== "unread" && !line.fee && row.percent + row.fixed && (
                <span className="text-soft">another order</span>
              )}
              {line?.kind === "unread" && <span className="text-copper">{line.sentence}</span>}
            </p>
            {rows.length > 1 && !(byPlace && row.place) ? (
              <Button
                look="quiet"
                className="mb-1"
                aria-label={`Remove price ${place + 1}`}
                onClick={() => onRows(rows.filter((_, at) => at !== place))}
              >
                Remove
              </Button>
            ) : (
              <span />
            )}
          </div>
        );
      })}
      <Button
        look="link"
        className="mt-2"
        onClick={() =>
          onRows([...rows, { method: "sepa-direct-debit", place: null, percent: "", fixed: "" }])
        }
      >
        Add another way to pay
      </Button>
    </>
  );
}
