import { useCallback } from "react";
import { useSearchParams } from "react-router";

/** How Compare is shown, as the address says it; what is the default is left out. */
export function useShown<Value extends string>(name: string, values: readonly [Value, ...Value[]]) {
  const [address, setAddress] = useSearchParams();
  const found = address.get(name);
  const value = values.find((entry) => entry === found) ?? values[0];
  const set = useCallback(
    (picked: string) =>
      setAddress(
        (before) => {
          const after = new URLSearchParams(before);
          if (picked === values[0] || picked === "") after.delete(name);
          else after.set(name, picked);
          return after;
        },
        { replace: true },
      ),
    [setAddress, name, values],
  );
  return [value, set] as const;
}

/** A list of keys in the address. */
export function useShownList(name: string) {
  const [address, setAddress] = useSearchParams();
  const list = (address.get(name) ?? "").split(",").filter(Boolean);
  const set = useCallback(
    (keys: string[]) =>
      setAddress(
        (before) => {
          const after = new URLSearchParams(before);
          if (keys.length > 0) after.set(name, keys.join(","));
          else after.delete(name);
          return after;
        },
        { replace: true },
      ),
    [setAddress, name],
  );
  return [list, set] as const;
}
