import { lazy, Suspense, useEffect, useMemo, useRef, useState } from "react";
import { Link, Outlet, useLocation, useNavigate } from "react-router";
import { isRefused, said } from "../api/client";
import { BuyerPanel } from "../features/buyer";
import { useView } from "../features/draft";
import { FIRST_PICKER, handSearchNow, OrderSentence, useHand, useHandSearch } from "../features/hand";
import { FirstShop, useOtherShop, useShop } from "../features/shop";
import { rememberHand } from "../lib/lastHand";
import { useShortcuts } from "../lib/useShortcuts";
import { AskFirst } from "../ui/AskFirst";
import { Boundary } from "../ui/Boundary";
import { Button } from "../ui/Button";
import { OnItsWay, Trouble } from "../ui/Page";
import { Clock } from "./Clock";
import { KeysDialog } from "./KeysDialog";
import { StageNav } from "./StageNav";
import { STAGES } from "./stages";
import { TablesHere } from "./TablesHere";
import { Unanswered } from "./Unanswered";

const FindDialog = lazy(() => import("./FindDialog").then((module) => ({ default: module.FindDialog })));

/** Tells what a stage can do with what stands beside the work. */
interface BesideWork {
  showBuyer: () => void;
}

/** The owner's desk: stages on top, the order in hand under them, the work on the left, the buyer's view beside it. */
export function Desk() {
  const state = useShop();
  const { hand } = useHand();
  // An order that cannot be read says so at its sentence; a view that fails says so itself.
  const view = useView(hand, "", true);
  const search = useHandSearch();
  const navigate = useNavigate();
  const { pathname } = useLocation();
  const [chosenFold, setFolded] = useState<boolean | null>(null);
  // Coverage needs the room; a buyer comes into sight there with the order that is put in hand.
  const folded = chosenFold ?? within(pathname, "/coverage");
  const work = useRef<HTMLElement>(null);
  const [finding, setFinding] = useState(false);
  const [keysShown, setKeysShown] = useState(false);
  const other = useOtherShop();

  const shortcuts = useMemo(() => {
    const here = STAGES.findIndex((stage) => within(pathname, stage.path));
    const go = (by: number) => {
      const stage = STAGES[here + by];
      if (stage) void navigate(`${stage.path}${handSearchNow()}`);
    };
    return {
      "/": () => document.getElementById(FIRST_PICKER)?.focus(),
      "[": () => go(-1),
      "]": () => go(1),
      "?": () => setKeysShown(true),
      "Ctrl+k": () => setFinding(true),
    };
  }, [pathname, navigate]);
  useShortcuts(shortcuts);
  useEffect(() => rememberHand(search), [search]);
  const stage = STAGES.find((entry) => within(pathname, entry.path));
  useEffect(() => {
    document.title = stage ? `${stage.name}, Monedero` : "Monedero";
  }, [stage]);

  if (!state.data && state.error) {
    return (
      <main className="p-8">
        <h1 className="text-xl">Monedero does not answer</h1>
        <Trouble>{said(state.error)}</Trouble>
        <Button onClick={() => void state.refetch()}>Try again</Button>
      </main>
    );
  }
  if (!state.data) return <OnItsWay />;
  const { shop, demo } = state.data;

  return (
    <div className="min-h-dvh flex flex-col">
      <a
        href="#work"
        className="sr-only focus:not-sr-only focus:absolute focus:bg-paper focus:px-3 focus:py-2 focus:z-50"
      >
        To the work
      </a>
      <div className="hatch h-1.5 print:hidden" />
      <Unanswered />
      {state.error && (
        <p role="status" className="bg-sheet border-b border-copper text-copper px-6 py-1.5">
          {said(state.error)}
        </p>
      )}
      <header className="print:hidden border-b border-rule px-6 flex flex-wrap items-stretch gap-x-4 min-h-12">
        <p className="font-serif italic font-medium text-2xl self-center pr-4 border-r border-rule">
          {shop ? (
            <Link to={`/${search}`} aria-label="Monedero, what to decide next">
              Monedero
            </Link>
          ) : (
            "Monedero"
          )}
        </p>
        <p className="self-center text-soft flex gap-3">
          {shop ? shop.name : "a new shop"}
          {demo && (
            <button
              type="button"
              onClick={() => other.mutate("own")}
              className="underline decoration-rule underline-offset-4 hover:decoration-ink min-h-6"
            >
              demo shop, go to my own
            </button>
          )}
        </p>
        {shop && <StageNav search={search} />}
        <div className={`self-center ${shop ? "" : "ml-auto"}`}>
          <Clock />
        </div>
      </header>
      {shop ? (
        <>
          <OrderSentence
            problem={isRefused(view.error) ? said(view.error) : ""}
            asked={view.data?.asked ?? []}
            amount={view.isPlaceholderData ? "" : (view.data?.amount ?? "")}
            deliveries={view.data?.deliveries ?? []}
            rest={view.data?.rest ?? ""}
          />
          <div className="flex flex-1 items-stretch max-lg:flex-col">
            <main ref={work} id="work" tabIndex={-1} className="flex-1 min-w-0 px-6 py-5 outline-none">
              <Boundary at={pathname} what="This view">
                <Suspense>
                  <Outlet context={{ showBuyer: () => setFolded(false) } satisfies BesideWork} />
                </Suspense>
              </Boundary>
              <TablesHere work={work} />
            </main>
            {folded ? (
              <button
                type="button"
                onClick={() => setFolded(false)}
                className="print:hidden border-l border-rule px-2 text-small text-soft lg:[writing-mode:vertical-rl] max-lg:py-2 hover:text-ink"
              >
                Show what this buyer sees
              </button>
            ) : (
              <div className="contents print:hidden">
                <Boundary what="What this buyer sees">
                  <BuyerPanel onFold={() => setFolded(true)} />
                </Boundary>
              </div>
            )}
          </div>
        </>
      ) : (
        <main id="work" tabIndex={-1}>
          <FirstShop />
        </main>
      )}
      {finding && (
        <Suspense>
          <FindDialog open={finding} onOpenChange={setFinding} />
        </Suspense>
      )}
      <AskFirst />
      <KeysDialog open={keysShown} onOpenChange={setKeysShown} />
    </div>
  );
}

/** True if an address lies in a stage. */
function within(pathname: string, stage: string): boolean {
  return pathname === stage || pathname.startsWith(`${stage}/`);
}
