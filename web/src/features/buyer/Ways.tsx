import { useId, useState } from "react";
import { said } from "../../api/client";
import { shown } from "../../lib/money";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Choice";

interface Props {
  offered: { tender: string; name: string; description: string; usual?: boolean }[];
  amount: string;
  paying: boolean;
  problem: unknown;
  onPay: (tender: string) => void;
}

/** The ways to pay, as a buyer meets them: one is chosen, then paid with. */
export function Ways({ offered, amount, paying, problem, onPay }: Props) {
  const [picked, setPicked] = useState("");
  const group = useId();
  const chosen =
    offered.find((way) => way.tender === picked) ?? offered.find((way) => way.usual) ?? offered[0];
  if (!chosen) {
    return (
      <p className="border-t border-rule pt-3">
        <strong className="text-copper">No way to pay is offered for this order.</strong> A buyer would stop
        here.
      </p>
    );
  }
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        onPay(chosen.tender);
      }}
    >
      <fieldset>
        <legend className="sr-only">Ways to pay</legend>
        {offered.map((way) => (
          <Choice
            key={way.tender}
            group={group}
            name={way.name}
            description={way.usual ? `You paid this way last time. ${way.description}` : way.description}
            chosen={way.tender === chosen.tender}
            onChoose={() => setPicked(way.tender)}
          />
        ))}
      </fieldset>
      {problem !== null && problem !== undefined && (
        <p role="alert" className="text-copper font-medium my-2">
          {said(problem)}
        </p>
      )}
      <Button look="strong" type="submit" disabled={paying} className="w-full min-h-11 mt-2">
        Pay {shown(amount)}
      </Button>
    </form>
  );
}
