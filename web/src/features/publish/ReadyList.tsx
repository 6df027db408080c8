import { useState } from "react";
import { Link } from "react-router";
import type { Schema } from "../../api/client";
import { said } from "../../api/client";
import { day } from "../../lib/time";
import { Button } from "../../ui/Button";
import { InputField } from "../../ui/InputField";
import { Trouble, Waiting } from "../../ui/Page";
import { useHandSearch, withHand } from "../hand";
import { useAccept, useAcceptNoMore, useReady } from "./readyQueries";

type Item = Schema<"ReadyOut">;

/** The things between the draft and real buyers, each with the act that ends it; computed, never ticked by hand. */
export function ReadyList() {
  const { data: ready, error } = useReady();
  if (error && !ready) return <Trouble>{said(error)}</Trouble>;
  const forbids = ready?.items.filter((item) => item.weight === "forbids") ?? [];
  const warns = ready?.items.filter((item) => item.weight === "warns" && !item.accepted) ?? [];
  const accepted = ready?.items.filter((item) => item.accepted) ?? [];
  return (
    <section aria-labelledby="ready" className="mb-8">
      <h2 id="ready" className="text-lg">
        Between this checkout and real buyers
      </h2>
      {!ready ? (
        <Waiting>Everything is looked through</Waiting>
      ) : (
        <>
          <p className="text-soft mb-2">{summary(forbids.length, warns.length, ready.mode)}</p>
          <Items items={forbids} word="forbids" ink="text-copper" />
          <Items items={warns} word="warns" ink="text-saffron-ink" />
          {accepted.length > 0 && (
            <details className="py-2">
              <summary className="text-soft min-h-6">{accepted.length} accepted with a reason</summary>
              <ul>
                {accepted.map((item) => (
                  <AcceptedItem key={item.id} item={item} />
                ))}
              </ul>
            </details>
          )}
        </>
      )}
    </section>
  );
}

function summary(forbids: number, warns: number, mode: string): string {
  if (forbids + warns === 0) return "Nothing stands in the way.";
  const stop = forbids === 1 ? "1 thing forbids" : `${forbids} things forbid`;
  const warn = warns === 1 ? "1 warns" : `${warns} warn`;
  if (forbids === 0) return `Nothing forbids to open it; ${warn}.`;
  const still = mode === "test" ? " In test mode buyers pay nothing, and all of it can be published." : "";
  return `${stop} to open it for real buyers, ${warn}.${still}`;
}

function Items({ items, word, ink }: { items: Item[]; word: string; ink: string }) {
  const search = useHandSearch();
  if (items.length === 0) return null;
  return (
    <ul className="border-t border-rule" data-weight={word}>
      {items.map((item) => (
        <li key={item.id} className="border-b border-rule-soft py-1.5 flex gap-4" data-code={item.code}>
          <span className={`w-16 shrink-0 text-small font-medium pt-0.5 ${ink}`}>{word}</span>
          <div className="grow">
            <p>{item.text}</p>
            {item.source && <p className="text-small text-soft">{item.source}</p>}
            <div className="flex flex-wrap items-baseline gap-x-4">
              {item.to ? (
                <Link
                  to={withHand(item.to, search)}
                  className="text-verdigris font-semibold underline-offset-4 hover:underline"
                >
                  {item.act}
                </Link>
              ) : (
                <span className="text-soft">{item.act}</span>
              )}
              {word === "warns" && <AcceptIt item={item} />}
            </div>
          </div>
        </li>
      ))}
    </ul>
  );
}

function AcceptIt({ item }: { item: Item }) {
  const accept = useAccept();
  const [isOpen, setOpen] = useState(false);
  const [reason, setReason] = useState("");
  if (!isOpen)
    return (
      <Button look="quiet" aria-label={`Accept with a reason: ${item.text}`} onClick={() => setOpen(true)}>
        Accept with a reason
      </Button>
    );
  return (
    <form
      className="flex items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        accept.mutate({ id: item.id, reason });
      }}
    >
      <InputField
        label="Reason"
        value={reason}
        onChange={setReason}
        width="w-80"
        begin
        problem={accept.error ? said(accept.error) : ""}
      />
      <Button type="submit">Accept</Button>
      <Button look="quiet" onClick={() => setOpen(false)}>
        Leave it
      </Button>
    </form>
  );
}

function AcceptedItem({ item }: { item: Item }) {
  const back = useAcceptNoMore();
  return (
    <li className="border-b border-rule-soft py-1.5" data-code={item.code}>
      <p>{item.text}</p>
      <p className="text-soft">
        {item.accepted?.reason}, {item.accepted && day(item.accepted.at.slice(0, 10))}.{" "}
        <Button look="quiet" aria-label={`Accept no more: ${item.text}`} onClick={() => back.mutate(item.id)}>
          Accept it no more
        </Button>
      </p>
    </li>
  );
}
