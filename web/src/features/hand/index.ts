export { handSearchNow, useHandSearch, withHand } from "../../lib/handSearch";
export { FIRST_PICKER, OrderSentence, sayPart } from "./OrderSentence";
export { beforeHandChanges, type Hand, NOTHING, useHand } from "./useHand";
