import { useMemo } from "react";
import { type CostCurve, CostRuler, type Stretch, strokesFor } from "../../charts";
import { axisFor } from "../../charts/axis";
import { drawn, grouped } from "../../lib/money";
import { useView } from "../draft";
import type { Hand } from "../hand";
import type { Shop } from "../shop";
import { CardPickers } from "./CardPickers";
import { CurvesTable } from "./CurvesTable";
import { behindShort } from "./names";
import { type Of, useCurves } from "./queries";

interface Props {
  hand: Hand;
  shop: Shop;
  of: Of;
  show: "money" | "percent";
  /** The routes whose curves stand in the foreground. */
  strong: string[];
  onAmount: (amount: string) => void;
}

/** The amount ruler of Compare: what every open route costs at every amount, and who is cheapest where. */
export function RulerView({ hand, shop, of, show, strong, onAmount }: Props) {
  const inBooks = useView(hand).data?.amount_in_books;
  // The ruler lies where the usual amounts lie, in the currency of the order: a power of ten apart from the books.
  // While an amount that cannot be read is refused, the ruler stands as for the one before.
  const amount = Number(hand.amount);
  const power =
    inBooks && drawn(inBooks) > 0 && amount > 0 ? Math.round(Math.log10(amount / drawn(inBooks))) : 0;
  const axis = useMemo(
    () => axisFor(shop.lines.map((line) => drawn(line.usual_amount) * 10 ** power)),
    [shop.lines, power],
  );
  const { data } = useCurves(hand, String(axis.from), String(axis.to), of);
  const decimals = (data?.amounts[0]?.split(".")[1] ?? "").length;
  const strokes = useMemo(() => strokesFor((data?.curves ?? []).map((curve) => curve.route.key)), [data]);
  const amounts = useMemo(() => (data?.amounts ?? []).map(Number), [data]);
  // One text for the foreground, so that the curves stand still as long as it is the same.
  const foreground = [...strong].sort().join(" ");

  const curves: CostCurve[] = useMemo(() => {
    const front = new Set([
      ...foreground.split(" "),
      ...(data?.cheapest ?? []).map((stretch) => stretch.route),
    ]);
    return (data?.curves ?? []).map((curve) => {
      const said = show === "money" ? curve.values : curve.percents;
      return {
        key: curve.route.key,
        name: curve.route.method_name,
        provider: behindShort(curve.route),
        stroke: strokes.get(curve.route.key) ?? { color: "var(--ink)", dash: "" },
        values: said.map((value) => (value === null ? null : Number(value))),
        said,
        strong: front.has(curve.route.key),
      };
    });
  }, [data, show, strokes, foreground]);
  const cheapest: Stretch[] = (data?.cheapest ?? []).map((stretch) => ({
    from: Number(stretch.from_amount.decimal),
    below: Number(stretch.below.decimal),
    key: stretch.route ?? null,
    name: curves.find((curve) => curve.key === stretch.route)?.name ?? "no price",
    first: stretch.first,
    said: breakEven(stretch.from_amount.decimal),
  }));

  if (!data) return <div className="h-80" aria-hidden />;
  if (data.curves.length === 0) return <p className="py-3">No route has a price for an order like this.</p>;
  return (
    <>
      <CostRuler
        axis={axis}
        currency={data.order_currency}
        amounts={amounts}
        curves={curves}
        cheapest={cheapest}
        cursor={Number.isFinite(Number(hand.amount)) ? hand.amount : null}
        cursorSaid={grouped(hand.amount)}
        decimals={decimals}
        unit={show === "money" ? data.currency : "% of the order"}
        onCursor={onAmount}
      />
      <CurvesTable data={data} show={show} curves={curves} axis={axis}>
        <CardPickers />
      </CurvesTable>
    </>
  );
}

/** A break-even for reading: two decimals, or the first that are not nothing. */
function breakEven(decimal: string): string {
  const [whole = "", decimals = ""] = decimal.split(".");
  return grouped(decimals ? `${whole}.${decimals.slice(0, 2).padEnd(2, "0")}` : whole);
}
