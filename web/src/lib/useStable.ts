import { useCallback, useLayoutEffect, useRef } from "react";

/** A handler that stays the same one and always does what was given last, so that what is memoised stands still. */
export function useStable<Given extends unknown[]>(
  act: (...given: Given) => void,
): (...given: Given) => void {
  const held = useRef(act);
  useLayoutEffect(() => {
    held.current = act;
  });
  return useCallback((...given: Given) => held.current(...given), []);
}
