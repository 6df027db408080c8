import type { Schema } from "../../api/client";
import { shown } from "../../lib/money";
import { day } from "../../lib/time";
import { TextField } from "../../ui/TextField";
import { shownWhole, wholeOrNone } from "../shop";
import { useMode } from "./mode";
import { type Account, useAccountActs } from "./queries";

type Terms = Schema<"LeavingTermsTold">;

/** The terms of leaving a contract, typed as the owner read them there. */
export function LeavingTerms({ account }: { account: Account }) {
  const acts = useAccountActs(account.id, useMode());
  const { leaving, saved_details } = account;
  const told: Terms = { ...leaving, saved_details };
  const save = (part: Partial<Terms>) => acts.leavingTerms.mutateAsync({ ...told, ...part });
  const words = [
    leaving.notice_days != null && `${leaving.notice_days} days of notice`,
    leaving.exit_fee != null && `${shown(leaving.exit_fee)} to leave`,
    leaving.runs_until != null && `runs until ${day(leaving.runs_until)}`,
    saved_details != null && `${saved_details} buyers with saved details`,
  ].filter(Boolean);
  return (
    <details className="mt-2">
      <summary className="text-small text-soft">
        Leaving it takes {words.length > 0 ? words.join(", ") : "nothing that you told"}
      </summary>
      <div className="grid grid-cols-2 lg:grid-cols-4 gap-x-5 gap-y-2 max-w-3xl pl-4 pt-1">
        <TextField
          label="Days of notice"
          inputMode="decimal"
          value={shownWhole(leaving.notice_days)}
          save={(text) => save({ notice_days: wholeOrNone(text.trim()) })}
        />
        <TextField
          label="Exit fee, with its currency"
          value={leaving.exit_fee ?? ""}
          save={(text) => save({ exit_fee: text.trim() || null })}
        />
        <TextField
          label="Runs until, as 2027-05-31"
          value={leaving.runs_until ?? ""}
          save={(text) => save({ runs_until: text.trim() || null })}
        />
        <TextField
          label="Buyers with saved details"
          inputMode="decimal"
          value={shownWhole(saved_details)}
          save={(text) => save({ saved_details: wholeOrNone(text.trim()) })}
        />
      </div>
    </details>
  );
}
