import { useEffect } from "react";

/** Closing or reloading the page would drop an edit under way: the browser asks first while there is one. */
export function useAskBeforeLeaving(dirty: boolean) {
  useEffect(() => {
    if (!dirty) return;
    const ask = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener("beforeunload", ask);
    return () => window.removeEventListener("beforeunload", ask);
  }, [dirty]);
}
