import { useQuery } from "@tanstack/react-query";
import { api } from "../../api/client";
import { useRested } from "../../drawing/useRested";
import { useFeed } from "../../state/feed";
import { useSettings } from "../../ui/settings";
import { useApply } from "./Remedies";

/** So long the sheet rests before it looks for what mends it: nobody looks while a hand still drags. */
const restMs = 1500;

/** The one change that takes the first reason away, tried by the full analysis and put in by a press. */
export function Mend() {
  const units = useSettings((s) => s.units);
  const version = useFeed((s) => s.version);
  const reason = useFeed((s) => s.analysis?.verdict.reasons[0]);
  const apply = useApply();
  const rests = useRested(restMs) === version;
  const { code = "", path = "", linkId: link = "", state } = reason ?? {};
  const found = useQuery({
    queryKey: ["mend", code, path, link, units, version],
    enabled: rests && (state === "stop" || (state === "check" && link !== "")),
    queryFn: async ({ signal }) => {
      const plan = useFeed.getState().of;
      if (!plan) return null;
      const whole =
        state === "stop"
          ? (await api.stopRemedies(plan, { code, path, link }, units, signal)).filter((r) => r.stopsLeft === 0)
          : (await api.remedies(plan, link, units, signal)).filter((r) => r.stillFails === 0);
      return whole[0] ?? null;
    },
    staleTime: Infinity,
    gcTime: 5000,
    retry: false,
  });
  const remedy = found.data;
  if (!remedy) return null;
  return (
    <button
      type="button"
      data-mend
      className="min-h-[34px] border border-ink bg-sheet px-3 text-left font-tight text-sm font-semibold leading-tight hover:bg-tint"
      onClick={() => {
        apply(remedy);
      }}
    >
      {remedy.text}
    </button>
  );
}
