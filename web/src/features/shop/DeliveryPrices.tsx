import { inCurrency } from "../../lib/money";
import { Button } from "../../ui/Button";
import type { Option } from "../../ui/Picker";
import { Picks } from "../../ui/Picks";
import { TextField } from "../../ui/TextField";
import type { Shop } from "./queries";
import { shownWhole, wholeOrNone } from "./whole";

export type Way = Shop["deliveries"][number];
type Price = Way["prices"][number];
type Band = Price["by_weight"][number];

interface Props {
  way: Way;
  areas: Option[];
  currency: string;
  edit: (part: Partial<Way>) => Promise<unknown>;
  quietly: (part: Partial<Way>) => void;
}

/** Tells what a way of delivery costs its buyer, area by area: flat or by weight, and from which goods on it is free. */
export function DeliveryPrices({ way, areas, currency, edit, quietly }: Props) {
  const prices = way.prices;
  const named = new Set(prices.flatMap((price) => price.areas ?? []));
  const free = areas.filter((area) => !named.has(area.value));
  const elsewhere = prices.some((price) => !price.areas);
  const put = (place: number, part: Partial<Price>) => ({
    prices: prices.map((price, at) => (at === place ? { ...price, ...part } : price)),
  });
  const money = (text: string) => inCurrency(text, currency) || null;

  function toArea() {
    const [area] = free;
    if (area) quietly({ prices: [{ areas: [area.value], fee: null, by_weight: [] }, ...prices] });
  }

  return (
    <div className="mt-1">
      {prices.length === 0 && <p className="text-soft">goes everywhere, and costs the buyer nothing</p>}
      <ul aria-label={`What ${way.name} costs its buyer`}>
        {prices.map((price, place) => (
          <li
            key={`${price.areas?.join() ?? "else"}`}
            className="grid grid-cols-[minmax(0,1fr)_8rem_8rem_9rem] max-sm:grid-cols-2 gap-x-4 items-end py-0.5"
          >
            {price.areas ? (
              <Picks
                label={`Where ${way.name} goes at this price`}
                values={price.areas}
                options={areas}
                none="nowhere yet"
                onPick={(picked) =>
                  quietly(
                    picked.length > 0
                      ? put(place, { areas: picked })
                      : { prices: prices.filter((_, at) => at !== place) },
                  )
                }
              />
            ) : (
              <p className="min-h-8 flex items-center px-1">
                {prices.length > 1 ? "everywhere else" : "everywhere"}
              </p>
            )}
            {price.by_weight.length ? (
              <p className="min-h-8 flex items-center text-soft">by weight</p>
            ) : (
              <TextField
                label="Costs its buyer"
                align="right"
                value={price.fee ?? ""}
                save={(text) => edit(put(place, { fee: money(text) }))}
              />
            )}
            <TextField
              label="Free from goods of"
              align="right"
              value={price.free_from ?? ""}
              save={(text) => edit(put(place, { free_from: money(text) }))}
            />
            <span className="flex gap-3 justify-end">
              {!price.by_weight.length && (
                <Button
                  look="quiet"
                  onClick={() =>
                    quietly(
                      put(place, { fee: null, by_weight: [{ fee: price.fee ?? inCurrency("0", currency) }] }),
                    )
                  }
                >
                  By weight
                </Button>
              )}
              <Button
                look="quiet"
                aria-label={`Remove this price of ${way.name}`}
                onClick={() => quietly({ prices: prices.filter((_, at) => at !== place) })}
              >
                Remove
              </Button>
            </span>
            {price.by_weight.length ? (
              <Bands
                bands={price.by_weight}
                currency={currency}
                save={(bands) => edit(put(place, { by_weight: bands }))}
                quietly={(bands) => quietly(put(place, { by_weight: bands }))}
              />
            ) : null}
          </li>
        ))}
      </ul>
      <span className="flex gap-5">
        {free.length > 0 && (
          <Button look="link" onClick={toArea}>
            Another price for an area
          </Button>
        )}
        {!elsewhere && (
          <Button
            look="link"
            onClick={() => quietly({ prices: [...prices, { areas: null, fee: null, by_weight: [] }] })}
          >
            {prices.length > 0 ? "A price for everywhere else" : "It costs something"}
          </Button>
        )}
      </span>
      {prices.length > 0 && !elsewhere && (
        <p className="text-small text-soft">
          It does not go anywhere else; such a buyer is told before paying.
        </p>
      )}
    </div>
  );
}

interface BandsProps {
  bands: Band[];
  currency: string;
  save: (bands: Band[]) => Promise<unknown>;
  quietly: (bands: Band[]) => void;
}

/** Fees by weight: each up to a weight, the last for whatever is heavier where it has none. */
function Bands({ bands, currency, save, quietly }: BandsProps) {
  const put = (place: number, part: Partial<Band>) =>
    bands.map((band, at) => (at === place ? { ...band, ...part } : band));
  const last = bands.at(-1)?.up_to_grams;
  return (
    <div className="col-span-full pl-6">
      <ul aria-label="Fees by weight">
        {bands.map((band, place) => (
          <li key={band.up_to_grams ?? "heavier"} className="flex gap-4 items-end py-0.5">
            <TextField
              width="w-36"
              label={place === bands.length - 1 ? "Up to (empty: any)" : "Up to"}
              align="right"
              suffix="g"
              value={shownWhole(band.up_to_grams)}
              save={(text) => save(put(place, { up_to_grams: wholeOrNone(text) }))}
            />
            <TextField
              width="w-32"
              label="Costs its buyer"
              align="right"
              value={band.fee}
              save={(text) => save(put(place, { fee: inCurrency(text, currency) }))}
            />
            <Button look="quiet" onClick={() => quietly(bands.filter((_, at) => at !== place))}>
              Remove
            </Button>
          </li>
        ))}
      </ul>
      {last !== null && last !== undefined && (
        <Button
          look="link"
          onClick={() => quietly([...bands, { up_to_grams: null, fee: bands.at(-1)?.fee ?? "" }])}
        >
          Another weight
        </Button>
      )}
    </div>
  );
}
