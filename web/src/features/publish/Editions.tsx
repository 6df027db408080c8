import { type Schema, said } from "../../api/client";
import { moment } from "../../lib/time";
import { askFirst } from "../../ui/AskFirst";
import { Button } from "../../ui/Button";
import { Trouble } from "../../ui/Page";
import { useDifference, useGoBack } from "./queries";

type Edition = Schema<"EditionOut">;

const ACTORS: Record<string, string> = { owner: "by you", clock: "as planned" };

/** The editions so far, the newest first; an earlier one can be published again. */
export function Editions({ editions, storefront }: { editions: Edition[]; storefront: string }) {
  const back = useGoBack();
  const difference = useDifference();

  async function goBack(edition: Edition) {
    const { changes, next } = await difference(edition.id);
    const yes = await askFirst({
      title: `Publish edition ${edition.number} again, as edition ${next}`,
      sentences: changes,
      act: `Go back to edition ${edition.number}`,
      after: "Your draft stays as it is. Going forward again is the same act.",
    });
    if (yes) back.mutate({ id: edition.id, note: "" });
  }

  return (
    <section aria-labelledby="editions">
      <h2 id="editions" className="text-lg mb-2">
        Editions
      </h2>
      {back.error && <Trouble>{said(back.error)}</Trouble>}
      {editions.length === 0 && (
        <p className="text-soft">
          An edition is a numbered state of your checkout that never changes. Buyers always see the newest.
        </p>
      )}
      <ol className="border-t border-rule">
        {editions.map((edition, place) => (
          <li key={edition.id} className="border-b border-rule-soft py-2 flex gap-6">
            <div className="w-24 shrink-0">
              <p className="font-semibold">Edition {edition.number}</p>
              <p className="text-soft">{edition.mode} mode</p>
            </div>
            <div className="w-52 shrink-0 text-soft">
              <p>
                {moment(edition.published_at)}, {ACTORS[edition.actor] ?? edition.actor}
              </p>
              {edition.of_edition !== null && <p>Edition {edition.of_edition} again</p>}
              {edition.note && <p className="text-ink">{edition.note}</p>}
              <p title={edition.fingerprint} className="text-small">
                content {edition.fingerprint.slice(0, 8)}
              </p>
              {place === 0 && <p className="text-ink font-medium">Buyers see this one</p>}
              <a
                className="block underline decoration-rule underline-offset-4"
                href={`/api/checkouts/${storefront}/rehearsal/report?edition=${edition.id}`}
                aria-label={`Rehearsal to print, edition ${edition.number}`}
              >
                Rehearsal to print
              </a>
              {edition.can_go_back && (
                <Button
                  look="link"
                  aria-label={`Go back to edition ${edition.number}`}
                  disabled={back.isPending}
                  onClick={() => void goBack(edition)}
                >
                  Go back to it
                </Button>
              )}
            </div>
            <ul>
              {edition.summary.map((tender) => (
                <li key={tender}>{tender}</li>
              ))}
            </ul>
          </li>
        ))}
      </ol>
    </section>
  );
}
