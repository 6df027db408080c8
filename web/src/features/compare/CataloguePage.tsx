import { useState } from "react";
import { Link, useSearchParams } from "react-router";
import { toast } from "sonner";
import { said } from "../../api/client";
import { day } from "../../lib/time";
import { Button } from "../../ui/Button";
import { Heading, Trouble } from "../../ui/Page";
import { SubNav } from "../../ui/SubNav";
import { useAddTender } from "../draft";
import { useHandSearch } from "../hand";
import { useCards } from "./cards/queries";
import { useCatalogue } from "./queries";
import { ReadCard } from "./ReadCard";
import { NEW_PROVIDER, VIEWS } from "./views";

/** Questions to begin with; those about a provider name one that the shop has. */
function examples(provider: string | undefined): string[] {
  return [
    "Who carries bank debits for recurring memberships in euro?",
    ...(provider ? [`What does ${provider} carry?`] : []),
    "Cards for bookings in pounds",
  ];
}

/** The catalogue from both ends, asked in plain words, with the rate cards behind it. */
export function CataloguePage() {
  const search = useHandSearch();
  const [address, setAddress] = useSearchParams();
  const asks = address.get("asks") ?? "";
  const [text, setText] = useState(asks);
  const catalogue = useCatalogue(asks);
  const cards = useCards().data ?? [];
  const data = catalogue.data;
  const add = useAddTender();
  const put = (method: string) =>
    add.mutate(
      { method, route: null },
      {
        onSuccess: (draft) => {
          const tender = draft.tenders.find((entry) => entry.id === draft.added);
          toast(`${tender?.name ?? "It"} is in your checkout, switched off.`);
        },
        onError: (refused) => toast.error(said(refused)),
      },
    );

  function ask(question: string) {
    setText(question);
    setAddress((before) => {
      const after = new URLSearchParams(before);
      if (question) after.set("asks", question);
      else after.delete("asks");
      return after;
    });
  }

  return (
    <>
      <SubNav label="Views of Compare" search={search} views={VIEWS} />
      <Heading title="Who carries what" note="ask by method, provider, kind of line, currency or country">
        <ReadCard />
        <Link to={`${NEW_PROVIDER}${search}`} className="text-verdigris font-semibold hover:underline">
          New provider
        </Link>
      </Heading>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          ask(text.trim());
        }}
        className="flex items-end gap-3 border-t border-ink pt-3"
      >
        <div className="flex-1">
          <label htmlFor="asks" className="block text-small text-soft">
            Your question
          </label>
          <input
            id="asks"
            value={text}
            autoComplete="off"
            onChange={(event) => setText(event.target.value)}
            className="w-full h-9 border-b border-rule hover:border-ink bg-transparent px-1 font-serif text-lg"
          />
        </div>
        <button
          type="submit"
          className="rounded-[3px] bg-verdigris text-on-verdigris font-semibold px-4 min-h-9"
        >
          Ask
        </button>
      </form>
      <p className="text-small text-soft flex flex-wrap items-baseline gap-x-4 mt-1 mb-4">
        For example:
        {examples(cards[0]?.provider_name).map((example) => (
          <button
            key={example}
            type="button"
            onClick={() => ask(example)}
            className="underline decoration-rule underline-offset-4 hover:text-ink min-h-6"
          >
            {example}
          </button>
        ))}
      </p>
      {catalogue.error && <Trouble>{said(catalogue.error)}</Trouble>}
      {data && (
        <>
          {asks && (
            <p className="mb-2" role="status">
              Understood:{" "}
              {data.facets.length > 0
                ? data.facets.map((facet) => facet.name).join(", ")
                : "nothing, so everything is shown"}
              {data.unknown.length > 0 && (
                <span className="text-soft">; passed over: {data.unknown.join(", ")}</span>
              )}
              . {data.entries.length} found.
            </p>
          )}
          <table className="w-full mb-8">
            <thead>
              <tr className="border-b border-ink text-small text-soft text-left">
                <th className="font-normal w-40">Method</th>
                <th className="font-normal w-28">Provider</th>
                <th className="font-normal">Price</th>
                <th className="font-normal w-64">For whom, and what stands against it</th>
              </tr>
            </thead>
            <tbody>
              {data.entries.map((entry) => (
                <tr
                  key={`${entry.provider}/${entry.method}`}
                  className="border-b border-rule-soft align-baseline"
                >
                  <th scope="row" className="text-left font-semibold py-1.5 pr-3">
                    {entry.method_name}
                    {asks && entry.also.length > 0 && (
                      <span className="block text-small font-normal text-soft">
                        also: {entry.also.join(", ")}
                      </span>
                    )}
                  </th>
                  <td className="pr-3">
                    {entry.provider_name || (
                      <span className="text-soft">{entry.own ? "your own" : "nobody yet"}</span>
                    )}
                    {entry.own && (
                      <Button
                        look="link"
                        className="block"
                        aria-label={`Add to checkout: ${entry.method_name}`}
                        onClick={() => put(entry.method)}
                      >
                        Add to checkout
                      </Button>
                    )}
                  </td>
                  <td className="pr-3">
                    {entry.prices.map((price) => (
                      <p key={price.plans + price.price + price.conditions}>
                        {price.plans && <span className="text-soft">{price.plans}: </span>}
                        {price.price} <span className="text-soft">{price.conditions}</span>
                      </p>
                    ))}
                    {entry.prices.length === 0 && (
                      <span className="text-soft">{entry.own ? "no provider's fee" : "no price yet"}</span>
                    )}
                  </td>
                  <td>
                    <span className="text-soft">{entry.limits.join(", ")}</span>
                    {asks && entry.read_on && (
                      <p className="text-small text-soft">
                        Source: {entry.source}. Read on {day(entry.read_on)}.
                      </p>
                    )}
                    {entry.reasons.length > 0 && (
                      <p className="text-copper">
                        not open: {entry.reasons.map((reason) => reason.text).join("; ")}
                      </p>
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          {data.providers.map(({ facts, stage, excludes, asks: asked }) => (
            <section key={facts.id} aria-labelledby={`provider-${facts.id}`} className="mb-5">
              <h2 id={`provider-${facts.id}`} className="text-lg">
                {facts.name}{" "}
                <span className="font-sans text-figure text-soft">
                  {stage?.replaceAll("-", " ") ?? "no account"}
                </span>
              </h2>
              <p>{facts.about}</p>
              <p className="text-soft">
                {facts.contract === "all-in-one"
                  ? "All in one contract"
                  : "Needs an acquiring contract of your own"}
                ; review takes about {facts.review_days} days. Asks for: {asked.join("; ") || "nothing"}.
                {facts.unlocks.length > 0 && ` Brings: ${facts.unlocks.join("; ")}.`}
                {facts.trades_refused.length > 0 && ` Does not take: ${facts.trades_refused.join(", ")}.`}
                {excludes.length > 0 && ` Cannot be on beside: ${excludes.join(", ")}.`}
              </p>
              <p className="flex flex-wrap gap-x-4">
                {cards
                  .find((card) => card.provider === facts.id)
                  ?.versions.map((version) => (
                    <Link
                      key={version.day}
                      to={`/compare/cards/${facts.id}/${version.day}${search}`}
                      className="underline decoration-rule underline-offset-4 hover:decoration-ink min-h-6"
                    >
                      Rate card {version.valid_from ? `from ${day(version.valid_from)}` : "without a day"}
                      {version.in_force && ", prices today"}
                    </Link>
                  ))}
              </p>
            </section>
          ))}
          {cards
            .filter((card) => !data.providers.some(({ facts }) => facts.id === card.provider))
            .map((card) => (
              <p key={card.provider} className="text-soft">
                {card.provider_name}:{" "}
                {card.versions.map((version) => (
                  <Link
                    key={version.day}
                    to={`/compare/cards/${card.provider}/${version.day}${search}`}
                    className="underline underline-offset-4 mr-3"
                  >
                    Rate card {version.valid_from ? `from ${day(version.valid_from)}` : "without a day"}
                  </Link>
                ))}
              </p>
            ))}
        </>
      )}
    </>
  );
}
