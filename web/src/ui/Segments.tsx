import { ToggleGroup } from "radix-ui";

interface Props<Value extends string> {
  label: string;
  value: Value;
  options: { value: Value; label: string }[];
  onPick: (value: Value) => void;
}

/** A choice of one of a few, all of them in sight. */
export function Segments<Value extends string>({ label, value, options, onPick }: Props<Value>) {
  return (
    <ToggleGroup.Root
      type="single"
      aria-label={label}
      value={value}
      onValueChange={(picked) => picked && onPick(picked as Value)}
      className="inline-flex border-b border-rule"
    >
      {options.map((option) => (
        <ToggleGroup.Item
          key={option.value}
          value={option.value}
          className="px-2 min-h-7 -mb-px border-b-2 border-transparent text-soft hover:text-ink data-[state=on]:border-ink data-[state=on]:text-ink data-[state=on]:font-semibold"
        >
          {option.label}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  );
}
