import { useQuery } from "@tanstack/react-query";
import { Suspense, useEffect, useRef, type ReactNode } from "react";
import { useParams } from "react-router";
import { api } from "../../api/client";
import type { BriefPage } from "../../api/types";
import { Elevation } from "../../drawing/Elevation";
import { PaperContext } from "../../drawing/paper";
import { SitePlan } from "../../drawing/SitePlan";
import { Stump } from "../../drawing/Stump";
import { TackleDrawing } from "../../drawing/TackleDrawing";
import { closeJob, openJob } from "../../state/autosave";
import { follow, forget, useFeed } from "../../state/feed";
import { useView } from "../../state/view";
import { dayOf } from "../../state/words";
import { useSettings } from "../../ui/settings";
import { Button } from "../../ui/controls";
import { BriefBar, NoBrief } from "../brief/BriefPage";
import { Card } from "../brief/Cards";
import { CutSheet } from "./CutSheet";
import { saveText, svgText } from "./svgFile";

/** Every drawing on a sheet of its own, to scale, and the cards: for printing, or as SVG. */
export function PapersPage() {
  const { id = "" } = useParams();
  const units = useSettings((s) => s.units);
  const job = useQuery({
    queryKey: ["job", id],
    queryFn: () => api.job(id),
    staleTime: Infinity,
    gcTime: 0,
    retry: false,
  });
  const brief = useQuery({ queryKey: ["brief", id, units], queryFn: () => api.brief(id, units), retry: false });
  useEffect(() => {
    document.title = `Papers: ${job.data?.name ?? ""} · Draklo`;
    if (!job.data) return undefined;
    openJob(job.data, false);
    useView.getState().set({ tiltDeg: 0, target: null, draft: null, rose: false, line: 0 });
    return () => {
      closeJob();
      forget();
    };
  }, [job.data]);
  useEffect(() => follow(units, false), [units]);
  const analysis = useFeed((s) => s.analysis);
  const plan = useFeed((s) => s.of);
  const error = job.error ?? brief.error;
  return (
    <div className="min-h-full">
      <BriefBar jobId={id} />
      {error && <NoBrief jobId={id} error={error} />}
      {plan && analysis && brief.data && (
        <main className="on-paper mx-auto max-w-[760px] print:max-w-none">
          <h1 className="sr-only">Drawings and cards of {brief.data.page.name}</h1>
          <PaperContext value>
            <Sheet title="Elevation" page={brief.data.page}>
              <Elevation plan={plan} analysis={analysis} />
            </Sheet>
            <Sheet title="Plan" page={brief.data.page}>
              <SitePlan plan={plan} analysis={analysis} />
            </Sheet>
            <Sheet
              title={plan.lines.length > 1 ? `Tackle of the ${plan.lines[0]?.id ?? ""} line` : "Tackle"}
              page={brief.data.page}
            >
              <Suspense>
                <TackleDrawing plan={plan} />
              </Suspense>
            </Sheet>
            {plan.lines.slice(1).map((line, i) => (
              <Sheet key={line.id} title={`Tackle of the ${line.id} line`} page={brief.data.page}>
                <TackleDrawing plan={plan} line={i + 1} />
              </Sheet>
            ))}
            <Sheet title="Stump" page={brief.data.page}>
              <Stump plan={plan} analysis={analysis} />
            </Sheet>
          </PaperContext>
          <CutSheet page={brief.data.page} />
          <section className="paper-sheet p-4 print:p-0" aria-label="Cards">
            <h2 className="mb-2 font-tight text-lg font-semibold">Cards: {brief.data.page.name}</h2>
            <div className="grid grid-cols-2 gap-3 max-sm:grid-cols-1">
              {brief.data.page.brief.cards.map((card) => (
                <Card key={card.role} card={card} />
              ))}
            </div>
          </section>
        </main>
      )}
    </div>
  );
}

/** One drawing on one page, with its title block. */
function Sheet({ title, page, children }: { title: string; page: BriefPage; children: ReactNode }) {
  const box = useRef<HTMLDivElement>(null);
  return (
    <section className="paper-sheet p-4 print:p-0" aria-label={title} data-paper={title}>
      <div className="flex items-center gap-3 border-b-2 border-ink pb-1">
        <h2 className="font-tight text-lg font-semibold">{title}</h2>
        <p className="flex-1 text-[13px]">
          {page.name}
          {page.plannedOn === undefined ? "" : ` · ${dayOf(page.plannedOn)}`} · plan {page.brief.fingerprint}
        </p>
        <Button
          className="no-print"
          aria-label={`${title} as an SVG file`}
          onClick={() => {
            const drawing = box.current?.querySelector("svg");
            if (drawing) saveText(svgText(drawing), `${title.toLowerCase().replaceAll(" ", "-")}.svg`, "image/svg+xml");
          }}
        >
          SVG
        </Button>
      </div>
      <div ref={box} className="paper-drawing border border-t-0 border-ink">
        {children}
      </div>
    </section>
  );
}
