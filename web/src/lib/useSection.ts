import { useEffect } from "react";
import { useLocation } from "react-router";

/** Go to the section that the address names, once the page has it. */
export function useSection(ready: boolean): void {
  const { hash } = useLocation();
  useEffect(() => {
    if (ready && hash) document.getElementById(hash.slice(1))?.scrollIntoView();
  }, [ready, hash]);
}
