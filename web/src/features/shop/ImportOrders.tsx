import { useRef, useState } from "react";
import { Refusal, said } from "../../api/client";
import { grouped, shown } from "../../lib/money";
import { Button } from "../../ui/Button";
import { FileDrop } from "../../ui/FileDrop";
import { Picker } from "../../ui/Picker";
import { Picks } from "../../ui/Picks";
import {
  type Look,
  type Matching,
  useImport,
  useLook,
  useProgress,
  useStopImport,
  useTakeFile,
} from "./monthQueries";
import { PaidWithTable } from "./PaidWithTable";
import { useChoices } from "./queries";

const NAMES: Record<string, string> = {
  id: "Order's id",
  placed_on: "Day",
  amount: "Amount",
  currency: "Currency",
  country: "Buyer's country",
  line: "Line",
  kind: "Kind of line",
  recurring: "Repeats",
  card_kind: "Kind of card",
  card_network: "Card network",
  refund_of: "Refund of",
  status: "Status",
  method: "Paid with",
};
const NONE = "none";

/** Past orders from a file: dropped in, matched, looked at, then read; nothing is kept before it is read. */
export function ImportOrders() {
  const take = useTakeFile();
  const lookAgain = useLook();
  const begin = useImport();
  const stop = useStopImport();
  const leaving = useRef(new AbortController());
  const [look, setLook] = useState<Look | null>(null);
  const [id, setId] = useState<string | null>(null);
  const progress = useProgress(id).data;
  const trouble = take.error ?? lookAgain.error ?? begin.error;

  function match(part: Partial<Matching>) {
    if (!look) return;
    const matching = { ...look.matching, ...part };
    lookAgain.mutate({ file: look.file, matching }, { onSuccess: setLook });
  }

  return (
    <section aria-labelledby="import" className="mb-8">
      <h2 id="import" className="text-lg mb-1">
        Past orders from a file
      </h2>
      <FileDrop
        label="Choose a file of past orders"
        text="Drop a CSV or XLSX file here: a row for every order, with its id, day and amount."
        accept=".csv,.xlsx,text/csv"
        busy={take.isPending}
        onFile={(file) => {
          setId(null);
          begin.reset();
          leaving.current = new AbortController();
          take.mutate({ file, signal: leaving.current.signal }, { onSuccess: setLook });
        }}
      />
      {take.isPending && (
        <p className="mt-2 flex items-baseline gap-4" aria-live="polite">
          The file is being looked at.
          <Button
            onClick={() => {
              leaving.current.abort();
              take.reset();
            }}
          >
            Stop
          </Button>
        </p>
      )}
      {trouble && (
        <div role="alert" className="border-l-2 border-copper pl-3 py-1 my-3 text-copper">
          <p className="font-medium">The file was not read, and nothing was changed.</p>
          {(trouble instanceof Refusal ? trouble.problem.errors : []).map((fault) => (
            <p key={fault.field + fault.code}>
              {fault.field && <strong>{NAMES[fault.field] ?? fault.field}: </strong>}
              {fault.detail}
            </p>
          ))}
          {!(trouble instanceof Refusal) && <p>{said(trouble)}</p>}
        </div>
      )}
      {look && !progress && <Understood look={look} onMatch={match} />}
      {look && !progress && (
        <p className="mt-3 flex items-baseline gap-4">
          <Button
            look="strong"
            disabled={begin.isPending || look.problems.length > 0}
            onClick={() =>
              begin.mutate(
                { file: look.file, matching: look.matching },
                { onSuccess: (started) => setId(started.id) },
              )
            }
          >
            {begins(look)}
          </Button>
          <Button look="quiet" onClick={() => setLook(null)}>
            Leave it
          </Button>
        </p>
      )}
      {progress && (
        <div className="mt-3 border-t border-ink pt-3" aria-live="polite">
          {progress.state === "under-way" ? (
            <>
              <progress
                className="w-full accent-(--verdigris)"
                aria-label="Rows read"
                max={progress.total}
                value={progress.done}
              />
              <p className="flex items-baseline gap-4">
                {grouped(String(progress.done))} of {grouped(String(progress.total))} rows
                <Button onClick={() => stop.mutate(progress.id)}>Stop; nothing is kept</Button>
              </p>
            </>
          ) : (
            <>
              <p className="font-semibold">
                {progress.state === "done"
                  ? `${grouped(String(progress.new))} orders are new, ${grouped(String(progress.already))} were there already.`
                  : progress.state === "stopped"
                    ? "Stopped. Nothing of this file was kept."
                    : "Reading failed. Nothing of this file was kept."}
              </p>
              {progress.state === "done" && (
                <p className="text-soft">
                  Among them {progress.free} free and{" "}
                  {progress.refunds === 1 ? "1 refund" : `${progress.refunds} refunds`}. {progress.refused}{" "}
                  rows were refused.
                  {progress.left_out > 0 && ` ${progress.left_out} were left out by their status.`}
                  {progress.unknown_lines > 0 &&
                    ` ${progress.unknown_lines} name a line that your shop does not have.`}
                </p>
              )}
              {progress.refused > 0 && (
                <>
                  <RefusedTable rows={progress.refused_rows} />
                  <a
                    className="underline underline-offset-4"
                    href={`/api/past-orders/imports/${progress.id}/refused.csv`}
                  >
                    Download all {progress.refused} refused rows
                  </a>
                </>
              )}
              <p className="mt-2">
                <Button
                  look="quiet"
                  onClick={() => {
                    setId(null);
                    setLook(null);
                  }}
                >
                  Close
                </Button>
              </p>
            </>
          )}
        </div>
      )}
    </section>
  );
}

