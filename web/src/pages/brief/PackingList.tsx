import { useMutation, useQueryClient } from "@tanstack/react-query";
import { api, sayWhy } from "../../api/client";
import type { BriefAnswer } from "../../api/types";
import { timeOf } from "../../state/words";
import { useSettings } from "../../ui/settings";
import { Refused } from "../../ui/Refused";

/** The gear by tag, ticked out of the yard and back in. */
export function PackingList({ brief }: { brief: BriefAnswer }) {
  const queries = useQueryClient();
  const units = useSettings((s) => s.units);
  const key = ["brief", brief.jobId, units];
  const tick = useMutation({
    mutationFn: (t: { piece: string; out?: boolean; back?: boolean }) => api.tick(brief.jobId, t),
    onSuccess: (ticks) => {
      queries.setQueryData(key, (now: BriefAnswer | undefined) => now && { ...now, ticks });
    },
  });
  const { gear } = brief.page.brief;
  const of = (piece: string) => brief.ticks.find((t) => t.piece === piece);
  const out = gear.filter((g) => of(g.key)?.outAt !== undefined).length;
  const back = gear.filter((g) => of(g.key)?.backAt !== undefined).length;
  return (
    <section aria-label="Packing list" className="no-print mt-5">
      <h2 className="font-tight text-lg font-semibold">Packing list</h2>
      <p className="text-[13px] text-pencil">
        {out} of {gear.length} out, {back} back
      </p>
      <Refused>{tick.isError ? sayWhy(tick.error) : null}</Refused>
      <ul className="mt-1 border-t border-ink">
        {gear.map((g) => {
          const ticked = of(g.key);
          return (
            <li key={g.key} className="flex items-center gap-2 border-b border-rule py-1" data-packed={g.key}>
              <span className="min-w-0 flex-1 text-[14px] leading-snug">
                {g.name}
                {g.count > 1 ? ` × ${g.count}` : ""}
                {g.trouble !== "" && <b className="font-semibold"> {g.trouble}</b>}
                <span className="block text-[12px] text-pencil">
                  {[
                    g.tag,
                    ticked?.outAt === undefined
                      ? ""
                      : `out ${timeOf(ticked.outAt)}${ticked.outBy ? ` by ${ticked.outBy}` : ""}`,
                    ticked?.backAt === undefined ? "" : `back ${timeOf(ticked.backAt)}`,
                  ]
                    .filter((t) => t !== "")
                    .join(" · ")}
                </span>
              </span>
              {(["out", "back"] as const).map((way) => {
                const on = ticked?.[way === "out" ? "outAt" : "backAt"] !== undefined;
                return (
                  <button
                    key={way}
                    type="button"
                    aria-pressed={on}
                    aria-label={`${g.name} ${way}`}
                    disabled={tick.isPending}
                    className={`min-h-11 min-w-14 border border-ink px-2 font-tight text-sm font-medium ${on ? "bg-ink text-sheet" : "bg-sheet"}`}
                    onClick={() => {
                      tick.mutate({ piece: g.key, [way]: !on });
                    }}
                  >
                    {way}
                  </button>
                );
              })}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
