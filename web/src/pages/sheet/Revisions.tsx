import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { api, sayWhy } from "../../api/client";
import { takeTheirs } from "../../state/autosave";
import { momentOf } from "../../state/words";
import type { KeptRevision } from "../../api/types";
import { useSettings } from "../../ui/settings";
import { useSheet } from "../../state/store";
import { Choice } from "../../ui/Choice";
import { Note } from "../../ui/controls";
import { Refused } from "../../ui/Refused";

const shown = 30;

/** Earlier versions of the job that are still kept; any becomes the newest again, and that can be undone. */
export function Revisions() {
  const id = useSheet((s) => s.jobId);
  const queries = useQueryClient();
  const revisions = useQuery({
    queryKey: ["revisions", id],
    enabled: id !== null,
    queryFn: () => api.revisions(id ?? ""),
    gcTime: 0,
  });
  const take = useMutation({
    mutationFn: (number: number) => api.takeRevision(id ?? "", number),
    onSuccess: (job) => {
      takeTheirs(job);
      return queries.invalidateQueries({ queryKey: ["revisions", id] });
    },
  });
  const [seen, setSeen] = useState<number | null>(null);
  const earlier = revisions.data?.slice(1) ?? [];
  if (earlier.length === 0) return null;
  return (
    <details className="mt-3 border-t border-rule pt-2" data-revisions>
      <summary className="min-h-6 cursor-pointer font-tight text-sm font-semibold">Earlier versions</summary>
      <Note>
        All of the last 7 days, the last of each day for a year, then the last of each month. Taking one makes it the
        newest; Undo brings back what is here now.
      </Note>
      <Refused>{take.isError ? sayWhy(take.error) : null}</Refused>
      <ul className="mt-1 max-h-[320px] overflow-y-auto">
        {earlier.slice(0, shown).map((r) => (
          <li key={r.number} className="border-t border-rule py-1 text-sm" data-revision={r.number}>
            <div className="flex items-baseline gap-3">
              <span className="whitespace-nowrap text-pencil">{momentOf(r.savedAt)}</span>
              <span className="min-w-0 flex-1 truncate">
                {r.name}
                {r.savedBy ? `, by ${r.savedBy}` : ""}
              </span>
              <button
                type="button"
                className="min-h-6 underline"
                aria-expanded={seen === r.number}
                aria-label={`What changed in version ${r.number}`}
                onClick={() => {
                  setSeen(seen === r.number ? null : r.number);
                }}
              >
                What changed
              </button>
              <Link
                className="min-h-6 underline"
                to={`/jobs/${id ?? ""}/revisions/${r.number}`}
                aria-label={`Look at version ${r.number}`}
              >
                Look
              </Link>
              <button
                type="button"
                className="min-h-6 underline"
                disabled={take.isPending}
                aria-label={`Take it: version ${r.number}`}
                onClick={() => {
                  take.mutate(r.number);
                }}
              >
                Take it
              </button>
            </div>
            {seen === r.number && <Comparison id={id ?? ""} number={r.number} all={revisions.data ?? []} />}
          </li>
        ))}
      </ul>
    </details>
  );
}

interface ComparisonProps {
  id: string;
  number: number;
  /** Every version that is kept, the latest first. */
  all: KeptRevision[];
}

/** What one version changed, or what differs between it and any other, in words with units. */
function Comparison({ id, number, all }: ComparisonProps) {
  const units = useSettings((s) => s.units);
  const at = all.findIndex((r) => r.number === number);
  const [other, setOther] = useState(all[at + 1]?.number ?? all[0]?.number ?? number);
  const [from, to] = [Math.min(other, number), Math.max(other, number)];
  const told = useQuery({
    queryKey: ["revision-changes", id, from, to, units],
    queryFn: () => api.compareRevisions(id, from, to, units),
    staleTime: Infinity,
  });
  return (
    <div className="my-1 border-l-4 border-ink pl-2 text-[13px] leading-snug" data-comparison>
      <Choice
        label="Between this one and"
        value={String(other)}
        options={all
          .filter((r) => r.number !== number)
          .map((r) => ({
            value: String(r.number),
            name: `${r.number}, ${momentOf(r.savedAt)}${r.savedBy ? `, ${r.savedBy}` : ""}`,
          }))}
        onChange={(next) => {
          setOther(Number(next));
        }}
      />
      <Refused>{told.isError ? sayWhy(told.error) : null}</Refused>
      {told.data?.changes.length === 0 && <p>No figure and no word differs.</p>}
      <ul>
        {told.data?.changes.map((c) => (
          <li key={c.path}>
            {c.name}: {c.was ?? "nothing"} → <b className="font-semibold">{c.is ?? "nothing"}</b>
          </li>
        ))}
      </ul>
    </div>
  );
}
