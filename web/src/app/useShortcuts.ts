import { useEffect } from "react";

export type Shortcuts = Record<string, () => void>;

/** Keys that work anywhere but in a field: each key does one thing. */
export function useShortcuts(shortcuts: Shortcuts) {
  useEffect(() => {
    function keyed(event: KeyboardEvent) {
      const target = event.target as HTMLElement;
      const typing = target.matches("input, textarea, select, [contenteditable]");
      if (typing || event.altKey || event.ctrlKey || event.metaKey) return;
      const action = shortcuts[event.key];
      if (action) {
        event.preventDefault();
        action();
      }
    }
    window.addEventListener("keydown", keyed);
    return () => window.removeEventListener("keydown", keyed);
  }, [shortcuts]);
}
