import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { answered, api } from "../api/client";
import { keys } from "../api/keys";
import { useHandSearch } from "../features/hand";
import { Heading, OnItsWay } from "../ui/Page";

/** The address of the order in hand, at a storefront. */
function at(search: string, storefront: string | null): string {
  if (!storefront) return search;
  const parts = new URLSearchParams(search);
  parts.set("storefront", storefront);
  return `?${parts}`;
}

/** Tells what to decide next: the desk's first screen, at most five sentences, each with the place where it is decided. */
export function NextPage() {
  const search = useHandSearch();
  const next = useQuery({ queryKey: keys.next, queryFn: () => answered(api.GET("/api/next")) });
  if (!next.data) return <OnItsWay />;
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
                  to={`${step.to}${at(search, step.storefront)}`}
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
