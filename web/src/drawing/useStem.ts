import { useQuery } from "@tanstack/react-query";
import { useDeferredValue } from "react";
import { api } from "../api/client";
import type { Plan, StemProfile } from "../api/types";

/** Bending along the stem and other seats of a line; the last one stays while the next is reckoned. */
export function useStem(plan: Plan | undefined, line: number): StemProfile | undefined {
  const asked = useDeferredValue(plan);
  const query = useQuery({
    queryKey: ["stem", line, asked],
    queryFn: () => (asked ? api.stem(asked, line) : Promise.reject(new Error("no plan"))),
    enabled: asked !== undefined,
    staleTime: Infinity,
    gcTime: 2000,
    retry: false,
    placeholderData: (before) => before,
  });
  return query.data;
}
