import type { Link } from "../api/types";
import { useFeed } from "../state/feed";
import { Note } from "../ui/controls";
import { useSettings } from "../ui/settings";
import { written } from "../units/units";

/** What this plan's own rope keeps with the chosen knot, beside what it carries there. */
export function KnotHolds({ at, kind }: { at: number; kind: Link["kind"] }) {
  const units = useSettings((s) => s.units);
  const link = useFeed((s) => {
    const line = s.analysis?.pull.lines[at]?.id;
    return s.analysis?.links.find((l) => l.kind === kind && l.lineId === line);
  });
  if (!link) return null;
  return (
    <Note>
      This rope keeps {written(link.strengthN, "force", units)} with this knot; your line carries{" "}
      {written(link.loadN, "force", units)}.
    </Note>
  );
}
