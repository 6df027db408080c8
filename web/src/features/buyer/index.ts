export { BuyerPanel } from "./BuyerPanel";
