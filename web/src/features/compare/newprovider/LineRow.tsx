import { useState } from "react";
import { shown } from "../../../lib/money";
import { Button } from "../../../ui/Button";
import type { Option } from "../../../ui/Picker";
import { Picks } from "../../../ui/Picks";
import type { Correction, Line } from "./queries";

interface Props {
  line: Line;
  methods: Option[];
  plans: Option[];
  onCorrect: (part: Partial<Correction>) => void;
  onChange: (text: string) => void;
}

const CARDS: { value: string; label: string; kinds: Line["card_kinds"] }[] = [
  { value: "any", label: "any card", kinds: [] },
  { value: "consumer", label: "consumer debit and credit", kinds: ["consumer-debit", "consumer-credit"] },
  { value: "debit", label: "consumer debit", kinds: ["consumer-debit"] },
  { value: "credit", label: "consumer credit", kinds: ["consumer-credit"] },
  { value: "commercial", label: "commercial", kinds: ["commercial"] },
];
const PLACES: { value: string; label: string; places: Line["places"] }[] = [
  { value: "anywhere", label: "from anywhere", places: [] },
  { value: "domestic", label: "from your country", places: ["domestic"] },
  { value: "eea", label: "from your country and the EEA", places: ["eea"] },
  { value: "eu", label: "from your country and the EU", places: ["eu"] },
  { value: "abroad", label: "from abroad", places: ["abroad"] },
  { value: "outside-eea", label: "from outside the EEA", places: ["outside-eea"] },
  { value: "outside-eu", label: "from outside the EU", places: ["outside-eu"] },
];

/** A line of the text, what it means with its parts to be picked otherwise, and the fee of the order in hand. */
export function LineRow({ line, methods, plans, onCorrect, onChange }: Props) {
  const [editing, setEditing] = useState(false);
  const [text, setText] = useState(line.text);
  const unread = line.kind === "unread";
  const hatched = unread ? "hatch-copper" : "";

  function keep() {
    setEditing(false);
    if (text !== line.text) onChange(text);
  }

  return (
    <tr className="border-b border-rule-soft align-baseline" data-line={line.kind}>
      <td className={`text-right text-soft pr-3 py-1.5 w-8 ${hatched}`}>{line.number}</td>
      <td className={`font-mono text-small pr-4 w-2/5 break-words ${hatched}`}>
        {editing ? (
          <input
            // biome-ignore lint/a11y/noAutofocus: the owner asked to change this line
            autoFocus
            aria-label={`Line ${line.number} of the text`}
            value={text}
            onChange={(event) => setText(event.target.value)}
            onBlur={keep}
            onKeyDown={(event) => {
              if (event.key === "Enter") keep();
              if (event.key === "Escape") setEditing(false);
            }}
            className="w-full h-7 border-b border-ink bg-transparent"
          />
        ) : (
          line.text
        )}
      </td>
      <td className={`pr-4 ${hatched}`}>
        <Meaning line={line} methods={methods} onCorrect={onCorrect} />
        {unread && !editing && <Pointers line={line} methods={methods} plans={plans} onCorrect={onCorrect} />}
        {line.pointed && (
          <>
            {" "}
            <Button look="link" onClick={() => onCorrect({ no_price: false })}>
              It is one
            </Button>
          </>
        )}
        {unread && !editing && (
          <Button
            look="link"
            onClick={() => {
              setText(line.text);
              setEditing(true);
            }}
          >
            Write it otherwise
          </Button>
        )}
        {line.overlaps && (
          <p className={line.asks ? "text-copper" : "text-small text-soft"}>
            {line.overlaps}{" "}
            {line.asks && (
              <Button look="link" onClick={() => onCorrect({ first: true })}>
                This one first
              </Button>
            )}
          </p>
        )}
      </td>
      <td
        className={`text-right font-semibold whitespace-nowrap w-24 ${hatched}`}
        data-fee-of-line={line.number}
      >
        {line.fee ? shown(line.fee) : line.kind === "price" ? <span className="text-soft">-</span> : ""}
      </td>
    </tr>
  );
}

