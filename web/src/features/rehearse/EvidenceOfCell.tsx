import { useState } from "react";
import { said } from "../../api/client";
import { shown } from "../../lib/money";
import { moment } from "../../lib/time";
import { Button } from "../../ui/Button";
import { OnItsWay, Trouble } from "../../ui/Page";
import { type Case, type EvidenceOut, type GridCell, useEvidence, usePlay } from "./gridQueries";
import { PARTS_OF_BOOKS } from "./OrderMoney";
import { LOOKS } from "./RehearsalGrid";

/** The cases of a cell, one for each form in which an order comes, and the evidence of the one that is opened. */
export function EvidenceOfCell({ cell, isPlaying }: { cell: GridCell; isPlaying: boolean }) {
  const worst = cell.cases.find((each) => each.standing === cell.standing) ?? cell.cases[0];
  const [open, setOpen] = useState(worst?.id ?? null);
  const play = usePlay();
  const chosen = cell.cases.find(({ id }) => id === open);
  return (
    <section aria-label="The cell that is opened" className="border-t border-ink mt-4 pt-3">
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
        {cell.cases.map((each) => (
          <CaseButton key={each.id} each={each} isOpen={each.id === open} onClick={() => setOpen(each.id)} />
        ))}
        <Button
          className="ml-auto"
          disabled={isPlaying || play.isPending}
          onClick={() => play.mutate(cell.cases.map(({ id }) => id))}
        >
          Play this cell
        </Button>
      </div>
      {play.error && <Trouble>{said(play.error)}</Trouble>}
      {chosen && (chosen.standing === "open" ? <NotPlayed /> : <Evidence id={chosen.id} />)}
    </section>
  );
}

function NotPlayed() {
  return <p className="text-soft mt-2">This case is not played yet.</p>;
}

function CaseButton({ each, isOpen, onClick }: { each: Case; isOpen: boolean; onClick: () => void }) {
  const { sign, word, ink } = LOOKS[each.standing];
  return (
    <button
      type="button"
      aria-pressed={isOpen}
      onClick={onClick}
      className={`min-h-7 px-1 border-b-2 ${isOpen ? "border-ink font-semibold" : "border-transparent hover:border-rule"}`}
    >
      {each.name}{" "}
      <span className={`text-small ${ink}`}>
        <span aria-hidden>{sign}</span> {word}
      </span>
    </button>
  );
}

function Evidence({ id }: { id: string }) {
  const { data: evidence, error } = useEvidence(id);
  if (error && !evidence) return <Trouble>{said(error)}</Trouble>;
  if (!evidence) return <OnItsWay />;
  if (!evidence.order)
    return <p className="text-soft mt-2">No order of this form reaches {evidence.tender} today.</p>;
  const books = booksOf(evidence);
  return (
    <div className="mt-2">
      <p>
        {evidence.order}, by {evidence.tender}
        <span className="text-soft">, played on {moment(evidence.at)} by the clock of the rehearsal</span>
      </p>
      {evidence.standing === "stale" && (
        <p className="text-saffron-ink">Something that this rests on has changed since it was played.</p>
      )}
      {evidence.differences.length === 0 ? (
        <p className="text-verdigris">Everything came as it should.</p>
      ) : (
        <ul role="alert" className="border-l-2 border-copper pl-3 my-2">
          {evidence.differences.map((text) => (
            <li key={text}>{text}</li>
          ))}
          {evidence.refused && <li>{evidence.refused}</li>}
        </ul>
      )}
      <div className="grid lg:grid-cols-2 gap-x-8 gap-y-4 mt-3">
        <div>
          <h3 className="font-sans font-semibold">What the buyer saw</h3>
          <p className="text-soft">{evidence.ways.join(", ")}</p>
          {evidence.page && (
            <>
              <h3 className="font-sans font-semibold mt-3">The page after paying</h3>
              <Said text={evidence.page} />
            </>
          )}
          <h3 className="font-sans font-semibold mt-3">The record of the order</h3>
          <ol>
            {evidence.steps.map((step, at) => (
              <li key={at} className="border-b border-rule-soft py-0.5">
                {step.text}
                <span className="text-soft">
                  {" "}
                  ({step.by}, {moment(step.at)}; then {step.state})
                </span>
              </li>
            ))}
          </ol>
          {books.length > 0 && (
            <>
              <h3 className="font-sans font-semibold mt-3">The books</h3>
              <dl className="grid grid-cols-[8rem_1fr]">
                {books.map(([name, amount]) => (
                  <div key={name} className="contents">
                    <dt className="text-soft">{name}</dt>
                    <dd>{amount}</dd>
                  </div>
                ))}
              </dl>
            </>
          )}
        </div>
        <div>
          <h3 className="font-sans font-semibold">
            {evidence.messages.length === 1 ? "One message" : `${evidence.messages.length} messages`} to the
            buyer
          </h3>
          {evidence.messages.map((message, at) => (
            <details key={at} className="border-b border-rule-soft py-1">
              <summary>{message.subject}</summary>
              <Said text={message.text} />
            </details>
          ))}
          {evidence.received.length > 0 && (
            <details className="py-1 mt-3">
              <summary className="font-semibold">
                Notifications as received: {evidence.received.length}
              </summary>
              {evidence.received.map((body) => (
                <pre
                  key={body}
                  className="text-small whitespace-pre-wrap break-words border-b border-rule-soft py-1"
                >
                  {body}
                </pre>
              ))}
            </details>
          )}
        </div>
      </div>
    </div>
  );
}

/** The amounts of the books that are not nothing, by how they are called, and the fees. */
function booksOf({ books, fees }: EvidenceOut): [string, string][] {
  const told = PARTS_OF_BOOKS.flatMap(([part, name]): [string, string][] => {
    const amount = books[part];
    return amount ? [[name, shown(amount)]] : [];
  });
  return fees.length > 0 ? [...told, ["fees", fees.map(shown).join(" and ")]] : told;
}

function Said({ text }: { text: string }) {
  return <p className="whitespace-pre-wrap break-words border-l border-rule pl-3 my-1">{text}</p>;
}
