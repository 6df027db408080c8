import { Link } from "react-router";
import { said } from "../../api/client";
import { grouped, shown } from "../../lib/money";
import { Heading, Trouble } from "../../ui/Page";
import { SubNav } from "../../ui/SubNav";
import { useHandSearch } from "../hand";
import { type OneProvider, usePlans, type Volumes } from "./queries";
import { VIEWS } from "./views";

/** Tells each provider alone over the month, by what buyers choose, and which plan pays from which volume. */
export function PlansPage() {
  const search = useHandSearch();
  const plans = usePlans();
  const data = plans.data;
  return (
    <>
      <SubNav label="Views of Compare" search={search} views={VIEWS} />
      <Heading
        title="Plans and providers"
        note={data && `over ${data.orders} orders a month of ${shown(data.amount)} together`}
      />
      {plans.error && <Trouble>{said(plans.error)}</Trouble>}
      {data && data.orders === "0" && (
        <p className="border-t border-ink pt-3 max-w-xl">
          There is no month of orders yet.{" "}
          <Link to={`/shop/orders${search}`} className="underline underline-offset-4">
            Type one, or read past orders from a file
          </Link>
          ; then it shows here which plan pays.
        </p>
      )}
      {data && data.orders !== "0" && (
        <>
          <p className="text-soft mb-5 max-w-3xl">
            {data.source === "past-orders"
              ? `From your past orders, over ${data.months} months.`
              : "From the order profile that you typed."}{" "}
            Fees, monthly charges and shortfalls to a minimum, by what your buyers pay with.
            {data.left_out !== "0" && ` ${data.left_out} orders have no reference rate and are left out.`}
          </p>
          <section aria-labelledby="alone" className="mb-8">
            <h2 id="alone" className="text-lg mb-1">
              One provider for everything
            </h2>
            <PlanTable plans={data.alone} currency={data.currency} />
          </section>
          <section aria-labelledby="volumes" className="mb-8">
            <h2 id="volumes" className="text-lg mb-1">
              From which volume a plan pays
            </h2>
            <p className="text-soft mb-2">
              At your own mix of orders and buyers, all of them scaled together, with that provider alone.
              Only plans that carry the same orders are compared.
            </p>
            {data.by_provider.length === 0 && <p>No provider here has more than one plan.</p>}
            {data.by_provider.map((volumes) => (
              <VolumeBar key={volumes.name} volumes={volumes} currency={data.currency} />
            ))}
          </section>
          {data.software && (
            <section aria-labelledby="software" className="mb-8">
              <h2 id="software" className="text-lg mb-1">
                Your shop software
              </h2>
              <VolumeBar volumes={data.software} currency={data.currency} />
            </section>
          )}
        </>
      )}
    </>
  );
}

