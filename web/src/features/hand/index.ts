export { FIRST_PICKER, OrderSentence } from "./OrderSentence";
export {
  beforeHandChanges,
  type Hand,
  handSearchNow,
  lastHand,
  NOTHING,
  rememberHand,
  useHand,
  useHandSearch,
} from "./useHand";
