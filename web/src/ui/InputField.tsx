import { useId } from "react";

interface Props {
  label: string;
  value: string;
  onChange: (value: string) => void;
  width?: string;
  align?: "left" | "right";
  autoComplete?: string;
  inputMode?: "text" | "numeric" | "decimal";
}

/** A field of a form that is sent as a whole: its value is kept by the form until then. */
export function InputField(props: Props) {
  const { label, value, onChange, width = "w-full", align = "left", autoComplete = "off", inputMode } = props;
  const id = useId();
  return (
    <div className={width}>
      <label htmlFor={id} className="block text-small text-soft whitespace-nowrap">
        {label}
      </label>
      <input
        id={id}
        value={value}
        inputMode={inputMode ?? "text"}
        autoComplete={autoComplete}
        spellCheck={false}
        onChange={(event) => onChange(event.target.value)}
        className={`w-full h-8 border-b border-rule bg-transparent px-1 hover:border-ink focus:border-ink ${align === "right" ? "text-right" : ""}`}
      />
    </div>
  );
}