/** Tells what the button says: how many rows would be read, as far as that is known before all were looked at. */
function begins({ total, looked_at, refused_of_them }: Look): string {
  const all = grouped(String(total));
  if (refused_of_them === 0) return `Read ${all} rows`;
  return looked_at === total
    ? `Read ${grouped(String(total - refused_of_them))} of ${all} rows`
    : `Read what can be read of ${all} rows`;
}

function Understood({ look, onMatch }: { look: Look; onMatch: (part: Partial<Matching>) => void }) {
  const { matching } = look;
  const methods = new Map(useChoices().data?.methods.map(({ code, name }) => [code, name]));
  const headers = look.header.filter(Boolean).map((name) => ({ value: name, label: name }));
  return (
    <div className="mt-3 border-t border-ink pt-3">
      <p className="mb-2">
        {grouped(String(look.total))} rows.{" "}
        {look.remembered
          ? "The columns are matched as you did the last time."
          : "The columns are matched by their names; correct what is wrong."}
      </p>
      <div className="grid grid-cols-3 lg:grid-cols-4 gap-x-5 gap-y-2">
        {look.fields.map((field) => (
          <Picker
            key={field}
            showLabel
            label={`${NAMES[field] ?? field}${look.required.includes(field) ? ", needed" : ""}`}
            value={matching.columns[field] ?? NONE}
            options={[{ value: NONE, label: "no column" }, ...headers]}
            onPick={(column) => {
              const { [field]: _, ...rest } = matching.columns;
              onMatch({ columns: column === NONE ? rest : { ...rest, [field]: column } });
            }}
          />
        ))}
        <Picker
          showLabel
          label="Days are written"
          value={matching.days}
          options={[
            { value: "ymd", label: "year, month, day" },
            { value: "dmy", label: "day, month, year" },
            { value: "mdy", label: "month, day, year" },
          ]}
          onPick={(days) => onMatch({ days: days as Matching["days"] })}
        />
        <Picker
          showLabel
          label="Decimals follow"
          value={matching.decimal}
          options={[
            { value: ".", label: "a point" },
            { value: ",", label: "a comma" },
          ]}
          onPick={(decimal) => onMatch({ decimal: decimal as Matching["decimal"] })}
        />
        {look.statuses.length > 0 && (
          <Picks
            label="No orders: left out by their status"
            values={matching.left_out ?? []}
            options={look.statuses.map((status) => ({ value: status, label: status }))}
            none="every row is an order"
            onPick={(left_out) => onMatch({ left_out })}
          />
        )}
        {look.statuses.length > 0 && (
          <Picks
            label="Given back: no orders of a month"
            values={matching.refunds ?? []}
            options={look.statuses.map((status) => ({ value: status, label: status }))}
            none="none by their status"
            onPick={(refunds) => onMatch({ refunds })}
          />
        )}
      </div>
      {Object.keys(look.paid).length > 0 && (
        <PaidWithTable
          paid={look.paid}
          cards={look.card_methods}
          onMatch={(paid_with) => onMatch({ paid_with })}
        />
      )}
      {look.refused_of_them > 0 && (
        <p className="text-copper font-medium mt-2">
          Of the first {look.looked_at} rows {look.refused_of_them} cannot be read so. They would be left out.
        </p>
      )}
      {look.problems.map((problem) => (
        <p key={problem.field} role="alert" className="text-copper font-medium mt-2">
          {NAMES[problem.field] ?? problem.field}: {problem.detail}
        </p>
      ))}
      {look.read.length > 0 && (
        <table className="w-full mt-3">
          <caption className="text-left text-soft">The first rows as they are understood</caption>
          <thead>
            <tr className="border-b border-ink text-small text-soft text-left">
              <th className="font-normal">row</th>
              <th className="font-normal">id</th>
              <th className="font-normal">day</th>
              <th className="font-normal text-right">amount</th>
              <th className="font-normal pl-4">country</th>
              <th className="font-normal">line</th>
              <th className="font-normal">card</th>
              <th className="font-normal">paid with</th>
            </tr>
          </thead>
          <tbody>
            {look.read.map((order) => (
              <tr key={order.row} className="border-b border-rule-soft">
                <td className="text-soft">{order.row}</td>
                <td>{order.id}</td>
                <td>{order.placed_on}</td>
                <td className="text-right">{shown(order.amount)}</td>
                <td className="pl-4">{order.country}</td>
                <td>{order.line ?? <span className="text-soft">not one of yours</span>}</td>
                <td>{order.card || <span className="text-soft">not known</span>}</td>
                <td>{methods.get(order.method ?? "") ?? <span className="text-soft">not known</span>}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {look.refused.length > 0 && <RefusedTable rows={look.refused} />}
    </div>
  );
}

function RefusedTable({ rows }: { rows: Look["refused"] }) {
  return (
    <table className="w-full my-3">
      <caption className="text-left text-copper font-medium">Rows that cannot be read</caption>
      <thead>
        <tr className="border-b border-ink text-small text-soft text-left">
          <th className="font-normal">line</th>
          <th className="font-normal">column</th>
          <th className="font-normal">reason</th>
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => (
          <tr key={`${row.line}${row.column}`} className="border-b border-rule-soft align-baseline">
            <td className="pr-3">{row.line}</td>
            <td className="pr-3 whitespace-nowrap">{row.column}</td>
            <td>{row.reason}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
