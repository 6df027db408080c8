import { Link, useParams, useSearchParams } from "react-router";
import { toast } from "sonner";
import { said } from "../../api/client";
import { moment } from "../../lib/time";
import { Button } from "../../ui/Button";
import { Heading, Trouble } from "../../ui/Page";
import { SubNav } from "../../ui/SubNav";
import { useAccountSearch, useMode } from "./mode";
import { useAccountActs, useExchanges, useReplay, useSheet } from "./queries";
import { VIEWS } from "./views";

const VERDICTS: Record<string, { word: string; ink: string }> = {
  counted: { word: "counted", ink: "text-verdigris" },
  again: { word: "known already, counted once", ink: "text-soft" },
  early: { word: "waits for one before it", ink: "text-saffron-ink" },
  refused: { word: "refused", ink: "text-copper" },
  read: { word: "read", ink: "text-verdigris" },
  sent: { word: "answered", ink: "text-soft" },
  failed: { word: "not answered", ink: "text-copper" },
};

/** Tells what was exchanged with a gateway: notifications that came, what was asked of it, and what became of each. */
export function NotificationsPage() {
  const { provider = "" } = useParams();
  const [address, setAddress] = useSearchParams();
  const mode = useMode();
  const search = useAccountSearch();
  const id = address.get("account") ?? provider;
  const sheet = useSheet(provider, mode).data;
  const before = Number(address.get("before")) || undefined;
  const exchanges = useExchanges(id, mode, before);
  const acts = useAccountActs(id, mode);
  const replay = useReplay();
  const account = sheet?.accounts.find((entry) => entry.id === id);
  function turn(to: number | null) {
    setAddress((held) => {
      const next = new URLSearchParams(held);
      if (to) next.set("before", String(to));
      else next.delete("before");
      return next;
    });
  }
  const fail = (refused: unknown) => toast.error(said(refused));
  return (
    <>
      <SubNav label="Views of Accounts" search={search} views={VIEWS} open="/accounts" />
      <Heading title={`What was exchanged with ${account?.name ?? sheet?.name ?? ""}`} note={`${mode} mode`}>
        <Link
          to={`/accounts/${provider}${search}`}
          className="text-soft underline decoration-rule underline-offset-4 hover:text-ink"
        >
          Its sheet
        </Link>
      </Heading>
      {exchanges.error && <Trouble>{said(exchanges.error)}</Trouble>}
      <div className="border-t border-ink pt-2 flex flex-wrap gap-x-6 gap-y-1 items-baseline mb-2">
        {account?.notifications && (
          <p className="text-soft">
            Notifications come to <code className="text-ink">{account.notifications.address}</code>, signed,
            five minutes old at the most, each counted once.
          </p>
        )}
        <Button
          onClick={() =>
            acts.checkNotifications.mutate(undefined, {
              onError: fail,
              onSuccess: () => void toast("A notification was asked for."),
            })
          }
        >
          Try them
        </Button>
        <Button
          look="quiet"
          onClick={() =>
            acts.newSecret.mutate(undefined, {
              onError: fail,
              onSuccess: () => void toast("The secret is replaced; the old one is believed for a day more."),
            })
          }
        >
          Replace the signing secret
        </Button>
      </div>
      {exchanges.data?.exchanges.length === 0 && <p>Nothing was exchanged yet.</p>}
      <ul>
        {exchanges.data?.exchanges.map(({ number, said: words, why, exchange }) => {
          const verdict = VERDICTS[exchange.verdict];
          return (
            <li key={number} className="border-b border-rule-soft py-1.5">
              <div className="grid grid-cols-[9.5rem_5.5rem_minmax(0,1fr)_12rem] gap-x-4 items-baseline">
                <span className="text-small text-soft">{moment(exchange.at)}</span>
                <span className="text-small">{exchange.incoming ? "came in" : "went out"}</span>
                <span>
                  {words}
                  {exchange.order_number && (
                    <span className="text-soft">, order {exchange.order_number}</span>
                  )}
                </span>
                <span className={`text-small ${verdict?.ink ?? ""}`}>
                  {verdict?.word ?? exchange.verdict}
                  {exchange.answer ? ` ${exchange.answer}` : ""}
                </span>
              </div>
              {why && <p className="text-copper">{why}</p>}
              <details>
                <summary className="text-small text-soft">What was said</summary>
                <pre className="text-small whitespace-pre-wrap break-all bg-sheet border-l border-rule px-3 py-2">
                  {`${exchange.what}\n`}
                  {Object.entries(exchange.headers ?? {})
                    .map(([name, value]) => `${name}: ${value}\n`)
                    .join("")}
                  {exchange.text || "nothing that may be shown"}
                </pre>
                {exchange.incoming && exchange.message && (
                  <Button
                    look="quiet"
                    aria-label={`Count it once more, by hand: ${number}`}
                    onClick={() =>
                      replay.mutate(number, {
                        onError: fail,
                        onSuccess: (heard) =>
                          void toast(`It was ${VERDICTS[heard.verdict]?.word ?? heard.verdict}.`),
                      })
                    }
                  >
                    Count it once more, by hand
                  </Button>
                )}
              </details>
            </li>
          );
        })}
      </ul>
      {(before || exchanges.data?.older) && (
        <p className="flex gap-4 mt-3">
          {before && <Button onClick={() => turn(null)}>Newest</Button>}
          {exchanges.data?.older && <Button onClick={() => turn(exchanges.data.older)}>Older</Button>}
        </p>
      )}
    </>
  );
}
