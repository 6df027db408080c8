import { useSearchParams } from "react-router";
import { useHandSearch } from "../../lib/handSearch";

export type Mode = "test" | "live";

/** The mode whose accounts are looked at; it lives in the address. */
export function useMode(): Mode {
  const [address] = useSearchParams();
  return address.get("mode") === "live" ? "live" : "test";
}

/** Tells what links within Accounts carry: the order in hand, and the mode where it is live. */
export function useAccountSearch(): string {
  const hand = useHandSearch();
  const mode = useMode();
  if (mode === "test") return hand;
  return hand ? `${hand}&mode=live` : "?mode=live";
}
