import {
  closestCenter,
  DndContext,
  type DragEndEvent,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
} from "@dnd-kit/core";
import { restrictToVerticalAxis } from "@dnd-kit/modifiers";
import { SortableContext, sortableKeyboardCoordinates, verticalListSortingStrategy } from "@dnd-kit/sortable";
import { Fragment } from "react";
import { Link, useSearchParams } from "react-router";
import { toast } from "sonner";
import { isRefused, said } from "../../api/client";
import { axisFor, RulerTicks } from "../../charts";
import { drawn, partsOf } from "../../lib/money";
import { Button } from "../../ui/Button";
import { Heading, OnItsWay, Trouble } from "../../ui/Page";
import { SubNav } from "../../ui/SubNav";
import {
  type Composed,
  type Tender,
  useArrange,
  useChangeCheckout,
  useChangeTender,
  useCoverageState,
  useDraft,
  useEndReason,
  useFigures,
  useMonth,
  useView,
} from "../draft";
import { useHand, useHandSearch } from "../hand";
import { usePublication } from "../publish";
import { AddWays } from "./AddWays";
import { CopyAll } from "./CopyTo";
import { HeadingRow } from "./HeadingRow";
import { MonthLine } from "./MonthLine";
import { SharedSets } from "./SharedSets";
import { StepButtons } from "./StepButtons";
import { StorefrontPicker } from "./StorefrontPicker";
import { Stretches } from "./Stretches";
import { TenderRow } from "./TenderRow";
import { CHECKOUT_VIEWS } from "./views";

