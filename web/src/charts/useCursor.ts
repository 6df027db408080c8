import { useEffect, useRef, useState } from "react";

/** How long a pointer stands still before its place is told, in milliseconds. */
const OFTEN = 40;
/** How long a place that was told may take to come back as the cursor; after that the cursor stands where it is said. */
const SETTLED = 600;

/**
 * Moving the cursor by pointer or by steps: it follows at once and tells where it is. While the newest place is on its
 * way, an older one that comes back does not move it.
 */
export function useCursor(cursor: string | null, at: (px: number) => string, tell: (amount: string) => void) {
  const [held, setHeld] = useState(cursor);
  const dragging = useRef(false);
  const [timer, settled] = [useRef(0), useRef(0)];
  const told = useRef<string | null>(null);
  const latest = useRef(cursor);
  useEffect(() => {
    latest.current = cursor;
    if (cursor === told.current) told.current = null;
    if (!dragging.current && told.current === null) setHeld(cursor);
  }, [cursor]);
  useEffect(() => () => window.clearTimeout(settled.current), [settled]);

  function set(amount: string, wait: number) {
    setHeld(amount);
    told.current = amount;
    window.clearTimeout(timer.current);
    if (wait) timer.current = window.setTimeout(() => tell(amount), wait);
    else tell(amount);
    window.clearTimeout(settled.current);
    settled.current = window.setTimeout(() => {
      told.current = null;
      if (!dragging.current) setHeld(latest.current);
    }, SETTLED);
  }

  return {
    held,
    step(amount: string) {
      set(amount, 0);
    },
    begin(px: number) {
      dragging.current = true;
      set(at(px), OFTEN);
    },
    move(px: number) {
      if (dragging.current) set(at(px), OFTEN);
    },
    end() {
      dragging.current = false;
    },
  };
}
