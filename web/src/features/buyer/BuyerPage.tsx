import type { ReactNode } from "react";
import { Refusal, type Schema } from "../../api/client";

interface Props {
  /** The mode of what is shown; undefined while nothing is here yet. */
  mode: Schema<"Mode"> | undefined;
  children: ReactNode;
}

/** The mode of an answer, also of one that is a refusal. */
export function modeOf(data: { mode: Schema<"Mode"> } | undefined, refused: unknown) {
  return data?.mode ?? (refused instanceof Refusal ? refused.problem.mode : undefined);
}

/** The frame of every page that buyers see; a test checkout cannot be mistaken for a live one. */
export function BuyerPage({ mode, children }: Props) {
  return (
    <div className="min-h-dvh">
      {mode === "test" && (
        <header>
          <div className="hatch h-1.5" />
          <p className="bg-saffron-wash text-saffron-ink font-semibold text-center py-1.5 px-4">
            Test mode: this checkout takes no money
          </p>
        </header>
      )}
      <main className="max-w-md mx-auto px-5 py-8">{children}</main>
    </div>
  );
}
