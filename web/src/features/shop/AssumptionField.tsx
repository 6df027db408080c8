import { Picker } from "../../ui/Picker";
import { TextField } from "../../ui/TextField";
import { type Assumption, useAssume } from "./assumptions";

const UNITS: Record<string, string> = { percent: "%", minutes: "min" };

interface Props {
  assumption: Assumption;
  currency: string;
  /** The name is only read out if it stands elsewhere in the row. */
  hideName?: boolean;
}

/** An assumption beside the figure that it moves: typed in place, with where its default comes from. */
export function AssumptionField({ assumption, currency, hideName }: Props) {
  const assume = useAssume();
  const { id, about, about_name, name, unit, value, typed, source } = assumption;
  const full = about === "*" ? name : `${name}, ${about_name}`;
  const keep = (text: string) => assume.mutateAsync({ id, about, value: text || null });
  return (
    <div className="flex items-center gap-2">
      {!hideName && (
        <span className="text-soft" aria-hidden>
          {full}
        </span>
      )}
      {unit === "yes-no" ? (
        <div className="w-16">
          <Picker
            label={full}
            value={value ?? "no"}
            options={[
              { value: "yes", label: "yes" },
              { value: "no", label: "no" },
            ]}
            onPick={(picked) => void keep(picked)}
          />
        </div>
      ) : (
        <TextField
          width="w-24"
          align="right"
          label={full}
          hideLabel
          value={value ?? ""}
          suffix={UNITS[unit] ?? currency}
          save={keep}
        />
      )}
      <span className="text-small text-soft">
        {typed ? (
          <>
            yours{" "}
            <button
              type="button"
              className="underline decoration-rule underline-offset-4 hover:text-ink min-h-6"
              aria-label={`Go back to the default of ${full}`}
              onClick={() => assume.mutate({ id, about, value: null })}
            >
              back to the default
            </button>
          </>
        ) : value === null ? (
          "not assumed: counts as all"
        ) : (
          source
        )}
      </span>
    </div>
  );
}
