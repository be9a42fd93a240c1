import { useSaving } from "../../state/autosave";
import { useHands, type Difference } from "../../state/hands";
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

const most = 4;

/** What others changed apart from what is saved here, while they choose between the two. */
export function SettlingNote() {
  const settling = useHands((s) => s.settling);
  return settling.map(({ name, differences }) => (
    <div
      key={name}
      role="status"
      data-settling={name}
      className="border-b border-ink bg-sheet px-4 py-1 text-[13px] leading-snug no-print"
    >
      <strong className="font-semibold">{name} changed what is changed here too, and is choosing which holds:</strong>
      <ul>
        {differences.slice(0, most).map((d) => (
          <li key={d.name}>
            {d.name}: {worded(d.mine)} at {name}’s, {worded(d.saved)} as saved
          </li>
        ))}
      </ul>
      {differences.length > most && <p>and {differences.length - most} more.</p>}
      <p>Settle it between you; change it here if {name}’s holds.</p>
    </div>
  ));
}

const worded = (said: Difference["mine"]) => said ?? "taken out";
