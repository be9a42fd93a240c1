import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { api } from "../api/client";
import type { Plan } from "../api/types";
import { useSettings } from "../ui/settings";

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

/** Tackles that the crew has put together. */
export function useOwnTackles() {
  return useQuery({ queryKey: ["tackles"], queryFn: api.tackles, staleTime: 30_000, retry: false });
}
