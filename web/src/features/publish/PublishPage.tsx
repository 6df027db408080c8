import { Heading, OnItsWay } from "../../ui/Page";
import { Editions } from "./Editions";
import { OpenOrPaused } from "./OpenOrPaused";
import { PlannedEdition, PublishActs } from "./PublishActs";
import { useMoves, usePublication } from "./queries";
import { ReadyList } from "./ReadyList";

/** Tells what differs from what buyers see, what stands in the way of real ones, and the editions so far. */
export function PublishPage() {
  const publication = usePublication().data;
  const moves = useMoves().data?.sentences ?? [];
  if (!publication) return <OnItsWay />;
  const { changes, editions, planned, next, storefront } = publication;

  return (
    <>
      <Heading
        title="What buyers will see"
        note={editions[0] ? `edition ${editions[0].number} is published` : "nothing is published yet"}
      />
      {editions.length > 0 && <OpenOrPaused />}
      {planned && <PlannedEdition planned={planned} />}
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
            <PublishActs publication={publication} next={next} />
          </>
        )}
      </section>
      <ReadyList />
      <Editions editions={editions} storefront={storefront} />
    </>
  );
}
