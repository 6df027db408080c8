import { useEffect, useId, useRef } from "react";

interface Props {
  label: string;
  value: string;
  onChange: (value: string) => void;
  width?: string;
  align?: "left" | "right";
  autoComplete?: string;
  inputMode?: "text" | "numeric" | "decimal";
  /** True if to begin typing here at once, as in a form that was just opened. */
  begin?: boolean;
  /** Why it was refused, said below it. */
  problem?: string;
}

/** A field of a form that is sent as a whole: its value is kept by the form until then. */
export function InputField(props: Props) {
  const { label, value, onChange, width = "w-full", align = "left", autoComplete = "off" } = props;
  const { inputMode = "text", begin, problem = "" } = props;
  const id = useId();
  const input = useRef<HTMLInputElement>(null);
  useEffect(() => {
    if (begin) input.current?.focus();
  }, [begin]);
  return (
    <div className={width}>
      <label htmlFor={id} className="block text-small text-soft whitespace-nowrap">
        {label}
      </label>
      <input
        id={id}
        ref={input}
        value={value}
        inputMode={inputMode}
        autoComplete={autoComplete}
        spellCheck={false}
        aria-invalid={problem !== ""}
        aria-describedby={problem ? `${id}-problem` : undefined}
        onChange={(event) => onChange(event.target.value)}
        className={`w-full h-8 border-b ${problem ? "border-copper border-b-2" : "border-rule"} bg-transparent px-1 hover:border-ink focus:border-ink ${align === "right" ? "text-right" : ""}`}
      />
      {problem && (
        <p id={`${id}-problem`} role="alert" className="text-small text-copper font-medium mt-1">
          {problem}
        </p>
      )}
    </div>
  );
}
