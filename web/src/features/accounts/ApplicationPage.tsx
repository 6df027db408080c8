import { useState } from "react";
import { Link, useParams, useSearchParams } from "react-router";
import { toast } from "sonner";
import { Refusal, said } from "../../api/client";
import { moment } from "../../lib/time";
import { useTyped } from "../../lib/useTyped";
import { Button } from "../../ui/Button";
import { InputField } from "../../ui/InputField";
import { Heading, Trouble } from "../../ui/Page";
import { Picker } from "../../ui/Picker";
import { Segments } from "../../ui/Segments";
import { SubNav } from "../../ui/SubNav";
import { useAccountSearch, useMode } from "./mode";
import { Papers } from "./Papers";
import { type Account, type Sheet, useAccountActs, useBusiness, useSheet } from "./queries";
import { VIEWS } from "./views";

/** The application to one provider: what it asks, section by section; every section is kept as it is filled in. */
export function ApplicationPage() {
  const { provider = "" } = useParams();
  const [address] = useSearchParams();
  const mode = useMode();
  const search = useAccountSearch();
  const sheet = useSheet(provider, mode);
  const account =
    sheet.data?.accounts.find((entry) => entry.id === address.get("account")) ?? sheet.data?.accounts[0];
  return (
    <>
      <SubNav label="Views of Accounts" search={search} views={VIEWS} open="/accounts" />
      {sheet.error && <Trouble>{said(sheet.error)}</Trouble>}
      {sheet.data && !account && (
        <p>
          No application with {sheet.data.name} is begun in {mode} mode.{" "}
          <Link to={`/accounts/${provider}${search}`} className="underline underline-offset-4">
            Begin it on its sheet
          </Link>
        </p>
      )}
      {sheet.data && account && <Form key={account.id} sheet={sheet.data} account={account} />}
    </>
  );
}

function Form({ sheet, account }: { sheet: Sheet; account: Account }) {
  const mode = useMode();
  const search = useAccountSearch();
  const acts = useAccountActs(account.id, mode);
  const answer = useTyped(`answer ${account.id} ${mode}`);
  const { application } = account;
  const editable = account.can.includes("edit");
  const asks = new Map(sheet.asks.map((ask) => [ask.ask, ask]));
  const missing = application.missing.length;
  const answering = account.stage === "question" || account.stage === "refused";
  const refused = acts.send.error;

  return (
    <>
      <Heading title={`Application to ${sheet.name}`} note={`${account.stands} ${account.since}`}>
        <Link
          to={`/accounts/${sheet.provider}${search}`}
          className="text-soft underline decoration-rule underline-offset-4 hover:text-ink"
        >
          Its sheet
        </Link>
      </Heading>
      <div className="border-t border-ink pt-3 max-w-3xl">
        {application.said.map((entry) => (
          <p key={entry.at} className="border-l-2 border-copper pl-3 mb-2">
            {sheet.name} {entry.refusal ? "refused it" : "asked"} on {moment(entry.at)}: “{entry.said}”
            {entry.answer && <span className="block text-soft">You answered: “{entry.answer}”</span>}
          </p>
        ))}
        <p className="text-soft mb-3">
          Everything is kept as you fill it in; leave and come back when you like. What every provider asks is
          typed once, under{" "}
          <Link to={`/accounts/papers${search}`} className="underline underline-offset-4">
            your details and papers
          </Link>
          .
        </p>
        {(["legal", "people"] as const).map(
          (ask) =>
            asks.has(ask) && (
              <Row key={ask} there={asks.get(ask)?.there ?? false} text={asks.get(ask)?.text ?? ""}>
                <Link to={`/accounts/papers${search}#${ask}`} className="underline underline-offset-4">
                  {asks.get(ask)?.there ? "Look at it" : "Fill it in"}
                </Link>
              </Row>
            ),
        )}
        {asks.has("payout-account") && (
          <Row
            there={asks.get("payout-account")?.there ?? false}
            text={asks.get("payout-account")?.text ?? ""}
          >
            <Payout account={account} />
          </Row>
        )}
        {sheet.asks
          .filter((ask) => PAPER_ASKS.has(ask.ask))
          .map((ask) => (
            <Row key={ask.ask} there={ask.there} text={ask.text}>
              <Papers kind={ask.ask} name={ask.text} />
            </Row>
          ))}
        {sheet.asks
          .filter((ask) => FACT_ASKS.has(ask.ask))
          .map((ask) => (
            <Row key={ask.ask} there={ask.there} text={ask.text}>
              <Link to={`/accounts/papers${search}#facts`} className="underline underline-offset-4">
                {ask.there ? "Look at it" : "Say that it is there"}
              </Link>
            </Row>
          ))}
        {asks.has("phone") && (
          <Row there={asks.get("phone")?.there ?? false} text={asks.get("phone")?.text ?? ""}>
            <Phone account={account} />
          </Row>
        )}
        {asks.has("terms") && (
          <Row there={asks.get("terms")?.there ?? false} text={asks.get("terms")?.text ?? ""}>
            {application.terms_accepted_at ? (
              <span>
                version {application.terms_version}, accepted {moment(application.terms_accepted_at)}
              </span>
            ) : (
              <Button
                onClick={() =>
                  acts.acceptTerms.mutate(undefined, { onError: (problem) => toast.error(said(problem)) })
                }
              >
                Accept version {sheet.terms_version}
              </Button>
            )}
            <span className="block text-small text-soft mt-1">
              {sheet.terms || "No terms are told on its card."}
            </span>
          </Row>
        )}
        {editable ? (
          <div className="mt-4">
            {answering && (
              <label className="block mb-2">
                <span className="block text-small text-soft">Your answer to {sheet.name}</span>
                <textarea
                  value={answer.text}
                  maxLength={300}
                  onChange={(event) => answer.type(event.target.value)}
                  rows={2}
                  className="w-full border border-rule bg-transparent px-2 py-1 hover:border-ink focus:border-ink"
                />
              </label>
            )}
            {refused && (
              <Trouble>
                {refused instanceof Refusal
                  ? refused.problem.errors.map((error) => error.detail).join(" ")
                  : said(refused)}
              </Trouble>
            )}
            <Button
              look="strong"
              disabled={acts.send.isPending}
              onClick={() => acts.send.mutate(answer.text, { onSuccess: () => answer.type("") })}
            >
              {answering ? "Send the answer" : `Send the application to ${sheet.name}`}
            </Button>{" "}
            <span className="text-soft ml-3">
              {missing > 0
                ? `${missing} ${missing === 1 ? "thing is" : "things are"} missing`
                : `review takes about ${sheet.review_days} ${sheet.review_days === 1 ? "day" : "days"}`}
            </span>
          </div>
        ) : (
          <p className="mt-4">
            <strong className="font-semibold">
              {account.stands} {account.since}.
            </strong>{" "}
            {account.waits_for}
          </p>
        )}
      </div>
    </>
  );
}

