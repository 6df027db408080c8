import { putIn } from "../../lib/lists";
import { inCurrency } from "../../lib/money";
import { Button } from "../../ui/Button";
import { optionsOf, Picker } from "../../ui/Picker";
import { Picks } from "../../ui/Picks";
import { TextField } from "../../ui/TextField";
import { Toggle } from "../../ui/Toggle";
import { freeId } from "./ids";
import { type Shop, useChoices } from "./queries";
import type { Sections } from "./sections";

const LIMITS = [
  ["buyer_countries", "Buyers in"],
  ["currencies", "Currencies"],
] as const;

type Software = NonNullable<Shop["software"]>;
type SoftwarePlan = Software["plans"][number];

/** Tells what is there already: the trade, the shop software with its own fee, and methods of the shop's own. */
export function HeldThings({ shop, save, quietly, remove }: Sections) {
  const choices = useChoices().data;
  const trades = choices?.trades ?? [];
  const providers = optionsOf(choices?.providers);
  const countries = optionsOf(choices?.countries);
  const currencies = optionsOf(choices?.currencies);
  const software = shop.software;
  const own = shop.own_methods ?? [];
  const withPlan = (id: string, part: Partial<SoftwarePlan>) => (before: Shop) =>
    before.software
      ? {
          ...before,
          software: {
            ...before.software,
            plans: before.software.plans.map((plan) => (plan.id === id ? { ...plan, ...part } : plan)),
          },
        }
      : before;

  return (
    <>
      <section aria-labelledby="held" className="mb-8">
        <h2 id="held" className="text-lg mb-1">
          What is there already
        </h2>
        <div className="border-t border-ink pt-2 grid grid-cols-2 lg:grid-cols-4 gap-6 mb-3">
          <Picker
            showLabel
            label="Your trade, which some providers do not take"
            value={shop.trade ?? "none"}
            options={[
              { value: "none", label: "not said" },
              ...trades.map(({ code, name }) => ({ value: code, label: name })),
            ]}
            onPick={(trade) => quietly((before) => ({ ...before, trade: trade === "none" ? null : trade }))}
          />
          <Picks
            label="Providers whose terminal you hold"
            values={shop.terminals ?? []}
            options={providers}
            none="none"
            onPick={(terminals) => quietly((before) => ({ ...before, terminals }))}
          />
          {software ? (
            <>
              <TextField
                label="Shop software"
                value={software.name}
                save={(name) => save((before) => ({ ...before, software: { ...software, name } }))}
              />
              <Picker
                showLabel
                label="Its plan that you are on"
                value={software.plan}
                options={software.plans.map((plan) => ({ value: plan.id, label: plan.name }))}
                onPick={(plan) => quietly((before) => ({ ...before, software: { ...software, plan } }))}
              />
            </>
          ) : (
            <Button
              look="link"
              className="text-left"
              onClick={() =>
                quietly((before) => ({
                  ...before,
                  software: {
                    name: "Shop software",
                    plan: "plan",
                    plans: [{ id: "plan", name: "Plan" }],
                    waived: [],
                  },
                }))
              }
            >
              Add the software under your shop
            </Button>
          )}
        </div>
        {software && (
          <>
            <table className="w-full max-w-3xl">
              <thead>
                <tr className="border-b border-rule text-small text-soft text-left">
                  <th className="font-normal">Plan of the software</th>
                  <th className="font-normal text-right">a month</th>
                  <th className="font-normal text-right">% of an order</th>
                  <th className="font-normal text-right">fixed an order</th>
                </tr>
              </thead>
              <tbody>
                {software.plans.map((plan) => (
                  <tr key={plan.id} className="border-b border-rule-soft">
                    <td>
                      <TextField
                        cell
                        label={`Name of the plan ${plan.name}`}
                        hideLabel
                        value={plan.name}
                        save={(name) => save(withPlan(plan.id, { name }))}
                      />
                    </td>
                    {(["monthly", "percent", "fixed"] as const).map((key) => (
                      <td key={key} className="w-32">
                        <TextField
                          cell
                          align="right"
                          label={`${key} of the plan ${plan.name}`}
                          hideLabel
                          value={plan[key] ?? ""}
                          save={(text) =>
                            save(
                              withPlan(plan.id, {
                                [key]: (key === "percent" ? text : inCurrency(text, shop.currency)) || null,
                              }),
                            )
                          }
                        />
                      </td>
                    ))}
                  </tr>
                ))}
              </tbody>
            </table>
            <div className="flex flex-wrap items-end gap-6 mt-1">
              <Button
                look="link"
                onClick={() =>
                  quietly((before) => {
                    if (!before.software) return before;
                    const id = freeId(
                      "plan",
                      before.software.plans.map((plan) => plan.id),
                    );
                    const plans = [
                      ...before.software.plans,
                      { id, name: `Plan ${before.software.plans.length + 1}` },
                    ];
                    return { ...before, software: { ...before.software, plans } };
                  })
                }
              >
                Add a plan
              </Button>
              <div className="w-72">
                <Picks
                  label="Providers on which it takes no fee of its own"
                  values={software.waived ?? []}
                  options={providers}
                  none="none"
                  onPick={(waived) => quietly((before) => ({ ...before, software: { ...software, waived } }))}
                />
              </div>
              <div className="w-72">
                <Picks
                  label="Works with these providers alone"
                  values={software.allows ?? []}
                  options={providers}
                  none="with all of them"
                  onPick={(allows) =>
                    quietly((before) => ({
                      ...before,
                      software: { ...software, allows: allows.length > 0 ? allows : null },
                    }))
                  }
                />
              </div>
            </div>
          </>
        )}
      </section>
      <section aria-labelledby="own-methods" className="mb-8">
        <h2 id="own-methods" className="text-lg mb-1">
          Methods of your own{" "}
          <span className="font-sans font-normal text-figure text-soft">and what they cost you</span>
        </h2>
        <ul className={own.length > 0 ? "border-t border-ink" : ""}>
          {own.map((held, place) => {
            const edit =
              (change: (before: (typeof own)[number]) => (typeof own)[number]) => (before: Shop) => ({
                ...before,
                own_methods: (before.own_methods ?? []).map((entry, index) =>
                  index === place ? change(entry) : entry,
                ),
              });
            const { method } = held;
            return (
              <li
                key={method.id}
                className="border-b border-rule-soft grid grid-cols-[minmax(0,1fr)_minmax(0,2fr)_5rem_6rem_5rem_4rem] gap-3 items-center"
              >
                <TextField
                  cell
                  wraps
                  label={`Name of your method ${method.name}`}
                  hideLabel
                  value={method.name}
                  save={(name) => save(edit((before) => ({ ...before, method: { ...before.method, name } })))}
                />
                <TextField
                  cell
                  wraps
                  label={`What the buyer does, ${method.name}`}
                  hideLabel
                  value={method.buyer}
                  save={(buyer) =>
                    save(edit((before) => ({ ...before, method: { ...before.method, buyer } })))
                  }
                />
                <TextField
                  cell
                  align="right"
                  suffix="%"
                  label={`Percent of an order, ${method.name}`}
                  hideLabel
                  value={held.percent ?? ""}
                  save={(percent) => save(edit((before) => ({ ...before, percent: percent || null })))}
                />
                <TextField
                  cell
                  align="right"
                  label={`Fixed an order, ${method.name}`}
                  hideLabel
                  value={held.fixed ?? ""}
                  save={(fixed) =>
                    save(edit((before) => ({ ...before, fixed: inCurrency(fixed, shop.currency) || null })))
                  }
                />
                <TextField
                  cell
                  align="right"
                  suffix="days"
                  label={`Business days until the money is there, ${method.name}`}
                  hideLabel
                  value={String(held.business_days ?? 0)}
                  save={(text) =>
                    save(
                      edit((before) => ({
                        ...before,
                        business_days: /^\d+$/.test(text) ? Number(text) : (text as unknown as number),
                      })),
                    )
                  }
                />
                <Button
                  look="quiet"
                  aria-label={`Remove your method ${method.name}`}
                  onClick={() =>
                    remove(
                      `Your method ${method.name} is removed; what is in the checkout stays there.`,
                      (before) => ({
                        ...before,
                        own_methods: (before.own_methods ?? []).filter(
                          (entry) => entry.method.id !== method.id,
                        ),
                      }),
                      (before) => ({ ...before, own_methods: putIn(before.own_methods ?? [], place, held) }),
                    )
                  }
                >
                  Remove
                </Button>
                <div className="col-span-full grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)_auto] gap-x-6 items-end pb-2">
                  {LIMITS.map(([key, label]) => (
                    <Picks
                      key={key}
                      label={`${label}, ${method.name}`}
                      values={method[key] ?? []}
                      options={key === "currencies" ? currencies : countries}
                      none="all of them"
                      onPick={(list) => {
                        const limit = list.length > 0 ? list : null;
                        quietly(
                          edit((before) => ({ ...before, method: { ...before.method, [key]: limit } })),
                        );
                      }}
                    />
                  ))}
                  <span className="flex items-center gap-2 text-small text-soft">
                    repeats
                    <Toggle
                      label={`${method.name} may repeat`}
                      on={method.recurring}
                      onChange={(recurring) =>
                        quietly(edit((before) => ({ ...before, method: { ...before.method, recurring } })))
                      }
                    />
                  </span>
                </div>
              </li>
            );
          })}
        </ul>
        <Button
          look="link"
          className="mt-1"
          onClick={() =>
            quietly((before) => {
              const held = before.own_methods ?? [];
              const number = held.length + 1;
              const id = freeId(
                "own-method",
                held.map((entry) => entry.method.id),
              );
              const method = {
                id,
                name: `Method of your own ${number}`,
                family: "own" as const,
                own: true,
                buyer: "Pays in a way that you agreed on.",
                recurring: false,
              };
              return { ...before, own_methods: [...held, { method, business_days: 0 }] } as Shop;
            })
          }
        >
          Add a method of your own
        </Button>
      </section>
    </>
  );
}
