import { useState } from "react";

const PREFIX = "typed:";

interface Typed {
  text: string;
  type: (text: string) => void;
  /** To be called when it was sent and stays in its field. */
  forget: () => void;
}

/**
 * Keeps what is typed in a form and not sent yet in this tab until it is sent: leaving the page, going
 * back and reloading take nothing away. `place` says where it is typed; nothing secret may be kept so.
 */
export function useTyped(place: string, before = ""): Typed {
  const key = PREFIX + place;
  const [text, setText] = useState(() => sessionStorage.getItem(key) ?? before);
  return {
    text,
    type: (typed) => {
      if (typed === before) sessionStorage.removeItem(key);
      else sessionStorage.setItem(key, typed);
      setText(typed);
    },
    forget: () => sessionStorage.removeItem(key),
  };
}

/**
 * Sets what is typed in forms aside for the shop that is left, and brings back what was set aside in
 * the one that is gone to.
 */
export function changeShop(to: "demo" | "own"): void {
  const from = to === "demo" ? "own" : "demo";
  renamed(PREFIX, `left in ${from}:`);
  renamed(`left in ${to}:`, PREFIX);
}

/** Give everything that is kept under a prefix another one. */
function renamed(before: string, after: string): void {
  for (const key of Object.keys(sessionStorage).filter((entry) => entry.startsWith(before))) {
    sessionStorage.setItem(after + key.slice(before.length), sessionStorage.getItem(key) ?? "");
    sessionStorage.removeItem(key);
  }
}
