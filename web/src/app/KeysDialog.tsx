import { Dialog } from "radix-ui";
import { Button } from "../ui/Button";

const KEYS = [
  ["Ctrl with K", "anything by name: a stage, a way to pay, another order"],
  ["/", "to the order sentence"],
  ["[ and ]", "to the stage before, to the stage after"],
  ["Alt with Up or Down", "move the way to pay that you are in"],
  [
    "Left or Right on the ruler's cursor",
    "another amount of the order, with Shift ten steps, Page Up and Down more",
  ],
  ["Ctrl with Z, with Shift as well", "take the last change of the checkout back, or make it again"],
  ["Left or Right on a handle", "move a limit by a step, with Shift by ten"],
  ["Arrow keys in Coverage", "from cell to cell; Enter puts an order of it in hand"],
  ["Enter or Escape in a field", "keep it, or put the kept value back"],
  ["?", "this list"],
];

/** The keys that do something. */
export function KeysDialog({ open, onOpenChange }: { open: boolean; onOpenChange: (open: boolean) => void }) {
  return (
    <Dialog.Root open={open} onOpenChange={onOpenChange}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 bg-ink/30" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed left-1/2 top-24 -translate-x-1/2 w-[30rem] bg-paper border border-ink px-6 py-5"
        >
          <Dialog.Title className="text-xl mb-3">By keyboard</Dialog.Title>
          <dl className="grid grid-cols-[auto_1fr] gap-x-6 gap-y-1.5">
            {KEYS.map(([key, does]) => (
              <div key={key} className="contents">
                <dt className="font-semibold">{key}</dt>
                <dd>{does}</dd>
              </div>
            ))}
          </dl>
          <Dialog.Close asChild>
            <Button className="mt-5">Close</Button>
          </Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
