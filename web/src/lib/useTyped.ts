import { useState } from "react";

const PREFIX = "typed:";

interface Typed {
  text: string;
  type: (text: string) => void;
  /** To be called when it was sent and stays in its field. */
  forget: () => void;
}

/**
 * What is typed in a form and not sent yet. It is kept in this tab until it is sent: leaving the page, going
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

/** Forget all that is typed in forms: it belongs to the shop that is left. */
export function forgetTyped(): void {
  for (const key of Object.keys(sessionStorage)) {
    if (key.startsWith(PREFIX)) sessionStorage.removeItem(key);
  }
}
