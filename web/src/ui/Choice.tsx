import { RadioGroup } from "radix-ui";
import { useId } from "react";

interface ChoiceProps {
  name: string;
  description: string;
  value: string;
}

/** One of several ways to pay, as a buyer chooses it. */
export function Choice({ name, description, value }: ChoiceProps) {
  const id = useId();
  return (
    <div className="flex gap-3 border-t border-rule-soft py-2.5">
      <RadioGroup.Item
        value={value}
        id={id}
        aria-describedby={description ? `${id}-text` : undefined}
        className="mt-0.5 size-4.5 shrink-0 rounded-full border border-soft bg-paper grid place-items-center data-[state=checked]:border-verdigris"
      >
        <RadioGroup.Indicator className="size-2.5 rounded-full bg-verdigris" />
      </RadioGroup.Item>
      <div className="min-w-0">
        <label htmlFor={id} className="block font-medium cursor-pointer">
          {name}
        </label>
        {description && (
          <p id={`${id}-text`} className="text-small text-soft">
            {description}
          </p>
        )}
      </div>
    </div>
  );
}
