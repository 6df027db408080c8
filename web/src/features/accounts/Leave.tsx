import { AlertDialog } from "radix-ui";
import { useState } from "react";
import { toast } from "sonner";
import { said } from "../../api/client";
import { Button } from "../../ui/Button";
import { useMode } from "./mode";
import { type Account, type Sheet, useAccountActs, useLeaving } from "./queries";

/** Leaving an account: first what it takes away, then the act, which can be undone. */
export function Leave({ account, sheet }: { account: Account; sheet: Sheet }) {
  const mode = useMode();
  const [open, setOpen] = useState(false);
  const leaving = useLeaving(account.id, mode, open).data;
  const acts = useAccountActs(account.id, mode);

  function leave() {
    acts.disconnect.mutate(undefined, {
      onError: (refused) => toast.error(said(refused)),
      onSuccess: () =>
        void toast(`${account.name} is disconnected.`, {
          duration: 12_000,
          action: { label: "Undo", onClick: () => acts.reconnect.mutate(undefined) },
        }),
    });
  }

  return (
    <AlertDialog.Root open={open} onOpenChange={setOpen}>
      <AlertDialog.Trigger asChild>
        <Button look="quiet">Disconnect</Button>
      </AlertDialog.Trigger>
      <AlertDialog.Portal>
        <AlertDialog.Overlay className="fixed inset-0 bg-ink/30" />
        <AlertDialog.Content className="fixed left-1/2 top-24 z-50 w-[32rem] max-w-[90vw] -translate-x-1/2 bg-paper border border-ink px-6 py-5">
          <AlertDialog.Title className="text-xl mb-2">Disconnect {account.name}?</AlertDialog.Title>
          <AlertDialog.Description asChild>
            <div>
              {leaving && (
                <>
                  <Takes
                    what={leaving.draft}
                    some="These ways to pay leave the draft of your checkout"
                    none="No way to pay in your draft goes through it."
                  />
                  <Takes
                    what={leaving.published}
                    some="Buyers no longer see, in what is published"
                    none="Nothing that buyers see now goes through it."
                  />
                  <ul className="my-1 text-small">
                    {leaving.moves.map((move) => (
                      <li key={move}>{move}</li>
                    ))}
                  </ul>
                  <Takes
                    what={leaving.orders.map(String)}
                    some="These orders still wait for something there"
                    none="No order waits for anything there."
                  />
                </>
              )}
              <p className="mt-2 text-soft">
                What {sheet.name} holds stays there. Its credentials stay sealed here, so that it can be
                connected again.
              </p>
            </div>
          </AlertDialog.Description>
          <div className="mt-4 flex gap-4">
            <AlertDialog.Action asChild>
              <Button onClick={leave} disabled={!leaving}>
                Disconnect {account.name}
              </Button>
            </AlertDialog.Action>
            <AlertDialog.Cancel asChild>
              <Button look="quiet">Keep it</Button>
            </AlertDialog.Cancel>
          </div>
        </AlertDialog.Content>
      </AlertDialog.Portal>
    </AlertDialog.Root>
  );
}

function Takes({ what, some, none }: { what: string[]; some: string; none: string }) {
  if (what.length === 0) return <p>{none}</p>;
  return (
    <p>
      {some}: <strong className="font-semibold text-copper">{what.join(", ")}</strong>.
    </p>
  );
}
