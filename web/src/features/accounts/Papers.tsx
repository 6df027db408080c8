import { toast } from "sonner";
import { said } from "../../api/client";
import { day } from "../../lib/time";
import { askFirst } from "../../ui/AskFirst";
import { Button } from "../../ui/Button";
import { FileDrop } from "../../ui/FileDrop";
import { Trouble } from "../../ui/Page";
import { useAddPaper, useBusiness, useDropPaper } from "./queries";

/** The papers of one kind: those that are there, and a place to add another one. */
export function Papers({ kind, name }: { kind: string; name: string }) {
  const state = useBusiness().data;
  const add = useAddPaper();
  const drop = useDropPaper();
  const held = (state?.papers ?? []).filter((paper) => paper.kind === kind);
  return (
    <div>
      {held.map((paper) => (
        <p key={paper.id} className="flex flex-wrap items-baseline gap-x-3">
          <a
            href={`/api/papers/${paper.id}`}
            download={paper.name}
            className="underline underline-offset-4 decoration-rule hover:decoration-ink"
          >
            {paper.name}
          </a>
          <span className="text-small text-soft">
            {Math.max(1, Math.round(paper.size / 1024))} kB, {day(paper.added_at.slice(0, 10))}
          </span>
          <Button
            look="quiet"
            aria-label={`Take away ${paper.name}`}
            onClick={async () => {
              const question = {
                title: `Take ${paper.name} away?`,
                sentences: [`The file is deleted for good, and no application that asks for ${name} has it.`],
                act: "Delete the file",
              };
              if (await askFirst(question))
                drop.mutate(paper.id, { onError: (refused) => toast.error(said(refused)) });
            }}
          >
            Take away
          </Button>
        </p>
      ))}
      <FileDrop
        label={`Choose a file for ${name}`}
        short="Choose a file"
        text="PDF, PNG or JPEG, 5 MB at the most; kept sealed"
        accept=".pdf,.png,.jpg,.jpeg"
        busy={add.isPending}
        onFile={(file) => add.mutate({ kind, file })}
      />
      {add.error && <Trouble>{said(add.error)}</Trouble>}
    </div>
  );
}
