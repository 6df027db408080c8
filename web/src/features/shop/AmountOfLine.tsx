import type { ReactNode } from "react";
import type { Shop } from "./queries";

/** A line with its usual amount, and the fields of what else is said of its amount beside it. */
export function AmountOfLine({ line, children }: { line: Shop["lines"][number]; children: ReactNode }) {
  return (
    <div className="flex items-end gap-6 mt-2">
      <span className="flex-1 min-w-0">
        {line.name}, usually {line.usual_amount}
      </span>
      {children}
    </div>
  );
}
