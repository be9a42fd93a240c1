import { useQuery } from "@tanstack/react-query";
import { useDeferredValue, useEffect, useState } from "react";
import { api } from "../api/client";
import type { StemProfile } from "../api/types";
import { useFeed } from "../state/feed";
import { held } from "./held";

/** Bending along the stem, at every step of a drag. */
export function useStem(line: number): StemProfile | undefined {
  return useProfile(line, useDeferredValue(useFeed((s) => s.version)));
}

/** The other seats of a line, once the plan has come to rest: while a seat is dragged they stay as they are. */
export function useSeats(line: number): StemProfile | undefined {
  return useProfile(line, useRested(useFeed((s) => s.version)));
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

const restMs = 150;

/** A value that has not changed for a moment, and not while a hand holds something; the first is taken at once. */
function useRested(value: number): number {
  const [rested, setRested] = useState(value);
  useEffect(() => {
    let timer = setTimeout(look, rested > 0 ? restMs : 0);
    function look(): void {
      if (held.now) timer = setTimeout(look, restMs);
      else setRested(value);
    }
    return () => {
      clearTimeout(timer);
    };
  }, [value, rested]);
  return rested;
}