/** Each plan alone over the month, by what buyers choose. */
export function PlanTable({ plans, currency }: { plans: OneProvider[]; currency: string }) {
  const amount = (money: string) => shown(money).split(" ")[0];
  const margins = plans.some((plan) => plan.left !== null);
  return (
    <table className="w-full [&_td]:pl-3 [&_th+th]:pl-3">
      <thead>
        <tr className="border-b border-ink text-small text-soft text-right">
          <th className="font-normal text-left">Provider and plan</th>
          <th className="font-normal">orders carried</th>
          <th className="font-normal">lost</th>
          <th className="font-normal">fees</th>
          <th className="font-normal">monthly</th>
          <th className="font-normal">shortfall</th>
          <th className="font-normal">all-in cost, {currency}</th>
          {margins && <th className="font-normal">left, {currency}</th>}
          <th className="font-normal">account</th>
        </tr>
      </thead>
      <tbody>
        {plans.map((plan) => (
          <tr key={`${plan.provider}/${plan.plan}`} className="border-b border-rule-soft text-right">
            <th scope="row" className="text-left font-normal py-1.5">
              <strong className="font-semibold">{plan.provider_name}</strong>{" "}
              <span className="text-soft">{plan.plan_name}</span>
            </th>
            <td>{plan.carried}</td>
            <td className={plan.lost === "0" ? "text-soft" : "text-copper font-medium"}>{plan.lost}</td>
            <td>{plan.carried === "0" ? "none" : amount(plan.fees)}</td>
            <td>{amount(plan.monthly)}</td>
            <td>{amount(plan.shortfall)}</td>
            <td>{amount(plan.cost)}</td>
            {margins && <td className="font-semibold">{plan.left === null ? "" : amount(plan.left)}</td>}
            <td className="text-soft">{plan.held ? "held" : "none"}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** The plans of one provider along the month's volume, logarithmic, with the shop's own volume marked. */
export function VolumeBar({ volumes, currency }: { volumes: Volumes; currency: string }) {
  const own = Number(volumes.own.split(" ")[0]);
  const borders = volumes.stretches.slice(1).map((stretch) => Number(stretch.from_amount.decimal));
  const low = Math.min(own, ...borders) / 8;
  const high = Math.max(own, ...borders) * 8;
  const place = (volume: number) =>
    (100 * Math.log(Math.min(Math.max(volume, low), high) / low)) / Math.log(high / low);
  return (
    <div className="grid grid-cols-[9rem_minmax(0,1fr)] gap-4 items-center border-b border-rule-soft py-2">
      <div>
        <strong className="font-semibold">{volumes.name}</strong>
        <p className="text-soft text-small">{volumes.own_plan} is cheapest for you</p>
        {volumes.beside.map((plan) => (
          <p key={plan.plan} className="text-copper text-small">
            {plan.carried === "0"
              ? `${plan.plan_name} carries none of your orders`
              : `${plan.plan_name} leaves out ${plan.not_carried} orders and is not compared`}
          </p>
        ))}
      </div>
      <div className="relative h-16" role="img" aria-label={spoken(volumes, currency)}>
        {volumes.stretches.map((stretch, index) => {
          const from = index === 0 ? 0 : place(Number(stretch.from_amount.decimal));
          const next = volumes.stretches[index + 1];
          const below = next ? place(Number(next.from_amount.decimal)) : 100;
          return (
            <div
              key={stretch.plan}
              className={`absolute top-1 h-5 border-t-2 px-2 text-small truncate ${stretch.plan_name === volumes.own_plan ? "bg-verdigris-wash border-verdigris" : "bg-rule-soft border-soft"}`}
              style={{ left: `${from}%`, width: `${below - from}%` }}
            >
              {stretch.plan_name}
            </div>
          );
        })}
        {borders.map((border, index) => (
          <span
            key={border}
            className="absolute top-1 h-7 border-l border-ink pl-1 pt-5 text-small font-semibold whitespace-nowrap"
            style={{ left: `${place(border)}%` }}
          >
            {startOf(volumes.stretches[index + 1])}
          </span>
        ))}
        <span
          className="absolute top-0 h-11 border-l-2 border-dotted border-copper"
          style={{ left: `${place(own)}%` }}
        />
        <span
          className="absolute top-11 text-small text-copper whitespace-nowrap -translate-x-1/2"
          style={{ left: `${place(own)}%` }}
        >
          you, {grouped(volumes.own.split(" ")[0] ?? "")}
        </span>
      </div>
    </div>
  );
}

/** Tells where a stretch begins; one whose exact figure is too long to be told is rounded, and says so. */
function startOf(stretch: Volumes["stretches"][number] | undefined): string {
  if (!stretch) return "";
  const money = grouped(stretch.from_money.split(" ")[0] ?? "");
  return stretch.from_amount.exact === null ? `about ${money}` : money;
}

function spoken(volumes: Volumes, currency: string): string {
  const parts = volumes.stretches.map(
    (stretch) => `${stretch.plan_name} from ${startOf(stretch)} ${currency}`,
  );
  return `${volumes.name}: ${parts.join(", ")}. Your volume is ${shown(volumes.own)}.`;
}
