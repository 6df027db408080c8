import { type FormEvent, useId, useState } from "react";
import { Refusal, said } from "../../api/client";
import { useTyped } from "../../lib/useTyped";
import { Button } from "../../ui/Button";
import { InputField } from "../../ui/InputField";
import { Trouble } from "../../ui/Page";
import { useMode } from "./mode";
import { type Account, type Sheet, useAccountActs } from "./queries";

interface Props {
  account: Account;
  sheet: Sheet;
  onDone: () => void;
}

/** Connecting an account in the provider's way: a sign-in, credentials, or an address. */
export function Connect(props: Props) {
  const { sheet, onDone } = props;
  return (
    <div className="bg-sheet border-t border-rule px-4 py-3 mt-2">
      {sheet.connects === "sign-in" && <SignIn {...props} />}
      {sheet.connects === "credentials" && <Credentials {...props} />}
      {sheet.connects === "email" && <Email {...props} />}
      <Button look="quiet" className="mt-2" onClick={onDone}>
        Not now
      </Button>
    </div>
  );
}

function SignIn({ account, sheet }: Props) {
  const acts = useAccountActs(account.id, useMode());
  return (
    <>
      <p className="mb-2">
        You sign in at {sheet.name}, allow Monedero to begin, take and refund payments, and come back here.
      </p>
      {acts.signIn.error && <Trouble>{said(acts.signIn.error)}</Trouble>}
      <Button look="strong" disabled={acts.signIn.isPending} onClick={() => acts.signIn.mutate()}>
        Sign in at {sheet.name}
      </Button>
    </>
  );
}

function Credentials({ account, sheet, onDone }: Props) {
  const mode = useMode();
  const acts = useAccountActs(account.id, mode);
  const [fields, setFields] = useState<Record<string, string>>({});
  const refused = acts.paste.error;
  const errors = refused instanceof Refusal ? refused.problem.errors : [];
  const whole = errors.filter((error) => !sheet.fields.some((field) => `fields.${field.id}` === error.field));

  function paste(event: FormEvent) {
    event.preventDefault();
    acts.paste.mutate(fields, { onSuccess: onDone });
  }

  return (
    <form onSubmit={paste} className="grid gap-3">
      <p>
        Paste the {mode} credentials of your {sheet.name} account. They are checked with {sheet.name} before
        they are kept, and what is in place now works until then.
      </p>
      {sheet.fields.map((field) => (
        <Field
          key={field.id}
          label={field.label}
          found={field.found_at}
          file={field.file}
          secret={field.secret}
          value={fields[field.id] ?? ""}
          problem={errors.find((error) => error.field === `fields.${field.id}`)?.detail ?? ""}
          onChange={(value) => setFields((before) => ({ ...before, [field.id]: value }))}
        />
      ))}
      {whole.length > 0 && <Trouble>{whole.map((error) => error.detail).join(" ")}</Trouble>}
      {refused && errors.length === 0 && <Trouble>{said(refused)}</Trouble>}
      <div>
        <Button look="strong" type="submit" disabled={acts.paste.isPending}>
          {acts.paste.isPending ? `Asking ${sheet.name}` : "Check and connect"}
        </Button>
      </div>
    </form>
  );
}

interface FieldProps {
  label: string;
  found: string;
  file: boolean;
  secret: boolean;
  value: string;
  problem: string;
  onChange: (value: string) => void;
}

function Field({ label, found, file, secret, value, problem, onChange }: FieldProps) {
  const id = useId();
  const shared = {
    id,
    "aria-describedby": `${id}-note`,
    "aria-invalid": problem !== "",
  };
  return (
    <div>
      <label htmlFor={id} className="block text-small text-soft">
        {label}
      </label>
      {file ? (
        <input
          {...shared}
          type="file"
          accept=".pem,.crt,.cer"
          onChange={(event) => {
            const chosen = event.target.files?.[0];
            if (chosen) void chosen.text().then(onChange);
          }}
          className="block text-small py-1"
        />
      ) : (
        <input
          {...shared}
          type={secret ? "password" : "text"}
          value={value}
          autoComplete="off"
          spellCheck={false}
          onChange={(event) => onChange(event.target.value)}
          className={`w-full max-w-md h-8 border-b bg-transparent px-1 ${problem ? "border-copper border-b-2" : "border-rule hover:border-ink focus:border-ink"}`}
        />
      )}
      <div id={`${id}-note`} className="text-small">
        {problem && (
          <p role="alert" className="text-copper font-medium">
            {problem}
          </p>
        )}
        <p className="text-soft">{found}</p>
      </div>
    </div>
  );
}

function Email({ account, sheet }: Props) {
  const acts = useAccountActs(account.id, useMode());
  const email = useTyped(`address with ${sheet.provider}`);
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        acts.email.mutate(email.text, { onSuccess: email.forget });
      }}
    >
      <InputField
        label={`E-mail address of your ${sheet.name} account`}
        value={email.text}
        onChange={email.type}
        width="max-w-md"
        autoComplete="email"
      />
      {acts.email.error && <Trouble>{said(acts.email.error)}</Trouble>}
      {acts.email.isSuccess && (
        <p role="status" className="mt-1">
          {sheet.name} has written to that address. Open the link in the mail within a day; it lies in your
          simulated mailbox.
        </p>
      )}
      <Button look="strong" type="submit" className="mt-2" disabled={acts.email.isPending}>
        Let {sheet.name} write there
      </Button>
    </form>
  );
}
