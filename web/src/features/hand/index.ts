export { handSearchNow, useHandSearch } from "../../lib/handSearch";
export { FIRST_PICKER, OrderSentence } from "./OrderSentence";
export { beforeHandChanges, type Hand, lastHand, NOTHING, rememberHand, useHand } from "./useHand";
