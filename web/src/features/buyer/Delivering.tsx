import { useEffect, useId, useState } from "react";
import type { Schema } from "../../api/client";
import { Choice } from "../../ui/Choice";
import { InputField } from "../../ui/InputField";
import { faultAt } from "./Fields";

/** Tells where and on which day an order shall come. */
export interface Wish {
  address: string;
  day: string;
}

interface Props {
  offer: Schema<"Offer">;
  wish: Wish;
  /** Tells what was wrong with what was sent before. */
  problem: unknown;
  onWish: (wish: Wish) => void;
  /** Look at the order with some of its parts changed. */
  onChange: (parts: Record<string, string>) => void;
}

/** How an order reaches its buyer: the way, where to, and on which day. */
export function Delivering({ offer, wish, problem, onWish, onChange }: Props) {
  const group = useId();
  const { deliveries: ways, words } = offer;
  // A pick counts at once; its price comes with the next answer.
  const [picked, setPicked] = useState("");
  useEffect(() => setPicked(""), [offer]);
  const chosen = ways.find((way) => way.chosen);
  if (ways.length === 0) return null;
  return (
    <section aria-labelledby={`${group}-title`} className="mb-5">
      <h2 id={`${group}-title`} className="font-sans font-semibold mb-2">
        {words.how_delivered}
      </h2>
      <fieldset>
        <legend className="sr-only">{words.ways_of_delivery}</legend>
        {ways.map((way) => (
          <Choice
            key={way.id}
            group={group}
            name={way.name}
            description={way.comes}
            onTop={way.fee_text}
            chosen={picked ? picked === way.id : way.chosen}
            onChoose={() => {
              setPicked(way.id);
              onChange({ delivery: way.id });
            }}
          />
        ))}
      </fieldset>
      {(offer.asks_postcode || offer.asks_town) && (
        <div className="flex gap-4 mt-2">
          {offer.asks_postcode && (
            <Kept
              label={words.postcode}
              value={offer.order.postcode ?? ""}
              keep={(postcode) => onChange({ postcode })}
            />
          )}
          {offer.asks_town && (
            <Kept label={words.town} value={offer.order.town ?? ""} keep={(town) => onChange({ town })} />
          )}
        </div>
      )}
      {chosen?.needs_address && (
        <div className="mt-2">
          <InputField
            label={words.address}
            problem={faultAt(problem, "address")}
            autoComplete="shipping street-address"
            value={wish.address}
            onChange={(address) => onWish({ ...wish, address })}
          />
        </div>
      )}
      {chosen && chosen.days.length > 0 && (
        <div className="mt-2">
          <label htmlFor={`${group}-day`} className="block text-small text-soft">
            {words.day}
          </label>
          {/* A plain list of the browser's own: buyers' pages load little. */}
          <select
            id={`${group}-day`}
            value={wish.day || (chosen.days[0]?.day ?? "")}
            onChange={(event) => onWish({ ...wish, day: event.target.value })}
            className="w-full h-9 border-b border-rule bg-transparent hover:border-ink"
          >
            {chosen.days.map(({ day, text }) => (
              <option key={day} value={day}>
                {text}
              </option>
            ))}
          </select>
        </div>
      )}
    </section>
  );
}

/** A part of the address that decides where it can go; the order is looked at anew when it is left. */
function Kept({ label, value, keep }: { label: string; value: string; keep: (text: string) => void }) {
  const [text, setText] = useState(value);
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: what is left is the field within
    <div className="w-40" onBlur={() => text.trim() !== value && keep(text.trim())}>
      <InputField label={label} value={text} onChange={setText} />
    </div>
  );
}
