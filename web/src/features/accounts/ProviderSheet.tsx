import { useState } from "react";
import { Link, useNavigate } from "react-router";
import { toast } from "sonner";
import { said } from "../../api/client";
import { pageOf } from "../../lib/page";
import { Button } from "../../ui/Button";
import { AccountPart } from "./AccountPart";
import { HeldElsewhere } from "./HeldElsewhere";
import { MethodsTable } from "./MethodsTable";
import { useAccountSearch, useMode } from "./mode";
import { type Sheet, useBegin } from "./queries";
import { TakeAway } from "./TakeAway";

/** The sheet of a provider, like a letter of introduction: what it would bring, what it asks, where it stands. */
export function ProviderSheet({ sheet }: { sheet: Sheet }) {
  const mode = useMode();
  const search = useAccountSearch();
  const navigate = useNavigate();
  const begin = useBegin(mode);
  const held = sheet.excludes.filter((other) => other.held);
  const [elsewhere, setElsewhere] = useState(false);
  const begun = sheet.accounts.length > 0;
  return (
    <article aria-labelledby="provider" className="py-4 max-w-3xl">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h2 id="provider" className="text-2xl">
          {sheet.name}
        </h2>
        <p className="ml-auto text-small">
          {sheet.office ? (
            <a
              href={pageOf(sheet.office)}
              className="underline decoration-rule underline-offset-4 hover:decoration-ink"
            >
              Play {sheet.name} in its back office
            </a>
          ) : (
            <span className="text-soft">at {sheet.own_gateway}</span>
          )}
        </p>
      </div>
      <p className="font-serif text-lg mt-1">{sheet.about}</p>

      {sheet.accounts.map((account) => (
        <AccountPart key={account.id} account={account} sheet={sheet} />
      ))}
      {!begun && (
        <section aria-label="Where it stands" className="border-l-2 border-rule pl-4 my-4">
          <p>
            Nothing is begun with {sheet.name} in {mode} mode.
          </p>
          {held.length > 0 ? (
            <p className="text-copper font-medium">
              It cannot be on beside {held.map((other) => other.name).join(", ")}, which you hold.{" "}
              {held.map((other) => (
                <Link
                  key={other.provider}
                  to={`/accounts/${other.provider}${search}`}
                  className="underline underline-offset-4"
                >
                  Look at {other.name} first
                </Link>
              ))}
            </p>
          ) : (
            <p className="mt-2 flex flex-wrap items-center gap-4">
              <Button
                look="strong"
                disabled={begin.isPending}
                onClick={() =>
                  begin.mutate(
                    { provider: sheet.provider },
                    { onError: (refused) => toast.error(said(refused)) },
                  )
                }
              >
                {sheet.own_gateway ? "Use it" : "Begin the application"}
              </Button>
              {sheet.plans.length > 0 && !elsewhere && (
                <Button look="quiet" onClick={() => setElsewhere(true)}>
                  I hold an account there, and keep it where it is
                </Button>
              )}
              {!sheet.own_gateway && sheet.review_days > 0 && (
                <span className="text-soft basis-full">
                  Review takes about {sheet.review_days} {sheet.review_days === 1 ? "day" : "days"}; your own
                  arrangements can take orders meanwhile.
                </span>
              )}
            </p>
          )}
          {elsewhere && <HeldElsewhere sheet={sheet} onDone={() => setElsewhere(false)} />}
        </section>
      )}

      <Part title="What it would bring you">
        {sheet.shut.length > 0 ? (
          <p className="text-copper font-medium">Not open to this shop: {sheet.shut.join("; ")}.</p>
        ) : (
          <p>
            Its methods can carry {sheet.brings.orders} of the {sheet.brings.of_orders} orders of your month (
            {sheet.brings.percent} %). {sheet.brings.saves}
          </p>
        )}
        {sheet.unlocks.length > 0 && <p>It alone brings: {sheet.unlocks.join("; ")}.</p>}
        <MethodsTable sheet={sheet} />
      </Part>

      {sheet.asks.length > 0 && (
        <Part title="What it asks">
          <ul className="grid sm:grid-cols-2 gap-x-8">
            {sheet.asks.map((ask) => (
              <li key={ask.ask} className="flex gap-3 border-b border-rule-soft py-1">
                <span
                  className={`w-16 shrink-0 text-small ${ask.there ? "text-verdigris" : "text-copper font-medium"}`}
                >
                  {ask.there ? "there" : "missing"}
                </span>
                <span>{ask.text}</span>
              </li>
            ))}
          </ul>
          <p className="mt-1.5 text-small">
            <Link to={`/accounts/papers${search}`} className="underline underline-offset-4 decoration-rule">
              Your details and papers
            </Link>{" "}
            <span className="text-soft">are typed once and used for every provider.</span>
          </p>
        </Part>
      )}

      <Part title="On what terms">
        <p>
          {sheet.terms ? `${sheet.terms}.` : "No terms are told on its card."} {sheet.connects_text}
        </p>
        {sheet.excludes
          .filter((other) => !other.held || begun)
          .map((other) => (
            <p key={other.provider} className={other.held ? "text-copper" : ""}>
              It cannot be on beside {other.name}
              {other.held && ", which you hold"}
              {other.unlocks.length > 0 ? `; ${other.name} alone brings ${other.unlocks.join("; ")}` : ""}.
            </p>
          ))}
      </Part>
      {sheet.own_gateway && (
        <TakeAway
          provider={sheet.provider}
          name={sheet.name}
          onGone={() => void navigate(`/accounts${search}`)}
        />
      )}
    </article>
  );
}

function Part({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <section className="mt-5">
      <h3 className="text-soft text-figure border-b border-rule pb-0.5 mb-1.5 font-sans">{title}</h3>
      {children}
    </section>
  );
}
