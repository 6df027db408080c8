import { Component, type ReactNode } from "react";
import type { Schema } from "../../api/client";

type Words = Pick<Schema<"BuyerWords">, "page_failed" | "page_failed_next" | "load_again">;

/** The words of the page that was last drawn: what failed is told in the language in which it was read. */
let words: Words = {
  page_failed: "Something went wrong on this page",
  page_failed_next: "Your order is kept, and nothing was taken from you.",
  load_again: "Load the page again",
};

/** Remember the words of a page. */
export function rememberWords(read: Words): void {
  words = read;
}

/**
 * Stands in the place of a buyer's page that fails while it is drawn. The order is not lost: it lives in the address,
 * what was typed in the tab, and what was ordered is at the shop.
 */
export class KeptOnFailure extends Component<{ children: ReactNode }, { failed: boolean }> {
  override state = { failed: false };

  static getDerivedStateFromError() {
    return { failed: true };
  }

  override render() {
    if (!this.state.failed) return this.props.children;
    return (
      <main className="max-w-md mx-auto px-5 py-8">
        <h1 className="text-xl mb-2">{words.page_failed}</h1>
        <p className="mb-4">{words.page_failed_next}</p>
        <a
          href={window.location.href}
          className="inline-block min-h-6 underline underline-offset-4 font-semibold"
          onClick={(event) => {
            event.preventDefault();
            window.location.reload();
          }}
        >
          {words.load_again}
        </a>
      </main>
    );
  }
}
