import { useState } from "react";
import { said } from "../../api/client";
import { day, moment } from "../../lib/time";
import { Button } from "../../ui/Button";
import { InputField } from "../../ui/InputField";
import { Trouble } from "../../ui/Page";
import { useOpenAgain, usePause, usePauseNow } from "./pauseQueries";

/** Tells if buyers can order in the storefront now; pausing it stops no order that is there already. */
export function OpenOrPaused() {
  const { data: held, error } = usePause();
  const open = useOpenAgain();
  const [pausing, setPausing] = useState(false);
  if (error && !held) return <Trouble>{said(error)}</Trouble>;
  if (!held) return null;
  const { pause } = held;
  return (
    <section
      aria-labelledby="open"
      className={`border-l-2 pl-3 py-1 mb-6 ${pause ? "border-saffron" : "border-verdigris"}`}
    >
      <h2 id="open" className="font-sans font-semibold">
        {pause ? `Paused since ${moment(pause.since)}` : "Open: it takes orders"}
      </h2>
      {pause ? (
        <p className="text-soft">
          Buyers cannot order here.{" "}
          {pause.opens_on
            ? `It opens by itself on ${day(pause.opens_on)}.`
            : "It stays so until you open it."}{" "}
          {pause.said && <>They read: “{pause.said}” </>}
          Orders that are there already go on.{" "}
          <Button disabled={open.isPending} onClick={() => open.mutate()}>
            Open it again
          </Button>
        </p>
      ) : pausing ? (
        <PauseForm onDone={() => setPausing(false)} />
      ) : (
        <p className="text-soft">
          Buyers can order what is published.{" "}
          <Button look="quiet" onClick={() => setPausing(true)}>
            Pause it
          </Button>
        </p>
      )}
      {open.error && <Trouble>{said(open.error)}</Trouble>}
    </section>
  );
}

function PauseForm({ onDone }: { onDone: () => void }) {
  const pause = usePauseNow();
  const [until, setUntil] = useState("");
  const [words, setWords] = useState("");
  return (
    <form
      className="flex flex-wrap items-end gap-x-4 gap-y-2 mt-1"
      onSubmit={(event) => {
        event.preventDefault();
        pause.mutate({ opens_on: until.trim() || null, said: words }, { onSuccess: onDone });
      }}
    >
      <InputField
        label="Opens again on, such as 2027-01-07"
        value={until}
        onChange={setUntil}
        width="w-64"
        begin
      />
      <InputField label="What buyers read besides" value={words} onChange={setWords} width="w-80" />
      <Button look="strong" type="submit" disabled={pause.isPending}>
        Pause it
      </Button>
      <Button look="quiet" onClick={onDone}>
        Leave it open
      </Button>
      {pause.error && (
        <div className="basis-full">
          <Trouble>{said(pause.error)}</Trouble>
        </div>
      )}
    </form>
  );
}
