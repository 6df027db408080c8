import { useRef } from "react";
import { toast } from "sonner";
import { Refusal, said } from "../../api/client";
import { Button } from "../../ui/Button";
import { useReadCard } from "./queries";

/** Read a rate card, or a provider with its card, from a file. A wrong one is refused with every place; the cards that are there stay. */
export function ReadCard() {
  const read = useReadCard();
  const file = useRef<HTMLInputElement>(null);
  const faults = read.error instanceof Refusal ? read.error.problem.errors : [];

  return (
    <>
      <input
        ref={file}
        type="file"
        accept="application/json,.json"
        aria-label="Rate card file"
        tabIndex={-1}
        className="sr-only"
        onChange={(event) => {
          const [chosen] = event.target.files ?? [];
          event.target.value = "";
          if (chosen) {
            read.mutate(chosen, {
              onSuccess: (said) => toast(said),
            });
          }
        }}
      />
      <Button look="link" onClick={() => file.current?.click()}>
        Read a rate card or a provider
      </Button>
      {read.error && (
        <div
          role="alert"
          className="basis-full order-last border-l-2 border-copper pl-3 py-1 text-copper max-w-2xl"
        >
          <p className="font-medium">The rate card was not read, and nothing was changed.</p>
          <ul>
            {faults.map((fault) => (
              <li key={fault.field + fault.code}>
                {fault.field && <strong>{fault.field}: </strong>}
                {fault.detail}
              </li>
            ))}
            {faults.length === 0 && <li>{said(read.error)}</li>}
          </ul>
          <Button look="quiet" onClick={() => read.reset()}>
            Close
          </Button>
        </div>
      )}
    </>
  );
}
