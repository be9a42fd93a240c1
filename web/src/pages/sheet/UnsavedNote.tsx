import { useSaving } from "../../state/autosave";
import { timeOf } from "../../state/words";

/** While saves fail: since when, how much waits, and why. Work goes on. */
export function UnsavedNote() {
  const state = useSaving((s) => s.state);
  const came = useSaving((s) => s.came);
  if (state.kind !== "offline")
    return came === null ? null : <CameNote members={came.members} savedAt={came.savedAt} />;
  const changes = state.waiting === 1 ? "1 change waits" : `${state.waiting} changes wait`;
  return (
    <p role="status" data-unsaved className="border-b border-ink bg-sheet px-4 py-1 text-[13px] leading-snug no-print">
      <strong className="font-semibold">
        Not saved since {timeOf(state.since)}: {changes} on this device.
      </strong>{" "}
      {state.text} It is tried again by itself until it goes through; go on working.
    </p>
  );
}

/** What others saved came in while this job was open here. */
function CameNote({ members, savedAt }: { members: number; savedAt: string }) {
  return (
    <p role="status" data-came className="border-b border-ink bg-sheet px-4 py-1 text-[13px] leading-snug no-print">
      <strong className="font-semibold">
        {members === 1 ? "One change" : `${members} changes`} by others, saved {timeOf(savedAt)},{" "}
        {members === 1 ? "is" : "are"} in this plan now.
      </strong>{" "}
      Your own changes are kept with {members === 1 ? "it" : "them"}.{" "}
      <button
        type="button"
        className="underline"
        onClick={() => {
          useSaving.setState({ came: null });
        }}
      >
        Seen
      </button>
    </p>
  );
}
