import { toast } from "sonner";
import { said } from "../../api/client";
import { Button } from "../../ui/Button";
import { useMode } from "./mode";
import { type Account, type Sheet, useAccountActs, useBegin } from "./queries";

/** Leaving an application; what it holds is kept, and it can be taken up again. */
export function Withdraw({ account, sheet }: { account: Account; sheet: Sheet }) {
  const mode = useMode();
  const acts = useAccountActs(account.id, mode);
  const begin = useBegin(mode);
  const fail = (refused: unknown) => toast.error(said(refused));
  const again = {
    provider: sheet.provider,
    ...(account.id !== sheet.provider && { name: account.name }),
  };
  return (
    <Button
      look="quiet"
      aria-label={`Withdraw ${account.name}`}
      onClick={() =>
        acts.withdraw.mutate(undefined, {
          onError: fail,
          onSuccess: () =>
            void toast(`${account.name} is withdrawn. What you filled in is kept.`, {
              duration: 12_000,
              action: { label: "Undo", onClick: () => begin.mutate(again, { onError: fail }) },
            }),
        })
      }
    >
      Withdraw
    </Button>
  );
}
