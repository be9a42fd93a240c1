import { keepPreviousData, useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, sayWhy } from "../../api/client";
import type { JobLog, Side } from "../../api/types";
import { Button } from "../../ui/controls";
import { Refused } from "../../ui/Refused";
import { useSettings } from "../../ui/settings";
import { dayOf } from "../../state/words";
import { ClashList } from "../sheet/ClashList";
import type { Draft } from "./draft";

interface SettleLogProps {
  draft: Draft;
  saved: JobLog;
  revision: number;
  /** Takes what was put together; it is saved by the log's own button. */
  onSettled: (log: JobLog) => void;
  onDrop: () => void;
}

/** A log was saved elsewhere since this one was written: what does not touch comes together, the rest is chosen. */
export function SettleLog({ draft, saved, revision, onSettled, onDrop }: SettleLogProps) {
  const units = useSettings((s) => s.units);
  const me = useSettings((s) => s.who).trim() || "You";
  const [chosen, setChosen] = useState<Record<string, Side>>({});
  const { was, log: mine } = draft;
  const merged = (settled: Record<string, Side>) =>
    api.mergeLogs({ ...(was && { was }), mine, theirs: saved, settled }, units);
  const found = useQuery({
    queryKey: ["two-logs", revision, mine],
    queryFn: () => merged({}),
    placeholderData: keepPreviousData,
    gcTime: 0,
    retry: false,
  });
  const together = useMutation({
    mutationFn: () => merged(chosen),
    onSuccess: ({ document }) => {
      if (document) onSettled(document);
    },
  });
  const clashes = found.data?.clashes ?? [];
  const open = clashes.filter((c) => chosen[c.path] === undefined).length;
  return (
    <section aria-label="Two logs of this job" data-two-logs className="mt-3 border border-ink bg-sheet px-4 py-3">
      <p role="status" className="text-sm leading-snug">
        <strong className="font-semibold">
          {saved.by === "" ? "Somebody" : saved.by} saved a log of this job, dated {dayOf(saved.on)}, since this was
          written here.
        </strong>{" "}
        {clashes.length === 0
          ? "What only one of you wrote is put together."
          : `What only one of you wrote is put together; ${clashes.length === 1 ? "one thing" : `${clashes.length} things`} you both wrote: choose which holds.`}
      </p>
      {clashes.length > 0 && (
        <ClashList
          clashes={clashes}
          me={me}
          they={saved.by === "" ? "Somebody" : saved.by}
          chosen={chosen}
          onChoose={setChosen}
        />
      )}
      <div className="mt-3 flex flex-wrap gap-2">
        <Button
          strong
          disabled={open > 0 || !found.data || together.isPending}
          onClick={() => {
            together.mutate();
          }}
        >
          {open > 0 ? `${open} to choose` : "Put both together"}
        </Button>
        <Button onClick={onDrop}>Drop what was written here</Button>
      </div>
      <Refused>{found.isError ? sayWhy(found.error) : together.isError ? sayWhy(together.error) : null}</Refused>
    </section>
  );
}
