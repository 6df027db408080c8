import { useSortable } from "@dnd-kit/sortable";
import { CSS } from "@dnd-kit/utilities";
import { Collapsible } from "radix-ui";
import { Fragment } from "react";
import { Link } from "react-router";
import type { Schema } from "../../api/client";
import { type axisFor, type Catch, type Ink, WindowBar } from "../../charts";
import { drawn, partsOf } from "../../lib/money";
import { Toggle } from "../../ui/Toggle";
import type { Composed, Outcome, Tender } from "../draft";
import { sayPart, useHandSearch } from "../hand";
import type { Shop } from "../shop";
import { TenderSentence } from "./TenderSentence";
import { TenderSettings } from "./TenderSettings";
import { limitsOf, windowOf, withLimits } from "./windows";

const PLACES = ["", "first", "second", "third", "fourth", "fifth", "sixth", "seventh", "eighth", "ninth"];

type Reason = Outcome["reasons"][number];

interface Props {
  outcome: Outcome;
  composed: Composed;
  shared: Schema<"SharedOut">[];
  /** Tells what limits and fees come to; undefined until it is here. */
  figures: Schema<"DraftFiguresOut"> | undefined;
  /** Tells what the last change did to the month, where it was made on this tender. */
  made: string;
  shop: Shop;
  axis: ReturnType<typeof axisFor>;
  cursor: number | null;
  open: boolean;
  first: boolean;
  last: boolean;
  onOpen: (open: boolean) => void;
  onMove: (by: number) => void;
  onRemove: () => void;
  /** Write the conditions of a shared set into the tender. */
  onWriteIn: (set: string) => void;
  /** Share the tender's own conditions under a name. */
  onShare: (name: string) => Promise<unknown>;
  /** End a reason why it is held back. */
  onEnd: (code: string) => void;
  save: (change: (tender: Tender) => Tender) => Promise<unknown>;
  /** Save a change and tell what is refused of it; the answer is whether it was kept. */
  saveQuietly: (change: (tender: Tender) => Tender) => Promise<boolean>;
}

/** A tender in the list: its state for the order in hand in words, its bar on the ruler, its settings unfolded. */
export function TenderRow(props: Props) {
  const { outcome, shop, axis, cursor, open, first, last, onOpen, onMove, onRemove, save, saveQuietly } =
    props;
  const { composed, shared, figures, made, onWriteIn, onShare, onEnd } = props;
  const { tender } = outcome;
  const sortable = useSortable({ id: tender.id });
  // Many reasons take the width of the row, so that the list stays short.
  const wide = outcome.reasons.length > 1;
  const limits = limitsOf(windowOf(tender, shop.currency));
  const of = (end: string) =>
    figures?.limits.find((entry) => entry.tender === tender.id && entry.end === end)?.text ?? "";
  return (
    <Collapsible.Root open={open} onOpenChange={onOpen} asChild>
      <li
        ref={sortable.setNodeRef}
        style={{
          transform: CSS.Translate.toString(sortable.transform),
          transition: sortable.transition,
        }}
        className={`border-b border-rule-soft ${sortable.isDragging ? "relative z-10 bg-sheet" : ""}`}
        data-tender={tender.id}
        onKeyDown={(event) => {
          if (event.altKey && (event.key === "ArrowUp" || event.key === "ArrowDown")) {
            event.preventDefault();
            onMove(event.key === "ArrowUp" ? -1 : 1);
          }
        }}
      >
        <div className="grid grid-cols-[1.25rem_minmax(0,2fr)_3.75rem_minmax(0,3fr)] lg:grid-cols-[1.25rem_minmax(0,19rem)_3.75rem_minmax(0,1fr)] gap-x-2 items-start pt-2 pb-0.5">
          <button
            type="button"
            ref={sortable.setActivatorNodeRef}
            {...sortable.attributes}
            {...sortable.listeners}
            aria-label={`Move ${tender.name}`}
            className="text-soft cursor-grab touch-none h-7 w-5 grid place-items-center"
          >
            <Grip />
          </button>
          <div className="min-w-0">
            <Collapsible.Trigger className="font-semibold text-left hover:underline underline-offset-4 min-h-6">
              {tender.name}
            </Collapsible.Trigger>{" "}
            <span className="text-soft">
              {outcome.provider_name || "own arrangement"}
              {outcome.plan_name && ` · ${outcome.plan_name}`}
            </span>
            {!wide && <State outcome={outcome} onEnd={onEnd} />}
          </div>
          <Toggle
            label={`${tender.name} switched on`}
            on={tender.on}
            onChange={(on) => saveQuietly((before) => ({ ...before, on }))}
          />
          <WindowBar
            name={tender.name}
            axis={axis}
            currency={shop.currency}
            low={limits.from ? Number(limits.from) : null}
            high={limits.end ? Number(limits.end) : null}
            cursor={cursor}
            carried={carriedIn(outcome, shop.currency)}
            ink={inkOf(outcome)}
            catches={catchesOf(tender.id, composed, figures)}
            told={{ low: of("from"), high: of("up_to") }}
            onLimits={(low, high, met) =>
              saveQuietly((before) =>
                withLimits(before, shop.currency, {
                  ...limitsOf(windowOf(before, shop.currency)),
                  ...(met ? { how: "below" } : {}),
                  from: low === null ? "" : String(low),
                  end: high === null ? "" : String(high),
                }),
              )
            }
          />
        </div>
        {wide && (
          <div className="ml-7 -mt-1">
            <State outcome={outcome} onEnd={onEnd} />
          </div>
        )}
        <div className="ml-7 pb-2">
          <TenderSentence outcome={outcome} shared={shared} change={saveQuietly} onWriteIn={onWriteIn} />
          {made && <p className="text-soft">Your last change {made}.</p>}
        </div>
        <Collapsible.Content>
          <TenderSettings
            composed={composed}
            onShare={onShare}
            outcome={outcome}
            figures={figures}
            shop={shop}
            save={save}
            first={first}
            last={last}
            onMove={onMove}
            onRemove={onRemove}
          />
        </Collapsible.Content>
      </li>
    </Collapsible.Root>
  );
}

