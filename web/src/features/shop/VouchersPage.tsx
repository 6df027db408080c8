import { useState } from "react";
import { type Schema, said } from "../../api/client";
import { useHandSearch } from "../../lib/handSearch";
import { inCurrency, shown } from "../../lib/money";
import { day, moment } from "../../lib/time";
import { askFirst } from "../../ui/AskFirst";
import { Button } from "../../ui/Button";
import { InputField } from "../../ui/InputField";
import { Heading, OnItsWay, Trouble } from "../../ui/Page";
import { Picks } from "../../ui/Picks";
import { SubNav } from "../../ui/SubNav";
import { type Sections, useSections } from "./sections";
import { VIEWS } from "./views";
import { useEnd, useIssue, useVouchers } from "./vouchers";

/** Vouchers and shop credit: issued here, sold as a line, or given for a refund; each with what happened to it. */
export function VouchersPage() {
  const sections = useSections();
  const search = useHandSearch();
  const held = useVouchers().data;
  if (!sections || !held) return <OnItsWay />;
  const owed = held.owed.map(shown).join(" and ");
  return (
    <>
      <SubNav label="Views of Shop" search={search} views={VIEWS} />
      <Heading
        title="Vouchers and shop credit"
        note={owed ? `${owed} owed to whoever holds them; no revenue until it is used` : "nothing is owed"}
      />
      <Issue currency={sections.shop.currency} />
      <Sold {...sections} />
      {held.vouchers.length === 0 ? (
        <p className="border-t border-ink pt-2 text-soft max-w-2xl">
          There is none yet. Buyers see a place for a code at the checkout from the first one on.
        </p>
      ) : (
        <ul className="border-t border-ink">
          {held.vouchers.map((voucher) => (
            <VoucherRow key={voucher.id} voucher={voucher} />
          ))}
        </ul>
      )}
    </>
  );
}

/** Issue a voucher: its code is shown once. */
function Issue({ currency }: { currency: string }) {
  const [amount, setAmount] = useState("");
  const [expires, setExpires] = useState("");
  const [note, setNote] = useState("");
  const issue = useIssue();
  return (
    <section aria-labelledby="issue" className="mb-6">
      <h2 id="issue" className="text-lg mb-1">
        Issue a voucher
      </h2>
      <form
        className="border-t border-ink pt-2 flex flex-wrap items-end gap-6"
        onSubmit={(event) => {
          event.preventDefault();
          issue.mutate(
            { amount: inCurrency(amount, currency), expires: expires || null, note },
            {
              onSuccess: () => {
                setAmount("");
                setExpires("");
                setNote("");
              },
            },
          );
        }}
      >
        <InputField
          width="w-36"
          align="right"
          inputMode="decimal"
          label={`Amount, in ${currency}`}
          value={amount}
          onChange={setAmount}
        />
        <div className="w-44">
          <label htmlFor="voucher-expires" className="block text-small text-soft">
            Last day (empty: never expires)
          </label>
          <input
            id="voucher-expires"
            type="date"
            value={expires}
            onChange={(event) => setExpires(event.target.value)}
            className="w-full h-8 border-b border-rule bg-transparent px-1 hover:border-ink focus:border-ink"
          />
        </div>
        <InputField width="w-64" label="Note for yourself" value={note} onChange={setNote} />
        <Button look="strong" type="submit" disabled={issue.isPending || amount.trim() === ""}>
          Issue it
        </Button>
      </form>
      {issue.error && <Trouble>{said(issue.error)}</Trouble>}
      {issue.data && (
        <p role="status" className="mt-3 border-l-2 border-verdigris pl-3 py-1">
          Its code is <strong className="font-semibold tabular-nums select-all">{issue.data.code}</strong>.
          Copy it now: it is not kept, and is not shown again.
        </p>
      )}
    </section>
  );
}

/** Tells which lines sell a voucher over what is paid for them. */
function Sold({ shop, quietly }: Sections) {
  return (
    <div className="max-w-xl mb-6">
      <Picks
        label="Lines that sell a voucher; its code is sent once it is paid"
        values={shop.lines.filter((line) => line.sells_voucher).map((line) => line.id)}
        options={shop.lines.map((line) => ({ value: line.id, label: line.name }))}
        none="none"
        onPick={(ids) =>
          quietly((before) => ({
            ...before,
            lines: before.lines.map((line) => ({ ...line, sells_voucher: ids.includes(line.id) })),
          }))
        }
      />
    </div>
  );
}

const SAID: Record<Schema<"EntryKind">, string> = {
  issued: "issued",
  used: "used by order",
  returned: "came back from order",
  ended: "taken away",
};

/** A voucher with its balance; its entries unfold. */
function VoucherRow({ voucher }: { voucher: Schema<"VoucherOut"> }) {
  const end = useEnd();
  const left = !/^[0.]+ /.test(voucher.balance);
  return (
    <li className="border-b border-rule-soft py-2">
      <div className="flex flex-wrap items-baseline gap-x-6 gap-y-1">
        <strong className="font-medium tabular-nums">ends in {voucher.ends_in}</strong>
        <span className="text-soft">
          {voucher.kind === "credit" ? "shop credit" : "voucher"}
          {voucher.sold_by ? `, sold by order ${voucher.sold_by}` : ""}
          {voucher.note ? `, ${voucher.note}` : ""}
        </span>
        <span className={voucher.expired ? "text-copper" : "text-soft"}>
          {voucher.last_day
            ? `${voucher.expired ? "expired on" : "until"} ${day(voucher.last_day)}`
            : "never expires"}
        </span>
        <span className="ml-auto tabular-nums">
          {shown(voucher.balance)} left of {shown(voucher.issued)}
        </span>
        {voucher.stands_still && (
          <span className="text-copper">stands still: its payment is disputed, or went back</span>
        )}
        {left && (
          <Button
            look="quiet"
            aria-label={`End the voucher that ends in ${voucher.ends_in}`}
            onClick={async () => {
              const question = {
                title: `End the voucher that ends in ${voucher.ends_in}?`,
                sentences: [
                  `${shown(voucher.balance)} on it can be used by nobody any more. This is for good.`,
                ],
                act: `Take ${shown(voucher.balance)} away`,
              };
              if (await askFirst(question)) end.mutate(voucher.id);
            }}
          >
            End the voucher
          </Button>
        )}
      </div>
      {end.error && <Trouble>{said(end.error)}</Trouble>}
      <details className="text-small text-soft">
        <summary className="min-h-6">What happened to it</summary>
        <ul>
          {voucher.entries.map((entry, place) => (
            <li key={`${entry.at}${place}`}>
              {moment(entry.at)}: {shown(entry.amount)} {SAID[entry.what]} {entry.order ?? ""}
            </li>
          ))}
        </ul>
      </details>
    </li>
  );
}
