import type { Schema } from "../../api/client";
import { fullName } from "./names";
import type { Ranked } from "./queries";

interface Props {
  turnings: Schema<"TurningOut">[];
  first: Ranked;
  second: Ranked;
  currency: string;
}

/** From which value of an assumption the first two would change places. */
export function Turnings({ turnings, first, second, currency }: Props) {
  if (turnings.length === 0) return null;
  return (
    <p className="text-soft mt-2 mb-6">
      {fullName(first.route)} comes before {fullName(second.route)} as things are assumed. They would change
      places with{" "}
      {turnings.map(({ assumption, turns_at }, index) => (
        <span key={assumption.id + assumption.about}>
          {index > 0 && (index === turnings.length - 1 ? " or " : ", ")}
          <span className="text-ink">
            {assumption.name.toLowerCase()}
            {assumption.about !== "*" && ` (${assumption.about.replaceAll("-", " ")})`} at {turns_at}
            {unitOf(assumption.unit, currency)}
          </span>{" "}
          instead of {assumption.value}
          {unitOf(assumption.unit, currency)}
        </span>
      ))}
      .
    </p>
  );
}

function unitOf(unit: string, currency: string): string {
  return { percent: " %", minutes: " minutes", money: ` ${currency}` }[unit] ?? "";
}
