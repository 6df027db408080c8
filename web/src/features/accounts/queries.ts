import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { answered, api, type Schema } from "../../api/client";
import { keys } from "../../api/keys";
import { goTo } from "../../lib/page";
import { unlessTakenAway } from "../../ui/AskFirst";
import type { Mode } from "./mode";

export type Sheet = Schema<"SheetOut">;
export type Account = Schema<"AccountOut">;
export type Sides = Schema<"MethodSides">;
export type Business = Schema<"Business">;
type BusinessState = Schema<"BusinessState">;

/** Every provider with where it stands in a mode. */
export function useAccounts(mode: Mode = "test") {
  return useQuery({
    queryKey: [...keys.accounts, mode],
    queryFn: () => answered(api.GET("/api/accounts", { params: { query: { mode } } })),
  });
}

/** The sheet of a provider. */
export function useSheet(provider: string, mode: Mode) {
  return useQuery({
    queryKey: keys.sheet(provider, mode),
    queryFn: () =>
      answered(api.GET("/api/accounts/{provider}", { params: { path: { provider }, query: { mode } } })),
    retry: false,
    // Reviews end and methods are activated while one looks on.
    refetchInterval: 20_000,
  });
}

/** Tells what leaving an account would take away; asked when somebody is about to. */
export function useLeaving(account: string, mode: Mode, asked: boolean) {
  return useQuery({
    queryKey: keys.leaving(account, mode),
    queryFn: () =>
      answered(api.GET("/api/accounts/{id}/leaving", { params: { path: { id: account }, query: { mode } } })),
    enabled: asked,
  });
}

/** Tells what was said between the shop and the gateway of an account. */
export function useExchanges(account: string, mode: Mode, before: number | undefined) {
  return useQuery({
    queryKey: [...keys.exchanges(account, mode), before],
    queryFn: () =>
      answered(
        api.GET("/api/accounts/{id}/exchanges", {
          params: { path: { id: account }, query: { mode, ...(before ? { before } : {}) } },
        }),
      ),
    refetchInterval: 5000,
    placeholderData: keepPreviousData,
  });
}

/** Begin an application; a second account with a provider needs a name. */
export function useBegin(mode: Mode) {
  return useMutation({
    mutationFn: ({ provider, name }: { provider: string; name?: string }) =>
      answered(
        api.POST("/api/accounts/{provider}/begin", {
          params: { path: { provider } },
          body: { mode, name: name ?? null },
        }),
      ),
  });
}

/** Say that an account with a provider is held elsewhere. */
export function useHoldElsewhere(provider: string, mode: Mode) {
  return useMutation({
    mutationFn: async (body: Schema<"HeldElsewhere">) => {
      const params = { path: { provider }, query: { mode } };
      const asked = api.POST("/api/accounts/{provider}/elsewhere/would-change", { params, body });
      await unlessTakenAway(await answered(asked));
      return answered(api.PUT("/api/accounts/{provider}/elsewhere", { params, body }));
    },
  });
}

/** Put a gateway of the shop's own among the providers. */
export function useAddGateway() {
  return useMutation({
    mutationFn: (body: Schema<"GatewayNew">) => answered(api.POST("/api/gateways", { body })),
  });
}

