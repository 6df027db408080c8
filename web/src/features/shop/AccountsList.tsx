import { day } from "../../lib/time";
import { useAccounts } from "./queries";

const STAGES = {
  "not-begun": { word: "not begun", ink: "text-soft" },
  begun: { word: "begun, not sent", ink: "text-saffron-ink" },
  "in-review": { word: "in review", ink: "text-saffron-ink" },
  refused: { word: "refused", ink: "text-copper" },
  connected: { word: "connected", ink: "text-verdigris" },
};

/** The accounts that the shop holds, in test mode. */
export function AccountsList() {
  const accounts = useAccounts().data ?? [];
  return (
    <section aria-labelledby="accounts" className="mb-8">
      <h2 id="accounts" className="text-lg mb-1">
        Accounts <span className="font-sans font-normal text-figure text-soft">in test mode</span>
      </h2>
      {accounts.length === 0 && (
        <p className="border-t border-ink pt-2 max-w-2xl text-soft">
          You hold no account with a provider. Until you do, ways to pay through a provider are held back;
          your own arrangements, such as a bank transfer or cash on delivery, need none.
        </p>
      )}
      <ul className={accounts.length > 0 ? "border-t border-ink" : ""}>
        {accounts.map(({ account, provider_name, active }) => (
          <li
            key={account.provider}
            className="border-b border-rule-soft py-1.5 grid grid-cols-[7rem_12rem_minmax(0,1fr)] lg:grid-cols-[10rem_14rem_1fr] gap-4"
          >
            <strong className="font-semibold">{provider_name}</strong>
            <span className={STAGES[account.stage].ink}>
              {STAGES[account.stage].word}
              {account.since && ` since ${day(account.since)}`}
            </span>
            <span className="text-soft">{active.length > 0 && `active: ${active.join(", ")}`}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
