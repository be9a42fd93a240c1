import { useQuery } from "@tanstack/react-query";
import { useDeferredValue } from "react";
import { api } from "../api/client";
import type { StemProfile } from "../api/types";
import { useFeed } from "../state/feed";
import { useRested } from "./useRested";

/** Bending along the stem, at every step of a drag. */
export function useStem(line: number): StemProfile | undefined {
  return useProfile(line, useDeferredValue(useFeed((s) => s.version)));
}

const restMs = 150;

/** The other seats of a line, once the plan has come to rest: while a seat is dragged they stay as they are. */
export function useSeats(line: number): StemProfile | undefined {
  return useProfile(line, useRested(restMs, 0));
}

/** The last profile stays while the next is computed. */
function useProfile(line: number, version: number): StemProfile | undefined {
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
