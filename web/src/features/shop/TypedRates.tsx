import { putIn } from "../../lib/lists";
import { Button } from "../../ui/Button";
import { Picker } from "../../ui/Picker";
import { TextField } from "../../ui/TextField";
import type { Shop } from "./queries";
import type { Sections } from "./sections";

/** Reference rates that the owner typed; they go before the published ones. */
export function TypedRates({ shop, save, quietly, currencies, remove }: Sections) {
  const rates = shop.typed_rates;
  const foreign = currencies.filter((choice) => choice.value !== "EUR");
  const edit = (currency: string, part: Partial<Shop["typed_rates"][number]>) => (before: Shop) => ({
    ...before,
    typed_rates: before.typed_rates.map((rate) => (rate.currency === currency ? { ...rate, ...part } : rate)),
  });

  function add(before: Shop): Shop {
    const held = before.typed_rates;
    const free = foreign.find((choice) => !held.some((rate) => rate.currency === choice.value));
    return { ...before, typed_rates: [...held, { currency: free?.value ?? "USD", per_euro: "1" }] };
  }

  return (
    <section aria-labelledby="rates" className="mb-8">
      <h2 id="rates" className="text-lg mb-1">
        Reference rates of your own
      </h2>
      <p className="text-soft mb-1 max-w-2xl">
        Other currencies are brought over at the European Central Bank's reference rates. A rate that you type
        here goes before them, and is marked wherever it counts.
      </p>
      <ul className={rates.length > 0 ? "border-t border-rule" : ""}>
        {rates.map((rate, place) => (
          <li
            key={rate.currency}
            className="border-b border-rule-soft py-1 grid grid-cols-[6rem_8rem_minmax(0,1fr)_5rem] gap-4 items-center"
          >
            <span className="text-right">1 EUR is</span>
            <TextField
              cell
              label={`Units of ${rate.currency} for one euro`}
              hideLabel
              value={rate.per_euro}
              align="right"
              inputMode="decimal"
              save={(per_euro) => save(edit(rate.currency, { per_euro }))}
            />
            <Picker
              look="cell"
              label="Currency of the typed rate"
              value={rate.currency}
              options={foreign}
              onPick={(currency) => quietly(edit(rate.currency, { currency }))}
            />
            <Button
              look="quiet"
              aria-label={`Remove the typed rate for ${rate.currency}`}
              onClick={() =>
                remove(
                  `Your rate for ${rate.currency} is removed.`,
                  (before) => ({
                    ...before,
                    typed_rates: before.typed_rates.filter((entry) => entry.currency !== rate.currency),
                  }),
                  (before) => ({ ...before, typed_rates: putIn(before.typed_rates, place, rate) }),
                )
              }
            >
              Remove
            </Button>
          </li>
        ))}
      </ul>
      <Button look="link" className="mt-1" onClick={() => quietly(add)}>
        Type a rate
      </Button>
    </section>
  );
}
