import { useState } from "react";
import { Link } from "react-router";
import { toast } from "sonner";
import { said } from "../../api/client";
import { moment } from "../../lib/time";
import { askFirst } from "../../ui/AskFirst";
import { Button } from "../../ui/Button";
import { Connect } from "./Connect";
import { HeldElsewhere } from "./HeldElsewhere";
import { Leave } from "./Leave";
import { LeavingTerms } from "./LeavingTerms";
import { useAccountSearch, useMode } from "./mode";
import { type Account, type Sheet, useAccountActs, useBegin } from "./queries";
import { SecondAccount } from "./SecondAccount";
import { Serves } from "./Serves";
import { STAGE_INK } from "./stages";
import { Withdraw } from "./Withdraw";

const EDGE: Partial<Record<Account["stage"], string>> = {
  connected: "border-verdigris",
  "in-review": "border-saffron",
  begun: "border-saffron",
};

/** One account with the provider: where it stands and since when, and what can be done about it. */
export function AccountPart({ account, sheet }: { account: Account; sheet: Sheet }) {
  const mode = useMode();
  const search = useAccountSearch();
  const acts = useAccountActs(account.id, mode);
  const [connecting, setConnecting] = useState(false);
  const [telling, setTelling] = useState(false);
  const last = account.application.said.at(-1);
  const form = `/accounts/${sheet.provider}/application${search ? `${search}&` : "?"}account=${account.id}`;
  const waits = account.notifications;
  const told = sheet.accounts.length > 1 || account.name !== sheet.name;
  const fail = (refused: unknown) => toast.error(said(refused));

  return (
    <section
      aria-label={`Account ${account.name}`}
      className={`border-l-2 pl-4 my-4 ${EDGE[account.stage] ?? "border-copper"}`}
    >
      <p>
        {told && <strong className="font-semibold">{account.name}: </strong>}
        <strong className={`font-semibold ${STAGE_INK[account.stage]}`}>
          {account.stands} {account.since}
        </strong>
        {account.number && !account.elsewhere && (
          <span className="text-soft">, account {account.number}</span>
        )}
        . {account.waits_for}
      </p>
      {last && (account.stage === "question" || account.stage === "refused") && (
        <p className="border-l border-copper pl-3 my-1.5">
          <span className="text-soft">{last.refusal ? "The reason" : "The question"}:</span> “{last.said}”
        </p>
      )}
      <div className="mt-1.5 flex flex-wrap items-center gap-x-5 gap-y-1">
        {account.stage === "begun" && !sheet.own_gateway && (
          <Link to={form} className="text-verdigris font-semibold underline-offset-4 hover:underline">
            Go on with the application
          </Link>
        )}
        {(account.stage === "question" || account.stage === "refused") && (
          <Link to={form} className="text-verdigris font-semibold underline-offset-4 hover:underline">
            {account.stage === "question" ? "Answer it" : "Correct it and send it again"}
          </Link>
        )}
        {account.can.includes("connect") && account.stage !== "connected" && !connecting && (
          <Button
            look={account.stage === "approved" || sheet.own_gateway ? "strong" : "quiet"}
            onClick={() => setConnecting(true)}
          >
            {account.stage === "approved" || sheet.own_gateway
              ? "Connect it"
              : "I have an account there already"}
          </Button>
        )}
        {account.can.includes("withdraw") && <Withdraw account={account} sheet={sheet} />}
        {account.elsewhere && (
          <>
            <Button look="quiet" onClick={() => setTelling(!telling)}>
              Say it anew
            </Button>
            {account.can.includes("connect") && !connecting && (
              <Button look="quiet" onClick={() => setConnecting(true)}>
                Connect it here
              </Button>
            )}
            {account.can.includes("disconnect") && <Leave account={account} sheet={sheet} />}
          </>
        )}
        {account.stage === "connected" && !account.elsewhere && (
          <>
            {!connecting && sheet.connects === "credentials" && (
              <Button look="quiet" onClick={() => setConnecting(true)}>
                Put new credentials in place
              </Button>
            )}
            <Link
              to={`/accounts/${sheet.provider}/notifications${search ? `${search}&` : "?"}account=${account.id}`}
              className="text-soft underline decoration-rule underline-offset-4 hover:text-ink"
            >
              What was exchanged
            </Link>
            {account.can.includes("disconnect") && <Leave account={account} sheet={sheet} />}
          </>
        )}
        {account.can.includes("reconnect") && (
          <Button onClick={() => acts.reconnect.mutate(undefined, { onError: fail })}>
            Connect it again
          </Button>
        )}
        {account.can.includes("take-away") && (
          <Button
            look="quiet"
            onClick={async () => {
              const sentences = [`Monedero forgets the account. What ${sheet.name} holds stays there.`];
              const question = {
                title: `Take ${account.name} away?`,
                sentences,
                act: "Take it away for good",
              };
              if (await askFirst(question)) acts.takeAway.mutate(undefined, { onError: fail });
            }}
          >
            Take it away
          </Button>
        )}
        {account.can.includes("begin") && account.stage !== "not-begun" && (
          <BeginAgain provider={sheet.provider} />
        )}
      </div>
      {connecting && <Connect account={account} sheet={sheet} onDone={() => setConnecting(false)} />}
      {account.elsewhere && <p className="mt-1.5 text-soft">{account.elsewhere_text}</p>}
      {account.elsewhere && <LeavingTerms account={account} />}
      {telling && <HeldElsewhere sheet={sheet} account={account} onDone={() => setTelling(false)} />}
      {account.stage === "connected" && !account.elsewhere && (
        <>
          <dl className="mt-2 grid grid-cols-[9rem_minmax(0,1fr)] gap-x-4 text-small">
            {account.credentials.map((part) => (
              <div key={part.id} className="contents">
                <dt className="text-soft">{part.label}</dt>
                <dd>{part.shown}</dd>
              </div>
            ))}
            {account.connected_as && (
              <>
                <dt className="text-soft">Connected as</dt>
                <dd>{account.connected_as}</dd>
              </>
            )}
            {account.changed_at && (
              <>
                <dt className="text-soft">In place since</dt>
                <dd>{moment(account.changed_at)}</dd>
              </>
            )}
            {waits && (
              <>
                <dt className="text-soft">Notifications</dt>
                <dd className={waits.failing_since ? "text-copper font-medium" : ""}>
                  {waits.failing_since
                    ? `refused since ${moment(waits.failing_since)}`
                    : waits.last_seen
                      ? `last seen ${moment(waits.last_seen)}`
                      : "none seen yet"}{" "}
                  <Button
                    look="quiet"
                    onClick={() =>
                      acts.checkNotifications.mutate(undefined, {
                        onError: fail,
                        onSuccess: () => void toast("A notification was asked for."),
                      })
                    }
                  >
                    Try them
                  </Button>
                </dd>
              </>
            )}
          </dl>
          {sheet.domain_file && (
            <Domain sheet={sheet} check={() => acts.domain.mutate(undefined, { onError: fail })} />
          )}
          <Serves account={account} />
          <LeavingTerms account={account} />
          {account.id === sheet.provider && <SecondAccount sheet={sheet} />}
        </>
      )}
    </section>
  );
}

function BeginAgain({ provider }: { provider: string }) {
  const begin = useBegin(useMode());
  return (
    <Button
      look="quiet"
      onClick={() => begin.mutate({ provider }, { onError: (refused) => toast.error(said(refused)) })}
    >
      Apply anew
    </Button>
  );
}

function Domain({ sheet, check }: { sheet: Sheet; check: () => void }) {
  const search = useAccountSearch();
  const waiting = sheet.methods.filter((side) => side.needs_domain);
  if (waiting.length === 0) return null;
  return (
    <p className="mt-2">
      {waiting.map((side) => side.name).join(", ")} needs your domain checked:{" "}
      {sheet.domain ? (
        <>
          the file {sheet.domain_file} stands on {sheet.domain}.{" "}
          <Button onClick={check}>Let {sheet.name} look at it</Button>
        </>
      ) : (
        <span className="text-copper">
          your storefront has no domain of its own yet, so it is held back there.{" "}
          <Link to={`/shop${search}#storefronts`} className="underline underline-offset-4">
            Name one in Shop
          </Link>
          .
        </span>
      )}
    </p>
  );
}
