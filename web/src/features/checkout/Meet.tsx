import { useState } from "react";
import { type Schema, said } from "../../api/client";
import { grouped } from "../../lib/money";
import { Button } from "../../ui/Button";
import { InputField } from "../../ui/InputField";
import { Picker } from "../../ui/Picker";
import { type Composed, type Tender, useMeet } from "../draft";

interface Props {
  tender: Tender;
  composed: Composed;
  meetings: Schema<"MeetingOut">[];
  currency: string;
}

/** Two ways to pay that meet: one ends exactly where the other begins, at a break-even or an amount that is typed. */
export function Meet({ tender, composed, meetings, currency }: Props) {
  const others = composed.tenders.filter((entry) => entry.id !== tender.id);
  const [other, setOther] = useState(others[0]?.id ?? "");
  const [how, setHow] = useState<"ends" | "begins">("ends");
  const [amount, setAmount] = useState("");
  const meet = useMeet();
  const [first] = others;
  if (!first) return null;
  const met = others.find((entry) => entry.id === other) ?? first;
  const pair = how === "ends" ? { lower: tender.id, upper: met.id } : { lower: met.id, upper: tender.id };
  const equal = meetings.filter(
    ({ lower, upper }) => [lower, upper].sort().join() === [tender.id, met.id].sort().join(),
  );
  return (
    <form
      aria-label={`Let ${tender.name} meet another way to pay`}
      className="flex flex-wrap gap-x-3 gap-y-1 items-end mt-2"
      onSubmit={(event) => {
        event.preventDefault();
        meet.mutate({ ...pair, amount }, { onSuccess: () => setAmount("") });
      }}
    >
      <span className="pb-1.5">It</span>
      <div className="w-24">
        <Picker
          label={`Whether ${tender.name} ends or begins there`}
          value={how}
          options={[
            { value: "ends", label: "ends" },
            { value: "begins", label: "begins" },
          ]}
          onPick={(picked) => setHow(picked as "ends" | "begins")}
        />
      </div>
      <span className="pb-1.5">exactly where</span>
      <div className="w-44">
        <Picker
          label="The other way to pay"
          value={met.id}
          options={others.map((entry) => ({ value: entry.id, label: entry.name }))}
          onPick={setOther}
        />
      </div>
      <span className="pb-1.5">{how === "ends" ? "begins" : "ends"}:</span>
      <InputField
        width="w-28"
        label={`at an amount, ${currency}`}
        align="right"
        inputMode="decimal"
        value={amount}
        onChange={setAmount}
      />
      <Button type="submit" look="quiet" disabled={meet.isPending} className="mb-1">
        Set both
      </Button>
      {equal.map((entry) => (
        <p key={entry.amount} className="basis-full text-small text-soft">
          {tender.name} and {met.name} cost the same at{" "}
          <button
            type="button"
            className="font-semibold text-verdigris underline-offset-4 hover:underline min-h-6"
            title={entry.exactly.exact ? `exactly ${entry.exactly.exact}` : ""}
            onClick={() => {
              setAmount(entry.amount);
              setHow(entry.lower === tender.id ? "ends" : "begins");
            }}
          >
            {grouped(entry.amount)} {currency}
          </button>
          ; below it {entry.lower === tender.id ? tender.name : met.name} costs less.
        </p>
      ))}
      {meet.error && (
        <p role="alert" className="basis-full text-small text-copper font-medium">
          {said(meet.error)}
        </p>
      )}
    </form>
  );
}
