import { putIn } from "../../lib/lists";
import { Button } from "../../ui/Button";
import { Picker } from "../../ui/Picker";
import { Picks } from "../../ui/Picks";
import { TextField } from "../../ui/TextField";
import { freeId } from "./ids";
import type { Shop } from "./queries";
import type { Sections } from "./sections";

/** Tells where buyers come from: a country with a currency, and its share of orders. */
export function MarketsTable({ shop, save, quietly, countries, currencyOf, currencies, remove }: Sections) {
  const markets = shop.markets;
  const sum = markets.reduce((total, market) => total + Number(market.share), 0);
  const edit = (id: string, part: Partial<Shop["markets"][number]>) => (before: Shop) => ({
    ...before,
    markets: before.markets.map((market) => (market.id === id ? { ...market, ...part } : market)),
  });

  const paidIn = (country: string) => currencyOf(country) || shop.currency;
  const add = (country: string) => (before: Shop) => {
    const currency = paidIn(country);
    const id = freeId(
      `${country}-${currency}`,
      before.markets.map((market) => market.id),
    );
    return { ...before, markets: [...before.markets, { id, country, currency, share: "0" }] };
  };

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
              onPick={(country) => quietly(edit(market.id, { country, currency: paidIn(country) }))}
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
      <div className="flex items-end gap-4 mt-2">
        <div className="w-64">
          <Picks
            single
            label="Add a market"
            none="choose its country"
            values={[]}
            options={countries}
            onPick={([country]) => country && quietly(add(country))}
          />
        </div>
        {markets.length > 0 && Math.abs(sum - 100) > 0.001 && (
          <span className="text-copper">The shares add up to {sum} %, not to 100 %.</span>
        )}
      </div>
    </section>
  );
}
