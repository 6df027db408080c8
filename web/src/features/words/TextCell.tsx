import { useState } from "react";
import { toast } from "sonner";
import { type Schema, said } from "../../api/client";
import { Button } from "../../ui/Button";
import { ShopText } from "../../ui/ShopText";
import { TextField } from "../../ui/TextField";
import type { Tender } from "../draft";
import { withText } from "./edits";

interface Props {
  language: Schema<"LanguageOut">;
  text: Schema<"WordsTextOut">;
  save: (edit: (tender: Tender) => Tender) => Promise<unknown>;
}

/** One text in one language: ready-made until it is written, and taken back to that at any time. */
export function TextCell({ language, text, save }: Props) {
  const [writing, setWriting] = useState(false);
  const put = (written: string | null) =>
    save((before) => withText(before, language.tag, text.kind, written));
  const quietly = (written: string | null) =>
    void put(written).catch((refused: unknown) => toast.error(said(refused)));
  const about = `${text.label}, in ${language.name}`;
  const plain = text.kind === "description";
  if (text.written === null && !writing) {
    return (
      <div className="border-b border-rule-soft py-2">
        <p className="flex items-baseline gap-3 text-small text-soft">
          {text.label}
          <span className={text.missing ? "text-copper font-medium" : ""}>
            {text.missing ? `missing, read in ${text.falls_back}` : "ready-made"}
          </span>
          <Button
            look="quiet"
            className="ml-auto"
            aria-label={`Write it: ${about}`}
            onClick={() => setWriting(true)}
          >
            Write it
          </Button>
        </p>
        <div>
          {text.shown ? <ShopText html={text.shown} /> : <p className="text-soft">Nothing is said.</p>}
        </div>
      </div>
    );
  }
  return (
    <div className="border-b border-rule-soft py-2">
      <div lang={language.tag}>
        <TextField
          {...(plain ? { wraps: true } : { lines: true })}
          begin={writing}
          label={about}
          value={text.written ?? ""}
          note={text.written === "" ? "Empty: nothing is said." : ""}
          save={async (written) => {
            await put(written);
            setWriting(false);
          }}
        />
      </div>
      {text.written && !plain && (
        <div className="mt-1 pl-1 border-l-2 border-rule" lang={language.tag}>
          <p className="text-small text-soft pl-2">As the buyer of the order in hand reads it</p>
          <ShopText html={text.shown} className="pl-2" />
        </div>
      )}
      <p className="flex gap-3 mt-1">
        <Button
          look="quiet"
          aria-label={`Take the ready-made text: ${about}`}
          onClick={() => {
            setWriting(false);
            if (text.written !== null) quietly(null);
          }}
        >
          Take the ready-made text
        </Button>
        {text.written === null && (
          <Button
            look="quiet"
            aria-label={`Say nothing: ${about}`}
            onClick={() => {
              quietly("");
              setWriting(false);
            }}
          >
            Say nothing
          </Button>
        )}
      </p>
    </div>
  );
}
