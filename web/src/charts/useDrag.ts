import { useEffect, useRef, useState } from "react";

const OFTEN = 40;
/** By when what was told has come back as the cursor; else something else was put there. */
const SETTLED = 600;

/**
 * Moving the cursor: it follows at once. By pointer it tells where it is a few times a second, by steps each time. Until
 * what was told has come back as the cursor, an older place does not draw it back.
 */
export function useDrag(cursor: string | null, at: (px: number) => string, tell: (amount: string) => void) {
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
