import { useRef, useState } from "react";
import { said } from "../../../api/client";
import { Button } from "../../../ui/Button";
import { Trouble } from "../../../ui/Page";
import { Picks } from "../../../ui/Picks";
import { Toggle } from "../../../ui/Toggle";
import { type Columns, type Table, useReadTable, useTableText } from "./queries";

interface Props {
  currency: string;
  onText: (text: string) => void;
}

const PARTS = [
  ["percent", "Percent"],
  ["fixed", "Fixed"],
  ["minimum", "At least"],
  ["maximum", "At most"],
  ["plan", "Plan"],
  ["monthly", "A month"],
] as const;

/** Prices from a table, CSV or XLSX: its columns are matched, and each row becomes a line of the price list. */
export function PriceTable({ currency, onText }: Props) {
  const file = useRef<HTMLInputElement>(null);
  const [table, setTable] = useState<Table | null>(null);
  const read = useReadTable();
  const text = useTableText();

  function take(next: Table) {
    setTable(next);
    text.mutate({ ...next, currency }, { onSuccess: (made) => onText(made.text) });
  }
  const match = (part: Partial<Columns>) =>
    table && take({ ...table, columns: { ...table.columns, ...part } });
  const options = (table?.header ?? []).filter(Boolean).map((name) => ({ value: name, label: name }));
  const trouble = read.error ?? text.error;

  return (
    <>
      <input
        ref={file}
        type="file"
        accept=".csv,.xlsx,text/csv"
        aria-label="Table of prices"
        tabIndex={-1}
        className="sr-only"
        onChange={(event) => {
          const [chosen] = event.target.files ?? [];
          event.target.value = "";
          if (chosen) read.mutate(chosen, { onSuccess: take });
        }}
      />
      <Button look="quiet" onClick={() => file.current?.click()}>
        Read them from a table, CSV or XLSX
      </Button>
      {trouble && <Trouble>{said(trouble)}</Trouble>}
      {table && (
        <div className="basis-full grid grid-cols-2 lg:grid-cols-4 gap-x-6 gap-y-2 my-2 items-end">
          <Picks
            label="What the price is for"
            values={table.columns.what}
            options={options}
            none="choose a column"
            onPick={(what) => what.length > 0 && match({ what })}
          />
          {PARTS.map(([part, label]) => (
            <Picks
              key={part}
              label={label}
              values={table.columns[part] ? [table.columns[part]] : []}
              options={options}
              none="no column"
              onPick={(picked) => match({ [part]: picked.at(-1) ?? null })}
            />
          ))}
          <Picks
            label="Columns that say nothing"
            values={table.columns.left_out ?? []}
            options={options}
            none="none: all are read"
            onPick={(left_out) => match({ left_out })}
          />
          <span className="flex items-center gap-2 text-small text-soft col-span-full">
            <Toggle
              label="Percentages are parts of one, such as 0.015"
              on={table.columns.of_one ?? false}
              onChange={(of_one) => match({ of_one })}
            />
            percentages are parts of one, such as 0.015 for 1.5 %
          </span>
        </div>
      )}
    </>
  );
}
