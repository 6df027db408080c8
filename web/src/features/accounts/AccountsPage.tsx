import { useState } from "react";
import { Link, NavLink, useNavigate, useParams, useSearchParams } from "react-router";
import { said } from "../../api/client";
import { useHandSearch } from "../../lib/handSearch";
import { Button } from "../../ui/Button";
import { Heading, OnItsWay, Trouble, Waiting } from "../../ui/Page";
import { Segments } from "../../ui/Segments";
import { SubNav } from "../../ui/SubNav";
import { type Mode, useAccountSearch, useMode } from "./mode";
import { OwnGateway } from "./OwnGateway";
import { ProviderSheet } from "./ProviderSheet";
import { useAccounts, useSheet } from "./queries";
import { STAGE_INK, STAGE_WORD } from "./stages";
import { VIEWS } from "./views";

const REFUSED: Record<string, string> = {
  "sign-in-forged":
    "That return does not belong to a connection that was begun in this browser a moment ago. Nothing was connected; begin again from the account.",
  "sign-in-denied": "It was not allowed at the provider. Nothing was connected.",
};

/** Every provider with where it stands, and the sheet of the one that is open. */
export function AccountsPage() {
  const { provider } = useParams();
  const [address] = useSearchParams();
  const mode = useMode();
  const search = useAccountSearch();
  const hand = useHandSearch();
  const navigate = useNavigate();
  const providers = useAccounts(mode).data?.providers;
  const open = provider ?? providers?.[0]?.provider;
  const [adding, setAdding] = useState(false);
  const refused = address.get("refused");
  if (!providers) return <OnItsWay />;

  function look(next: Mode) {
    const path = open ? `/accounts/${open}` : "/accounts";
    const more = next === "live" ? `${hand ? `${hand}&` : "?"}mode=live` : hand;
    void navigate(`${path}${more}`);
  }

  return (
    <>
      <SubNav label="Views of Accounts" search={search} views={VIEWS} open="/accounts" />
      <Heading title="Accounts" note={mode === "test" ? "in test mode: no money moves" : "in live mode"}>
        <Segments
          label="Mode of the accounts"
          value={mode}
          options={[
            { value: "test", label: "Test mode" },
            { value: "live", label: "Live mode" },
          ]}
          onPick={look}
        />
      </Heading>
      {refused && (
        <Trouble>{REFUSED[refused] ?? "The connection did not come about. Nothing was changed."}</Trouble>
      )}
      <div className="border-t border-ink" />
      {providers.length === 0 && (
        <p className="py-3 max-w-xl">
          No provider is known yet.{" "}
          <Link to={`/compare/new${hand}`} className="underline underline-offset-4">
            Type or paste the prices of one
          </Link>
          ; your own arrangements, such as a bank transfer, need no account at all.
        </p>
      )}
      <div className="grid lg:grid-cols-[11rem_minmax(0,1fr)] gap-x-8">
        <nav aria-label="Providers" className="lg:border-r border-rule-soft lg:pr-3">
          <ul className="max-lg:flex max-lg:flex-wrap max-lg:gap-x-6">
            {providers.map((entry) => (
              <li key={entry.provider} className="border-b border-rule-soft max-lg:border-0">
                <NavLink
                  to={`/accounts/${entry.provider}${search}`}
                  onClick={() => setAdding(false)}
                  className={`block py-1.5 ${entry.provider === open ? "font-semibold" : "hover:underline underline-offset-4 decoration-rule"}`}
                  aria-current={entry.provider === open ? "page" : undefined}
                >
                  {entry.name}
                  <span className={`block text-small font-normal ${STAGE_INK[entry.stage]}`}>
                    {STAGE_WORD[entry.stage]}
                  </span>
                </NavLink>
              </li>
            ))}
          </ul>
          <p className="mt-3">
            <Link to={`/compare/new${hand}`} className="text-verdigris font-semibold hover:underline">
              New provider
            </Link>
          </p>
          <Button look="quiet" className="mt-3 text-left text-small" onClick={() => setAdding(true)}>
            Add a gateway of your own
          </Button>
        </nav>
        {adding ? (
          <OwnGateway onDone={() => setAdding(false)} />
        ) : (
          open && <Open provider={open} mode={mode} />
        )}
      </div>
    </>
  );
}

function Open({ provider, mode }: { provider: string; mode: Mode }) {
  const sheet = useSheet(provider, mode);
  if (sheet.error) return <Trouble>{said(sheet.error)}</Trouble>;
  if (!sheet.data) return <Waiting>Working out what it would bring you</Waiting>;
  return <ProviderSheet sheet={sheet.data} />;
}
