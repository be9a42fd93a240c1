import { useQuery } from "@tanstack/react-query";
import { useDeferredValue } from "react";
import { api, sayWhy } from "../api/client";
import type { Fall } from "../api/types";
import { useLastGood } from "./useLastGood";
import { useSettings } from "../ui/settings";
import { useFeed } from "./feed";
import { useView } from "./view";

/** Enough for the spread of a landing to be told to a tenth of a metre. */
const samples = 400;

/** The fall of the plan as it was last computed; while it cannot be, why, and the last good one. */
export function useFall(): { fall: Fall | undefined; problem: string | undefined } {
  const plan = useDeferredValue(useFeed((s) => s.of));
  const haulMps = useView((s) => s.haulMps);
  const units = useSettings((s) => s.units);
  const asked = useQuery<Fall>({
    queryKey: ["fall", plan, haulMps, units],
    enabled: plan !== null,
    queryFn: ({ signal }) =>
      plan ? api.fall(plan, haulMps, samples, units, signal) : Promise.reject(new Error("no plan")),
    placeholderData: (before) => before,
    retry: false,
    gcTime: 0,
  });
  const good = useLastGood(asked.data);
  return { fall: good, problem: asked.isError ? sayWhy(asked.error) : undefined };
}
