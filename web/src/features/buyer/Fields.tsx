import { useId } from "react";
import { Refusal, type Schema } from "../../api/client";

interface Props {
  fields: Schema<"FieldOut">[];
  answers: Record<string, string>;
  /** Tells what was wrong with what was sent before; each fault stands at its field. */
  problem: unknown;
  chooseOne: string;
  onAnswer: (field: string, answer: string) => void;
}

/** Tells what was refused about a field of what was sent, by its place in it. */
export function faultAt(problem: unknown, place: string): string {
  if (!(problem instanceof Refusal)) return "";
  return problem.problem.errors.find((fault) => fault.field === place)?.detail ?? "";
}

/** The fields that a way to pay asks its buyer to fill in. */
export function Fields({ fields, answers, problem, chooseOne, onAnswer }: Props) {
  const id = useId();
  return (
    <>
      {fields.map((field) => {
        const fault = faultAt(problem, `answers.${field.id}`);
        const given = {
          id: `${id}-${field.id}`,
          value: answers[field.id] ?? "",
          required: field.needed,
          "aria-invalid": fault !== "",
          "aria-describedby": fault ? `${id}-${field.id}-fault` : undefined,
          className: `w-full h-9 border-b bg-transparent px-1 hover:border-ink focus:border-ink ${fault ? "border-copper border-b-2" : "border-rule"}`,
        };
        return (
          <div key={field.id} className="mt-2">
            <label htmlFor={`${id}-${field.id}`} className="block text-small text-soft">
              {field.label}
            </label>
            {field.kind === "choice" ? (
              <select {...given} onChange={(event) => onAnswer(field.id, event.target.value)}>
                <option value="">{chooseOne}</option>
                {field.choices.map((choice) => (
                  <option key={choice} value={choice}>
                    {choice}
                  </option>
                ))}
              </select>
            ) : (
              <input
                {...given}
                type={field.kind === "date" ? "date" : "text"}
                inputMode={field.kind === "number" ? "decimal" : "text"}
                maxLength={300}
                onChange={(event) => onAnswer(field.id, event.target.value)}
              />
            )}
            {fault && (
              <p
                id={`${id}-${field.id}-fault`}
                role="alert"
                className="text-small text-copper font-medium mt-1"
              >
                {fault}
              </p>
            )}
          </div>
        );
      })}
    </>
  );
}
