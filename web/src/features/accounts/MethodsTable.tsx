import { toast } from "sonner";
import { said } from "../../api/client";
import { Picker } from "../../ui/Picker";
import { useChangeCheckout } from "../draft";
import type { Sheet, Sides } from "./queries";

const HERE = [
  { value: "on", label: "on" },
  { value: "off", label: "off" },
  { value: "follows", label: "follows the provider" },
];

/** Both sides of each method: whether it is active at the provider, and whether it is on here. */
export function MethodsTable({ sheet }: { sheet: Sheet }) {
  const change = useChangeCheckout();

  function put(side: Sides, value: string) {
    change.mutate(
      (before) => ({
        ...before,
        tenders: before.tenders.map((tender) =>
          tender.id === side.tender
            ? { ...tender, on: value === "on", follows: value === "follows" }
            : tender,
        ),
      }),
      { onError: (refused) => toast.error(said(refused)) },
    );
  }

  return (
    <table className="w-full mt-2">
      <thead>
        <tr className="text-left text-small text-soft border-b border-rule">
          <th className="font-normal py-1 pr-3">Method</th>
          <th className="font-normal pr-3">Can carry</th>
          <th className="font-normal pr-3 whitespace-nowrap">At {sheet.name}</th>
          <th className="font-normal w-48">In your checkout</th>
        </tr>
      </thead>
      <tbody>
        {sheet.methods.map((side) => (
          <tr key={side.method} className="border-b border-rule-soft align-baseline">
            <td className="py-1 pr-3 font-medium">
              {side.name}
              {side.warning && (
                <span className="block text-small text-copper font-normal">{side.warning}</span>
              )}
            </td>
            <td className="pr-3 text-soft whitespace-nowrap">{side.share}</td>
            <td className={`pr-3 ${side.active ? "text-verdigris" : "text-soft"}`}>{side.there}</td>
            <td>
              {side.tender ? (
                <Picker
                  look="cell"
                  label={`${side.name} of ${sheet.name} in your checkout`}
                  value={side.follows ? "follows" : side.here}
                  options={HERE}
                  onPick={(value) => put(side, value)}
                />
              ) : (
                <span className="px-1 text-soft">not in the checkout</span>
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
