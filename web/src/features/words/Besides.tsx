import { useMutation } from "@tanstack/react-query";
import { answered, api, type Schema, said } from "../../api/client";
import { Button } from "../../ui/Button";
import { FileDrop } from "../../ui/FileDrop";
import { Trouble } from "../../ui/Page";
import { TextField } from "../../ui/TextField";
import type { Tender } from "../draft";
import { AskedFields } from "./AskedFields";

interface Props {
  tender: Tender;
  languages: Schema<"LanguageOut">[];
  save: (edit: (tender: Tender) => Tender) => Promise<unknown>;
  quietly: (edit: (tender: Tender) => Tender) => void;
}

/** Tells what stands beside the texts: a picture, a film, and for an arrangement of the shop's own what its buyer fills in. */
export function Besides({ tender, languages, save, quietly }: Props) {
  const keep = useMutation({
    mutationFn: (file: File) =>
      answered(
        api.POST("/api/pictures", {
          body: { file: "" },
          bodySerializer: () => {
            const form = new FormData();
            form.set("file", file);
            return form;
          },
        }),
      ),
    onSuccess: (picture) => save((before) => ({ ...before, picture: picture.id })),
  });
  return (
    <>
      <section aria-labelledby="beside-words" className="mt-6">
        <h3 id="beside-words" className="font-sans font-semibold border-b border-ink pb-1 mb-2">
          Picture and film
        </h3>
        <div className="grid grid-cols-2 gap-6 items-start">
          <div>
            {tender.picture && (
              <p className="flex items-center gap-4 mb-2">
                <img
                  src={`/api/pictures/${tender.picture}`}
                  alt={`Beside ${tender.name}`}
                  className="h-10 max-w-32 object-contain bg-paper border border-rule-soft"
                />
                <Button look="quiet" onClick={() => quietly((before) => ({ ...before, picture: null }))}>
                  Take it away
                </Button>
              </p>
            )}
            <FileDrop
              label={tender.picture ? "Another picture" : "A picture beside its name"}
              text="PNG, JPEG or WebP, 5 MB at the most"
              accept=".png,.jpg,.jpeg,.webp"
              busy={keep.isPending}
              onFile={(file) => keep.mutate(file)}
            />
            {keep.error && <Trouble>{said(keep.error)}</Trouble>}
            {tender.picture && (
              <p className="text-small text-soft mt-1">
                In a text: <code>![what it shows](/api/pictures/{tender.picture})</code>
              </p>
            )}
          </div>
          <TextField
            label="Address of a film that explains it"
            value={tender.film ?? ""}
            save={(film) => save((before) => ({ ...before, film: film || null }))}
          />
        </div>
      </section>
      {!tender.route && <AskedFields tender={tender} languages={languages} save={save} quietly={quietly} />}
    </>
  );
}
