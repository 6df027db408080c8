import { useId, useState } from "react";
import { type Schema, said } from "../../api/client";
import { moment } from "../../lib/time";
import { Button } from "../../ui/Button";
import { InputField } from "../../ui/InputField";
import { Trouble } from "../../ui/Page";
import { usePlan, usePlanNoMore, usePublish } from "./queries";

interface Props {
  publication: Schema<"Publication">;
  next: number;
}

/** Publish what is looked at: now, or from a moment on; with a note on why. */
export function PublishActs({ publication, next }: Props) {
  const { storefront, fingerprint } = publication;
  const publish = usePublish();
  const plan = usePlan();
  const [note, setNote] = useState("");
  const [at, setAt] = useState<string | null>(null);
  const field = useId();
  const error = publish.error ?? plan.error;
  return (
    <>
      {error && <Trouble>{said(error)}</Trouble>}
      <div className="mt-4 flex flex-wrap items-end gap-x-4 gap-y-2">
        <InputField label="A note on it, for you" value={note} onChange={setNote} width="w-72" />
        {at === null ? (
          <>
            <Button
              look="strong"
              disabled={publish.isPending}
              onClick={() => publish.mutate({ storefront, fingerprint, note })}
            >
              Publish as edition {next}
            </Button>
            <Button look="quiet" onClick={() => setAt("")}>
              Publish later
            </Button>
          </>
        ) : (
          <form
            className="flex items-end gap-4"
            onSubmit={(event) => {
              event.preventDefault();
              if (at) plan.mutate({ storefront, fingerprint, note, at: new Date(at).toISOString() });
            }}
          >
            <div>
              <label htmlFor={field} className="block text-small text-soft">
                From when buyers see it
              </label>
              <input
                id={field}
                type="datetime-local"
                required
                value={at}
                onChange={(event) => setAt(event.target.value)}
                className="h-8 border-b border-rule bg-transparent px-1 hover:border-ink focus:border-ink"
              />
            </div>
            <Button look="strong" type="submit" disabled={plan.isPending}>
              Plan it
            </Button>
            <Button look="quiet" onClick={() => setAt(null)}>
              Publish now instead
            </Button>
          </form>
        )}
      </div>
      {publication.mode === "test" && <p className="text-soft mt-2">In test mode: buyers pay nothing.</p>}
    </>
  );
}

/** The edition that is planned, or why it was not published when its moment came. */
export function PlannedEdition({ planned }: { planned: Schema<"PlannedOut"> }) {
  const away = usePlanNoMore();
  return (
    <section aria-labelledby="planned" className="border-l-2 border-saffron pl-3 py-1 mb-6">
      <h2 id="planned" className="font-sans font-semibold">
        {planned.stopped.length > 0
          ? `Not published on ${moment(planned.at)}: it is no longer ready`
          : `An edition is planned for ${moment(planned.at)}`}
      </h2>
      {planned.note && <p>{planned.note}</p>}
      <ul>
        {planned.stopped.map((text) => (
          <li key={text}>{text}</li>
        ))}
      </ul>
      <p className="text-soft">
        {planned.stopped.length > 0
          ? "Buyers see what they saw before. End what stands there, then publish again. "
          : "It holds the draft as it was when you planned it, and is looked through again before it is published. "}
        <Button look="quiet" disabled={away.isPending} onClick={() => away.mutate()}>
          {planned.stopped.length > 0 ? "Put it aside" : "Plan it no more"}
        </Button>
      </p>
    </section>
  );
}
