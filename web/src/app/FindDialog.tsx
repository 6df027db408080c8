import { Command } from "cmdk";
import { useNavigate } from "react-router";
import { useDraft } from "../features/checkout";
import { useHand, useHandSearch } from "../features/hand";
import { useChoices } from "../features/shop";
import { partsOf } from "../lib/money";
import { useStages } from "./stages";

const ITEM = "flex justify-between px-5 py-1.5 cursor-pointer aria-selected:bg-verdigris-wash";

interface Props {
  open: boolean;
  onOpenChange: (open: boolean) => void;
}

/** Anything by name: a stage, a way to pay, or another order in hand. */
export function FindDialog({ open, onOpenChange }: Props) {
  const navigate = useNavigate();
  const search = useHandSearch();
  const { shop, change } = useHand();
  const stages = useStages();
  const tenders = useDraft().data?.tenders ?? [];
  const names = new Map(useChoices().data?.countries.map((choice) => [choice.code, choice.name]));

  function then(act: () => void) {
    return () => {
      onOpenChange(false);
      act();
    };
  }

  return (
    <Command.Dialog
      open={open}
      onOpenChange={onOpenChange}
      label="Find anything by name"
      overlayClassName="fixed inset-0 bg-ink/30"
      contentClassName="fixed left-1/2 top-24 z-50 w-[32rem] max-w-[90vw] -translate-x-1/2 bg-paper border border-ink"
    >
      <p className="px-5 pt-3 text-small text-soft">Find by name</p>
      <Command.Input
        aria-label="Name of a stage, a way to pay, a line or a market"
        className="w-full border-b border-rule bg-transparent px-5 h-11 text-base"
      />
      <Command.List className="max-h-80 overflow-y-auto py-2">
        <Command.Empty className="px-5 py-2 text-soft">Nothing is called that.</Command.Empty>
        {stages.map((stage) => (
          <Command.Item
            key={stage.path}
            className={ITEM}
            value={`stage ${stage.name}`}
            onSelect={then(() => void navigate(`${stage.path}${search}`))}
          >
            {stage.name} <span className="text-soft">stage</span>
          </Command.Item>
        ))}
        {tenders.map((tender) => (
          <Command.Item
            key={tender.id}
            className={ITEM}
            value={`way to pay ${tender.name}`}
            onSelect={then(() => void navigate(`/checkout${search || "?"}&tender=${tender.id}`))}
          >
            {tender.name} <span className="text-soft">way to pay</span>
          </Command.Item>
        ))}
        {shop?.lines.map((line) => (
          <Command.Item
            key={line.id}
            className={ITEM}
            value={`order line ${line.name}`}
            onSelect={then(() => change({ line: line.id, amount: partsOf(line.usual_amount).amount }))}
          >
            {line.name} <span className="text-soft">line of the order in hand</span>
          </Command.Item>
        ))}
        {shop?.markets.map((market) => (
          <Command.Item
            key={market.id}
            className={ITEM}
            value={`market ${names.get(market.country) ?? market.country} ${market.currency}`}
            onSelect={then(() => change({ market: market.id, currency: market.currency }))}
          >
            {names.get(market.country) ?? market.country}, {market.currency}{" "}
            <span className="text-soft">market of the order in hand</span>
          </Command.Item>
        ))}
      </Command.List>
    </Command.Dialog>
  );
}
