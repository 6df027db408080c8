import { type ReactNode, useId, useState } from "react";
import { said } from "../../api/client";
import { shown } from "../../lib/money";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Choice";
import type { Offered } from "./queries";

interface Props {
  offered: Offered[];
  amount: string;
  /** What stands above the ways to pay, by the one that is chosen. */
  above?: (chosen: Offered | undefined) => ReactNode;
  /** Why it cannot be paid yet, whatever is chosen; empty where it can. */
  stopped?: string;
  paying: boolean;
  problem: unknown;
  onPay: (tender: string) => void;
}

/** The ways to pay, as a buyer meets them: one is chosen, then paid with. */
export function Ways({ offered, amount, above, stopped, paying, problem, onPay }: Props) {
  const [picked, setPicked] = useState("");
  const group = useId();
  const chosen =
    offered.find((way) => way.tender === picked) ?? offered.find((way) => way.usual) ?? offered[0];
  if (!chosen) {
    return (
      <>
        {above?.(undefined)}
        <p className="border-t border-rule pt-3">
          <strong className="text-copper">No way to pay is offered for this order.</strong> A buyer would stop
          here.
        </p>
      </>
    );
  }
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        onPay(chosen.tender);
      }}
    >
      <div aria-live="polite">{above?.(chosen)}</div>
      <fieldset>
        <legend className="sr-only">Ways to pay</legend>
        {offered.map((way) => (
          <div key={way.tender}>
            {way.heading && (
              <p className="border-t border-rule-soft pt-3 pb-1 text-small font-medium text-soft">
                {way.heading}
              </p>
            )}
            <Choice
              group={group}
              name={way.name}
              description={way.usual ? `You paid this way last time. ${way.description}` : way.description}
              onTop={way.fee ? `${way.up_to ? "at most " : ""}${shown(way.fee)}` : ""}
              chosen={way.tender === chosen.tender}
              onChoose={() => setPicked(way.tender)}
            />
          </div>
        ))}
      </fieldset>
      {problem !== null && problem !== undefined && (
        <p role="alert" className="text-copper font-medium my-2">
          {said(problem)}
        </p>
      )}
      {stopped ? (
        <p role="status" className="text-copper font-medium mt-2">
          {stopped}
        </p>
      ) : (
        <Button look="strong" type="submit" disabled={paying} className="w-full min-h-11 mt-2">
          Pay {shown(chosen.total ?? amount)}
        </Button>
      )}
    </form>
  );
}