const PAPER_ASKS = new Set(["identity", "register-extract", "yearly-accounts", "card-data-answers"]);
const FACT_ASKS = new Set(["return-policy", "privacy-policy", "lines-listed", "storefront-open"]);

function Row({ there, text, children }: { there: boolean; text: string; children: React.ReactNode }) {
  return (
    <section className="grid grid-cols-[5rem_minmax(0,16rem)_minmax(0,1fr)] gap-x-5 border-b border-rule-soft py-2">
      <span className={`text-small pt-0.5 ${there ? "text-verdigris" : "text-copper font-medium"}`}>
        {there ? "there" : "missing"}
      </span>
      <h2 className="font-sans text-figure font-medium first-letter:uppercase">{text}</h2>
      <div>{children}</div>
    </section>
  );
}

function Payout({ account }: { account: Account }) {
  const business = useBusiness().data?.business;
  const search = useAccountSearch();
  const acts = useAccountActs(account.id, useMode());
  const held = business?.payout_accounts ?? [];
  if (held.length === 0) {
    return (
      <Link to={`/accounts/papers${search}#payouts`} className="underline underline-offset-4">
        Add an account
      </Link>
    );
  }
  return (
    <Picker
      label={`Account for payouts from ${account.name}`}
      value={account.application.payout ?? business?.payout ?? ""}
      options={held.map((entry) => ({
        value: entry.id,
        label: `${entry.holder}, ends in ${(entry.iban ?? entry.account_number ?? "").slice(-4)}`,
      }))}
      onPick={(payout) => acts.payout.mutate(payout, { onError: (refused) => toast.error(said(refused)) })}
    />
  );
}

function Phone({ account }: { account: Account }) {
  const mode = useMode();
  const acts = useAccountActs(account.id, mode);
  const search = useAccountSearch();
  const { phone, phone_confirmed } = account.application;
  const number = useTyped(`number ${account.id} ${mode}`, phone);
  const [way, setWay] = useState<"text" | "call">("text");
  const [code, setCode] = useState("");
  const [again, setAgain] = useState(false);
  // A code that was sent can be given after leaving the page and coming back.
  const sent = acts.sendCode.isSuccess || (phone !== "" && !phone_confirmed);
  const trouble = acts.checkCode.error ?? acts.sendCode.error;
  if (phone_confirmed && !again) {
    return (
      <span>
        {phone}, confirmed{" "}
        <Button look="quiet" onClick={() => setAgain(true)}>
          Another number
        </Button>
      </span>
    );
  }
  return (
    <div>
      <form
        className="flex flex-wrap items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          acts.checkCode.reset();
          acts.sendCode.mutate({ phone: number.text, way }, { onSuccess: number.forget });
        }}
      >
        <InputField
          label="Number"
          value={number.text}
          onChange={number.type}
          width="w-44"
          autoComplete="tel"
        />
        <Segments
          label="How the code comes"
          value={way}
          options={[
            { value: "text", label: "by text" },
            { value: "call", label: "by call" },
          ]}
          onPick={setWay}
        />
        <Button type="submit">{sent ? "Send it again" : "Send a code"}</Button>
      </form>
      {sent && (
        <form
          className="flex flex-wrap items-end gap-3 mt-2"
          onSubmit={(event) => {
            event.preventDefault();
            acts.checkCode.mutate(code, {
              onSuccess: () => {
                setAgain(false);
                setCode("");
              },
            });
          }}
        >
          <InputField
            label="Code of six digits"
            value={code}
            onChange={setCode}
            width="w-28"
            inputMode="numeric"
            autoComplete="one-time-code"
          />
          <Button type="submit">Confirm the number</Button>
          <span className="text-small text-soft">
            {acts.sendCode.data
              ? `good until ${moment(acts.sendCode.data.good_until)}; `
              : "good for ten minutes; "}
            it lies in{" "}
            <Link to={`/accounts/letters${search}`} className="underline underline-offset-4">
              your simulated phone
            </Link>
          </span>
        </form>
      )}
      {trouble && <Trouble>{said(trouble)}</Trouble>}
    </div>
  );
}
