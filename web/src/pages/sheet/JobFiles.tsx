import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, sayWhy } from "../../api/client";
import { idOf } from "../../state/roles";
import { useSheet } from "../../state/store";
import { Button } from "../../ui/controls";
import { Refused } from "../../ui/Refused";

const link =
  "inline-flex min-h-9 items-center border border-ink bg-sheet px-3 font-tight text-sm font-medium hover:bg-tint coarse:min-h-11";

/** The job as files, and as a template to start others from. */
export function JobFiles() {
  const id = useSheet((s) => s.jobId);
  const queries = useQueryClient();
  const [kept, setKept] = useState<string | null>(null);
  const keep = useMutation({
    mutationFn: async () => {
      const document = useSheet.getState().document;
      if (!document) throw new Error("No job is open.");
      const taken = new Set((await api.templates()).map((t) => t.id));
      return api.keepTemplate({ id: idOf(document.name, taken), name: document.name, plan: document.plan });
    },
    onSuccess: (template) => {
      setKept(template.name);
      return queries.invalidateQueries({ queryKey: ["templates"] });
    },
  });
  return (
    <div className="mt-3 border-t border-rule pt-2">
      <h3 className="font-tight text-sm font-semibold">Take it along</h3>
      <div className="mt-1 flex flex-wrap gap-2">
        <a className={link} href={`/api/jobs/${id ?? ""}/plan.json`} download>
          Plan file
        </a>
        <a className={link} href={`/api/jobs/${id ?? ""}/job.zip`} download>
          Whole job
        </a>
        <Button
          disabled={keep.isPending}
          onClick={() => {
            keep.mutate();
          }}
        >
          Keep as a template
        </Button>
      </div>
      {kept !== null && (
        <p role="status" className="mt-1 text-[13px]">
          “{kept}” is offered under New job; what was seen at this tree comes along as guesses.
        </p>
      )}
      <Refused>{keep.isError ? sayWhy(keep.error) : null}</Refused>
    </div>
  );
}
