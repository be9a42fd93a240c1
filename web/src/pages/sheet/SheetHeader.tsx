import { Redo2, Sun, Undo2 } from "lucide-react";
import { Link as RouterLink } from "react-router";
import { useSheet } from "../../state/store";
import { useView } from "../../state/view";
import { useSettings } from "../../ui/settings";
import { Button } from "../../ui/controls";
import { UnitChoice } from "../../ui/UnitChoice";
import { JobTitle } from "./JobTitle";
import { VerdictLine } from "./VerdictLine";

/** The head of the sheet. Its height is fixed, so that nothing below moves under a hand that drags. */
export function SheetHeader() {
  return (
    <header className="flex h-[68px] shrink-0 items-center gap-4 border-b border-ink bg-sheet px-4 max-xl:h-auto max-xl:flex-wrap max-xl:gap-x-3 max-xl:gap-y-1 max-xl:py-1.5 max-lg:px-3">
      <RouterLink
        to="/"
        className="font-tight text-lg font-semibold tracking-[0.14em] max-md:text-base max-md:tracking-[0.08em]"
        title="All jobs"
      >
        DRAKLO
      </RouterLink>
      <JobTitle />
      <div
        role="status"
        className="min-w-0 flex-1 border-l border-rule pl-4 max-xl:order-last max-xl:min-h-10 max-xl:basis-full max-xl:border-l-0 max-xl:pl-0"
      >
        <VerdictLine />
      </div>
      <div className="flex gap-1 max-md:hidden">
        <PageLink to="brief" name="Brief" />
        <PageLink to="day" name="Day" />
        <PageLink to="log" name="Log" />
        <PageLink to="clear" name="Clear" className="max-lg:hidden" />
      </div>
      <div className="max-md:hidden">
        <UnitChoice />
      </div>
      <div className="ml-auto flex gap-1">
        <SunButton />
        <Undo />
        <div className="max-lg:hidden">
          <Button
            onClick={() => {
              useView.getState().set({ dialog: "keys" });
            }}
            aria-label="List of keys"
            title="?"
          >
            ?
          </Button>
        </div>
      </div>
    </header>
  );
}

/** To a page of this job: the one for everybody on site, the day by the tree, looking back, or clearing. */
function PageLink({
  to,
  name,
  className = "",
}: {
  to: "brief" | "day" | "log" | "clear";
  name: string;
  className?: string;
}) {
  const id = useSheet((s) => s.jobId);
  return (
    <RouterLink
      to={`/jobs/${id ?? ""}/${to}`}
      className={`inline-flex min-h-9 items-center border border-ink bg-sheet px-3 font-tight text-sm font-medium hover:bg-tint coarse:min-h-11 ${className}`}
    >
      {name}
    </RouterLink>
  );
}

/** For reading in bright sun, one tap away. */
function SunButton() {
  const sun = useSettings((s) => s.sun);
  const setSun = useSettings((s) => s.setSun);
  return (
    <Button
      aria-label="Theme for bright sun"
      title="Theme for bright sun"
      aria-pressed={sun}
      className={sun ? "bg-ink! text-sheet!" : ""}
      onClick={() => {
        setSun(!sun);
      }}
    >
      <Sun aria-hidden size={18} />
    </Button>
  );
}

function Undo() {
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
