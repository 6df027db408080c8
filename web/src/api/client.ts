import createClient from "openapi-fetch";
import type { components, paths } from "./schema";

export type Schema<Name extends keyof components["schemas"]> = components["schemas"][Name];
type Problem = Schema<"Problem">;

// What carries requests is looked up at each one, so that a test can answer them.
export const api = createClient<paths>({
  baseUrl: window.location.origin,
  fetch: (request) => fetch(request),
});

const UNREACHABLE: Problem = {
  type: "about:blank",
  title: "No answer",
  status: 503,
  detail: "Monedero does not answer. What you typed is still here, and is sent when it answers again.",
  mode: "test",
  errors: [],
};

/** An answer that is a problem document, to be shown where the value was given. */
export class Refusal extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail || problem.title);
  }

  /** Whether there was no answer at all: what was asked may be asked again as it is. */
  get unanswered(): boolean {
    return this.problem === UNREACHABLE;
  }

  /** Whether somebody else saved first. */
  get outdated(): boolean {
    return this.problem.errors.some((fault) => fault.code === "version-old");
  }
}

/** The data of an answer, or a `Refusal`. */
export async function answered<Data>(
  request: Promise<{ data?: Data; error?: unknown; response: Response }>,
): Promise<Data> {
  let result: { data?: Data; error?: unknown; response: Response };
  try {
    result = await request;
  } catch {
    throw new Refusal(UNREACHABLE);
  }
  if (!result.response.ok) {
    const problem = result.error as Problem | undefined;
    throw new Refusal(problem?.errors ? problem : { ...UNREACHABLE, status: result.response.status });
  }
  return result.data as Data;
}

/** What to say of anything that went wrong. */
export function said(problem: unknown): string {
  return problem instanceof Error ? problem.message : UNREACHABLE.detail;
}

/** What went wrong in a few words, above what is said of it. */
export function titleOf(problem: unknown): string {
  return problem instanceof Refusal ? problem.problem.title : UNREACHABLE.title;
}
