import { toast } from "sonner";
import { said } from "../../api/client";
import { between } from "../../lib/lists";
import { TextField } from "../../ui/TextField";
import { Toggle } from "../../ui/Toggle";
import { useMode } from "./mode";
import { type Account, useAccountActs } from "./queries";

/** Which storefronts an account serves, and whether it is the shop's own or the pooled one of its software. */
export function Serves({ account }: { account: Account }) {
  const acts = useAccountActs(account.id, useMode());
  const storefronts = account.storefronts ?? [];
  return (
    <details className="mt-2">
      <summary className="text-small text-soft">
        {account.pooled ? "The pooled account of your software" : "Your own account"}, for{" "}
        {storefronts.join(", ") || "every storefront"}
      </summary>
      <div className="grid gap-2 max-w-xl pl-4 pt-1">
        <TextField
          label={`Storefronts that ${account.name} serves; empty means all`}
          value={storefronts.join(", ")}
          save={(text) => acts.serves.mutateAsync({ storefronts: between(text), pooled: account.pooled })}
        />
        <span className="flex flex-wrap items-center gap-2 text-small text-soft pb-1.5">
          <Toggle
            label={`${account.name} is the pooled account of your shop software`}
            on={account.pooled}
            onChange={(pooled) =>
              acts.serves.mutate(
                { storefronts, pooled },
                { onError: (refused) => toast.error(said(refused)) },
              )
            }
          />
          {account.pooled
            ? "pooled, of your shop software: payouts come through the software, its name may stand on the buyer's statement, and it leaves with the software"
            : "your own account: payouts come to you, and it stays yours when the software goes"}
        </span>
      </div>
    </details>
  );
}
