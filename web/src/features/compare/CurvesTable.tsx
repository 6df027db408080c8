import { Collapsible } from "radix-ui";
import { type ReactNode, useState } from "react";
import type { CostCurve } from "../../charts";
import type { Axis } from "../../charts/axis";
import { grouped } from "../../lib/money";
import type { Curves } from "./queries";

interface Props {
  data: Curves;
  show: "money" | "percent";
  curves: CostCurve[];
  axis: Axis;
  /** Tells what stands beside the way into the figures. */
  children: ReactNode;
}

/** The figures of the ruler as tables: costs at round amounts, and the exact amounts at which the cheapest changes. */
export function CurvesTable({ data, show, curves, axis, children }: Props) {
  const [open, setOpen] = useState(false);
  const columns = axis.ticks
    .map((tick) => ({ tick, index: data.amounts.findIndex((amount) => Number(amount) === tick) }))
    .filter(({ index }) => index >= 0);
  return (
    <Collapsible.Root open={open} onOpenChange={setOpen} className="mb-4">
      <div className="flex flex-wrap items-center justify-between gap-x-6">
        <Collapsible.Trigger className="text-small text-soft underline decoration-rule underline-offset-4 hover:text-ink min-h-6">
          {open ? "Hide the figures" : "The same figures as a table"}
        </Collapsible.Trigger>
        {children}
      </div>
      <Collapsible.Content className="grid gap-4 mt-2 overflow-x-auto">
        <table className="text-small w-full">
          <caption className="text-left text-soft pb-1">
            Cheapest for every amount of the order, {data.order_currency}
          </caption>
          <thead>
            <tr className="border-b border-ink text-left text-soft">
              <th className="font-normal">from</th>
              <th className="font-normal">exactly</th>
              <th className="font-normal">below</th>
              <th className="font-normal">route</th>
            </tr>
          </thead>
          <tbody>
            {data.cheapest.map((stretch) => {
              const curve = curves.find((entry) => entry.key === stretch.route);
              return (
                <tr key={stretch.from_amount.decimal} className="border-b border-rule-soft">
                  <td>{grouped(stretch.from_amount.decimal)}</td>
                  <td className="text-soft">{stretch.from_amount.exact ?? "rounded to the minor unit"}</td>
                  <td>{grouped(stretch.below.decimal)}</td>
                  <td>{curve ? `${curve.name}, ${curve.provider}` : "none has a price"}</td>
                </tr>
              );
            })}
          </tbody>
        </table>
        <table className="text-small w-full">
          <caption className="text-left text-soft pb-1">
            {show === "money" ? `Cost in ${data.currency}` : "Cost in percent of the order"}, at round amounts
          </caption>
          <thead>
            <tr className="border-b border-ink text-soft">
              <th className="font-normal text-left">route</th>
              {columns.map(({ tick }) => (
                <th key={tick} className="font-normal text-right pl-3">
                  {grouped(String(tick))}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {curves.map((curve) => (
              <tr key={curve.key} className="border-b border-rule-soft">
                <th scope="row" className="font-normal text-left whitespace-nowrap">
                  {curve.name} <span className="text-soft">{curve.provider}</span>
                </th>
                {columns.map(({ tick, index }) => (
                  <td key={tick} className="text-right pl-3">
                    {curve.said[index] ?? "none"}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </Collapsible.Content>
    </Collapsible.Root>
  );
}