/** The amounts that the method itself carries, where they are given in the currency of the ruler. */
function carriedIn(outcome: Outcome, currency: string): { low: number | null; high: number | null } {
  const window = outcome.method_window;
  if (!window || partsOf(window.from ?? window.up_to ?? "").currency !== currency)
    return { low: null, high: null };
  return { low: window.from ? drawn(window.from) : null, high: window.up_to ? drawn(window.up_to) : null };
}

function inkOf(outcome: Outcome): Ink {
  if (!outcome.tender.on) return "off";
  if (outcome.place !== null) return "offered";
  return outcome.reasons.every((reason) => reason.code.startsWith("account")) ? "waiting" : "held";
}

function Grip() {
  return (
    <svg width="8" height="14" viewBox="0 0 8 14" fill="currentColor" aria-hidden="true">
      {[2, 7, 12].map((y) => [2, 6].map((x) => <circle key={`${x}${y}`} cx={x} cy={y} r="1.2" />))}
    </svg>
  );
}

const STATE_INKS: Record<Ink, string> = {
  offered: "text-verdigris",
  held: "text-soft",
  waiting: "text-saffron-ink",
  off: "text-soft",
};

/** The amounts at which a tender costs as much as another that is on. */
function catchesOf(id: string, composed: Composed, figures: Props["figures"]): Catch[] {
  const names = new Map(composed.tenders.map((tender) => [tender.id, tender.name]));
  return (figures?.meetings ?? [])
    .filter(({ lower, upper }) => lower === id || upper === id)
    .map(({ lower, upper, amount }) => ({
      amount: Number(amount),
      said: `costs the same as ${names.get(lower === id ? upper : lower)}`,
    }));
}

interface StateProps {
  outcome: Outcome;
  onEnd: (code: string) => void;
}

/** The true state of a tender for the order in hand, in words, each reason with the act that ends it. */
function State({ outcome, onEnd }: StateProps) {
  const ink = inkOf(outcome);
  if (outcome.place !== null) {
    return <p className={STATE_INKS[ink]}>offered {PLACES[outcome.place] ?? `in place ${outcome.place}`}</p>;
  }
  const others = outcome.reasons.filter((reason) => reason.code !== "off");
  const off = ink === "off";
  return (
    <p className={STATE_INKS[ink]}>
      {off ? "off" : "held back: "}
      {off && others.length > 0 && "; besides: "}
      {others.map((reason, place) => (
        <Fragment key={`${reason.code}${reason.text}`}>
          {place > 0 && "; "}
          {reason.text}
          {!others.slice(place + 1).some(({ act, go }) => act === reason.act && go && go === reason.go) && (
            <Act reason={reason} name={outcome.tender.name} onEnd={onEnd} />
          )}
        </Fragment>
      ))}
    </p>
  );
}

const ACT = "ml-1.5 text-small font-semibold text-verdigris underline-offset-4 hover:underline min-h-6";

/** Tells what ends a reason, one click away: in the draft, at its account, or by saying what is not known. */
function Act({ reason, name, onEnd }: { reason: Reason; name: string; onEnd: StateProps["onEnd"] }) {
  const search = useHandSearch();
  if (!reason.act) return null;
  const label = `${name}: ${reason.act}`;
  if (reason.go) {
    return (
      <Link to={`${reason.go}${search}`} className={ACT} aria-label={label}>
        {reason.act}
      </Link>
    );
  }
  const act = reason.say ? () => sayPart(reason.say ?? "") : () => onEnd(reason.code);
  return (
    <button type="button" className={ACT} aria-label={label} onClick={act}>
      {reason.act}
    </button>
  );
}