/** Tells what can be done with one account. */
export function useAccountActs(id: string, mode: Mode) {
  const params = { path: { id }, query: { mode } };
  const act = <Given>(mutationFn: (given: Given) => Promise<unknown>) => ({
    mutationFn,
  });
  return {
    payout: useMutation(
      act((payout: string) => answered(api.PUT("/api/accounts/{id}/payout", { params, body: { payout } }))),
    ),
    sendCode: useMutation({
      mutationFn: (body: Schema<"PhoneNamed">) =>
        answered(api.POST("/api/accounts/{id}/phone", { params, body })),
    }),
    checkCode: useMutation(
      act((code: string) => answered(api.POST("/api/accounts/{id}/phone/code", { params, body: { code } }))),
    ),
    acceptTerms: useMutation(act(() => answered(api.POST("/api/accounts/{id}/terms", { params })))),
    send: useMutation(
      act((answer: string) => answered(api.POST("/api/accounts/{id}/send", { params, body: { answer } }))),
    ),
    paste: useMutation(
      act((fields: Record<string, string>) =>
        answered(api.POST("/api/accounts/{id}/credentials", { params, body: { fields } })),
      ),
    ),
    signIn: useMutation({
      mutationFn: () => answered(api.POST("/api/accounts/{id}/sign-in", { params })),
      onSuccess: (begun) => goTo(begun.go_to),
    }),
    email: useMutation(
      act((email: string) => answered(api.POST("/api/accounts/{id}/email", { params, body: { email } }))),
    ),
    domain: useMutation(act(() => answered(api.POST("/api/accounts/{id}/domain", { params })))),
    serves: useMutation(
      act(async (body: Schema<"Serves">) => {
        const asked = api.POST("/api/accounts/{id}/serves/would-change", { params, body });
        await unlessTakenAway(await answered(asked));
        return answered(api.PUT("/api/accounts/{id}/serves", { params, body }));
      }),
    ),
    leavingTerms: useMutation(
      act((body: Schema<"LeavingTermsTold">) =>
        answered(api.PUT("/api/accounts/{id}/leaving-terms", { params, body })),
      ),
    ),
    withdraw: useMutation(act(() => answered(api.POST("/api/accounts/{id}/withdraw", { params })))),
    disconnect: useMutation(act(() => answered(api.POST("/api/accounts/{id}/disconnect", { params })))),
    takeAway: useMutation(act(() => answered(api.DELETE("/api/accounts/{id}", { params })))),
    reconnect: useMutation(act(() => answered(api.POST("/api/accounts/{id}/reconnect", { params })))),
    checkNotifications: useMutation(
      act(() => answered(api.POST("/api/accounts/{id}/notifications/check", { params }))),
    ),
    newSecret: useMutation(
      act(() => answered(api.POST("/api/accounts/{id}/notifications/secret", { params }))),
    ),
  };
}

/** Take a provider away for good, with every version of its card. */
export function useRemoveProvider() {
  return useMutation({
    mutationFn: (provider: string) =>
      answered(api.DELETE("/api/providers/{provider}", { params: { path: { provider } } })),
  });
}

/** Count a kept notification by hand. */
export function useReplay() {
  return useMutation({
    mutationFn: (number: number) =>
      answered(api.POST("/api/exchanges/{number}/replay", { params: { path: { number } } })),
  });
}

/** The business as providers ask for it, with its papers. */
export function useBusiness() {
  return useQuery({ queryKey: keys.business, queryFn: () => answered(api.GET("/api/business")) });
}

/** Change the business: made on the newest state that is known here, one change at a time. */
export function useChangeBusiness() {
  const client = useQueryClient();
  return useMutation({
    scope: { id: "business" },
    mutationFn: (change: (business: Business) => Business) => {
      const held = client.getQueryData<BusinessState>(keys.business);
      if (!held) throw new Error("Your details are not here yet.");
      const body = { version: held.version, business: change(held.business) };
      return answered(api.PUT("/api/business", { body }));
    },
    onSuccess: (saved) => {
      client.setQueryData(keys.business, saved);
    },
  });
}

/** Keep a paper. */
export function useAddPaper() {
  return useMutation({
    mutationFn: ({ kind, file }: { kind: string; file: File }) =>
      answered(
        api.POST("/api/papers", {
          body: { kind: kind as "identity", file: "" },
          bodySerializer: () => {
            const form = new FormData();
            form.set("kind", kind);
            form.set("file", file);
            return form;
          },
        }),
      ),
  });
}

/** Take a paper away. */
export function useDropPaper() {
  return useMutation({
    mutationFn: (id: string) => answered(api.DELETE("/api/papers/{id}", { params: { path: { id } } })),
  });
}

/** The simulated phone and mailbox. */
export function useLetters() {
  return useQuery({
    queryKey: keys.letters,
    queryFn: () => answered(api.GET("/api/letters")),
    refetchInterval: 5000,
  });
}

/** The time in the shop. */
export function useClock() {
  return useQuery({
    queryKey: keys.clock,
    queryFn: () => answered(api.GET("/api/clock")),
    refetchInterval: 30_000,
  });
}

/** Wind the clock forward, in test mode. */
export function useWind() {
  return useMutation({
    mutationFn: (minutes: number) => answered(api.POST("/api/clock", { body: { minutes } })),
  });
}
