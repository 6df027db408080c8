import type { ReactNode } from "react";

/** The frame of every page that buyers see; a test checkout cannot be mistaken for a live one. */
export function BuyerPage({ children }: { children: ReactNode }) {
  return (
    <div className="min-h-dvh">
      <header>
        <div className="hatch h-1.5" />
        <p className="bg-saffron-wash text-saffron-ink font-semibold text-center py-1.5 px-4">
          Test mode: this checkout takes no money
        </p>
      </header>
      <main className="max-w-md mx-auto px-5 py-8">{children}</main>
    </div>
  );
}
