import { putIn } from "../../lib/lists";
import { Button } from "../../ui/Button";
import { Picker } from "../../ui/Picker";
import { TextField } from "../../ui/TextField";
import { freeId } from "./ids";
import type { Shop } from "./queries";
import type { Sections } from "./sections";

/** Where buyers come from: a country with a currency, and its share of orders. */
export function MarketsTable({ shop, save, quietly, countries, currencies, remove }: Sections) {
  const markets = shop.markets;
  const sum = markets.reduce((total, market) => total + Number(market.share), 0);
  const edit = (id: string, part: Partial<Shop["markets"][number]>) => (before: Shop) => ({
    ...before,
    markets: before.markets.map((market) => (market.id === id ? { ...market, ...part } : market)),
  });

  function add(before: Shop): Shop {
    const held = before.markets;
    const free = countries.find((choice) => !held.some((market) => market.country === choice.value));
    const country = held.some((market) => market.country === before.country)
      ? (free?.value ?? before.country)
      : before.country;
    const id = freeId(
      `${country}-${before.currency}`,
      held.map((market) => market.id),
    );
    return { ...before, markets: [...held, { id, country, currency: before.currency, share: "0" }] };
  }

  return (
    <section aria-labelledby="markets" className="mb-8">
      <h2 id="markets" className="text-lg mb-1">
        Markets <span className="font-sans font-normal text-figure text-soft">where your buyers are</span>
      </h2>
      <ul className="border-t border-ink">
        {markets.map((market, place) => (
          <li
            key={market.id}
            className="border-b border-rule-soft py-1 grid grid-cols-[minmax(0,2fr)_minmax(0,1fr)_7rem_5rem] gap-4 items-center"
          >
            <Picker
              look="cell"
              label={`Country of ${market.id}`}
              value={market.country}
              options={countries}
              onPick={(country) => quietly(edit(market.id, { country }))}
            />
            <Picker
              look="cell"
              label={`Currency of ${market.id}`}
              value={market.currency}
              options={currencies}
              onPick={(currency) => quietly(edit(market.id, { currency }))}
            />
            <TextField
              cell
              label={`Share of orders from ${market.id}`}
              hideLabel
              value={market.share}
              align="right"
              suffix="%"
              inputMode="decimal"
              save={(share) => save(edit(market.id, { share }))}
            />
            <Button
              look="quiet"
              aria-label={`Remove the market ${market.id}`}
              onClick={() =>
                remove(
                  `The market ${market.id} is removed.`,
                  (before) => ({
                    ...before,
                    markets: before.markets.filter((entry) => entry.id !== market.id),
                  }),
                  (before) => ({ ...before, markets: putIn(before.markets, place, market) }),
                )
              }
            >
              Remove
            </Button>
          </li>
        ))}
      </ul>
      <p className="flex items-baseline gap-4 mt-2">
        <Button look="link" onClick={() => quietly(add)}>
          Add a market
        </Button>
        {markets.length > 0 && Math.abs(sum - 100) > 0.001 && (
          <span className="text-copper">The shares add up to {sum} %, not to 100 %.</span>
        )}
      </p>
    </section>
  );
}
