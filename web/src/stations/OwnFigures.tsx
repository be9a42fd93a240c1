import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, sayWhy } from "../api/client";
import type { OwnChoice, Plan } from "../api/types";
import { useSheet } from "../state/store";
import { Segments } from "../ui/controls";
import { Refused } from "../ui/Refused";
import { useSettings } from "../ui/settings";

/** What decides which of the crew's own figures fit a plan, and what stands there now. */
function whatFits(plan: Plan): string {
  return JSON.stringify([
    plan.tree.speciesId,
    plan.tree.pullFactor,
    plan.site.aimErrorDeg,
    plan.cut.holds,
    plan.ours,
    plan.work.tasks,
    plan.crew.find((c) => c.role === "lead")?.name,
    plan.lines.map((l) => [
      l.tackle.contactId,
      l.tackle.passes,
      l.tackle.grip?.gripId,
      l.tackle.grip?.slipN,
      l.redirects.map((r) => [r.contactId, r.passes]),
      l.limiter?.friction,
      l.puller.kind,
      l.puller.effortEachN,
      l.setting?.way,
      l.setting?.bestM,
    ]),
    Object.entries(plan.provenance).filter(([, from]) => from === "crew"),
  ]);
}

/** Where a table's figure stands and the crew has one of its own: both, and the choice between them. */
export function OwnFigures({ of }: { of: (path: string) => boolean }) {
  const units = useSettings((s) => s.units);
  const fits = useSheet((s) => (s.document ? whatFits(s.document.plan) : null));
  const [wrong, setWrong] = useState<string | null>(null);
  const asked = useQuery({
    queryKey: ["own-figures", fits, units],
    queryFn: ({ signal }) => {
      const plan = useSheet.getState().document?.plan;
      return plan ? api.ownFigures(plan, units, undefined, signal) : null;
    },
    enabled: fits !== null,
    placeholderData: (before) => before,
    gcTime: 0,
  });
  const choices = (asked.data?.choices ?? []).filter((c) => of(c.path));
  if (choices.length === 0) return null;

  async function choose(choice: OwnChoice, use: boolean): Promise<void> {
    try {
      // Whatever somebody changed meanwhile stays: the figure is put in the plan as it then stands.
      for (;;) {
        const now = useSheet.getState().document;
        if (!now) return;
        const { plan } = await api.ownFigures(now.plan, units, { figureId: choice.figureId, use });
        if (useSheet.getState().document !== now) continue;
        useSheet.getState().edit((document) => ({ ...document, plan }));
        break;
      }
      setWrong(null);
    } catch (error) {
      setWrong(sayWhy(error));
    }
  }

  return (
    <section aria-label="Our own figures" className="mt-3 border-t border-ink pt-1.5">
      <h3 className="font-tight text-sm font-semibold">Our own figures</h3>
      {choices.map((c) => (
        <div key={c.path} data-own={c.path} className="border-b border-rule py-1.5">
          <p className="font-tight text-sm leading-tight">{c.name}</p>
          <p className="text-[13px] leading-snug text-pencil">
            Ours {c.ours}; the table {c.table}.{c.mayUse ? "" : ` ${c.why}`}
          </p>
          {(c.mayUse || c.inUse) && (
            <Segments
              label={`${c.name} in this plan`}
              value={c.inUse ? "ours" : "table"}
              choices={[
                { value: "ours", text: `ours, from ${c.count}` },
                { value: "table", text: "the table" },
              ]}
              onChange={(v) => {
                void choose(c, v === "ours");
              }}
            />
          )}
        </div>
      ))}
      <Refused>{wrong}</Refused>
    </section>
  );
}
