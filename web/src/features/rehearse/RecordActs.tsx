import { type ReactNode, useState } from "react";
import { said } from "../../api/client";
import { partsOf, shown } from "../../lib/money";
import { useTyped } from "../../lib/useTyped";
import { Button } from "../../ui/Button";
import { InputField } from "../../ui/InputField";
import { Trouble } from "../../ui/Page";
import { type OrderRecord, useRecordActs } from "./queries";

/** Tells what the owner can do with an order now; what is not possible is not shown. */
export function RecordActs({ order }: { order: OrderRecord }) {
  const acts = useRecordActs(order);
  const { can } = order;
  const asks = order.payments.some((payment) => payment.reference);
  const [trouble, setTrouble] = useState<unknown>(null);
  const note = useTyped(`note ${order.token}`);
  const reason = useTyped(`reason ${order.token}`);
  const how = { onError: setTrouble, onSuccess: () => setTrouble(null) };
  const busy = Object.values(acts).some((act) => act.isPending);

  return (
    <section aria-labelledby="acts">
      <h3 id="acts" className="text-soft font-sans text-figure border-b border-rule mb-1">
        What is possible now
      </h3>
      <div className="grid gap-2">
        {can.take && (
          <WithAmount
            key={`take ${can.take}`}
            place={`take ${can.take} ${order.token}`}
            label="Amount to take"
            most={can.take}
            busy={busy}
          >
            {(amount) => (
              <>
                <Button onClick={() => acts.take.mutate(amount, how)}>Take it</Button>
                <Button look="quiet" onClick={() => acts.release.mutate(undefined, how)}>
                  Release what is not taken
                </Button>
              </>
            )}
          </WithAmount>
        )}
        {(can.weigh || can.send) && (
          <WithAmount
            key={`send ${can.weigh ?? can.send}`}
            place={`send ${can.weigh ?? can.send} ${order.token}`}
            label={
              can.weigh
                ? `What the goods came to${order.delivered ? ", without the delivery" : ""}`
                : "Worth of the goods that go out"
            }
            most={can.weigh ?? can.send ?? ""}
            busy={busy}
            width={can.weigh ? "w-72" : "w-32"}
          >
            {(amount) => (
              <>
                <InputField
                  label="Note, such as the parcel's number"
                  value={note.text}
                  onChange={note.type}
                  width="w-56"
                />
                <Button
                  onClick={() => {
                    (can.weigh ? acts.weigh : acts.send).mutate({ amount, note: note.text }, how);
                    note.type("");
                  }}
                >
                  They went out
                </Button>
              </>
            )}
          </WithAmount>
        )}
        {can.rest_paid && (
          <div className="flex flex-wrap items-end gap-3">
            <Button onClick={() => acts.restPaid.mutate(undefined, how)}>
              The rest of {shown(can.rest_paid)} was paid on the day
            </Button>
            {can.rest_let_go && (
              <Button look="quiet" onClick={() => acts.restLetGo.mutate(undefined, how)}>
                Do not ask for it
              </Button>
            )}
          </div>
        )}
        {can.mark_paid && (
          <div className="flex flex-wrap items-end gap-3">
            <Button onClick={() => acts.paid.mutate(undefined, how)}>The money is here: mark as paid</Button>
          </div>
        )}
        {order.receipts.map((receipt) => (
          <p key={receipt.id}>
            <a
              href={`/api/records/${order.token}/receipts/${receipt.id}`}
              download={receipt.name}
              className="underline underline-offset-4"
            >
              Receipt {receipt.name}
            </a>
          </p>
        ))}
        {can.refuse_receipt && (
          <div className="flex flex-wrap items-end gap-3">
            <InputField
              label="Why the receipt does not show it"
              value={reason.text}
              onChange={reason.type}
              width="w-56"
            />
            <Button look="quiet" onClick={() => acts.refuseReceipt.mutate(reason.text, how)}>
              Do not accept the receipt
            </Button>
          </div>
        )}
        {can.refund && (
          <WithAmount
            key={`refund ${can.refund}`}
            place={`refund ${can.refund} ${order.token}`}
            label="Amount to give back"
            most={can.refund}
            busy={busy}
          >
            {(amount) => (
              <>
                <Button onClick={() => acts.refund.mutate(amount, how)}>Refund it</Button>
                <Button look="quiet" onClick={() => acts.credit.mutate(amount, how)}>
                  Give it as shop credit
                </Button>
              </>
            )}
          </WithAmount>
        )}
        {can.credit && (
          <p className="text-small text-soft">
            Who withdraws from an order is paid back by the same means, unless they agree to another one
            (Directive 2011/83/EU Art. 13). Shop credit needs that agreement.
          </p>
        )}
        {can.refund_double && (
          <WithAmount
            key={`double ${can.refund_double}`}
            place={`double ${can.refund_double} ${order.token}`}
            label="Amount that was paid twice"
            most={can.refund_double}
            busy={busy}
          >
            {(amount) => (
              <Button onClick={() => acts.refundDouble.mutate(amount, how)}>Refund the second payment</Button>
            )}
          </WithAmount>
        )}
        {!asks && !Object.values(can).some(Boolean) && <p>Nothing.</p>}
        {asks && (
          <p>
            <Button look="quiet" disabled={busy} onClick={() => acts.look.mutate(undefined, how)}>
              Ask the provider how it stands
            </Button>
          </p>
        )}
        {trouble !== null && <Trouble>{said(trouble)}</Trouble>}
      </div>
    </section>
  );
}

interface WithAmountProps {
  /** Tells where it is typed: the order and the act. */
  place: string;
  label: string;
  most: string;
  busy: boolean;
  width?: string;
  children: (amount: string) => ReactNode;
}

/** An amount, at first the most that is possible, with what can be done with it. */
function WithAmount({ place, label, most, busy, width = "w-32", children }: WithAmountProps) {
  const { amount, currency } = partsOf(most);
  const typed = useTyped(place, amount);
  return (
    <fieldset disabled={busy} className="flex flex-wrap items-end gap-3 min-w-0">
      <InputField
        label={`${label}, ${currency}`}
        value={typed.text}
        onChange={typed.type}
        width={width}
        align="right"
      />
      {children(`${typed.text} ${currency}`)}
    </fieldset>
  );
}
