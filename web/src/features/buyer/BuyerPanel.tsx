import { lazy, Suspense, useState } from "react";
import { Link } from "react-router";
import { Button } from "../../ui/Button";
import { OnItsWay } from "../../ui/Page";
import { useView } from "../draft";
import { useHand, useHandSearch } from "../hand";
import { usePublication } from "../publish";
import { useShop, useStorefront } from "../shop";
import { LanguagePicker } from "./LanguagePicker";
import { OrderLines } from "./OrderLines";
import { usePay } from "./queries";
import { Ways } from "./Ways";

type Page = "line" | "cart" | "checkout";

/** Tells where each page lies at its own address. */
const AT: Record<Page, (line: string) => string> = {
  line: (line) => `/lines/${line}`,
  cart: () => "/cart",
  checkout: () => "",
};

const BeforePanel = lazy(() => import("./BeforePanel").then((module) => ({ default: module.BeforePanel })));

/** The buyer's view beside the work: the draft, as the buyer of the order in hand would see it now. */
export function BuyerPanel({ onFold }: { onFold: () => void }) {
  const { hand, shop } = useHand();
  const [language, setLanguage] = useState("");
  const [page, setPage] = useState<Page>("checkout");
  const view = useView(hand, language);
  const storefront = useStorefront() ?? "";
  const pay = usePay({ draft: storefront });
  const shopId = useShop().data?.id;
  const edition = usePublication().data?.editions[0];
  const search = useHandSearch();
  if (!hand || !shop) return null;
  const place = (tender: string, answers: Record<string, string>, language: string) =>
    pay.mutate({
      order: hand,
      tender,
      address: "",
      answers,
      language,
      vouchers: [],
    });
  const held = (view.data?.outcomes ?? []).filter((outcome) => outcome.place === null && outcome.tender.on);

  return (
    <aside
      aria-label="What this buyer sees"
      className="border-rule w-full lg:w-[21.5rem] shrink-0 max-lg:border-t lg:border-l"
    >
      <div className="lg:sticky top-0 lg:max-h-dvh lg:overflow-y-auto px-6 py-5">
        <div className="flex justify-between items-baseline text-small text-soft mb-3 gap-3">
          <span>What this buyer sees, draft</span>
          <button
            type="button"
            onClick={onFold}
            className="underline underline-offset-4 decoration-rule min-h-6"
          >
            Fold away
          </button>
        </div>
        <div className="mb-2 flex flex-wrap items-center gap-x-4 gap-y-1">
          <label className="text-small text-soft flex items-center gap-2">
            Page
            <select
              value={page}
              onChange={(event) => setPage(event.target.value as Page)}
              className="h-7 border-b border-rule bg-transparent hover:border-ink text-ink"
            >
              <option value="line">of the line</option>
              <option value="cart">the cart</option>
              <option value="checkout">the checkout</option>
            </select>
          </label>
          {view.data && (
            <LanguagePicker label="The buyer reads" languages={view.data.languages} onPick={setLanguage} />
          )}
        </div>
        <div className="bg-paper border border-rule px-4.5 py-4" lang={view.data?.language}>
          {page !== "checkout" ? (
            <Suspense>
              <BeforePanel key={hand.line} hand={hand} language={language} page={page} onPage={setPage} />
            </Suspense>
          ) : view.data && !view.error ? (
            view.data.nothing_to_pay || view.data.nothing_left ? (
              <>
                <OrderLines shop={shop.name} lines={view.data.lines} />
                {view.data.nothing_left ? (
                  <Button
                    look="strong"
                    disabled={pay.isPending}
                    className="w-full min-h-11 mt-2"
                    onClick={() => place(view.data.nothing_left?.tender ?? "", {}, view.data.language)}
                  >
                    {view.data.nothing_left.pay}
                  </Button>
                ) : (
                  <p>{view.data.words.nothing_to_pay}</p>
                )}
              </>
            ) : (
              <Ways
                offered={view.data.offered}
                words={view.data.words}
                above={(chosen) => (
                  <>
                    <OrderLines shop={shop.name} lines={chosen?.lines ?? view.data.lines} />
                    <h3 className="font-sans font-semibold mb-2">{view.data.words.how_to_pay}</h3>
                  </>
                )}
                stopped={view.data.deliveries.find((way) => way.chosen)?.why ?? ""}
                paying={pay.isPending}
                problem={pay.error}
                onPay={({ tender, answers }) => place(tender, answers, view.data.language)}
              />
            )
          ) : view.error ? (
            <p className="text-soft">Nothing to show for this order.</p>
          ) : (
            <OnItsWay />
          )}
        </div>
        {page === "checkout" && held.length > 0 && (
          <details className="mt-3 text-small text-soft" open>
            <summary>Held back here: {held.length}</summary>
            <ul className="mt-1">
              {held.map((outcome) => (
                <li key={outcome.tender.id} className="py-0.5">
                  <strong className="font-medium text-ink">{outcome.tender.name}</strong>,{" "}
                  {outcome.reasons.map((reason) => reason.text).join("; ")}
                </li>
              ))}
            </ul>
          </details>
        )}
        {edition && (
          <p className="mt-4 text-small">
            <Link
              to={`/buy/${shopId}${AT[page](hand.line)}${search}`}
              className="text-verdigris font-medium underline-offset-4 underline"
            >
              Open the buyers' page, edition {edition.number}
            </Link>
          </p>
        )}
      </div>
    </aside>
  );
}
