import { toast } from "sonner";
import { said } from "../../api/client";
import { Picker } from "../../ui/Picker";
import { Picks } from "../../ui/Picks";
import { TextField } from "../../ui/TextField";
import { useAccounts } from "../accounts";
import type { Tender } from "../draft";
import type { Shop } from "../shop";

interface Props {
  tender: Tender;
  shop: Shop;
  save: (change: (tender: Tender) => Tender) => Promise<unknown>;
}

const TAKES = [
  { value: "now", label: "at the order" },
  { value: "on-dispatch", label: "when goods go out, as much as goes" },
  { value: "on-word", label: "on your word" },
];
const GIVES = [
  { value: "at-certainty", label: "when the payment is certain" },
  { value: "at-order", label: "with the order already" },
];
const SIDES = [
  { value: "own", label: "switched on and off here" },
  { value: "follows", label: "on while it is active at the provider" },
];

const SHOWN: { value: "on_line_page" | "in_cart"; label: string }[] = [
  { value: "on_line_page", label: "on the page of a line" },
  { value: "in_cart", label: "in the cart" },
];

/** Tells where it is shown, when the money is taken, when what was ordered is given, and how long an own arrangement waits. */
export function Handling({ tender, save }: Props) {
  const held = useAccounts().data?.providers ?? [];
  const provider = held.find((entry) => entry.provider === tender.route?.provider);
  const put = (change: (before: Tender) => Tender) =>
    void save(change).catch((refused) => toast.error(said(refused)));
  const days = (text: string) =>
    /^\d+$/.test(text) ? Number(text) : text === "" ? null : (text as unknown as number);
  return (
    <fieldset>
      <legend className="mb-1 text-small font-medium">Money and what was ordered</legend>
      <div className="grid grid-cols-2 lg:grid-cols-3 gap-x-6 gap-y-2">
        {tender.route && (
          <>
            <Picker
              showLabel
              label={`When ${tender.name} is taken`}
              value={tender.take}
              options={TAKES}
              onPick={(take) => put((before) => ({ ...before, take: take as Tender["take"] }))}
            />
            <Picker
              showLabel
              label={`Whether ${provider?.name ?? "the provider"} decides if it is on`}
              value={tender.follows ? "follows" : "own"}
              options={SIDES}
              onPick={(side) => put((before) => ({ ...before, follows: side === "follows" }))}
            />
          </>
        )}
        {provider && provider.accounts.length > 1 && (
          <Picker
            showLabel
            label={`Account with ${provider.name} that carries it`}
            value={tender.account ?? provider.provider}
            options={provider.accounts.map(({ id, name }) => ({ value: id, label: name }))}
            onPick={(account) => put((before) => ({ ...before, account }))}
          />
        )}
        <Picker
          showLabel
          label="Goods, access and seat are given"
          value={tender.gives}
          options={GIVES}
          onPick={(gives) => put((before) => ({ ...before, gives: gives as Tender["gives"] }))}
        />
        <Picks
          label="Where else it is shown"
          values={SHOWN.filter(({ value }) => tender[value]).map(({ value }) => value)}
          options={SHOWN}
          none="nowhere else"
          onPick={(places) =>
            put((before) => ({
              ...before,
              on_line_page: places.includes("on_line_page"),
              in_cart: places.includes("in_cart"),
            }))
          }
        />
        {!tender.route && (
          <>
            <TextField
              label="Overdue after, in days"
              value={tender.due_days === null || tender.due_days === undefined ? "" : String(tender.due_days)}
              save={(text) => save((before) => ({ ...before, due_days: days(text) }))}
            />
            <TextField
              label="Given up after, in days"
              value={
                tender.lapse_days === null || tender.lapse_days === undefined ? "" : String(tender.lapse_days)
              }
              save={(text) => save((before) => ({ ...before, lapse_days: days(text) }))}
            />
          </>
        )}
      </div>
    </fieldset>
  );
}
