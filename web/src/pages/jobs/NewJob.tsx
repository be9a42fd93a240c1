import { useMutation, useQuery } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { api, sayWhy } from "../../api/client";
import { dayOf } from "../../state/words";
import { Button, Note } from "../../ui/controls";
import { Modal } from "../../ui/Modal";
import { Refused } from "../../ui/Refused";
import { useSettings } from "../../ui/settings";

const shown = 30;

/** Where a new job starts from: an earlier one that is like it, or nothing. */
export function NewJob({ onClose }: { onClose: () => void }) {
  const units = useSettings((s) => s.units);
  const navigate = useNavigate();
  const jobs = useQuery({ queryKey: ["to-start-from", units], queryFn: () => api.jobs(units, 0, shown), gcTime: 0 });
  const begin = useMutation({
    mutationFn: (like: string | undefined) => api.begin(like),
    onSuccess: (job) => navigate(`/jobs/${job.id}?station=walk`, { state: { fresh: job.id } }),
  });
  const earlier = jobs.data?.jobs.filter((j) => j.state !== "damaged") ?? [];
  return (
    <Modal title="New job" onClose={onClose}>
      <Button
        strong
        className="w-full"
        disabled={begin.isPending}
        onClick={() => {
          begin.mutate(undefined);
        }}
      >
        From nothing
      </Button>
      <Refused>{begin.isError ? sayWhy(begin.error) : null}</Refused>
      {earlier.length > 0 && (
        <>
          <h3 className="mt-4 font-tight text-sm font-semibold">Like an earlier job</h3>
          <Note>
            Its gear, tackle, factors and cuts stay. What was seen at that tree becomes a guess; ticks, readings and
            targets stay behind.
          </Note>
          <ul className="mt-1 max-h-[50vh] overflow-y-auto">
            {earlier.map((job) => (
              <li key={job.id}>
                <button
                  type="button"
                  disabled={begin.isPending}
                  className="flex min-h-11 w-full items-baseline gap-3 border-t border-rule px-1 py-2 text-left hover:bg-tint"
                  onClick={() => {
                    begin.mutate(job.id);
                  }}
                >
                  <span className="min-w-0 flex-1 font-tight text-[15px] font-medium">{job.name}</span>
                  <span className="whitespace-nowrap text-[13px] text-pencil">{dayOf(job.plannedOn)}</span>
                </button>
              </li>
            ))}
          </ul>
        </>
      )}
      <p className="mt-3 text-[13px] text-pencil">It is discarded again if nothing is entered.</p>
    </Modal>
  );
}
