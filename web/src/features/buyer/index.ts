export { AfterPaying } from "./AfterPaying";
export { BuyerPanel } from "./BuyerPanel";
export { BuyPage } from "./BuyPage";
