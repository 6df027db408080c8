import { type Option, optionsOf } from "../../../ui/Picker";
import { Picks } from "../../../ui/Picks";
import { useChoices } from "../../shop";
import type { Facts } from "./queries";

type Needs = NonNullable<Facts["needs"]>;

interface Props {
  needs: Needs;
  others: Option[];
  onPick: (needs: Needs) => void;
}

/** Methods that the provider gives only where another account or another method is there, and which. */
export function NeedFields({ needs, others, onPick }: Props) {
  const methods = useChoices().data?.methods;
  const named = (method: string) => methods?.find((entry) => entry.code === method)?.name ?? method;
  const change = (method: string, part: Partial<Needs[number]>) =>
    onPick(needs.map((need) => (need.method === method ? { ...need, ...part } : need)));

  return (
    <>
      <Picks
        label="Gives only with something else"
        values={needs.map((need) => need.method)}
        options={optionsOf(methods)}
        none="needs nothing else"
        onPick={(picked) =>
          onPick(picked.map((method) => needs.find((need) => need.method === method) ?? { method }))
        }
      />
      {needs.map((need) => (
        <div key={need.method} className="grid grid-cols-2 gap-x-4 items-end">
          <Picks
            label={`${named(need.method)}: with an account at`}
            values={need.account ? [need.account] : []}
            options={others}
            none="no other account"
            onPick={(picked) => change(need.method, { account: picked.at(-1) ?? null })}
          />
          <Picks
            label={`${named(need.method)}: with the method`}
            values={need.other_method ? [need.other_method] : []}
            options={optionsOf(methods).filter((option) => option.value !== need.method)}
            none="no other method"
            onPick={(picked) => change(need.method, { other_method: picked.at(-1) ?? null })}
          />
        </div>
      ))}
    </>
  );
}
