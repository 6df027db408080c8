import { useId, useState } from "react";

interface Props {
  label: string;
  /** Tells what stands on the field where the label says more than there is room for; it begins the label. */
  short?: string;
  text: string;
  accept: string;
  busy: boolean;
  onFile: (file: File) => void;
}

/** A place to drop a file on, which is a file field for the keyboard as well. */
export function FileDrop({ label, short, text, accept, busy, onFile }: Props) {
  const [over, setOver] = useState(false);
  const id = useId();
  return (
    // biome-ignore lint/a11y/useSemanticElements: a fieldset would bring a form's look with it
    <div
      role="group"
      aria-label={label}
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(event) => {
        event.preventDefault();
        setOver(false);
        const [file] = event.dataTransfer.files;
        if (file) onFile(file);
      }}
      className={`border border-dashed px-4 py-2.5 flex flex-wrap items-center gap-4 focus-within:border-ink ${over ? "border-verdigris bg-verdigris-wash" : "border-soft"}`}
    >
      <input
        id={id}
        type="file"
        accept={accept}
        className="sr-only"
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          event.target.value = "";
          if (file) onFile(file);
        }}
      />
      <span className="text-soft">{busy ? "Looking at the file" : text}</span>
      <label
        htmlFor={id}
        className="text-verdigris font-semibold underline-offset-4 hover:underline cursor-pointer min-h-6"
      >
        {short ? (
          <>
            {short}
            <span className="sr-only">{label.slice(short.length)}</span>
          </>
        ) : (
          label
        )}
      </label>
    </div>
  );
}
