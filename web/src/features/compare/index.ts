export { ComparePage } from "./ComparePage";
