import { useQuery } from "@tanstack/react-query";
import { useEffect, useState, type ReactNode } from "react";
import { Link as RouterLink, useLocation, useParams } from "react-router";
import { bringHome } from "../../api/along";
import { api, sayWhy } from "../../api/client";
import type { Catalogue } from "../../api/types";
import { closeJob, openJob } from "../../state/autosave";
import { StartsContext } from "../../state/starts";
import { useSheet } from "../../state/store";
import { openTogether } from "../../state/together";

/** How a page was come to: a job begun just now is discarded again if nothing is entered. */
export interface Came {
  fresh: boolean;
  /** The member to show first. */
  go?: string;
}

/** Opens the job of the address for a page that plans it, and closes it again when the page is left. */
export function OpenedJob({
  what,
  onOpen,
  onClose,
  children,
}: {
  /** What is opened, as in "sheet". */
  what: string;
  /** Once the job is open. Both must stay the same from one drawing to the next. */
  onOpen: (came: Came) => void;
  onClose: () => void;
  children: (catalogue: Catalogue) => ReactNode;
}) {
  const { id = "" } = useParams();
  // As the page was opened: the address loses it with the first step on the page.
  const [came] = useState(useLocation().state as { fresh?: string; go?: string } | null);
  const fresh = came?.fresh === id;
  const job = useQuery({
    queryKey: ["job", id],
    queryFn: () => api.job(id),
    staleTime: Infinity,
    gcTime: 0,
    retry: false,
  });
  const catalogue = useQuery({ queryKey: ["catalogue"], queryFn: api.catalogue, staleTime: Infinity });
  const opened = useSheet((s) => s.jobId);
  useEffect(() => {
    // A moment later: what stands on the screen comes first.
    const soon = setTimeout(() => {
      const plan = useSheet.getState().document?.plan;
      if (plan) void bringHome(plan);
    }, 1500);
    return () => {
      clearTimeout(soon);
    };
  }, [opened]);
  useEffect(() => (opened === null ? undefined : openTogether(opened)), [opened]);
  useEffect(() => {
    if (!job.data) return undefined;
    openJob(job.data, fresh);
    onOpen(came?.go === undefined ? { fresh } : { fresh, go: came.go });
    return () => {
      closeJob();
      onClose();
    };
  }, [job.data, fresh, came, onOpen, onClose]);
  if (job.error)
    return (
      <main className="p-8">
        <h1 className="font-tight text-xl font-semibold">This {what} cannot be opened</h1>
        <p className="mt-2">{sayWhy(job.error, "Draklo does not answer. Start it again, then reload this page.")}</p>
        <RouterLink to="/" className="mt-4 inline-block underline">
          Back to the jobs
        </RouterLink>
      </main>
    );
  return opened === id && catalogue.data ? (
    <StartsContext value={catalogue.data.starts}>{children(catalogue.data)}</StartsContext>
  ) : (
    <main className="p-8 text-pencil">Opening the {what}.</main>
  );
}
