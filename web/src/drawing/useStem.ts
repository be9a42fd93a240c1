import { useQuery } from "@tanstack/react-query";
import { useDeferredValue } from "react";
import { api } from "../api/client";
import type { StemProfile } from "../api/types";
import { useFeed } from "../state/feed";

/** Bending along the stem and other seats of a line; the last one stays while the next is computed. */
export function useStem(line: number): StemProfile | undefined {
  const version = useDeferredValue(useFeed((s) => s.version));
  const query = useQuery({
    queryKey: ["stem", line, version],
    queryFn: () => {
      const plan = useFeed.getState().of;
      return plan ? api.stem(plan, line) : Promise.reject(new Error("no plan"));
    },
    enabled: version > 0,
    staleTime: Infinity,
    gcTime: 2000,
    retry: false,
    placeholderData: (before) => before,
  });
  return query.data;
}
