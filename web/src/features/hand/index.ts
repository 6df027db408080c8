export { FIRST_PICKER, OrderSentence } from "./OrderSentence";
export { type Hand, lastHand, NOTHING, rememberHand, useHand, useHandSearch } from "./useHand";
