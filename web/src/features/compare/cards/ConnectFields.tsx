import { between } from "../../../lib/lists";
import { type Option, Picker } from "../../../ui/Picker";
import { TextField } from "../../../ui/TextField";
import { Toggle } from "../../../ui/Toggle";
import { idOf } from "../../shop";
import type { Facts } from "./queries";

type Parts = NonNullable<Facts["credentials"]>;

interface Props {
  facts: Facts;
  save: (edit: (before: Facts) => Facts) => Promise<unknown>;
  pick: (part: Partial<Facts>) => void;
}

const CONNECTS: Option[] = [
  { value: "credentials", label: "by credentials that it gives you" },
  { value: "sign-in", label: "by signing in there" },
  { value: "email", label: "by the account's e-mail address" },
];
const PAGES: Option[] = [
  { value: "own-page", label: "on the provider's page" },
  { value: "embedded", label: "in a form of the provider's within yours" },
];

/** How the shop and its account come together, where each part of the credentials is found, and where buyers pay. */
export function ConnectFields({ facts, save, pick }: Props) {
  const credentials = facts.credentials ?? [];
  const change = (id: string, part: Partial<Parts[number]>) => (before: Facts) => ({
    ...before,
    credentials: (before.credentials ?? []).map((entry) => (entry.id === id ? { ...entry, ...part } : entry)),
  });

  return (
    <>
      <Picker
        showLabel
        label="Buyers pay"
        value={facts.payment_page ?? "own-page"}
        options={PAGES}
        onPick={(page) => pick({ payment_page: page as NonNullable<Facts["payment_page"]> })}
      />
      <Picker
        showLabel
        label="Connects"
        value={facts.connects ?? "credentials"}
        options={CONNECTS}
        onPick={(connects) => pick({ connects: connects as NonNullable<Facts["connects"]> })}
      />
      {facts.connects === "credentials" && (
        <TextField
          label="Parts of its credentials, between commas"
          value={credentials.map((part) => part.label).join(", ")}
          save={(text) =>
            save((before) => ({ ...before, credentials: partsOf(between(text), before.credentials ?? []) }))
          }
        />
      )}
      {facts.connects === "credentials" &&
        credentials.map((part) => (
          <div key={part.id} className="flex items-end gap-4">
            <div className="flex-1">
              <TextField
                wraps
                label={`${part.label}: where it is found`}
                value={part.found_at}
                save={(found_at) => save(change(part.id, { found_at }))}
              />
            </div>
            <span className="flex items-center gap-2 text-small text-soft h-8">
              <Toggle
                label={`${part.label} is a secret`}
                on={part.secret ?? true}
                onChange={(secret) => pick(change(part.id, { secret })(facts))}
              />
              secret
            </span>
          </div>
        ))}
    </>
  );
}

/** Parts of credentials by their labels; one that was there keeps what is known of it. */
function partsOf(labels: string[], before: Parts): Parts {
  return labels.map(
    (label) =>
      before.find((part) => part.label === label) ?? {
        id: idOf(label),
        label,
        found_at: "Where the provider shows it to you.",
        secret: true,
        file: false,
      },
  );
}
