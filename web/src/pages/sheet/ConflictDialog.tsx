import { useNavigate } from "react-router";
import type { Job } from "../../api/types";
import { Button } from "../../ui/controls";
import { Modal } from "../../ui/Modal";
import { keepBoth, keepMine, takeTheirs } from "../../state/autosave";
import { differences } from "../../state/paths";
import { documentOf, useSheet } from "../../state/store";

const most = 14;

/** Somebody saved this job elsewhere meanwhile: both versions are shown, and neither is lost. */
export function ConflictDialog({ theirs }: { theirs: Job }) {
  const mine = useSheet((s) => s.document);
  const navigate = useNavigate();
  const differ = mine ? differences(mine, documentOf(theirs)) : [];
  return (
    <Modal title="Saved elsewhere meanwhile" onClose={() => undefined} wide>
      <p className="text-sm leading-snug">
        Another window saved revision {theirs.revision} at{" "}
        {new Date(theirs.savedAt).toLocaleTimeString("en-GB", { hour: "2-digit", minute: "2-digit" })}. Your change
        began from an earlier one. Nothing was overwritten; choose which to keep. Every saved version stays in the
        store.
      </p>
      <table className="mt-3 w-full border-collapse text-sm">
        <thead>
          <tr className="border-b border-ink text-left font-tight">
            <th className="py-1 font-semibold">Differs in</th>
            <th className="font-semibold">Here</th>
            <th className="font-semibold">There</th>
          </tr>
        </thead>
        <tbody>
          {differ.slice(0, most).map((d) => (
            <tr key={d.path} className="border-b border-rule">
              <td className="py-1 pr-3 font-tight">{d.path.replace(/^plan\./, "")}</td>
              <td className="pr-3">{show(d.mine)}</td>
              <td>{show(d.theirs)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {differ.length > most && <p className="mt-1 text-sm text-pencil">and {differ.length - most} more</p>}
      <div className="mt-4 flex flex-wrap gap-2">
        <Button
          strong
          onClick={() => {
            void keepMine(theirs);
          }}
        >
          Keep this one
        </Button>
        <Button
          onClick={() => {
            takeTheirs(theirs);
          }}
        >
          Take the other one
        </Button>
        <Button
          onClick={() => {
            void keepBoth(theirs).then((copy) => {
              if (copy) void navigate(`/jobs/${copy.id}`);
            });
          }}
        >
          Keep both, this one as a copy
        </Button>
      </div>
    </Modal>
  );
}

function show(value: unknown): string {
  if (value === undefined) return "–";
  return typeof value === "object" ? JSON.stringify(value).slice(0, 60) : String(value);
}
