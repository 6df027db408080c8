import { useEffect } from "react";

type Shortcuts = Record<string, () => void>;

/** Keys that work anywhere but in a field, each doing one thing; one that begins with `Ctrl+` works in fields too. */
export function useShortcuts(shortcuts: Shortcuts) {
  useEffect(() => {
    function keyed(event: KeyboardEvent) {
      const target = event.target as HTMLElement;
      const typing = target.matches("input, textarea, select, [contenteditable]");
      const chord = event.ctrlKey || event.metaKey;
      if (event.altKey || (typing && !chord)) return;
      // In a field these keys take back what was typed.
      if (typing && event.key.toLowerCase() === "z") return;
      const action = shortcuts[chord ? `Ctrl+${event.key}` : event.key];
      if (action) {
        event.preventDefault();
        action();
      }
    }
    window.addEventListener("keydown", keyed);
    return () => window.removeEventListener("keydown", keyed);
  }, [shortcuts]);
}
