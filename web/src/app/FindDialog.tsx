import { Command } from "cmdk";
import { useNavigate } from "react-router";
import { VIEWS as ACCOUNT_VIEWS, useAccounts } from "../features/accounts";
import { VIEWS as COMPARE_VIEWS, NEW_PROVIDER, useCards } from "../features/compare";
import { useDraft } from "../features/draft";
import { useHand, useHandSearch } from "../features/hand";
import { VIEWS as SHOP_VIEWS, useChoices } from "../features/shop";
import { STAGES } from "./stages";

const VIEWS = [
  { path: "/", name: "What to decide next" },
  ...COMPARE_VIEWS.slice(1),
  { path: NEW_PROVIDER, name: "New provider" },
  ...SHOP_VIEWS.slice(1),
  ...ACCOUNT_VIEWS.slice(1),
];
const ITEM = "flex justify-between px-5 py-1.5 cursor-pointer aria-selected:bg-verdigris-wash";

interface Props {
  open: boolean;
  onOpenChange: (open: boolean) => void;
}

/** Anything by name: a stage, a way to pay, or another order in hand. */
export function FindDialog({ open, onOpenChange }: Props) {
  const navigate = useNavigate();
  const search = useHandSearch();
  const { hand, shop, begins, change } = useHand();
  const cards = useCards().data ?? [];
  const providers = useAccounts().data?.providers ?? [];
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
        {STAGES.map((stage) => (
          <Command.Item
            key={stage.path}
            className={ITEM}
            value={`stage ${stage.name}`}
            onSelect={then(() => void navigate(`${stage.path}${search}`))}
          >
            {stage.name} <span className="text-soft">stage</span>
          </Command.Item>
        ))}
        {VIEWS.map((view) => (
          <Command.Item
            key={view.path}
            className={ITEM}
            value={`view ${view.name}`}
            onSelect={then(() => void navigate(`${view.path}${search}`))}
          >
            {view.name} <span className="text-soft">view</span>
          </Command.Item>
        ))}
        {cards.map((card) => (
          <Command.Item
            key={card.provider}
            className={ITEM}
            value={`rate card ${card.provider_name}`}
            onSelect={then(
              () => void navigate(`/compare/cards/${card.provider}/${card.versions[0]?.day}${search}`),
            )}
          >
            {card.provider_name} <span className="text-soft">rate card</span>
          </Command.Item>
        ))}
        {providers.map((entry) => (
          <Command.Item
            key={entry.provider}
            className={ITEM}
            value={`provider ${entry.name}`}
            onSelect={then(() => void navigate(`/accounts/${entry.provider}${search}`))}
          >
            {entry.name} <span className="text-soft">provider</span>
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
            onSelect={then(() =>
              change({ line: line.id, amount: begins(line, hand?.currency ?? shop.currency) }),
            )}
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
