import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { type Schema, said } from "../../api/client";
import { partsOf } from "../../lib/money";
import { InputField } from "../../ui/InputField";
import { offerOf } from "./queries";

interface Props {
  shop: string;
  offer: Schema<"Offer">;
  /** Tells what of the order is goods, as it is shown in the address. */
  value: string;
  /** The address of the order with another amount. */
  searchWith: (amount: string) => string;
  onChosen: (amount: string) => void;
}

/** The amount that a buyer chooses; one that cannot be is refused here, and the order stays as it was. */
export function AmountField({ shop, offer, value, searchWith, onChosen }: Props) {
  const client = useQueryClient();
  const amount = partsOf(value).amount || value;
  const [text, setText] = useState(amount);
  const [problem, setProblem] = useState("");
  async function choose() {
    if (text.trim() === amount) return setProblem("");
    try {
      await client.fetchQuery(offerOf(shop, searchWith(text.trim()), []));
      setProblem("");
      onChosen(text.trim());
    } catch (refused) {
      setProblem(said(refused));
    }
  }
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: what is left is the field within
    <div
      className="w-56 mb-4"
      onBlur={() => void choose()}
      onKeyDown={(event) => event.key === "Enter" && void choose()}
    >
      <InputField
        label={`${offer.words.choose_amount}, ${offer.chooses}`}
        inputMode="decimal"
        value={text}
        problem={problem}
        onChange={setText}
      />
    </div>
  );
}
