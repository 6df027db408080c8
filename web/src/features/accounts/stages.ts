import type { Schema } from "../../api/client";

type Stage = Schema<"Stage">;

/** How a stage is inked: gained, waiting, or in need of a hand. */
export const STAGE_INK: Record<Stage, string> = {
  "not-begun": "text-soft",
  begun: "text-saffron-ink",
  "in-review": "text-saffron-ink",
  question: "text-copper",
  refused: "text-copper",
  approved: "text-copper",
  connected: "text-verdigris",
  lapsed: "text-copper",
  disconnected: "text-soft",
  withdrawn: "text-soft",
};

/** A stage in a word or two, for the list of providers. */
export const STAGE_WORD: Record<Stage, string> = {
  "not-begun": "not begun",
  begun: "begun, not sent",
  "in-review": "in review",
  question: "asks you something",
  refused: "refused",
  approved: "approved, to connect",
  connected: "connected",
  lapsed: "closed there",
  disconnected: "disconnected",
  withdrawn: "withdrawn",
};
