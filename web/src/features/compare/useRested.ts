import { useEffect, useState } from "react";

const RESTED = 1000;

/** A value once it has stood still for a moment, so that what is not urgent does not hold up what is. */
export function useRested<Value>(value: Value): Value {
  const [rested, setRested] = useState(value);
  useEffect(() => {
    const timer = window.setTimeout(() => setRested(value), RESTED);
    return () => window.clearTimeout(timer);
  }, [value]);
  return rested;
}
