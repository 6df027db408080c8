import type { Option } from "../../ui/Picker";
import type { Shop } from "./queries";

/** What every section of the shop is given. */
export interface Sections {
  shop: Shop;
  countries: Option[];
  currencies: Option[];
  kinds: Option[];
  /** Save a change; a refusal is told where it was typed. */
  save: (change: (shop: Shop) => Shop) => Promise<unknown>;
  /** Save a change; a refusal is told in passing. */
  quietly: (change: (shop: Shop) => Shop) => void;
  /** Take something away, with a way to undo it. */
  remove: (what: string, change: (shop: Shop) => Shop, undo: (shop: Shop) => Shop) => void;
}
