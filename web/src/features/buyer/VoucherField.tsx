import { useState } from "react";
import { Refusal, type Schema, said } from "../../api/client";
import { Button } from "../../ui/Button";
import { InputField } from "../../ui/InputField";
import { useTryCode } from "./queries";

interface Props {
  shop: string;
  offer: Schema<"Offer">;
  /** The handles of the vouchers that are used. */
  used: string[];
  onUse: (handles: string[]) => void;
}

/** Tells where a buyer types the code of a voucher, and the vouchers that pay a part of the order. */
export function VoucherField({ shop, offer, used, onUse }: Props) {
  const [code, setCode] = useState("");
  const tried = useTryCode(shop);
  const { words } = offer;
  const problem = tried.error instanceof Refusal ? tried.error.message : tried.error ? said(tried.error) : "";
  return (
    <section aria-label={words.voucher_title} className="mb-5">
      {offer.vouchers.map((voucher) => (
        <p key={voucher.handle} className="flex items-baseline gap-3 text-small">
          <span>
            {voucher.name}. {voucher.left}
          </span>
          <Button
            look="quiet"
            className="ml-auto"
            onClick={() => onUse(used.filter((handle) => handle !== voucher.handle))}
          >
            {words.voucher_remove}
          </Button>
        </p>
      ))}
      <details>
        <summary className="min-h-6 text-small underline underline-offset-4 cursor-pointer">
          {words.voucher_title}
        </summary>
        <form
          className="flex items-end gap-3 mt-1"
          onSubmit={(event) => {
            event.preventDefault();
            tried.mutate(
              { code, currency: offer.order.currency, language: offer.language },
              {
                onSuccess: ({ handle }) => {
                  setCode("");
                  onUse([...used, handle]);
                },
              },
            );
          }}
        >
          <InputField label={words.voucher_label} value={code} onChange={setCode} problem={problem} />
          <Button
            type="submit"
            className="whitespace-nowrap"
            disabled={tried.isPending || code.trim() === ""}
          >
            {words.voucher_apply}
          </Button>
        </form>
      </details>
    </section>
  );
}
