import { type KeyboardEvent, useEffect, useId, useRef, useState } from "react";
import { AGAIN_MS, Refusal, said } from "../api/client";
import { useAskBeforeLeaving } from "../lib/useAskBeforeLeaving";

interface Props {
  label: string;
  value: string;
  save: (value: string) => Promise<unknown>;
  hideLabel?: boolean;
  suffix?: string;
  align?: "left" | "right";
  width?: string;
  note?: string;
  inputMode?: "text" | "decimal";
  /** In a table a field that is filled shows its rule only when it is pointed at. */
  cell?: boolean;
  /** A text that may be long: the field grows with it, so that nothing of it is cut off. */
  wraps?: boolean;
  /** A text of several lines, in which Enter begins a new one. */
  lines?: boolean;
  /** Told of every change as it is typed, before it is kept. */
  onTyped?: (text: string) => void;
  /** True if to begin typing here at once, as in a row that was just added. */
  begin?: boolean;
}

/**
 * A field that is kept when it is left or on Enter. What cannot be kept stays in the field with the reason
 * under it; Escape puts the kept value back.
 */
export function TextField(props: Props) {
  const {
    label,
    value,
    save,
    hideLabel,
    suffix,
    align = "left",
    width = "w-full",
    note,
    inputMode,
    cell,
    begin,
    wraps,
    lines,
    onTyped,
  } = props;
  const [text, setText] = useState(value);
  const [problem, setProblem] = useState("");
  const id = useId();

  // Text that was typed and not kept yet outlives a newer value from the server.
  const kept = useRef(value);
  useEffect(() => {
    const before = kept.current;
    kept.current = value;
    setText((typed) => (typed === before ? value : typed));
  }, [value]);

  const input = useRef<HTMLInputElement & HTMLTextAreaElement>(null);
  useEffect(() => {
    if (!begin) return;
    input.current?.focus();
    input.current?.select();
  }, [begin]);

  const again = useRef<number>(undefined);
  async function commit() {
    window.clearTimeout(again.current);
    if (text === value) {
      setProblem("");
      return;
    }
    try {
      await save(text.trim());
      // Text that is typed while a save is under way is not taken back by it.
      setText((typed) => (typed === text ? kept.current : typed));
      setProblem("");
    } catch (refused) {
      setProblem(said(refused));
      if (refused instanceof Refusal && refused.unanswered) {
        again.current = window.setTimeout(() => void latest.current.commit(), AGAIN_MS);
      }
    }
  }

  // An edit under way is kept when the page is left.
  const latest = useRef({ commit, dirty: false });
  latest.current = { commit, dirty: text !== value && problem === "" };
  useEffect(
    () => () => {
      window.clearTimeout(again.current);
      if (latest.current.dirty) void latest.current.commit();
    },
    [],
  );

  useAskBeforeLeaving(text !== value);

  function keyed(event: KeyboardEvent) {
    if (event.key === "Enter" && !lines) {
      // A field that wraps holds one line all the same.
      if (wraps) event.preventDefault();
      void commit();
    }
    if (event.key === "Escape") {
      setText(value);
      setProblem("");
      onTyped?.(value);
    }
  }

  const Field = wraps || lines ? "textarea" : "input";
  return (
    <div className={width}>
      <label htmlFor={id} className={hideLabel ? "sr-only" : "block text-small text-soft mb-0.5"}>
        {label}
      </label>
      <div className="flex items-baseline gap-1.5">
        <Field
          ref={input}
          id={id}
          value={text}
          {...(wraps || lines ? { rows: lines ? 2 : 1 } : {})}
          inputMode={inputMode ?? "text"}
          autoComplete="off"
          spellCheck={lines ?? false}
          aria-invalid={problem !== ""}
          aria-describedby={problem || note ? `${id}-note` : undefined}
          onChange={(event) => {
            const written = event.target.value;
            const typed = lines ? written : written.replace(/\s*\n\s*/g, " ");
            setText(typed);
            onTyped?.(typed.trim());
          }}
          onBlur={() => void commit()}
          onKeyDown={keyed}
          className={`w-full min-w-0 border-b bg-transparent px-1 ${wraps || lines ? "min-h-8 py-1 resize-none field-sizing-content" : "h-8"} ${align === "right" ? "text-right" : ""} ${
            problem
              ? "border-copper border-b-2"
              : `${cell && text ? "border-transparent" : "border-rule"} hover:border-ink focus:border-ink`
          }`}
        />
        {suffix && <span className="text-soft whitespace-nowrap">{suffix}</span>}
      </div>
      {(problem || note) && (
        <p
          id={`${id}-note`}
          role={problem ? "alert" : undefined}
          className={`text-small mt-1 ${problem ? "text-copper font-medium" : "text-soft"}`}
        >
          {problem || note}
        </p>
      )}
    </div>
  );
}
