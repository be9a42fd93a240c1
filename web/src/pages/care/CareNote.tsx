import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { api } from "../../api/client";
import { useMay } from "../../state/session";

/** What is wrong with the data folder, under the head of a list; nothing while all is well. */
export function CareNote() {
  const looksAfterIt = useMay("yard");
  const care = useQuery({ queryKey: ["care"], queryFn: api.care, refetchInterval: 60_000, enabled: looksAfterIt });
  const said = care.data
    ? [
        ...(care.data.faults.length > 0 ? ["The data file is damaged: restore a backup."] : []),
        ...(care.data.damaged > 0
          ? [`${care.data.damaged === 1 ? "1 row" : `${care.data.damaged} rows`} cannot be read; all else goes on.`]
          : []),
        ...(care.data.backupFault ? [`Today's backup failed. ${care.data.backupFault}`] : []),
      ]
    : [];
  return said.length === 0 ? null : (
    <p role="status" data-care className="border-b border-ink bg-sheet px-6 py-1.5 text-sm">
      {said.join(" ")}{" "}
      <Link to="/upkeep" className="underline">
        See Upkeep
      </Link>
    </p>
  );
}
