import { useEffect, useState } from "react";
import { Button } from "../../../ui/Button";
import type { Option } from "../../../ui/Picker";
import { corrected, type Form, withLine } from "./form";
import { LineRow } from "./LineRow";
import { PriceTable } from "./PriceTable";
import type { Preview } from "./queries";

interface Props {
  form: Form;
  preview: Preview | undefined;
  /** The text with a line for each price; known once the preview is of the text as it stands. */
  unfolded: string | undefined;
  methods: Option[];
  change: (part: Partial<Form>) => void;
}

/** The provider's price list as text: pasted as it stands, and beside every line what was understood. */
export function PriceText({ form, preview, unfolded, methods, change }: Props) {
  const [writing, setWriting] = useState(form.text === "");
  // Tables and tiers are written out, a line for each price, once the text is pasted and no longer written.
  useEffect(() => {
    if (!writing && unfolded && unfolded !== form.text) change({ text: unfolded, corrections: [] });
  });

  return (
    <>
      <div className="flex flex-wrap gap-x-6">
        {!writing && (
          <Button look="quiet" onClick={() => setWriting(true)}>
            Change the text
          </Button>
        )}
        <PriceTable
          currency={form.currency}
          onText={(text) => {
            change({ text, corrections: [] });
            setWriting(false);
          }}
        />
      </div>
      {writing && (
        <label className="block">
          <span className="block text-small text-soft mb-0.5">
            The price list, as it stands on the provider's page or in its offer: in English, Spanish,
            Portuguese, French, German, Italian or Dutch
          </span>
          <textarea
            rows={9}
            spellCheck={false}
            value={form.text}
            onChange={(event) => change({ text: event.target.value, corrections: [] })}
            onPaste={() => window.setTimeout(() => setWriting(false))}
            className="w-full border border-rule hover:border-ink focus:border-ink bg-sheet px-3 py-2 font-mono text-small"
          />
        </label>
      )}
      {preview && preview.lines.length > 0 && (
        <table className="w-full mt-2">
          <thead>
            <tr className="border-b border-ink text-left">
              <th className="w-8">
                <span className="sr-only">Line</span>
              </th>
              <th className="font-semibold py-1.5">The text</th>
              <th className="font-semibold">What it means</th>
              <th className="font-semibold text-right">this order</th>
            </tr>
          </thead>
          <tbody>
            {preview.lines
              .filter((line) => line.kind !== "blank")
              .map((line) => (
                <LineRow
                  key={`${line.number} ${line.text}`}
                  line={line}
                  methods={methods}
                  plans={Object.entries(preview.plans).map(([value, label]) => ({ value, label }))}
                  onCorrect={(part) =>
                    change({ corrections: corrected(form.corrections, line.number, part) })
                  }
                  onChange={(text) => change({ text: withLine(form.text, line.number, text) })}
                />
              ))}
          </tbody>
        </table>
      )}
    </>
  );
}
