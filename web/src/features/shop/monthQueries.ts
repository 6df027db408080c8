import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { answered, api, type Schema } from "../../api/client";
import { keys } from "../../api/keys";

export type Profile = Schema<"Profile">;
export type Cell = Schema<"Cell">;
export type Matching = Schema<"Matching">;
export type Look = Schema<"LookOut">;
export type Progress = Schema<"ProgressOut">;
type ProfileState = Schema<"ProfileState">;

/** The order profile with its version. */
export function useProfile() {
  return useQuery({ queryKey: keys.profile, queryFn: () => answered(api.GET("/api/profile")) });
}

/** Change the profile: made on the newest state that is known here, one change at a time. */
export function useChangeProfile() {
  const client = useQueryClient();
  return useMutation({
    scope: { id: "profile" },
    mutationFn: (change: (profile: Profile) => Profile) => {
      const held = client.getQueryData<ProfileState>(keys.profile);
      if (!held) throw new Error("The profile is not here yet.");
      return answered(
        api.PUT("/api/profile", { body: { version: held.version, profile: change(held.profile) } }),
      );
    },
    onSuccess: (saved) => {
      client.setQueryData(keys.profile, saved);
    },
  });
}

/** The profile that past orders would give. */
export function useDerived() {
  return useMutation({ mutationFn: () => answered(api.GET("/api/profile/derived")) });
}

/** Tells what is kept of past orders. */
export function usePastOrders() {
  return useQuery({ queryKey: keys.pastOrders, queryFn: () => answered(api.GET("/api/past-orders")) });
}

/** Take all past orders away. */
export function useClearPastOrders() {
  return useMutation({
    mutationFn: () => answered(api.DELETE("/api/past-orders")),
  });
}

/** Take a file in and see how it is understood. */
export function useTakeFile() {
  return useMutation({
    mutationFn: ({ file, signal }: { file: File; signal: AbortSignal }) =>
      answered(
        api.POST("/api/past-orders/files", {
          body: "",
          bodySerializer: () => file,
          signal,
          headers: { "Content-Type": "application/octet-stream" },
        }),
      ),
  });
}

/** See how a file is understood by another matching. */
export function useLook() {
  return useMutation({
    mutationFn: ({ file, matching }: { file: string; matching: Matching }) =>
      answered(
        api.POST("/api/past-orders/files/{file}/look", { params: { path: { file } }, body: matching }),
      ),
  });
}

/** Begin to read a file. */
export function useImport() {
  return useMutation({
    mutationFn: ({ file, matching }: { file: string; matching: Matching }) =>
      answered(
        api.POST("/api/past-orders/files/{file}/import", { params: { path: { file } }, body: matching }),
      ),
  });
}

/** How far a reading is; asked again and again until it has ended. */
export function useProgress(id: string | null) {
  return useQuery({
    queryKey: keys.progress(id ?? ""),
    queryFn: () => {
      const name = id ?? "";
      return answered(api.GET("/api/past-orders/imports/{name}", { params: { path: { name } } }));
    },
    enabled: id !== null,
    refetchInterval: (query) => (query.state.data && query.state.data.state !== "under-way" ? false : 150),
  });
}

/** Stop a reading; nothing of it is kept. */
export function useStopImport() {
  return useMutation({
    mutationFn: (name: string) =>
      answered(api.DELETE("/api/past-orders/imports/{name}", { params: { path: { name } } })),
  });
}
