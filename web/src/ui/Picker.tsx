import { Select } from "radix-ui";
import { useState } from "react";

export interface Option {
  value: string;
  label: string;
}

/** Codes with their names, as a picker offers them. */
export function optionsOf(choices: { code: string; name: string }[] | undefined): Option[] {
  return (choices ?? []).map(({ code, name }) => ({ value: code, label: name }));
}

interface Props {
  label: string;
  value: string;
  options: Option[];
  onPick: (value: string) => void;
  /** In the order sentence the picker is a word among words; elsewhere it is a field. */
  look?: "sentence" | "field" | "cell" | "quiet";
  showLabel?: boolean;
  id?: string;
}

const LOOKS = {
  sentence:
    "font-serif font-semibold text-sentence border-b border-dotted border-ink hover:border-solid px-0.5 leading-7",
  field:
    "w-full h-8 border-b border-rule hover:border-ink px-1 text-left flex items-center justify-between gap-2",
  quiet: "text-soft hover:text-ink min-h-6 inline-flex items-baseline gap-1",
  cell: "w-full h-8 border-b border-transparent hover:border-ink px-1 text-left flex items-center justify-between gap-2",
};

/**
 * A choice of one from a list, in place.
 *
 * Its list is drawn while it is open or has the focus: forty markets with two hundred countries each would else keep
 * the browser busy for seconds. Typing a letter picks from the list while it is closed, as in any list.
 */
export function Picker({ label, value, options, onPick, look = "field", showLabel, id }: Props) {
  const [isOpen, setOpen] = useState(false);
  const [hasFocus, setFocus] = useState(false);
  const chosen = options.find((option) => option.value === value);
  return (
    <div className={look === "sentence" || look === "quiet" ? "inline-block" : "block"}>
      {showLabel && <span className="block text-small text-soft mb-0.5">{label}</span>}
      <Select.Root value={value} onValueChange={onPick} open={isOpen} onOpenChange={setOpen}>
        <Select.Trigger
          id={id}
          aria-label={label}
          className={LOOKS[look]}
          onFocus={() => setFocus(true)}
          onBlur={() => setFocus(false)}
        >
          <span className="truncate">
            <Select.Value>{chosen?.label ?? value}</Select.Value>
          </span>
          {look !== "sentence" && (
            <Select.Icon className="text-soft" aria-hidden>
              ⌄
            </Select.Icon>
          )}
        </Select.Trigger>
        {(isOpen || hasFocus) && (
          <Select.Portal>
            <Select.Content
              position="popper"
              sideOffset={4}
              className="z-50 max-h-(--radix-select-content-available-height) min-w-(--radix-select-trigger-width) overflow-hidden border border-ink bg-paper text-ink font-sans text-figure"
            >
              <Select.Viewport className="py-1 max-h-80">
                {options.map((option) => (
                  <Select.Item
                    key={option.value}
                    value={option.value}
                    className="px-3 py-1.5 min-h-7 cursor-pointer outline-none data-highlighted:bg-verdigris-wash data-[state=checked]:font-semibold"
                  >
                    <Select.ItemText>{option.label}</Select.ItemText>
                  </Select.Item>
                ))}
              </Select.Viewport>
            </Select.Content>
          </Select.Portal>
        )}
      </Select.Root>
    </div>
  );
}
