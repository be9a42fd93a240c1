import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, sayWhy } from "../../api/client";
import { takeTheirs } from "../../state/autosave";
import { momentOf } from "../../state/words";
import { useSheet } from "../../state/store";
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
      <ul className="mt-1 max-h-[200px] overflow-y-auto">
        {earlier.slice(0, shown).map((r) => (
          <li key={r.number} className="flex items-baseline gap-3 border-t border-rule py-1 text-sm">
            <span className="whitespace-nowrap text-pencil">{momentOf(r.savedAt)}</span>
            <span className="min-w-0 flex-1 truncate">
              {r.name}
              {r.savedBy ? `, by ${r.savedBy}` : ""}
            </span>
            <button
              type="button"
              className="min-h-6 underline"
              disabled={take.isPending}
              aria-label={`Take version ${r.number}`}
              onClick={() => {
                take.mutate(r.number);
              }}
            >
              Take it
            </button>
          </li>
        ))}
      </ul>
    </details>
  );
}
