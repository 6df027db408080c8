export {
  type Outcome,
  type Tender,
  useAddTender,
  useChangeTenders,
  useDraft,
  useView,
  type Window,
} from "./queries";
