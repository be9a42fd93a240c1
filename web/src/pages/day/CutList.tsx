import { useQuery } from "@tanstack/react-query";
import { api } from "../../api/client";
import type { PullStep } from "../../api/types";
import { CutPicture, type CutKind } from "../../drawing/CutPicture";
import { useSettings } from "../../ui/settings";

const atNotch: CutKind[] = ["trim", "lash", "notch", "bite"];

/** The faller's numbered cuts that belong to a step, from the page that was signed. */
export function CutList({ jobId, step }: { jobId: string; step: PullStep }) {
  const units = useSettings((s) => s.units);
  const brief = useQuery({ queryKey: ["brief", jobId, units], queryFn: () => api.brief(jobId, units), retry: false });
  if (!brief.data) return null;
  const { page } = brief.data;
  const shown = page.brief.cuts
    .map((cut, i) => ({ ...cut, number: i + 1 }))
    .filter((cut) =>
      step === "notch" ? atNotch.includes(cut.kind) : !atNotch.includes(cut.kind) && cut.kind !== "tighten",
    );
  return (
    <ol className="border-t-2 border-ink" data-cuts>
      {shown.map((cut) => (
        <li key={cut.number} className="flex items-center gap-3 border-b border-rule py-1">
          <span className="w-7 text-center font-tight text-3xl font-semibold">{cut.number}</span>
          <CutPicture plan={page.plan} analysis={page.analysis} kind={cut.kind} />
          <div className="min-w-0 flex-1 leading-snug">
            <p className="text-[18px]">{cut.text}</p>
            {cut.stop !== "" && <p className="text-[16px] font-semibold">{cut.stop}</p>}
          </div>
        </li>
      ))}
    </ol>
  );
}
