import { useState } from "react";
import { Link } from "react-router";
import { api, sayWhy } from "../../api/client";
import type { JobEntry } from "../../api/types";
import { dayOf, today } from "../../state/words";
import { Button } from "../../ui/controls";
import { Refused } from "../../ui/Refused";
import { linkButton, SeveralBar } from "../../ui/SeveralBar";
import { TextField } from "../../ui/TextField";
import { idsAsked, type useSeveral } from "../../state/useSeveral";

interface SeveralJobsProps {
  several: ReturnType<typeof useSeveral<JobEntry>>;
  shown: readonly JobEntry[];
  onChanged: () => void;
}

/** What can be done to several jobs at once. */
export function SeveralJobs({ several, shown, onChanged }: SeveralJobsProps) {
  const [day, setDay] = useState(today());
  /** What the last press on Delete took off the list, to be put back. */
  const [gone, setGone] = useState<JobEntry[]>([]);
  const [refused, setRefused] = useState<string | null>(null);
  const ids = [...(several.chosen?.keys() ?? [])];
  const each = (what: string, act: (job: JobEntry) => Promise<unknown>) => {
    void several.each(what, act).then(onChanged);
  };
  const putBack = async () => {
    setRefused(null);
    for (const job of gone) {
      try {
        await api.restore(job.id);
        setGone((before) => before.filter((g) => g !== job));
      } catch (error) {
        setRefused(`${job.name}: ${sayWhy(error)}`);
      }
    }
    onChanged();
  };
  return (
    <SeveralBar
      of="jobs"
      count={ids.length}
      last={several.last}
      onAll={() => {
        several.all(shown);
      }}
      onEnd={several.end}
      after={
        gone.length > 0 && (
          <p className="mt-1 flex items-center gap-2">
            <Button onClick={() => void putBack()}>
              {gone.length === 1 ? "Put it back" : `Put the ${gone.length} back`}
            </Button>
            <Refused>{refused}</Refused>
          </p>
        )
      }
    >
      <div className="w-[190px]">
        <TextField label="Day" type="date" value={day} onChange={setDay} />
      </div>
      <Button
        disabled={several.busy || day === ""}
        onClick={() => {
          each(`planned for ${dayOf(day)}`, (job) => planFor(job.id, day));
        }}
      >
        Plan for this day
      </Button>
      <Link to={`/briefs?${idsAsked(ids)}`} className={linkButton}>
        Print the briefs
      </Link>
      <a href={`/api/jobs/jobs.zip?${idsAsked(ids)}`} download className={linkButton}>
        Export
      </a>
      <Button
        disabled={several.busy}
        onClick={() => {
          setGone([]);
          each("off the list", async (job) => {
            await api.remove(job.id);
            setGone((before) => [...before, job]);
          });
        }}
      >
        Delete
      </Button>
    </SeveralBar>
  );
}

/** Puts a job on a day; what somebody else changed meanwhile is kept. */
async function planFor(id: string, plannedOn: string): Promise<void> {
  const { name, place, plan, revision } = await api.job(id);
  await api.save(id, revision, { name, place, plan, plannedOn });
}
