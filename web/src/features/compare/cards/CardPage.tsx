import { useRef, useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import { toast } from "sonner";
import { Refusal, said } from "../../../api/client";
import { shown } from "../../../lib/money";
import { day as dayText } from "../../../lib/time";
import { Button } from "../../../ui/Button";
import { Heading, OnItsWay, Trouble } from "../../../ui/Page";
import { SubNav } from "../../../ui/SubNav";
import { TextField } from "../../../ui/TextField";
import { TakeAway, useClock } from "../../accounts";
import { useHand, useHandSearch } from "../../hand";
import { useChoices } from "../../shop";
import { CardPickers } from "../CardPickers";
import { VIEWS } from "../views";
import { AboutProvider } from "./AboutProvider";
import { EntriesTable } from "./EntriesTable";
import { type Entry, freeEntryId, type Kind, putBack, withoutEntry } from "./edits";
import { PlanFields } from "./PlanFields";
import {
  type Card,
  useCard,
  useCards,
  useChangeCard,
  useNewVersion,
  useReadTable,
  useRemoveVersion,
  useTried,
} from "./queries";

/** A rate card as a table that is edited in place, with the fee of the order in hand moving as one types. */
export function CardPage() {
  const { provider = "", day = "always" } = useParams();
  const search = useHandSearch();
  const navigate = useNavigate();
  const { hand } = useHand();
  const held = useCard(provider, day);
  const versions = useCards().data?.find((entry) => entry.provider === provider)?.versions ?? [];
  const change = useChangeCard(provider, day);
  const newVersion = useNewVersion();
  const removeVersion = useRemoveVersion();
  const readTable = useReadTable(provider, day);
  const [typed, setTyped] = useState<Card | null>(null);
  const file = useRef<HTMLInputElement>(null);
  const card = held.data?.card;
  const clock = useClock().data;
  const methods = new Map(useChoices().data?.methods.map(({ code, name }) => [code, name]));
  const trying = useTried(typed ?? card ?? null, hand);
  const tried = trying.data ?? [];
  const faults = readTable.error instanceof Refusal ? readTable.error.problem.errors : [];

  if (held.error) return <Trouble>{said(held.error)}</Trouble>;
  if (!card) return <OnItsWay />;

  const save = (edit: (before: Card) => Card) => change.mutateAsync(edit);
  const quietly = (edit: (before: Card) => Card) =>
    change.mutate(edit, { onError: (refused) => toast.error(said(refused)) });
  const go = (to: string) => void navigate(`/compare/cards/${provider}/${to}${search}`);

  function remove(kind: Kind) {
    return (entry: Entry) => {
      const before = card;
      quietly((held) => withoutEntry(held, kind, entry.id));
      toast(`${entry.id} is removed.`, {
        duration: 12_000,
        action: { label: "Undo", onClick: () => before && quietly(putBack(before, kind, entry.id)) },
      });
    };
  }

  function add(kind: Kind) {
    quietly((before) => {
      const id = freeEntryId(before, kind === "rates" ? "rate" : "extra");
      const entry =
        kind === "rates"
          ? { id, method: before.rates.at(-1)?.method ?? "card", when: {}, percent: "0" }
          : { id, label: "Extra", when: {}, percent: "0" };
      return { ...before, [kind]: [...((before[kind] ?? []) as Entry[]), entry] } as Card;
    });
  }

  return (
    <>
      <SubNav label="Views of Compare" search={search} views={VIEWS} />
      <Heading
        title={`${card.provider.name}'s rate card`}
        note="every edit is kept as you make it; your own figures go before any other"
      >
        <a
          className="underline decoration-rule underline-offset-4"
          href={`/api/rate-cards/${provider}/${day}/card.json`}
        >
          As JSON
        </a>
        <a
          className="underline decoration-rule underline-offset-4"
          href={`/api/rate-cards/${provider}/${day}/rates.csv`}
        >
          Rates as CSV
        </a>
        <input
          ref={file}
          type="file"
          accept="text/csv,.csv"
          aria-label="Table of rates"
          tabIndex={-1}
          className="sr-only"
          onChange={(event) => {
            const [chosen] = event.target.files ?? [];
            event.target.value = "";
            if (chosen)
              readTable.mutate(chosen, { onSuccess: () => toast("The rates are read from the table.") });
          }}
        />
        <Button look="link" onClick={() => file.current?.click()}>
          Read rates from CSV
        </Button>
      </Heading>
      {readTable.error && (
        <div role="alert" className="border-l-2 border-copper pl-3 py-1 mb-3 text-copper">
          <p className="font-medium">The table was not read, and the rate card is as it was.</p>
          {faults.map((fault) => (
            <p key={fault.field + fault.code}>
              <strong>{fault.field.replace(/^line\.(\d+)\.?/, "line $1, ")}: </strong>
              {fault.detail}
            </p>
          ))}
          <Button look="quiet" onClick={() => readTable.reset()}>
            Close
          </Button>
        </div>
      )}
      <div className="border-t border-ink pt-2 mb-4 flex flex-wrap items-end gap-x-6 gap-y-2">
        <TextField
          width="w-40"
          label="Holds from"
          value={card.valid_from ?? ""}
          save={async (text) => {
            const saved = await save((before) => ({ ...before, valid_from: text || null }));
            if (typeof saved === "object" && saved && "day" in saved) go(String(saved.day));
          }}
        />
        <p className="flex flex-wrap gap-x-3">
          {versions.map((version) => (
            <Link
              key={version.day}
              to={`/compare/cards/${provider}/${version.day}${search}`}
              aria-current={version.day === day ? "page" : undefined}
              className={
                version.day === day ? "font-semibold" : "underline decoration-rule underline-offset-4"
              }
            >
              {version.valid_from ? dayText(version.valid_from) : "without a day"}
              {version.in_force && ", prices today"}
            </Link>
          ))}
        </p>
        <Button
          look="link"
          onClick={() => {
            if (!clock) return;
            const days = versions.map((version) => version.day);
            const next = { ...card, valid_from: followingDay(clock.now, days) };
            newVersion.mutate(next, {
              onSuccess: (saved) => go(saved.day),
              onError: (refused) => toast.error(said(refused)),
            });
          }}
        >
          New version from tomorrow on
        </Button>
        {versions.length > 1 && (
          <Button
            look="quiet"
            onClick={() =>
              removeVersion.mutate(
                { provider, day },
                {
                  onSuccess: () => {
                    const other = versions.find((version) => version.day !== day);
                    if (other) go(other.day);
                    toast("This version of the card is removed; orders of its days take the one before.", {
                      duration: 12_000,
                      action: {
                        label: "Undo",
                        onClick: () => newVersion.mutate(card, { onSuccess: () => go(day) }),
                      },
                    });
                  },
                },
              )
            }
          >
            Remove this version
          </Button>
        )}
      </div>
      <div className="mb-2">
        <CardPickers />
      </div>
      <p className="mb-3 flex flex-wrap gap-x-4" role="status">
        The order in hand:{" "}
        {trying.error
          ? "what is typed cannot be priced yet"
          : tried.map((route) => (
              <span key={route.route.plan + route.route.method} className="whitespace-nowrap">
                {methods.get(route.route.method) ?? route.route.method}
                {card.plans.length > 1 &&
                  `, ${card.plans.find((plan) => plan.id === route.route.plan)?.name}`}
                :{" "}
                <strong className="font-semibold">
                  {route.fee ? shown(route.fee) : route.reasons.map((reason) => reason.text).join("; ")}
                </strong>
              </span>
            ))}
      </p>
      <section aria-labelledby="rates" className="mb-6">
        <h2 id="rates" className="text-lg">
          Rates <span className="font-sans text-figure text-soft">the first that fits counts</span>
        </h2>
        <EntriesTable
          kind="rates"
          card={card}
          conditions={held.data?.conditions ?? {}}
          tried={tried}
          save={save}
          quietly={quietly}
          onTyped={(edit) => setTyped(edit ? edit(card) : null)}
          onRemove={remove("rates")}
          onAdd={() => add("rates")}
        />
      </section>
      <section aria-labelledby="extras" className="mb-6">
        <h2 id="extras" className="text-lg">
          Extras <span className="font-sans text-figure text-soft">every one that fits is added</span>
        </h2>
        <EntriesTable
          kind="extras"
          card={card}
          conditions={held.data?.conditions ?? {}}
          tried={tried}
          save={save}
          quietly={quietly}
          onTyped={(edit) => setTyped(edit ? edit(card) : null)}
          onRemove={remove("extras")}
          onAdd={() => add("extras")}
        />
      </section>
      <PlanFields card={card} save={save} quietly={quietly} />
      <AboutProvider provider={provider} />
      <TakeAway
        provider={provider}
        name={card.provider.name}
        onGone={() => void navigate(`/compare${search}`)}
      />
      {card.source && <Source source={card.source} />}
    </>
  );
}

/** The price list that the figures were read from. */
function Source({ source }: { source: NonNullable<Card["source"]> }) {
  return (
    <details className="mb-6 max-w-3xl">
      <summary>Read from the provider's price list on {dayText(source.read_on)}</summary>
      <pre className="mt-2 border border-rule bg-sheet px-3 py-2 font-mono text-small whitespace-pre-wrap">
        {source.text}
      </pre>
    </details>
  );
}

/** The day after a day of the shop, or the first one after it from which no version holds. */
function followingDay(today: string, taken: string[]): string {
  const next = new Date(`${today.slice(0, 10)}T00:00:00Z`);
  do next.setUTCDate(next.getUTCDate() + 1);
  while (taken.includes(next.toISOString().slice(0, 10)));
  return next.toISOString().slice(0, 10);
}
