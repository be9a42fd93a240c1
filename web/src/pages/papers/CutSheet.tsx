import type { BriefPage } from "../../api/types";
import { CutPicture } from "../../drawing/CutPicture";
import { dayOf } from "../../state/words";

/** The faller's page: each cut with its number, its words, its stop and a small drawing. */
export function CutSheet({ page }: { page: BriefPage }) {
  const { brief, plan, analysis } = page;
  return (
    <section className="paper-sheet p-4 print:p-0" aria-label="Cuts" data-cut-sheet>
      <div className="flex items-center gap-3 border-b-2 border-ink pb-1">
        <h2 className="font-tight text-lg font-semibold">Cuts, for the faller</h2>
        <p className="flex-1 text-[13px]">
          {page.name}
          {page.plannedOn === undefined ? "" : ` · ${dayOf(page.plannedOn)}`} · plan {brief.fingerprint}
        </p>
      </div>
      <ol>
        {brief.cuts.map((step, i) => (
          <li key={i} className="cut-step flex items-center gap-3 border-b border-rule py-1">
            <span className="w-8 text-center font-tight text-2xl font-semibold">{i + 1}</span>
            <CutPicture plan={plan} analysis={analysis} kind={step.kind} />
            <div className="min-w-0 flex-1 leading-snug">
              <p className="text-[15px]">{step.text}</p>
              {step.stop !== "" && <p className="text-[13px] font-semibold">{step.stop}</p>}
            </div>
          </li>
        ))}
      </ol>
      <p className="pt-2 text-[12px] leading-snug">{brief.caution}</p>
    </section>
  );
}
