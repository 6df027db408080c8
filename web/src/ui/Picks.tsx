import { Command } from "cmdk";
import { Popover } from "radix-ui";
import { useId, useState } from "react";
import type { Option } from "./Picker";

interface Props {
  label: string;
  values: string[];
  options: Option[];
  onPick: (values: string[]) => void;
  /** Tells what nothing chosen means. */
  none: string;
  /** As a word of a sentence, or as a field with its label above it. */
  look?: "field" | "word";
  /** Only one can be chosen, and one is. */
  single?: boolean;
  /** Makes a value of a name that is not in the list. */
  add?: (name: string) => string;
}

const LOOKS = {
  field:
    "w-full min-h-8 border-b border-rule hover:border-ink px-1 text-left flex items-center justify-between gap-2",
  word: "font-semibold border-b border-dotted border-ink hover:border-solid min-h-6 min-w-6 text-left",
};

/** Several things, chosen by name from a list that is searched as one types; in a field the code stands beside the name. */
export function Picks(props: Props) {
  const { label, values, options, onPick, none, look = "field", single, add } = props;
  const [open, setOpen] = useState(false);
  const [typed, setTyped] = useState("");
  const id = useId();
  const named = new Map(options.map((option) => [option.value, option.label]));
  const shown = values.map((value) => named.get(value) ?? value).join(look === "word" ? " and " : ", ");
  const listed = [
    ...values.filter((value) => !named.has(value)).map((value) => ({ value, label: value })),
    ...options,
  ];
  const [only = ""] = values.length === 1 ? values : [];
  const code = look === "field" && only !== shown ? only : "";
  const fresh = add && typed.trim() ? add(typed.trim()) : "";

  function choose(value: string) {
    if (single) {
      onPick([value]);
      setOpen(false);
      return;
    }
    onPick(values.includes(value) ? values.filter((entry) => entry !== value) : [...values, value]);
    setTyped("");
  }

  return (
    <div className={look === "word" ? "inline-block" : "block"}>
      {look === "field" && (
        <span id={id} className="block text-small text-soft">
          {label}
        </span>
      )}
      <Popover.Root open={open} onOpenChange={setOpen}>
        <Popover.Trigger
          className={LOOKS[look]}
          aria-label={`${label}: ${shown || none}${code ? ` ${code}` : ""}`}
        >
          <span className={`flex-1 ${shown ? "" : "text-soft font-normal"}`}>{shown || none}</span>
          {code && <span className="text-soft"> {code}</span>}
          {look === "field" && (
            <span className="text-soft" aria-hidden>
              ⌄
            </span>
          )}
        </Popover.Trigger>
        <Popover.Portal>
          <Popover.Content
            align="start"
            sideOffset={4}
            aria-label={label}
            className="z-50 w-80 max-w-[90vw] border border-ink bg-paper text-ink text-figure"
          >
            <Command label={label} loop>
              <Command.Input
                value={typed}
                onValueChange={setTyped}
                aria-label={`Search: ${label}`}
                className="w-full h-9 border-b border-rule bg-transparent px-3"
              />
              <Command.List aria-label={label} className="max-h-72 overflow-y-auto py-1">
                <Command.Empty className="px-3 py-1.5 text-soft">
                  {fresh ? "" : "Nothing is called that."}
                </Command.Empty>
                {listed.map((option) => (
                  <Command.Item
                    key={option.value}
                    value={`${option.label} ${option.value}`}
                    onSelect={() => choose(option.value)}
                    className="px-3 py-1 min-h-7 cursor-pointer flex gap-2 data-[selected=true]:bg-verdigris-wash"
                  >
                    <span aria-hidden className="w-4 text-verdigris">
                      {values.includes(option.value) ? "✓" : ""}
                    </span>
                    <span className="flex-1">
                      {option.label}
                      {values.includes(option.value) && <span className="sr-only">, chosen</span>}
                    </span>
                    {look === "field" && <span className="text-soft">{option.value}</span>}
                  </Command.Item>
                ))}
                {fresh && !values.includes(fresh) && !named.has(fresh) && (
                  <Command.Item
                    forceMount
                    value={`add ${typed}`}
                    onSelect={() => choose(fresh)}
                    className="px-3 py-1 min-h-7 cursor-pointer data-[selected=true]:bg-verdigris-wash"
                  >
                    Add “{typed.trim()}”
                  </Command.Item>
                )}
              </Command.List>
            </Command>
          </Popover.Content>
        </Popover.Portal>
      </Popover.Root>
    </div>
  );
}
