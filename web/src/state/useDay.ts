import { useQuery } from "@tanstack/react-query";
import { useDeferredValue } from "react";
import { api, Refusal } from "../api/client";
import type { DayPlan } from "../api/types";
import { useLastGood } from "./useLastGood";
import { useSettings } from "../ui/settings";
import { useSheet } from "./store";

/** The day as the plan makes it; after a refusal the last one that could be drawn up, with what is wrong. */
export function useDay(): { day: DayPlan | undefined; problems: string[] } {
  const plan = useDeferredValue(useSheet((s) => s.document?.plan));
  const on = useSheet((s) => s.document?.plannedOn);
  const units = useSettings((s) => s.units);
  const asked = useQuery<DayPlan>({
    queryKey: ["day", plan, on, units],
    enabled: plan !== undefined,
    queryFn: ({ signal }) => (plan ? api.day(plan, on, units, signal) : Promise.reject(new Error("no plan"))),
    placeholderData: (before) => before,
    retry: false,
    gcTime: 0,
  });
  const good = useLastGood(asked.data);
  const errors = asked.error instanceof Refusal ? Object.values(asked.error.errors).flat() : [];
  return {
    day: good,
    problems: asked.isError ? (errors.length > 0 ? errors : ["Draklo does not answer."]) : [],
  };
}
