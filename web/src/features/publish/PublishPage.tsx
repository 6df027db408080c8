import { said } from "../../api/client";
import { moment } from "../../lib/time";
import { Button } from "../../ui/Button";
import { Heading, OnItsWay, Trouble } from "../../ui/Page";
import { useMoves, usePublication, usePublish } from "./queries";

/** Tells what differs from what buyers see, one action to publish it, and the editions so far. */
export function PublishPage() {
  const publication = usePublication().data;
  const moves = useMoves().data?.sentences ?? [];
  const publish = usePublish();
  if (!publication) return <OnItsWay />;
  const { changes, editions } = publication;
  const next = (editions[0]?.number ?? 0) + 1;

  return (
    <>
      <Heading
        title="What buyers will see"
        note={editions[0] ? `edition ${editions[0].number} is published` : "nothing is published yet"}
      />
      {publish.error && <Trouble>{said(publish.error)}</Trouble>}
      <section aria-labelledby="differs" className="border-t border-ink pt-3 mb-8">
        <h2 id="differs" className="text-lg mb-2">
          {editions[0] ? `The draft against edition ${editions[0].number}` : "The first edition would hold"}
        </h2>
        {changes.length === 0 ? (
          <p className="text-soft">
            {editions[0]
              ? "Nothing differs. Buyers see what you see."
              : "Nothing is in your checkout yet, so there is nothing to publish."}
          </p>
        ) : (
          <>
            <ul className="max-w-2xl">
              {changes.map((change) => (
                <li key={change} className="border-b border-rule-soft py-1.5">
                  {change}
                </li>
              ))}
            </ul>
            {moves.length > 0 && (
              <>
                <h3 className="font-sans font-semibold mt-4 mb-1">In orders</h3>
                <ul className="max-w-2xl">
                  {moves.map((move) => (
                    <li key={move} className="border-b border-rule-soft py-1.5">
                      {move}
                    </li>
                  ))}
                </ul>
              </>
            )}
            <p className="mt-4 flex items-baseline gap-4">
              <Button look="strong" disabled={publish.isPending} onClick={() => publish.mutate(publication)}>
                Publish as edition {next}
              </Button>
              {publication.mode === "test" && (
                <span className="text-soft">In test mode: buyers pay nothing.</span>
              )}
            </p>
          </>
        )}
      </section>
      <section aria-labelledby="editions">
        <h2 id="editions" className="text-lg mb-2">
          Editions
        </h2>
        {editions.length === 0 && (
          <p className="text-soft">
            An edition is a numbered state of your checkout that never changes. Buyers always see the newest.
          </p>
        )}
        <ol className="border-t border-rule">
          {editions.map((edition) => (
            <li key={edition.number} className="border-b border-rule-soft py-2 flex gap-6">
              <span className="w-24 font-semibold">Edition {edition.number}</span>
              <span className="w-44 text-soft">{moment(edition.published_at)}</span>
              <ul>
                {edition.summary.map((tender) => (
                  <li key={tender}>{tender}</li>
                ))}
              </ul>
            </li>
          ))}
        </ol>
      </section>
    </>
  );
}
