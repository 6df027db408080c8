import type { Hand } from "../hand";
import { fullName } from "./names";
import { useTurnings } from "./queries";
import { useRested } from "./useRested";

interface Props {
  hand: Hand;
  currency: string;
}

/** From which value of an assumption another method would come first. */
export function Turnings({ hand, currency }: Props) {
  const found = useTurnings(useRested(hand)).data;
  if (!found?.first || found.turnings.length === 0) return null;
  const { first, turnings } = found;
  return (
    <p className="text-soft mt-2 mb-6">
      {fullName(first)} comes first as things are assumed.{" "}
      {turnings.map(({ assumption, turns_at, rival }, index) => (
        <span key={assumption.id + assumption.about}>
          {turnings[index - 1]?.rival.key === rival.key ? (
            ", or with "
          ) : (
            <>
              {index > 0 && "; "}
              {fullName(rival)} would come first with{" "}
            </>
          )}
          <span className="text-ink">
            {assumption.name.toLowerCase()}
            {assumption.about !== "*" && ` (${assumption.about_name})`} at {turns_at}
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
