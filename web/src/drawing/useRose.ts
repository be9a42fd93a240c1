import { useQuery } from "@tanstack/react-query";
import { api } from "../api/client";
import type { Plan } from "../api/types";

/** The lay rose of a plan; the last one stays while the next is worked out. */
export function useRose(plan: Plan, wanted: boolean) {
  // The lay itself and the lines' own bearings do not change the rose.
  const key = JSON.stringify({
    tree: plan.tree,
    cut: plan.cut,
    wind: plan.wind,
    site: plan.site,
    policy: plan.policy,
    main: { ...plan.lines[0], anchor: { ...plan.lines[0]?.anchor, bearingDeg: 0 } },
  });
  const query = useQuery({
    queryKey: ["rose", key],
    queryFn: ({ signal }) => api.rose(plan, 5, signal),
    enabled: wanted,
    staleTime: Infinity,
    gcTime: 5000,
    retry: false,
    placeholderData: (before) => before,
  });
  return query.data;
}
