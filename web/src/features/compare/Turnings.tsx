import type { Hand } from "../hand";
import { fullName } from "./names";
import { useTurnings } from "./queries";
import { useRested } from "./useRested";

interface Props {
  hand: Hand;
  currency: string;
}

/** From which value of an assumption the first of another method would come before the first. */
export function Turnings({ hand, currency }: Props) {
  const found = useTurnings(useRested(hand)).data;
  if (!found?.first || !found.rival || found.turnings.length === 0) return null;
  const { first, rival, turnings } = found;
  return (
    <p className="text-soft mt-2 mb-6">
      {fullName(first)} comes before {fullName(rival)} as things are assumed. They would change places with{" "}
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
