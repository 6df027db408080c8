import { Button } from "../../ui/Button";
import type { Coverage } from "./queries";

interface Props {
  preview: NonNullable<Coverage["preview"]>;
  making: boolean;
  onMake: () => void;
  onLeave: () => void;
}

/** A fix that is looked at: what it changes, before it is made. */
export function Preview({ preview, making, onMake, onLeave }: Props) {
  return (
    <section
      aria-label="A change that is looked at"
      className="border border-verdigris bg-sheet px-4 py-3 mb-3"
    >
      <p role="status">
        <strong className="font-semibold">{preview.text}</strong>
        <span className="text-soft">. This is how it would be; nothing is changed yet.</span>
      </p>
      <ul className="mt-1">
        {preview.changes.map((change) => (
          <li key={change}>{change}</li>
        ))}
      </ul>
      <p className="mt-2 flex gap-4">
        <Button look="strong" disabled={making} onClick={onMake}>
          Make this change
        </Button>
        <Button look="quiet" onClick={onLeave}>
          Leave it
        </Button>
      </p>
    </section>
  );
}
