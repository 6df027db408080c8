import { QueryClientProvider } from "@tanstack/react-query";
import { render } from "@testing-library/react";
import type { ReactNode } from "react";
import { BrowserRouter, MemoryRouter } from "react-router";
import { answersKept } from "../api/revisions";

export interface Asked {
  method: string;
  path: string;
  body: unknown;
}

interface Answered {
  status?: number;
  body: unknown;
  revisions?: string;
}

/** Tells what a server of a test answers to a request: a body, and the revisions at which the shop is then; or never. */
export type Answer = (asked: Asked) => Answered | Promise<Answered>;

/** Let `fetch` be answered by a test. What was asked is in the list that is given back. */
export function answering(answer: Answer): Asked[] {
  const asked: Asked[] = [];
  globalThis.fetch = async (input: RequestInfo | URL) => {
    const request = input as Request;
    const text = await request.text();
    const { pathname } = new URL(request.url);
    const entry = { method: request.method, path: pathname, body: text ? JSON.parse(text) : undefined };
    asked.push(entry);
    const { status = 200, body, revisions } = await answer(entry);
    const headers = new Headers({ "Content-Type": "application/json" });
    if (revisions) headers.set("Monedero-Revisions", revisions);
    return new Response(JSON.stringify(body), { status, headers });
  };
  return asked;
}

/** Render a part of the desk with a cache and an address of its own. */
export function shown(part: ReactNode) {
  return render(<MemoryRouter>{cached(part)}</MemoryRouter>);
}

/** Render a part of the desk under the window's own address. */
export function shownAt(address: string, part: ReactNode) {
  window.history.replaceState(null, "", address);
  return render(<BrowserRouter>{cached(part)}</BrowserRouter>);
}

function cached(part: ReactNode) {
  return <QueryClientProvider client={answersKept()}>{part}</QueryClientProvider>;
}
