import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { answered, api } from "../../api/client";
import { keys } from "../../api/keys";
import { useShop } from "../shop";

/** What the draft would change for buyers, and the editions. */
export function usePublication() {
  const described = Boolean(useShop().data?.shop);
  return useQuery({
    queryKey: keys.publication,
    queryFn: () => answered(api.GET("/api/publication")),
    enabled: described,
  });
}

/** Publish the draft that was looked at. */
export function usePublish() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (version: number) => answered(api.POST("/api/editions", { body: { version } })),
    onSettled: () => client.invalidateQueries(),
  });
}
