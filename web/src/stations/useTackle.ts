import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { api } from "../api/client";
import type { Plan } from "../api/types";
import { useSettings } from "../ui/settings";
import type { Composed } from "./compose";

/** A line's tackle as it is drawn; the last one that could be reckoned while the plan cannot. */
export function useTackleView(plan: Plan | undefined, line: number) {
  const units = useSettings((s) => s.units);
  return useQuery({
    queryKey: ["tackle", plan, line, units],
    queryFn: () => api.tackle(plan as Plan, line, units),
    enabled: plan !== undefined,
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
