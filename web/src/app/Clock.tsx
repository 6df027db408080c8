import { Popover } from "radix-ui";
import { toast } from "sonner";
import { said } from "../api/client";
import { useClock, useWind } from "../features/accounts";
import { moment } from "../lib/time";
import { Button } from "../ui/Button";

const BY = [
  { minutes: 5, label: "5 minutes" },
  { minutes: 60, label: "an hour" },
  { minutes: 24 * 60, label: "a day" },
  { minutes: 7 * 24 * 60, label: "a week" },
  { minutes: 28 * 24 * 60, label: "four weeks" },
];

/** The mode and the time in the shop, which can be wound forward in test mode: reviews end, debits are confirmed. */
export function Clock() {
  const clock = useClock().data;
  const wind = useWind();
  const ahead = clock && clock.ahead_minutes > 0;
  return (
    <Popover.Root>
      <Popover.Trigger className="font-semibold text-saffron-ink underline decoration-dotted underline-offset-4 min-h-6">
        {clock?.mode === "live" ? "Live mode" : "Test mode"}
        {ahead && clock ? `, it is ${moment(clock.now)}` : ""}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={6}
          aria-label="The clock of the test"
          className="z-50 w-72 bg-paper border border-ink px-4 py-3"
        >
          <p>It is {clock ? moment(clock.now) : "…"} in this shop.</p>
          <p className="text-small text-soft mb-2">
            In test mode the clock can be wound forward, for you and for the simulated provider. It does not
            go back.
          </p>
          <p id="wind">Forward by</p>
          <ul aria-labelledby="wind" className="mt-1 flex flex-wrap gap-1.5">
            {BY.map(({ minutes, label }) => (
              <li key={minutes}>
                <Button
                  aria-label={`Forward by ${label}`}
                  disabled={wind.isPending}
                  onClick={() =>
                    wind.mutate(minutes, {
                      onSuccess: (after) => void toast(`It is ${moment(after.now)} now.`),
                      onError: (refused) => toast.error(said(refused)),
                    })
                  }
                >
                  {label}
                </Button>
              </li>
            ))}
          </ul>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
