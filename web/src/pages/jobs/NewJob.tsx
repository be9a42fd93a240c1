import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { api, sayWhy } from "../../api/client";
import { dayOf } from "../../state/words";
import { Button, Note } from "../../ui/controls";
import { Modal } from "../../ui/Modal";
import { Refused } from "../../ui/Refused";
import { useSettings } from "../../ui/settings";

const shown = 30;

/** Where a new job starts from: nothing, a template of the crew, or an earlier one that is like it. */
export function NewJob({ onClose }: { onClose: () => void }) {
  const units = useSettings((s) => s.units);
  const navigate = useNavigate();
  const jobs = useQuery({ queryKey: ["to-start-from", units], queryFn: () => api.jobs(units, 0, shown), gcTime: 0 });
  const begin = useMutation({
    mutationFn: api.begin,
    onSuccess: (job, asked) =>
      navigate(asked.clearing === true ? `/jobs/${job.id}/clear?panel=pieces` : `/jobs/${job.id}?station=size`, {
        state: { fresh: job.id },
      }),
  });
  const queries = useQueryClient();
  const templates = useQuery({ queryKey: ["templates"], queryFn: api.templates });
  const drop = useMutation({
    mutationFn: api.dropTemplate,
    onSuccess: () => queries.invalidateQueries({ queryKey: ["templates"] }),
  });
  const earlier = jobs.data?.jobs.filter((j) => j.state !== "damaged") ?? [];
  return (
    <Modal title="New job" onClose={onClose}>
      <Button
        strong
        className="w-full"
        disabled={begin.isPending}
        onClick={() => {
          begin.mutate({});
        }}
      >
        From nothing
      </Button>
      <Button
        className="mt-2 w-full"
        disabled={begin.isPending}
        onClick={() => {
          begin.mutate({ clearing: true });
        }}
      >
        Clearing alone: nothing is pulled
      </Button>
      <Refused>
        {begin.isError
          ? sayWhy(
              begin.error,
              "A new job needs the yard’s machine, and it does not answer. Begin it once you are back.",
            )
          : null}
      </Refused>
      {templates.data && templates.data.length > 0 && (
        <>
          <h3 className="mt-4 font-tight text-sm font-semibold">From a template of the crew</h3>
          <ul className="mt-1">
            {templates.data.map((t) => (
              <li key={t.id} className="flex items-stretch border-t border-rule">
                <button
                  type="button"
                  disabled={begin.isPending}
                  data-template={t.id}
                  className="min-h-11 min-w-0 flex-1 px-1 py-2 text-left font-tight text-[15px] font-medium hover:bg-tint"
                  onClick={() => {
                    begin.mutate({ template: t.id });
                  }}
                >
                  {t.name}
                </button>
                <button
                  type="button"
                  className="min-h-11 px-2 text-[13px] underline"
                  aria-label={`Drop the template ${t.name}`}
                  onClick={() => {
                    drop.mutate(t.id);
                  }}
                >
                  Drop
                </button>
              </li>
            ))}
          </ul>
        </>
      )}
      {earlier.length > 0 && (
        <>
          <h3 className="mt-4 font-tight text-sm font-semibold">Like an earlier job</h3>
          <Note>
            Its gear, tackle and factors stay. What was seen at that tree becomes a guess, and what follows from it
            moves with the new measures; ticks, readings and targets stay behind.
          </Note>
          <ul className="mt-1 max-h-[50vh] overflow-y-auto">
            {earlier.map((job) => (
              <li key={job.id}>
                <button
                  type="button"
                  disabled={begin.isPending}
                  className="flex min-h-11 w-full items-baseline gap-3 border-t border-rule px-1 py-2 text-left hover:bg-tint"
                  onClick={() => {
                    begin.mutate({ like: job.id });
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
