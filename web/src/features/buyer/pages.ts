/** The pages that buyers see, for their own entry: it loads nothing of the desk. */
export { AfterPaying } from "./AfterPaying";
export { BuyPage } from "./BuyPage";
export { KeptOnFailure } from "./KeptOnFailure";
