import { useState } from "react";
import { type Schema, said } from "../../api/client";
import { Trouble } from "../../ui/Page";
import type { Option } from "../../ui/Picker";
import { Picks } from "../../ui/Picks";
import { type Best, type Limits, usePriceTurns, useShareTurns, useValueTurns } from "./bestQueries";

interface Props {
  data: Best;
  limits: Limits;
}

const WORKING = "It is being worked out; that takes a few seconds.";

interface AskProps {
  before: string;
  after: string;
  label: string;
  none: string;
  picked: string | null;
  options: Option[];
  onPick: (picked: string | null) => void;
}

/** A sentence that asks about one thing, which is picked in it. */
function Ask({ before, after, label, none, picked, options, onPick }: AskProps) {
  return (
    <p className="mt-3">
      {before}{" "}
      <Picks
        single
        look="word"
        label={label}
        none={none}
        values={picked ? [picked] : []}
        options={options}
        onPick={([first = null]) => onPick(first)}
      />{" "}
      {after}
    </p>
  );
}

const keyOf = (entry: Schema<"AskableOut">) => `${entry.assumption} ${entry.about}`;

/** Figures at which another set would be best: prices of a plan, shares of buyers, assumptions; asked for one at a time. */
export function Turns({ data, limits }: Props) {
  const [plan, setPlan] = useState<string | null>(null);
  const [family, setFamily] = useState<string | null>(null);
  const [value, setValue] = useState<string | null>(null);
  const prices = usePriceTurns(plan, limits);
  const shares = useShareTurns(family, limits);
  const asked = data.assumptions.find((entry) => keyOf(entry) === value);
  const values = useValueTurns(asked, limits);
  const options = (named: Record<string, string>) =>
    Object.entries(named).map(([value, label]) => ({ value, label }));
  if (data.best?.left === null) return null;
  return (
    <section aria-labelledby="turns" className="mt-6">
      <h2 id="turns" className="text-lg border-b border-ink pb-1">
        What would change it
      </h2>
      <Ask
        before="Ask what"
        after="would have to offer, or how far it may raise its prices."
        label="Plan whose prices are asked for"
        none="a provider"
        picked={plan}
        options={options(data.plans)}
        onPick={setPlan}
      />
      {prices.error && <Trouble>{said(prices.error)}</Trouble>}
      <div role="status">
        {plan && !prices.data && !prices.error && <p className="text-soft">{WORKING}</p>}
        {prices.data?.turns.map((turn) => (
          <p key={turn.kind} className="border-l-2 border-rule pl-3 my-1.5 max-w-3xl">
            {turn.text}
          </p>
        ))}
      </div>
      <Ask
        before="Ask what follows if more or fewer buyers pay by"
        after="first."
        label="Way whose share is asked for"
        none="a way"
        picked={family}
        options={options(data.families)}
        onPick={setFamily}
      />
      {shares.error && <Trouble>{said(shares.error)}</Trouble>}
      <div role="status">
        {family && !shares.data && !shares.error && <p className="text-soft">{WORKING}</p>}
        {shares.data && (
          <p className="border-l-2 border-rule pl-3 my-1.5 max-w-3xl">
            Now {shares.data.share} %. {shares.data.text}
            {shares.data.turns.map((turn) => ` ${turn.text}`)}
          </p>
        )}
      </div>
      <Ask
        before="Ask from which value of"
        after="on another set is best."
        label="Assumption whose value is asked for"
        none="an assumption"
        picked={value}
        options={data.assumptions.map((entry) => ({ value: keyOf(entry), label: entry.name }))}
        onPick={setValue}
      />
      {values.error && <Trouble>{said(values.error)}</Trouble>}
      <div role="status">
        {asked && !values.data && !values.error && <p className="text-soft">{WORKING}</p>}
        {values.data && (
          <p className="border-l-2 border-rule pl-3 my-1.5 max-w-3xl">
            {[values.data.text, ...values.data.turns.map((turn) => turn.text)].join(" ")}
          </p>
        )}
      </div>
    </section>
  );
}
