import type { ButtonHTMLAttributes } from "react";

const LOOKS = {
  strong: "bg-verdigris text-on-verdigris font-semibold px-4 min-h-9 hover:opacity-90",
  plain: "border border-rule bg-sheet font-medium px-3 min-h-8 hover:border-ink",
  link: "text-verdigris font-semibold underline-offset-4 hover:underline min-h-6",
  quiet: "text-soft underline decoration-rule underline-offset-4 hover:text-ink hover:decoration-ink min-h-6",
};

interface Props extends ButtonHTMLAttributes<HTMLButtonElement> {
  look?: keyof typeof LOOKS;
}

/**
 * A button; its look says how much it weighs. One that is disabled keeps the focus, so that whoever pressed it can go on
 * from there: a browser would take the focus away from it.
 */
export function Button({
  look = "plain",
  className = "",
  type = "button",
  disabled,
  onClick,
  ...rest
}: Props) {
  return (
    <button
      type={type}
      aria-disabled={disabled || undefined}
      className={`rounded-[3px] aria-disabled:opacity-50 aria-disabled:cursor-not-allowed ${LOOKS[look]} ${className}`}
      onClick={(event) => {
        if (disabled) event.preventDefault();
        else onClick?.(event);
      }}
      {...rest}
    />
  );
}
