import { toast } from "sonner";
import { said } from "../../api/client";
import { LeftAsItWas } from "../../ui/AskFirst";
import { Toggle } from "../../ui/Toggle";
import { useShop } from "../shop";
import { useMode } from "./mode";
import { type Account, useAccountActs } from "./queries";

/** Tells which storefronts an account serves, and whether it is the shop's own or the pooled one of its software. */
export function Serves({ account }: { account: Account }) {
  const acts = useAccountActs(account.id, useMode());
  const storefronts = account.storefronts ?? [];
  const all = useShop().data?.shop?.storefronts ?? [];
  const served = all.filter(({ id }) => storefronts.length === 0 || storefronts.includes(id));
  const fail = (refused: unknown) => (refused instanceof LeftAsItWas ? toast : toast.error)(said(refused));

  function serve(id: string, on: boolean) {
    const now = all.filter((other) => (other.id === id ? on : served.includes(other))).map((one) => one.id);
    if (now.length === 0) {
      toast.error(`${account.name} serves one storefront at least. Disconnect it if it should serve none.`);
      return;
    }
    const body = { storefronts: now.length === all.length ? [] : now, pooled: account.pooled };
    acts.serves.mutate(body, { onError: fail });
  }
  return (
    <details className="mt-2">
      <summary className="text-small text-soft">
        {account.pooled ? "The pooled account of your software" : "Your own account"}, for{" "}
        {served.length === all.length
          ? "every storefront"
          : served.map(({ name }) => name).join(", ") || "no storefront"}
      </summary>
      <div className="grid gap-2 max-w-xl pl-4 pt-1">
        {all.length > 1 && (
          <ul className="flex flex-wrap gap-x-6 text-small">
            {all.map((storefront) => (
              <li key={storefront.id} className="flex items-center gap-2">
                <Toggle
                  label={`${account.name} serves ${storefront.name}`}
                  on={served.includes(storefront)}
                  onChange={(on) => serve(storefront.id, on)}
                />
                {storefront.name}
              </li>
            ))}
          </ul>
        )}
        <span className="flex items-center gap-2 text-small">
          <Toggle
            label={`${account.name} is the pooled account of your shop software`}
            on={account.pooled}
            onChange={(pooled) => acts.serves.mutate({ storefronts, pooled }, { onError: fail })}
          />
          the pooled account of your shop software
        </span>
        <p className="text-small text-soft">
          {account.pooled
            ? "Payouts come through the software, its name may stand on the buyer's statement, and the account goes with the software."
            : "It is your own: payouts come to you, and it stays yours when the software goes."}
        </p>
      </div>
    </details>
  );
}