// Reasons that go away once it is said whose price a line is.
const WHOSE = ["which-method", "which-debit", "word", "nothing-under"];
// Reasons that go away once it is said of what the ends are.
const BANDED = ["which-band", "range", "figure"];

/** Says what a line that was left out is, without writing it anew: whose price, of which plan, of what. */
function Pointers({ line, methods, plans, onCorrect }: Omit<Props, "onChange">) {
  const why = line.why ?? "";
  return (
    <span className="mr-3">
      {" "}
      {why === "which-method" && (
        <Button look="link" className="mr-3" onClick={() => onCorrect({ methods: ["card"] })}>
          For cards
        </Button>
      )}
      {WHOSE.includes(why) && (
        <span className="mr-3">
          For{" "}
          <Picks
            look="word"
            label={`Way to pay of line ${line.number}`}
            values={[]}
            options={methods}
            none="a way to pay"
            single
            onPick={(picked) => onCorrect({ methods: picked })}
          />
        </span>
      )}
      {why === "which-plan" && plans.length > 0 && (
        <span className="mr-3">
          On{" "}
          <Picks
            look="word"
            label={`Plan of line ${line.number}`}
            values={[]}
            options={plans}
            none="a plan"
            single
            onPick={([plan]) => plan && onCorrect({ plan })}
          />
        </span>
      )}
      {BANDED.includes(why) && (
        <>
          <Button look="link" className="mr-3" onClick={() => onCorrect({ band: "amount" })}>
            Of one order
          </Button>
          <Button look="link" className="mr-3" onClick={() => onCorrect({ band: "volume" })}>
            Of a month
          </Button>
        </>
      )}
      <Button look="link" onClick={() => onCorrect({ no_price: true })}>
        No price
      </Button>
    </span>
  );
}

function Meaning({ line, methods, onCorrect }: Pick<Props, "line" | "methods" | "onCorrect">) {
  if (line.kind === "unread") {
    return (
      <span className="text-copper">
        <strong className="font-semibold">Not understood</strong>, left out. {line.sentence}
      </span>
    );
  }
  if (line.kind !== "price" && line.kind !== "extra") {
    return <span className={line.sentence ? "" : "text-soft"}>{line.sentence}</span>;
  }
  const kind = CARDS.find((entry) => same(entry.kinds, line.card_kinds));
  const place = PLACES.find((entry) => same(entry.places, line.places));
  // A line may name countries; they are kept as they are until another place is picked.
  const named = line.countries.length > 0 && line.places.length === 0;
  const countries = { value: "countries", label: `from ${line.countries.join(", ")}` };
  return (
    <span>
      {line.kind === "extra" && "On top: "}
      <Picks
        look="word"
        label={`Method of line ${line.number}`}
        values={line.methods}
        options={methods}
        none="every method"
        onPick={(picked) => onCorrect({ methods: picked })}
      />
      {line.with_cards && (
        <>
          {", "}
          <Picks
            look="word"
            single
            label={`Cards of line ${line.number}`}
            values={[kind?.value ?? line.card_kinds.join(" and ")]}
            options={CARDS}
            none="any card"
            onPick={([picked]) =>
              onCorrect({ card_kinds: CARDS.find((entry) => entry.value === picked)?.kinds ?? [] })
            }
          />
          {", "}
          <Picks
            look="word"
            single
            label={`Place of line ${line.number}`}
            values={[named ? countries.value : (place?.value ?? line.places.join(" and "))]}
            options={named ? [countries, ...PLACES] : PLACES}
            none="from anywhere"
            onPick={([picked]) =>
              picked !== countries.value &&
              onCorrect({ places: PLACES.find((entry) => entry.value === picked)?.places ?? [] })
            }
          />
        </>
      )}
      {line.tail}
    </span>
  );
}

function same(one: readonly string[], other: readonly string[]): boolean {
  return one.length === other.length && one.every((entry) => other.includes(entry));
}
