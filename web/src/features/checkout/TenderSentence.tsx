import { Popover } from "radix-ui";
import type { Schema } from "../../api/client";
import { shown } from "../../lib/money";
import { day } from "../../lib/time";
import { Button } from "../../ui/Button";
import { Picks } from "../../ui/Picks";
import type { Outcome, Tender } from "../draft";
import { useChoices } from "../shop";
import { AddCondition, ConditionWords, SHEET, WORD } from "./ConditionWords";

type Shared = Schema<"SharedOut">;

interface Props {
  outcome: Outcome;
  shared: Shared[];
  change: (edit: (tender: Tender) => Tender) => void;
  /** Write the conditions of a set into the tender, which uses the set no more. */
  onWriteIn: (set: string) => void;
}

/** Everything that a tender asks of an order, in one sentence; each part of it is a picker in place. */
export function TenderSentence({ outcome, shared, change, onWriteIn }: Props) {
  const { tender } = outcome;
  const networks = useChoices().data?.card_networks ?? [];
  const asks = tender.conditions.length > 0 || tender.shared.length > 0;
  const takesCards = outcome.family === "card" || outcome.family === "device-wallet";
  return (
    <>
      <p className="font-serif">
        {asks ? (
          <ConditionWords
            of={tender.name}
            conditions={tender.conditions}
            phrases={outcome.conditions}
            onChange={(conditions) => change((before) => ({ ...before, conditions }))}
          />
        ) : (
          "To anybody"
        )}
        {outcome.shared.map((set, place) => (
          <span key={set.id}>
            {(place > 0 || tender.conditions.length > 0) && ", "}
            <SharedWord set={set} of={tender.name} change={change} onWriteIn={() => onWriteIn(set.id)} />
          </span>
        ))}
        {takesCards && networks.length > 0 && (
          <>
            ; takes{" "}
            <Picks
              look="word"
              label={`Card networks that ${tender.name} takes`}
              values={tender.networks ?? []}
              options={networks.map(({ code, name }) => ({ value: code, label: name }))}
              none="every card network"
              onPick={(picked) =>
                change((before) => ({ ...before, networks: picked.length > 0 ? picked : null }))
              }
            />
          </>
        )}
        {outcome.buyer_fee && (
          <>
            ; its buyer pays {outcome.up_to && "at most "}
            <strong className="font-semibold">{shown(outcome.buyer_fee.replace("-", ""))}</strong>{" "}
            {outcome.buyer_fee.startsWith("-") ? "less" : "on top"}
          </>
        )}
        {outcome.buyer_fee_unknown && "; what its buyer pays on top is not known: there is no reference rate"}
        {". "}
        <span className="font-sans text-small text-soft" title={outcome.limits_source}>
          The method itself: {outcome.limits.join(", ")}.{" "}
        </span>
        <span className="font-sans text-small">
          <AddCondition
            of={tender.name}
            sets={shared.filter((set) => !tender.shared.includes(set.id))}
            onAdd={(condition) =>
              change((before) => ({ ...before, conditions: [...before.conditions, condition] }))
            }
            onUse={(set) => change((before) => ({ ...before, shared: [...before.shared, set] }))}
          />
        </span>
      </p>
      {outcome.over_cost && (
        <p className="text-small text-saffron-ink">
          It takes more from this buyer than its provider takes from you.
        </p>
      )}
      {outcome.findings.map((finding) => (
        <p
          key={finding.text}
          className={`text-small ${finding.forbids ? "text-copper" : "text-saffron-ink"}`}
        >
          {finding.text}{" "}
          <span className="text-soft">
            {finding.source}; read on {day(finding.read_on)}.
          </span>
        </p>
      ))}
    </>
  );
}

interface SharedProps {
  set: Shared;
  of: string;
  change: Props["change"];
  onWriteIn: () => void;
}

/** A shared set as a word of the sentence: what it asks, and by how many tenders it is used. */
function SharedWord({ set, of, change, onWriteIn }: SharedProps) {
  return (
    <Popover.Root>
      <Popover.Trigger className={WORD} aria-label={`Shared conditions of ${of}: ${set.name}`}>
        {set.name}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="start"
          sideOffset={4}
          className={`${SHEET} p-3 grid gap-2`}
          aria-label={set.name}
        >
          <p>
            <strong className="font-semibold">{set.name}</strong>: {set.conditions.join(", ")}.
          </p>
          <p className="text-small text-soft">
            {set.used === 1 ? "Only this way to pay uses it." : `${set.used} ways to pay use it.`} It is
            changed under the list.
          </p>
          <Button look="quiet" className="justify-self-start" onClick={onWriteIn}>
            Write it into {of}
          </Button>
          <Button
            look="quiet"
            className="justify-self-start"
            onClick={() =>
              change((before) => ({ ...before, shared: before.shared.filter((id) => id !== set.id) }))
            }
          >
            Use it no more
          </Button>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
