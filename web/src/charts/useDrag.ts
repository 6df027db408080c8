import { useEffect, useRef, useState } from "react";

/** Moving the cursor by pointer: it follows at once, and tells where it is a few times a second. */
export function useDrag(cursor: string | null, at: (px: number) => string, tell: (amount: string) => void) {
  const [held, setHeld] = useState(cursor);
  const dragging = useRef(false);
  const timer = useRef(0);
  useEffect(() => {
    if (!dragging.current) setHeld(cursor);
  }, [cursor]);

  function set(px: number) {
    const amount = at(px);
    setHeld(amount);
    window.clearTimeout(timer.current);
    timer.current = window.setTimeout(() => tell(amount), 40);
  }

  return {
    held,
    begin(px: number) {
      dragging.current = true;
      set(px);
    },
    move(px: number) {
      if (dragging.current) set(px);
    },
    end() {
      dragging.current = false;
    },
  };
}