/** The tenders as buyers meet them, each with its state for the order in hand; all of it is the draft. */
export function CheckoutPage() {
  const { hand, shop } = useHand();
  const draft = useDraft().data;
  const seen = useView(hand);
  const view = seen.data;
  const figures = useFigures(hand).data;
  const month = useMonth(hand).data;
  const end = useEndReason(hand);
  const publication = usePublication().data;
  const coverage = useCoverageState().data;
  const change = useChangeCheckout();
  const changeTender = useChangeTender();
  const arrange = useArrange();
  const [address, setAddress] = useSearchParams();
  const open = address.get("tender");
  const adding = address.has("add");
  const showList = (shown: boolean) =>
    setAddress((before) => {
      const after = new URLSearchParams(before);
      if (shown) after.set("add", "");
      else after.delete("add");
      return after;
    });
  const search = useHandSearch();
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  if (isRefused(seen.error))
    return <Trouble>The order in hand cannot be read. Fix it in the sentence above.</Trouble>;
  if (shop && !hand) return <Heading title="Ways to pay" />;
  if (!hand || !shop || !draft || !view) return <OnItsWay />;

  const axis = axisFor(shop.lines.map((line) => drawn(line.usual_amount)));
  const outcomes = new Map(view.outcomes.map((outcome) => [outcome.tender.id, outcome]));
  const tenders = draft.tenders;
  const language = shop.languages[0] ?? "en";
  /** Make an edit and tell what is refused of it; the answer is whether it was kept. */
  const quietly = (edit: (before: Composed) => Composed): Promise<boolean> =>
    change.mutateAsync(edit).then(
      () => true,
      (refused) => {
        toast.error(said(refused));
        return false;
      },
    );
  /** Arrange the checkout and tell what is refused of it. */
  const arrangeIt = (asked: Parameters<typeof arrange.mutate>[0]) =>
    arrange.mutate(asked, { onError: (refused) => toast.error(said(refused)) });
  /** Change one tender and tell what is refused of it; the answer is whether it was kept. */
  const changeOne = (id: string, edit: (tender: Tender) => Tender): Promise<boolean> =>
    changeTender.mutateAsync({ id, edit }).then(
      () => true,
      (refused) => {
        toast.error(said(refused));
        return false;
      },
    );

  function unfold(id: string) {
    setAddress(
      (before) => {
        const after = new URLSearchParams(before);
        if (id) after.set("tender", id);
        else after.delete("tender");
        return after;
      },
      { replace: true },
    );
  }

  // Several presses come faster than answers: the server counts each from where the tender stands by then.
  const moveBy = (id: string, by: number) => arrangeIt({ act: "move-by", tender: id, by });

  function dropped({ active, over }: DragEndEvent) {
    if (!over || active.id === over.id) return;
    arrangeIt({ act: "move", tender: String(active.id), over: String(over.id) });
  }

  function addHeading() {
    quietly((before) => {
      let number = before.headings.length + 1;
      while (before.headings.some((heading) => heading.id === `heading-${number}`)) number += 1;
      const heading = { id: `heading-${number}`, name: { [language]: `Heading ${number}` } };
      return { ...before, headings: [...before.headings, heading] };
    });
  }

  function remove(tender: Tender) {
    const place = tenders.findIndex((entry) => entry.id === tender.id);
    quietly((before) => ({ ...before, tenders: before.tenders.filter((entry) => entry.id !== tender.id) }));
    toast(`${tender.name} is removed, with its name, description and limits.`, {
      duration: 12_000,
      // Others may have been changed meanwhile: it is put back by itself.
      action: { label: "Undo", onClick: () => arrangeIt({ act: "put-back", tender, place }) },
    });
  }

  const rows = (heading: string | null) =>
    tenders
      .filter((tender) => (tender.heading ?? null) === heading)
      .map((tender) => {
        const outcome = outcomes.get(tender.id);
        if (!outcome) return null;
        return (
          <TenderRow
            key={tender.id}
            outcome={{ ...outcome, tender }}
            composed={draft}
            shared={view.shared}
            figures={figures}
            made={month?.last_change?.tenders.includes(tender.id) ? month.last_change.text : ""}
            shop={shop}
            axis={axis}
            cursor={view.amount_in_books ? drawn(view.amount_in_books) : null}
            open={open === tender.id}
            first={tender === tenders[0]}
            last={tender === tenders.at(-1)}
            onOpen={(unfolded) => unfold(unfolded ? tender.id : "")}
            onMove={(by) => moveBy(tender.id, by)}
            onRemove={() => remove(tender)}
            onWriteIn={(set) => arrangeIt({ act: "write-in", set, tender: tender.id })}
            onShare={(name) => arrange.mutateAsync({ act: "share", tender: tender.id, name })}
            onEnd={(code) =>
              end.mutate({ tender: tender.id, code }, { onError: (refused) => toast.error(said(refused)) })
            }
            save={(edit) => changeTender.mutateAsync({ id: tender.id, edit })}
            saveQuietly={(edit) => changeOne(tender.id, edit)}
          />
        );
      });

  const edition = publication?.editions[0];
  const changes = publication?.changes.length ?? 0;
  return (
    <>
      <SubNav label="Views of Checkout" search={search} views={CHECKOUT_VIEWS} />
      <Heading
        title="Ways to pay"
        note={
          edition
            ? `draft, ${changes === 1 ? "1 change" : `${changes} changes`} since edition ${edition.number}`
            : "draft"
        }
      >
        <StorefrontPicker />
        <StepButtons />
        <Button look="link" aria-expanded={adding} onClick={() => showList(!adding)}>
          {adding ? "Close the list" : "Add a way to pay"}
        </Button>
      </Heading>
      {month && draft.tenders.length > 0 && <MonthLine month={month} search={search} />}
      {adding && <AddWays />}
      {draft.tenders.length === 0 ? (
        <p className="border-t border-ink pt-3 max-w-xl">
          Nothing is in your checkout yet. Add a way to pay from the list, or go to{" "}
          <Link to={`/compare${search}`} className="underline underline-offset-4">
            Compare
          </Link>{" "}
          and add the cheapest one. <CopyAll />
        </p>
      ) : (
        <>
          <div className="grid grid-cols-[1.25rem_minmax(0,2fr)_3.75rem_minmax(0,3fr)] lg:grid-cols-[1.25rem_minmax(0,19rem)_3.75rem_minmax(0,1fr)] gap-x-2 border-b border-ink pb-1">
            <span />
            <span className="text-small text-soft">for this order</span>
            <span />
            <RulerTicks axis={axis} />
          </div>
          <DndContext
            sensors={sensors}
            collisionDetection={closestCenter}
            modifiers={[restrictToVerticalAxis]}
            onDragEnd={dropped}
          >
            <SortableContext
              items={tenders.map((tender) => tender.id)}
              strategy={verticalListSortingStrategy}
            >
              <ol>
                {rows(null)}
                {draft.headings.map((heading, place) => (
                  <Fragment key={heading.id}>
                    <HeadingRow
                      heading={heading}
                      place={place}
                      last={place === draft.headings.length - 1}
                      language={language}
                      save={(edit) => change.mutateAsync(edit)}
                      quietly={quietly}
                    />
                    {rows(heading.id)}
                  </Fragment>
                ))}
              </ol>
            </SortableContext>
          </DndContext>
          {partsOf(view.amount).currency === shop.currency && !view.nothing_to_pay && (
            <Stretches stretches={view.stretches} axis={axis} alone={view.alone} />
          )}
          {(coverage?.made.length ?? 0) > 0 && (
            <p role="status" className="mt-3 text-copper">
              Your last change: {coverage?.made.join(" ")}{" "}
              <Link to={`/coverage${search}`} className="underline underline-offset-4">
                Look at who can pay
              </Link>
            </p>
          )}
          {view.every_way_costs && (
            <p className="mt-3 text-saffron-ink">
              Whichever way this buyer pays, something comes on top. Offer one way without a fee.
            </p>
          )}
          <Button look="link" className="mt-2" onClick={addHeading}>
            Add a heading
          </Button>
          <a
            className="ml-6 underline decoration-rule underline-offset-4"
            href={`/api/checkouts/${draft.storefront}/checkout.json`}
          >
            As a file, JSON
          </a>
          <a
            className="ml-6 underline decoration-rule underline-offset-4"
            href={`/api/checkouts/${draft.storefront}/set-up-sheet`}
          >
            Set-up sheet to print
          </a>
          <a
            className="ml-3 underline decoration-rule underline-offset-4"
            href={`/api/checkouts/${draft.storefront}/set-up-sheet.csv`}
          >
            as CSV
          </a>
          <SharedSets
            composed={draft}
            shared={view.shared}
            save={(edit) => change.mutateAsync(edit)}
            quietly={quietly}
            writeIn={(set) => arrangeIt({ act: "write-in", set })}
          />
        </>
      )}
    </>
  );
}
