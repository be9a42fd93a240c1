import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { api } from "../api/client";
import type { Composed, Plan } from "../api/types";
import { useSettings } from "../ui/settings";
import { useFeed } from "./feed";

/** A line's tackle as it is drawn; the last one that could be computed while the plan cannot. */
export function useTackleView(line: number) {
  const units = useSettings((s) => s.units);
  const version = useFeed((s) => s.version);
  return useQuery({
    queryKey: ["tackle", version, line, units],
    queryFn: () => api.tackle(useFeed.getState().of as Plan, line, units),
    enabled: version > 0,
    staleTime: Infinity,
    gcTime: 5000,
    retry: false,
    placeholderData: keepPreviousData,
  });
}

/** A composed tackle resolved; asked for again only when it changes. */
export function useComposed(own: Composed | undefined, contactId: string) {
  return useQuery({
    queryKey: ["compose", own, contactId],
    queryFn: () => api.compose(own as Composed, contactId),
    enabled: own !== undefined,
    staleTime: Infinity,
    gcTime: 10_000,
    retry: false,
  });
}

/** Tackles that the crew has put together. */
export function useOwnTackles() {
  return useQuery({ queryKey: ["tackles"], queryFn: api.tackles, staleTime: 30_000, retry: false });
}
