import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { answered, api } from "../api/client";
import { keys } from "../api/keys";
import { useHandSearch } from "../features/hand";
import { Heading } from "../ui/Page";

/** What to decide next: the desk's first screen, at most five sentences, each with the place where it is decided. */
export function NextPage() {
  const search = useHandSearch();
  const next = useQuery({ queryKey: keys.next, queryFn: () => answered(api.GET("/api/next")) });
  if (!next.data) return null;
  const { steps } = next.data;
  return (
    <>
      <Heading title="What to decide next" />
      {steps.length === 0 ? (
        <p className="border-t border-ink pt-3">
          Nothing waits for you.{" "}
          <Link
            to={`/compare${search}`}
            className="text-verdigris font-semibold underline underline-offset-4"
          >
            Compare what each way costs
          </Link>
        </p>
      ) : (
        <ol className="border-t border-ink max-w-3xl">
          {steps.map((step) => (
            <li key={step.text} className="border-b border-rule py-4">
              <p className="font-serif text-lg">{step.text}</p>
              <p className="mt-1">
                <Link
                  to={`${step.to}${search}`}
                  className="text-verdigris font-semibold underline underline-offset-4"
                >
                  {step.act}
                </Link>
              </p>
            </li>
          ))}
        </ol>
      )}
    </>
  );
}
