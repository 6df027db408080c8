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
import {
  arrayMove,
  SortableContext,
  sortableKeyboardCoordinates,
  verticalListSortingStrategy,
} from "@dnd-kit/sortable";
import { Link, useSearchParams } from "react-router";
import { toast } from "sonner";
import { said } from "../../api/client";
import { axisFor, RulerTicks } from "../../charts";
import { putIn } from "../../lib/lists";
import { drawn } from "../../lib/money";
import { Heading, Trouble } from "../../ui/Page";
import { type Tender, useChangeTenders, useDraft, useView } from "../draft";
import { useHand, useHandSearch } from "../hand";
import { usePublication } from "../publish";
import { TenderRow } from "./TenderRow";

/** The tenders as buyers meet them, each with its state for the order in hand; all of it is the draft. */
export function CheckoutPage() {
  const { hand, shop } = useHand();
  const draft = useDraft().data;
  const seen = useView(hand);
  const view = seen.data;
  const publication = usePublication().data;
  const change = useChangeTenders();
  const [address, setAddress] = useSearchParams();
  const open = address.get("tender");
  const search = useHandSearch();
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  if (seen.error) return <Trouble>The order in hand cannot be read. Mend it in the sentence above.</Trouble>;
  if (shop && !hand) return <Heading title="Ways to pay, as the buyer meets them" />;
  if (!hand || !shop || !draft || !view) return null;

  const axis = axisFor(shop.lines.map((line) => drawn(line.usual_amount)));
  const outcomes = new Map(view.outcomes.map((outcome) => [outcome.tender.id, outcome]));
  const quietly = (edit: (tenders: Tender[]) => Tender[]) =>
    change.mutate(edit, { onError: (refused) => toast.error(said(refused)) });
  const onOne = (id: string, edit: (tender: Tender) => Tender) => (tenders: Tender[]) =>
    tenders.map((tender) => (tender.id === id ? edit(tender) : tender));

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

  function move(id: string, to: (from: number) => number) {
    quietly((tenders) => {
      const from = tenders.findIndex((tender) => tender.id === id);
      return arrayMove(tenders, from, Math.min(Math.max(to(from), 0), tenders.length - 1));
    });
  }

  function dropped({ active, over }: DragEndEvent) {
    if (!over || active.id === over.id || !draft) return;
    const place = draft.tenders.findIndex((tender) => tender.id === over.id);
    move(String(active.id), () => place);
  }

  function remove(tender: Tender, place: number) {
    quietly((tenders) => tenders.filter((entry) => entry.id !== tender.id));
    toast(`${tender.name} is removed, with its name, description and limits.`, {
      duration: 12_000,
      action: {
        label: "Undo",
        onClick: () => quietly((tenders) => putIn(tenders, place, tender)),
      },
    });
  }

  const edition = publication?.editions[0];
  const changes = publication?.changes.length ?? 0;
  return (
    <>
      <Heading
        title="Ways to pay, as the buyer meets them"
        note={
          edition
            ? `draft, ${changes === 1 ? "1 change" : `${changes} changes`} since edition ${edition.number}`
            : "draft"
        }
      >
        <Link
          to={`/compare${search}`}
          className="text-verdigris font-semibold underline-offset-4 hover:underline"
        >
          Add a way to pay
        </Link>
      </Heading>
      {draft.tenders.length === 0 ? (
        <p className="border-t border-ink pt-3 max-w-xl">
          Nothing is in your checkout yet. Go to{" "}
          <Link to={`/compare${search}`} className="underline underline-offset-4">
            Compare
          </Link>{" "}
          and add a route, or an arrangement of your own such as a bank transfer.
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
              items={draft.tenders.map((tender) => tender.id)}
              strategy={verticalListSortingStrategy}
            >
              <ol>
                {draft.tenders.map((tender, place) => {
                  const outcome = outcomes.get(tender.id);
                  if (!outcome) return null;
                  return (
                    <TenderRow
                      key={tender.id}
                      outcome={{ ...outcome, tender }}
                      shop={shop}
                      axis={axis}
                      cursor={view.amount_in_books ? drawn(view.amount_in_books) : null}
                      open={open === tender.id}
                      first={place === 0}
                      last={place === draft.tenders.length - 1}
                      onOpen={(unfolded) => unfold(unfolded ? tender.id : "")}
                      onMove={(by) => move(tender.id, (from) => from + by)}
                      onRemove={() => remove(tender, place)}
                      save={(edit) => change.mutateAsync(onOne(tender.id, edit))}
                      saveQuietly={(edit) => quietly(onOne(tender.id, edit))}
                    />
                  );
                })}
              </ol>
            </SortableContext>
          </DndContext>
        </>
      )}
    </>
  );
}
