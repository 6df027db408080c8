import { type ReactNode, useId } from "react";

interface ChoiceProps {
  /** The group in which one is chosen. */
  group: string;
  name: string;
  description: string;
  /** Tells what it costs on top. */
  onTop?: string;
  /** The address of a picture that stands beside it. */
  picture?: string | null;
  chosen: boolean;
  onChoose: () => void;
  /** Tells what unfolds below it while it is chosen. */
  children?: ReactNode;
}

/** One of several ways to pay, as a buyer chooses it. A plain radio button: buyers' pages load little. */
export function Choice({
  group,
  name,
  description,
  onTop,
  picture,
  chosen,
  onChoose,
  children,
}: ChoiceProps) {
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
        <label htmlFor={id} className="flex items-start gap-3 font-medium cursor-pointer">
          <span className="flex-1 min-w-0">{name}</span>
          {onTop && <span className="font-normal text-soft whitespace-nowrap">{onTop}</span>}
          {picture && <img src={picture} alt="" className="h-6 max-w-16 object-contain" />}
        </label>
        {description && (
          <p id={`${id}-text`} className="text-small text-soft">
            {description}
          </p>
        )}
        {chosen && children}
      </div>
    </div>
  );
}
