import { partsOf } from "../../lib/money";
import type { Tender, Window } from "../draft";

export type End = "up_to" | "below";

/** The three limits of a window, as amounts without their currency; empty where there is none. */
interface Limits {
  from: string;
  end: string;
  how: End;
}

/** The window of a tender in one currency. */
export function windowOf(tender: Tender, currency: string): Window | undefined {
  return tender.windows.find((window) => {
    const limit = window.from ?? window.up_to ?? window.below;
    return limit ? partsOf(limit).currency === currency : false;
  });
}

/** A window's limits, for fields and handles. */
export function limitsOf(window: Window | undefined): Limits {
  const end = window?.below ?? window?.up_to;
  return {
    from: window?.from ? partsOf(window.from).amount : "",
    end: end ? partsOf(end).amount : "",
    how: window?.below ? "below" : "up_to",
  };
}

/** A tender with other limits in one currency; without any, its window there is taken away. */
export function withLimits(tender: Tender, currency: string, limits: Limits): Tender {
  const others = tender.windows.filter((window) => window !== windowOf(tender, currency));
  const window: Window = {};
  if (limits.from) window.from = `${limits.from} ${currency}`;
  if (limits.end) window[limits.how] = `${limits.end} ${currency}`;
  return { ...tender, windows: limits.from || limits.end ? [...others, window] : others };
}
