import { useEffect, useState } from "react";

const PAUSE = 200;

/** Tells what is typed, once the hands rest for a moment; the same value as long as nothing in it changes. */
export function useTypedOut<Value>(value: Value): Value {
  const text = JSON.stringify(value);
  const [rested, setRested] = useState(text);
  useEffect(() => {
    const timer = window.setTimeout(() => setRested(text), PAUSE);
    return () => window.clearTimeout(timer);
  }, [text]);
  return JSON.parse(rested) as Value;
}
