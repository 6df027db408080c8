import { useId } from "react";

interface ChoiceProps {
  /** The group in which one is chosen. */
  group: string;
  name: string;
  description: string;
  /** What it costs on top. */
  onTop?: string;
  chosen: boolean;
  onChoose: () => void;
}

/** One of several ways to pay, as a buyer chooses it. A plain radio button: buyers' pages load little. */
export function Choice({ group, name, description, onTop, chosen, onChoose }: ChoiceProps) {
  const id = useId();
  return (
    <div className="flex gap-3 border-t border-rule-soft py-2.5">
      <input
        type="radio"
        id={id}
        name={group}
        checked={chosen}
        onChange={onChoose}
        aria-describedby={description ? `${id}-text` : undefined}
        className="appearance-none mt-0.5 size-4.5 shrink-0 rounded-full border border-soft bg-paper checked:border-[5px] checked:border-verdigris"
      />
      <div className="min-w-0 flex-1">
        <label htmlFor={id} className="block font-medium cursor-pointer">
          {name}
          {onTop && <span className="float-right font-normal text-soft pl-3">{onTop}</span>}
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
