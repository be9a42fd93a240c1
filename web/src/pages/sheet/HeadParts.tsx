import { Redo2, Undo2 } from "lucide-react";
import type { ReactNode } from "react";
import { Link as RouterLink } from "react-router";
import { useSheet } from "../../state/store";
import { Button } from "../../ui/controls";
import { UnitChoice } from "../../ui/UnitChoice";
import { JobTitle } from "./JobTitle";

/**
 * The head of a page that plans a job: the job, what the plan says, the other pages, units, and what the page itself
 * offers. Its height is fixed, so that nothing below moves under a hand that drags.
 */
export function JobHead({ says, pages, children }: { says: ReactNode; pages: ReactNode; children: ReactNode }) {
  return (
    <header className="flex h-[68px] shrink-0 items-center gap-4 border-b border-ink bg-sheet px-4 max-xl:h-auto max-xl:flex-wrap max-xl:gap-x-3 max-xl:gap-y-1 max-xl:py-1.5 max-lg:px-3">
      <RouterLink
        to="/"
        className="inline-flex items-center font-tight text-lg font-semibold tracking-[0.14em] coarse:min-h-11 max-md:text-base max-md:tracking-[0.08em]"
        title="All jobs"
      >
        DRAKLO
      </RouterLink>
      <JobTitle />
      <div
        role="status"
        className="min-w-0 flex-1 border-l border-rule pl-4 max-xl:order-last max-xl:min-h-10 max-xl:basis-full max-xl:border-l-0 max-xl:pl-0"
      >
        {says}
      </div>
      {pages}
      <div className="max-md:hidden">
        <UnitChoice />
      </div>
      <div className="ml-auto flex gap-1">{children}</div>
    </header>
  );
}

/** To another page of this job. */
export function PageLink({
  to,
  name,
  className = "",
}: {
  to: "" | "brief" | "day" | "log" | "clear";
  name: string;
  className?: string;
}) {
  const id = useSheet((s) => s.jobId);
  return (
    <RouterLink
      to={`/jobs/${id ?? ""}${to && `/${to}`}`}
      className={`inline-flex min-h-9 items-center border border-ink bg-sheet px-3 font-tight text-sm font-medium hover:bg-tint coarse:min-h-11 ${className}`}
    >
      {name}
    </RouterLink>
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
