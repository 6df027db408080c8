export { FIRST_PICKER, OrderSentence } from "./OrderSentence";
export { type Hand, handSearchNow, lastHand, NOTHING, rememberHand, useHand, useHandSearch } from "./useHand";
