import { useQuery } from "@tanstack/react-query";
import { api } from "../../api/client";
import { useRested } from "../../drawing/useRested";
import { useSettings } from "../../ui/settings";
import { written } from "../../units/units";
import { useFeed } from "../../state/feed";

const samples = 600;
const quietMs = 900;

function useChances() {
  const units = useSettings((s) => s.units);
  // Sampling is not for every step of a drag.
  const version = useRested(quietMs);
  return useQuery({
    queryKey: ["chances", version, units],
    queryFn: ({ signal }) => {
      const plan = useFeed.getState().of;
      return plan ? api.chances(plan, samples, units, signal) : Promise.reject(new Error("no plan"));
    },
    enabled: version > 0,
    staleTime: Infinity,
    gcTime: 5000,
    retry: false,
    placeholderData: (before) => before,
  }).data;
}

/** The one figure that is worth measuring better. */
export function MeasureBetter() {
  const first = useChances()?.influences[0];
  return first && first.swing > 0.05 ? (
    <p className="whitespace-nowrap font-tight text-sm text-pencil" data-measure-better={first.path}>
      measure better: <span className="font-semibold text-ink">{first.name}</span>
    </p>
  ) : null;
}

/** How far tension and hand force may be off, and what each input does to that. */
export function Chances() {
  const units = useSettings((s) => s.units);
  const chances = useChances();
  if (!chances) return null;
  const most = Math.max(0.01, ...chances.influences.map((i) => i.swing));
  return (
    <section className="mt-3 border-t border-ink pt-2" data-chances>
      <h3 className="font-tight text-sm font-semibold">How far this may be off</h3>
      <p className="mt-1 text-sm leading-snug">{chances.text}</p>
      <table className="mt-2 w-full font-tight text-[13px]">
        <caption className="sr-only">What each figure alone does to the hand force</caption>
        <thead>
          <tr className="text-left text-pencil">
            <th className="font-normal">alone</th>
            <th className="font-normal">moves the hand force</th>
            <th className="font-normal">to know it better</th>
          </tr>
        </thead>
        <tbody>
          {chances.influences.slice(0, 5).map((i) => (
            <tr key={i.path} className="border-t border-rule align-top">
              <td className="py-1 pr-2">{i.name}</td>
              <td className="whitespace-nowrap py-1 pr-2">
                <span
                  aria-hidden
                  className="mr-2 inline-block h-2.5 border border-ink bg-tint align-middle"
                  style={{ width: `${Math.max(2, (i.swing / most) * 60)}px` }}
                />
                {written(Math.min(i.lowN, i.highN), "force", units)} –{" "}
                {written(Math.max(i.lowN, i.highN), "force", units)}
              </td>
              <td className="py-1 text-pencil">{i.advice}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {chances.links.length > 0 && (
        <p className="mt-1 text-[13px] leading-snug">
          Fails in some of the {chances.samples} samples:{" "}
          {chances.links
            .slice(0, 4)
            .map((l) => `${l.name} ${Math.max(1, Math.round(l.fails * 100))} %`)
            .join(", ")}
          .
        </p>
      )}
    </section>
  );
}
