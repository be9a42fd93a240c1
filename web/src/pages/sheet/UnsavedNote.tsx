import { useSaving } from "../../state/autosave";
import { timeOf } from "../../state/words";

/** While saves fail: since when, how much waits, and why. Work goes on. */
export function UnsavedNote() {
  const state = useSaving((s) => s.state);
  if (state.kind !== "offline") return null;
  const changes = state.waiting === 1 ? "1 change waits" : `${state.waiting} changes wait`;
  return (
    <p role="status" data-unsaved className="border-b border-ink bg-sheet px-4 py-1 text-[13px] leading-snug no-print">
      <strong className="font-semibold">
        Not saved since {timeOf(state.since)}: {changes} in this browser.
      </strong>{" "}
      {state.text} It is tried again by itself until it goes through; go on working.
    </p>
  );
}
