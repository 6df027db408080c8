import { Switch } from "radix-ui";

interface Props {
  label: string;
  on: boolean;
  onChange: (on: boolean) => void;
}

/** On or off, said in a word as well as by place and colour. */
export function Toggle({ label, on, onChange }: Props) {
  return (
    <Switch.Root
      checked={on}
      onCheckedChange={onChange}
      aria-label={label}
      className="group inline-flex items-center gap-1.5 min-h-6 text-small"
    >
      <span
        className="w-8 h-4 rounded-full border border-soft p-px flex group-data-[state=checked]:bg-verdigris group-data-[state=checked]:border-verdigris"
        aria-hidden
      >
        <Switch.Thumb className="size-3 rounded-full bg-soft transition-transform data-[state=checked]:translate-x-4 data-[state=checked]:bg-on-verdigris" />
      </span>
      <span className="w-5 text-left text-soft" aria-hidden>
        {on ? "on" : "off"}
      </span>
    </Switch.Root>
  );
}
