import { useState } from "react";
import { useSearchParams } from "react-router";
import { said } from "../../api/client";
import { shown } from "../../lib/money";
import { moment } from "../../lib/time";
import { Button } from "../../ui/Button";
import { InputField } from "../../ui/InputField";
import { Heading, OnItsWay, Trouble } from "../../ui/Page";
import { Picker } from "../../ui/Picker";
import { OrderStory } from "./OrderStory";
import { type State, useRecord, useRecords } from "./queries";
import { RehearsalGrid } from "./RehearsalGrid";
import { STATE_INK } from "./states";

const ANY = "any";
// Below so many orders there is nothing to look for.
const FEW = 8;
// So many that the record below them is not far away.
const SHOWN = 10;

/** Every case of the draft as a grid; below it the test orders, and the record of the one that is open. */
export function RehearsePage() {
  const [address, setAddress] = useSearchParams();
  const state = (address.get("state") ?? undefined) as State | undefined;
  // The address follows what is typed, later than a fast typist does.
  const [text, setText] = useState(address.get("find") ?? "");
  const before = address.get("before");
  const { data: records, error } = useRecords({
    text,
    at_most: SHOWN,
    ...(state ? { state } : {}),
    ...(before ? { before: Number(before) } : {}),
  });
  const chosen = address.get("order") ?? records?.records[0]?.token;
  const open = useRecord(chosen).data;
  if (error && !records) return <Trouble>{said(error)}</Trouble>;
  if (!records) return <OnItsWay />;

  function turn(changed: Record<string, string | undefined>) {
    setAddress(
      (held) => {
        const after = new URLSearchParams(held);
        for (const [name, value] of Object.entries(changed)) {
          if (value) after.set(name, value);
          else after.delete(name);
        }
        return after;
      },
      // Going back leads to the page of before, not to a letter less of what is looked for.
      { replace: "find" in changed },
    );
  }

  return (
    <>
      <Heading title="Rehearse" note="nothing here moves money" />
      <RehearsalGrid />
      <h2 className="text-lg mb-1">
        Test orders <span className="text-figure text-soft font-sans">{records.total} so far</span>
      </h2>
      {records.total === 0 ? (
        <p className="border-t border-ink pt-3 max-w-xl">
          No test order is placed by hand yet. Choose a way to pay in the buyer's view on the right and pay:
          the simulated provider lets you decide how the payment ends, and the record of the order appears
          here.
        </p>
      ) : (
        <>
          {records.total >= FEW && (
            <div className="flex flex-wrap items-end gap-6 mb-3">
              <InputField
                label="Find by number, line or way to pay"
                value={text}
                onChange={(find) => {
                  setText(find);
                  turn({ find, before: undefined });
                }}
                width="w-64"
              />
              <div className="w-52">
                <Picker
                  label="State"
                  showLabel
                  value={state ?? ANY}
                  options={[
                    { value: ANY, label: "any state" },
                    ...records.states.map(({ state: value, name }) => ({ value, label: name })),
                  ]}
                  onPick={(picked) => turn({ state: picked === ANY ? undefined : picked, before: undefined })}
                />
              </div>
              <p className="text-soft">{records.matching} found</p>
            </div>
          )}
          <table className="w-full border-t border-ink">
            <thead>
              <tr className="text-left text-small text-soft border-b border-rule">
                <th className="font-normal py-1.5 pr-3">Order</th>
                <th className="font-normal pr-3">Placed</th>
                <th className="font-normal pr-3">Line</th>
                <th className="font-normal pr-3 text-right">Amount</th>
                <th className="font-normal pr-3 pl-6">Way to pay</th>
                <th className="font-normal">State</th>
              </tr>
            </thead>
            <tbody>
              {records.records.map((order) => (
                <tr
                  key={order.token}
                  className={`border-b border-rule-soft ${order.token === chosen ? "bg-sheet" : ""}`}
                >
                  <td className="py-1.5 pr-3">
                    <button
                      type="button"
                      aria-pressed={order.token === chosen}
                      onClick={() => turn({ order: order.token })}
                      className="font-semibold underline decoration-rule underline-offset-4 hover:decoration-ink min-h-6 px-1"
                    >
                      {order.number}
                    </button>
                  </td>
                  <td className="pr-3 text-soft">{moment(order.placed_at)}</td>
                  <td className="pr-3">{order.line_name}</td>
                  <td className="pr-3 text-right whitespace-nowrap">{shown(order.amount)}</td>
                  <td className="pr-3 pl-6">{order.tender_name}</td>
                  <td className={`whitespace-nowrap font-medium ${STATE_INK[order.state]}`}>
                    {order.state_name}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          {(before || records.older !== null) && (
            <p className="flex gap-4 mt-3">
              {before && <Button onClick={() => turn({ before: undefined })}>Newest orders</Button>}
              {records.older !== null && (
                <Button onClick={() => turn({ before: String(records.older) })}>Older orders</Button>
              )}
            </p>
          )}
          {open && <OrderStory key={open.token} order={open} />}
        </>
      )}
    </>
  );
}
