import { Link as RouterLink } from "react-router";
import { useSheet } from "../../state/store";
import { useView } from "../../state/view";
import { Button } from "../../ui/controls";
import { UnitChoice } from "../../ui/UnitChoice";
import { JobTitle } from "./JobTitle";
import { VerdictLine } from "./VerdictLine";

/** The head of the sheet. Its height is fixed, so that nothing below moves under a hand that drags. */
export function SheetHeader() {
  return (
    <header className="flex h-[68px] shrink-0 items-center gap-4 border-b border-ink bg-sheet px-4 max-xl:h-auto max-xl:flex-wrap max-xl:gap-y-1 max-xl:py-1.5">
      <RouterLink to="/" className="font-tight text-lg font-semibold tracking-[0.14em]" title="All jobs">
        DRAKLO
      </RouterLink>
      <JobTitle />
      <div
        role="status"
        className="min-w-0 flex-1 border-l border-rule pl-4 max-xl:order-last max-xl:h-11 max-xl:basis-full max-xl:border-l-0 max-xl:pl-0 max-md:h-16"
      >
        <VerdictLine />
      </div>
      <UnitChoice />
      <div className="flex gap-1">
        <Undo />
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
    </header>
  );
}

function Undo() {
  const canUndo = useSheet((s) => s.past.length > 0);
  const canRedo = useSheet((s) => s.future.length > 0);
  const { undo, redo } = useSheet.getState();
  return (
    <>
      <Button onClick={undo} disabled={!canUndo} title="Ctrl Z">
        Undo
      </Button>
      <Button onClick={redo} disabled={!canRedo} title="Ctrl Shift Z">
        Redo
      </Button>
    </>
  );
}
