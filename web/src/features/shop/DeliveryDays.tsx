import { between } from "../../lib/lists";
import { inCurrency } from "../../lib/money";
import { Button } from "../../ui/Button";
import { Picker } from "../../ui/Picker";
import { Picks } from "../../ui/Picks";
import { TextField } from "../../ui/TextField";
import type { Way } from "./DeliveryPrices";
import { shownWhole, wholeOrNone } from "./whole";

type Hours = Way["hours"][number];
type Weekday = Hours["weekdays"][number];

const WEEKDAYS: { value: Weekday; label: string }[] = [
  { value: "MON", label: "Monday" },
  { value: "TUE", label: "Tuesday" },
  { value: "WED", label: "Wednesday" },
  { value: "THU", label: "Thursday" },
  { value: "FRI", label: "Friday" },
  { value: "SAT", label: "Saturday" },
  { value: "SUN", label: "Sunday" },
];
const ADDRESS = [
  { value: "usual", label: "as is usual for its kind" },
  { value: "true", label: "yes" },
  { value: "false", label: "no" },
];
const inWeek = (picked: string[]) => WEEKDAYS.map((day) => day.value).filter((day) => picked.includes(day));

interface Props {
  way: Way;
  currency: string;
  edit: (part: Partial<Way>) => Promise<unknown>;
  quietly: (part: Partial<Way>) => void;
}

/** When a way of delivery comes, whether it needs an address, and what it costs the shop. */
export function DeliveryDays({ way, currency, edit, quietly }: Props) {
  const hours = way.hours;
  const costs = way.costs;
  const money = (text: string) => inCurrency(text, currency) || null;
  const put = (place: number, part: Partial<Hours>) => ({
    hours: hours.map((entry, at) => (at === place ? { ...entry, ...part } : entry)),
  });
  return (
    <details className="mt-1">
      <summary className="text-small text-verdigris font-medium min-h-6 cursor-pointer">
        Days, address and what it costs you
        <span className="text-soft font-normal">: {inShort(way)}</span>
      </summary>
      <div className="grid grid-cols-3 max-sm:grid-cols-1 gap-x-6 gap-y-2 pt-1 pb-2 pl-4">
        <TextField
          label="Open days to make it ready"
          align="right"
          value={String(way.preparation_days)}
          save={(text) => edit({ preparation_days: wholeOrNone(text) ?? 0 })}
        />
        <Picks
          label={`Weekdays on which ${way.name} is closed`}
          values={way.closed_weekdays}
          options={WEEKDAYS}
          none="on no weekday"
          onPick={(picked) => quietly({ closed_weekdays: inWeek(picked) })}
        />
        <TextField
          label="Closed on these dates, between commas"
          note="such as 2026-12-25"
          value={way.closed_dates.join(", ")}
          save={(text) => edit({ closed_dates: between(text) })}
        />
        <TextField
          label="Buyers choose the day, so many days ahead"
          note="empty: they do not choose one"
          align="right"
          value={shownWhole(way.ahead_days)}
          save={(text) => edit({ ahead_days: wholeOrNone(text) })}
        />
        <Picker
          showLabel
          label="Needs an address"
          value={String(way.address ?? "usual")}
          options={ADDRESS}
          onPick={(picked) => quietly({ address: picked === "usual" ? null : picked === "true" })}
        />
        <span />
        <TextField
          label="Costs you on the way out"
          align="right"
          value={costs.out ?? ""}
          save={(text) => edit({ costs: { ...costs, out: money(text) } })}
        />
        <TextField
          label="Costs you on the way back"
          align="right"
          value={costs.back ?? ""}
          save={(text) => edit({ costs: { ...costs, back: money(text) } })}
        />
        <TextField
          label="Costs you for cash taken at the door"
          align="right"
          value={costs.collection ?? ""}
          save={(text) => edit({ costs: { ...costs, collection: money(text) } })}
        />
        <div className="col-span-full">
          <ul aria-label={`Hours of ${way.name}`}>
            {hours.map((entry, place) => (
              <li
                key={`${entry.weekdays.join()}${entry.from}`}
                className="flex flex-wrap gap-4 items-end py-0.5"
              >
                <div className="w-56">
                  <Picks
                    label="On"
                    values={entry.weekdays}
                    options={WEEKDAYS}
                    none="no weekday"
                    onPick={(picked) =>
                      quietly(
                        picked.length > 0
                          ? put(place, { weekdays: inWeek(picked) })
                          : { hours: hours.filter((_, at) => at !== place) },
                      )
                    }
                  />
                </div>
                <TextField
                  width="w-24"
                  label="From"
                  value={entry.from}
                  save={(text) => edit(put(place, { from: text }))}
                />
                <TextField
                  width="w-24"
                  label="Until"
                  value={entry.until}
                  save={(text) => edit(put(place, { until: text }))}
                />
                <Button
                  look="quiet"
                  onClick={() => quietly({ hours: hours.filter((_, at) => at !== place) })}
                >
                  Remove
                </Button>
              </li>
            ))}
          </ul>
          <Button
            look="link"
            onClick={() =>
              quietly({
                hours: [
                  ...hours,
                  { weekdays: ["MON", "TUE", "WED", "THU", "FRI"], from: "09:00", until: "17:00" },
                ],
              })
            }
          >
            {hours.length > 0 ? "More hours" : "It has hours"}
          </Button>
        </div>
      </div>
    </details>
  );
}

/** Tells what stands behind the fold, in a few words. */
function inShort(way: Way): string {
  const days = way.preparation_days;
  const said = [
    days === 0
      ? "ready the same day"
      : days === 1
        ? "ready after 1 open day"
        : `ready after ${days} open days`,
  ];
  if (way.closed_weekdays.length > 0) said.push(`closed on ${named(way.closed_weekdays)}`);
  for (const entry of way.hours) said.push(`${named(entry.weekdays)} ${entry.from} to ${entry.until}`);
  if (way.ahead_days) said.push(`the day chosen up to ${way.ahead_days} days ahead`);
  return said.join(", ");
}

const named = (days: Weekday[]) =>
  days.map((day) => WEEKDAYS.find((entry) => entry.value === day)?.label).join(" and ");
