import { Sun } from "lucide-react";
import { useView } from "../../state/view";
import { useSettings } from "../../ui/settings";
import { Button } from "../../ui/controls";
import { JobHead, UndoButtons } from "./HeadParts";
import { NextOpen } from "./MissingBar";
import { VerdictLine } from "./VerdictLine";

/** The head of the sheet. */
export function SheetHeader() {
  return (
    <JobHead
      here=""
      says={
        <>
          <VerdictLine />
          <NextOpen />
        </>
      }
    >
      <SunButton />
      <UndoButtons />
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
    </JobHead>
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
