import createClient from "openapi-fetch";
import type { components, paths } from "./schema";

export type Schema<Name extends keyof components["schemas"]> = components["schemas"][Name];
type Problem = Schema<"Problem">;

// The function that carries requests is looked up at each one, so that a test can answer them.
export const api = createClient<paths>({
  baseUrl: window.location.origin,
  fetch: async (request) => {
    try {
      return await fetch(request);
    } catch {
      throw new Refusal(UNREACHABLE, isDoneOnce(request));
    }
  },
});

const UNREACHABLE: Problem = {
  type: "about:blank",
  title: "No answer",
  status: 503,
  detail: "Monedero does not answer. Try again in a moment.",
  mode: "test",
  errors: [],
};

/** Say in other words that nobody answers: a page that buyers see says it in their language. */
export function sayUnanswered(title: string, detail: string): void {
  UNREACHABLE.title = title;
  UNREACHABLE.detail = detail;
}

/**
 * True if a request that is sent twice is done once: what is saved over a version, taken away, or sent under a key. Other
 * requests may have been done although no answer came.
 */
function isDoneOnce(request: Request): boolean {
  if (request.method !== "POST") return true;
  const { pathname } = new URL(request.url);
  return (
    (request.headers.get("idempotency-key") ?? "") !== "" ||
    pathname.endsWith("/go-on") ||
    pathname.startsWith("/api/checkouts/") ||
    pathname.startsWith("/api/records/")
  );
}

/** An answer that is a problem document, to be shown where the value was given. */
export class Refusal extends Error {
  constructor(
    readonly problem: Problem,
    readonly isSentAgain = false,
  ) {
    super(problem.detail || problem.title);
  }

  /** True if there was no answer at all: what was asked may be asked again as it is. */
  get unanswered(): boolean {
    return this.problem === UNREACHABLE;
  }

  /** True if somebody else saved first. */
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
  } catch (failed) {
    throw failed instanceof Refusal ? failed : new Refusal(UNREACHABLE);
  }
  if (!result.response.ok) {
    const problem = result.error as Problem | undefined;
    throw new Refusal(problem?.errors ? problem : { ...UNREACHABLE, status: result.response.status });
  }
  return result.data as Data;
}

/** How long until what was not answered is sent again, in milliseconds. */
export const AGAIN_MS = 3000;

/** Call back once somebody answers again, asking every few seconds; what is returned ends the asking. */
export function onceAnswered(then: () => void): () => void {
  const timer = setInterval(() => {
    api.GET("/api/clock").then(
      () => {
        clearInterval(timer);
        then();
      },
      () => undefined,
    );
  }, AGAIN_MS);
  return () => clearInterval(timer);
}

/** How acts are sent: what nobody answers is sent again until somebody does, if it is done once however often it is sent. */
export const SENT_AGAIN = {
  networkMode: "always",
  retry: (_count: number, failed: unknown) => failed instanceof Refusal && failed.isSentAgain,
  retryDelay: AGAIN_MS,
} as const;

/** True if the server failed, or nobody answered: another try may do, whatever was asked. */
export function isFailure(failed: unknown): boolean {
  return !(failed instanceof Refusal) || failed.problem.status >= 500;
}

/** True if what was asked was refused as it was asked: nothing but other words will do. */
export function isRefused(failed: unknown): boolean {
  return failed instanceof Refusal && !isFailure(failed);
}

/** Tells what to say of anything that went wrong. */
export function said(problem: unknown): string {
  return problem instanceof Error ? problem.message : UNREACHABLE.detail;
}

/** Tells what went wrong in a few words, above what is said of it. */
export function titleOf(problem: unknown): string {
  return problem instanceof Refusal ? problem.problem.title : UNREACHABLE.title;
}
