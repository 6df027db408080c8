import type { Schema } from "../../api/client";
import { Button } from "../../ui/Button";
import { elsewhere } from "./cart";
import { OrderLines } from "./OrderLines";

type Page = Omit<Schema<"CartPage">, "items" | "lines" | "problem">;

/** The address of the page of a line, for the same buyer. */
const lineAt = ({ at, search }: Page, line: string) =>
  `${at}/lines/${encodeURIComponent(line)}${elsewhere(search)}`;

/** The ways to pay that are shown before the checkout, each with what its parts would be. */
function ShownWays({ page }: { page: Page }) {
  if (page.ways.length === 0) return null;
  return (
    <section aria-labelledby="ways-here" className="mt-5">
      <h2 id="ways-here" className="font-sans text-small text-soft border-b border-rule pb-1">
        {page.words.ways_here}
      </h2>
      <ul>
        {page.ways.map((way) => (
          <li key={way.name} className="flex items-center gap-3 py-1.5 border-b border-rule-soft">
            {way.picture && <img src={way.picture} alt="" className="h-6 w-10 object-contain" />}
            <span className="font-medium">{way.name}</span>
            <span className="ml-auto text-right text-small text-soft">{way.note}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Tells what else the shop sells, each on a page of its own. */
function Others({ page }: { page: Page }) {
  if (page.others.length === 0) return null;
  return (
    <section aria-labelledby="others" className="mt-8">
      <h2 id="others" className="font-sans text-small text-soft border-b border-rule pb-1">
        {page.words.other_lines}
      </h2>
      <ul>
        {page.others.map((other) => (
          <li
            key={other.line}
            className="flex items-baseline justify-between gap-3 py-1.5 border-b border-rule-soft"
          >
            <a href={lineAt(page, other.line)} className="inline-block min-h-6 underline underline-offset-4">
              {other.name}
            </a>
            <span className="whitespace-nowrap">{other.price}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}

interface LineProps {
  page: Schema<"LinePage">;
  onAdd: () => void;
  /** True if something is in the cart already. */
  inCart: boolean;
  /** The title of the page, or of a part of the desk. */
  as?: "h1" | "h2";
}

/** The page of a line; `onAdd` puts it in the cart. */
export function LineView({ page, onAdd, inCart, as: Title = "h1" }: LineProps) {
  return (
    <>
      <p className="text-soft">{page.shop}</p>
      <Title className="text-2xl mb-1">{page.name}</Title>
      <p className="text-xl font-serif mb-2">{page.price}</p>
      {page.notes.map((note) => (
        <p key={note} className="text-small text-soft mb-1">
          {note}
        </p>
      ))}
      <div className="mt-4 grid gap-2">
        {!page.alone && (
          <Button look="strong" className="w-full min-h-11" onClick={onAdd}>
            {page.words.add_to_cart}
          </Button>
        )}
        <a
          href={`${page.at}${page.search}`}
          className={`block w-full min-h-11 py-2.5 text-center font-semibold rounded-sm ${
            page.alone ? "bg-verdigris text-white" : "border border-verdigris text-verdigris"
          }`}
        >
          {page.words.order_this}
        </a>
      </div>
      {inCart && (
        <p className="mt-3">
          <a
            href={`${page.at}/cart${elsewhere(page.search)}`}
            className="inline-block min-h-6 underline underline-offset-4"
          >
            {page.words.cart}
          </a>
        </p>
      )}
      <ShownWays page={page} />
      <Others page={page} />
    </>
  );
}

interface CartProps {
  page: Schema<"CartPage">;
  /** Order a line so many times; none takes it out. */
  onTimes: (line: string, times: number) => void;
  as?: "h1" | "h2";
}

const STEP = "min-h-8 min-w-8 border border-rule rounded-sm hover:border-ink";

/** The cart: how often each line is ordered, what there is to pay, and the way on to the checkout. */
export function CartView({ page, onTimes, as: Title = "h1" }: CartProps) {
  const { words } = page;
  return (
    <>
      <p className="text-soft">{page.shop}</p>
      <Title className="text-2xl mb-3">{words.cart}</Title>
      {page.items.length === 0 && <p>{words.cart_empty}</p>}
      <ul aria-live="polite">
        {page.items.map((item) => (
          <li key={item.line} className="py-2 border-b border-rule-soft">
            <div className="flex items-baseline justify-between gap-3">
              <a href={lineAt(page, item.line)} className="inline-block min-h-6 underline underline-offset-4">
                {item.name}
              </a>
              <span className="whitespace-nowrap">{item.amount}</span>
            </div>
            <div className="flex items-center gap-2 mt-1">
              <button
                type="button"
                className={STEP}
                aria-label={`${words.cart_less}: ${item.name}`}
                onClick={() => onTimes(item.line, item.times - 1)}
              >
                −
              </button>
              <span className="min-w-6 text-center">{item.times}</span>
              <button
                type="button"
                className={STEP}
                aria-label={`${words.cart_more}: ${item.name}`}
                disabled={item.times >= 99}
                onClick={() => onTimes(item.line, item.times + 1)}
              >
                +
              </button>
              <button
                type="button"
                className="ml-auto min-h-8 text-small underline underline-offset-4"
                aria-label={`${words.cart_remove}: ${item.name}`}
                onClick={() => onTimes(item.line, 0)}
              >
                {words.cart_remove}
              </button>
            </div>
          </li>
        ))}
      </ul>
      {page.problem ? (
        <p role="alert" className="text-copper font-medium mt-3">
          {page.problem}
        </p>
      ) : (
        page.items.length > 0 && (
          <div className="mt-3" aria-live="polite">
            <OrderLines lines={page.lines} />
            <a
              href={`${page.at}${page.search}`}
              className="block w-full min-h-11 py-2.5 text-center font-semibold rounded-sm bg-verdigris text-white"
            >
              {words.to_checkout}
            </a>
          </div>
        )
      )}
      <ShownWays page={page} />
      <Others page={page} />
    </>
  );
}
