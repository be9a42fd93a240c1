import type { Link } from "../api/types";
import { Link as Go } from "react-router";
import { useFeed } from "../state/feed";
import { useSheet } from "../state/store";
import { Note } from "../ui/controls";
import { useSettings } from "../ui/settings";
import { written } from "../units/units";

/** What this plan's own rope keeps with the chosen knot, beside what it carries there. */
export function KnotHolds({ at, kind, knot }: { at: number; kind: Link["kind"]; knot?: string | undefined }) {
  const units = useSettings((s) => s.units);
  const job = useSheet((s) => s.jobId);
  const link = useFeed((s) => {
    const line = s.analysis?.pull.lines[at]?.id;
    return s.analysis?.links.find((l) => l.kind === kind && l.lineId === line);
  });
  if (!link) return null;
  return (
    <Note>
      This rope keeps {written(link.strengthN, "force", units)} with this knot; your line carries{" "}
      {written(link.loadN, "force", units)}.
      {knot && job && (
        <>
          {" "}
          <Go to={`/knots/${knot}?job=${job}`} className="inline-block min-h-6 underline">
            How to tie it
          </Go>
        </>
      )}
    </Note>
  );
}
