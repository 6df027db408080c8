import type { Option } from "../../ui/Picker";
import type { Business } from "./queries";

/** Tells what a section of the details works with. */
export interface Section {
  business: Business;
  countries: Option[];
  save: (edit: (before: Business) => Business) => Promise<unknown>;
  quietly: (edit: (before: Business) => Business) => void;
}

/** An id that is not taken yet. */
export function freeId(base: string, taken: string[]): string {
  let number = 1;
  while (taken.includes(`${base}-${number}`)) number += 1;
  return `${base}-${number}`;
}
