import { Redo2, Undo2 } from "lucide-react";
import type { ReactNode } from "react";
import { Link as RouterLink } from "react-router";
import { useSheet } from "../../state/store";
import { Button } from "../../ui/controls";
import { JobPlaces, type JobPlace } from "../../ui/JobPlaces";
import { UnitChoice } from "../../ui/UnitChoice";
import { JobTitle } from "./JobTitle";

interface JobHeadProps {
  here: JobPlace;
  /** What the plan says; in full, on a row of its own. */
  says: ReactNode;
  /** What the page itself offers. */
  children: ReactNode;
}

/** The head of a page that plans a job: the job, its five places, units; under it what the plan says. */
export function JobHead({ here, says, children }: JobHeadProps) {
  const id = useSheet((s) => s.jobId);
  return (
    <header className="shrink-0 bg-sheet">
      <div className="flex min-h-[44px] items-center gap-4 border-b border-ink px-4 max-xl:gap-3 max-lg:px-3 max-md:border-b-0">
        <RouterLink
          to="/"
          className="inline-flex items-center font-tight text-lg font-semibold tracking-[0.14em] coarse:min-h-11 max-md:text-base max-md:tracking-[0.08em]"
          title="All jobs"
        >
          DRAKLO
        </RouterLink>
        <JobTitle />
        <JobPlaces jobId={id ?? ""} here={here} className="ml-auto max-md:hidden" />
        <div className="max-lg:hidden">
          <UnitChoice />
        </div>
        <div className="flex gap-1 max-md:ml-auto">{children}</div>
      </div>
      {/* On a phone the sheet has them in its list of steps. */}
      {here !== "" && <JobPlaces jobId={id ?? ""} here={here} className="mx-3 my-1 md:hidden" />}
      <div
        role="status"
        className="flex min-h-[42px] items-center gap-4 border-b border-ink px-4 py-1 md:max-xl:min-h-[84px] max-lg:px-3"
      >
        {says}
      </div>
    </header>
  );
}

/** Undo and redo of what was changed on this page. */
export function UndoButtons() {
  const canUndo = useSheet((s) => s.past.length > 0);
  const canRedo = useSheet((s) => s.future.length > 0);
  const { undo, redo } = useSheet.getState();
  return (
    <>
      <Button onClick={undo} disabled={!canUndo} title="Ctrl Z">
        <Undo2 aria-hidden size={18} className="lg:hidden" />
        <span className="max-lg:sr-only">Undo</span>
      </Button>
      <Button onClick={redo} disabled={!canRedo} title="Ctrl Shift Z">
        <Redo2 aria-hidden size={18} className="lg:hidden" />
        <span className="max-lg:sr-only">Redo</span>
      </Button>
    </>
  );
}
