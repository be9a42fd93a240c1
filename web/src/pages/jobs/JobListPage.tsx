import { FileButton } from "../../ui/FileButton";
import { keepPreviousData, useInfiniteQuery, useMutation, useQueryClient } from "@tanstack/react-query";
import { lazy, Suspense, useEffect, useRef, useState } from "react";
import { Link, useNavigate } from "react-router";
import { api, sayWhy } from "../../api/client";
import type { JobAsk, JobEntry } from "../../api/types";
import { SmallElevation } from "../../drawing/SmallElevation";
import { SmallSection } from "../../drawing/SmallSection";
import { onGone, sendLeftOver } from "../../state/autosave";
import { useMay } from "../../state/session";
import { dayOf, stateHatch, stateWords } from "../../state/words";
import { Button } from "../../ui/controls";
import { useSettings } from "../../ui/settings";
import { MoreMenu } from "../../ui/MoreMenu";
import { ChosenBox } from "../../ui/SeveralBar";
import { TopBar } from "../../ui/TopBar";
import { lazily } from "../../ui/lazily";
import { useSeveral } from "../../state/useSeveral";
import { stageNames } from "../log/words";
import { firstAsk, isNarrowed, JobFilters } from "./JobFilters";
import { CareNote } from "../care/CareNote";

const SeveralJobs = lazily(() => import("./SeveralJobs").then((m) => m.SeveralJobs));
const NewJob = lazy(() => import("./NewJob").then((m) => ({ default: m.NewJob })));

const largestFile = 1024 * 1024;
const largestArchive = 96 * 1024 * 1024;

const isArchive = (file: File): boolean => /\.zip$/i.test(file.name) || file.type.includes("zip");
const page = 60;
const wholeRow =
  "after:absolute after:inset-0 focus-visible:outline-none focus-visible:after:outline-2 focus-visible:after:outline-ink";
const itemLook = "block w-full px-4 py-2 text-left text-sm data-focus:bg-tint";

/** Every job with a small elevation of its tree. */
export function JobListPage() {
  const leads = useMay("lead");
  const queries = useQueryClient();
  const navigate = useNavigate();
  const [starting, setStarting] = useState(false);
  const [refused, setRefused] = useState<string | null>(null);
  const [asked, setAsked] = useState<JobAsk>(firstAsk);
  const { jobs, listed, total, end } = useJobs(asked);
  const complain = (error: Error) => {
    setRefused(sayWhy(error));
  };
  const acts = useActs(complain);
  const several = useSeveral<JobEntry>(
    (job) => job.id,
    (job) => job.name,
  );
  const take = useMutation({
    mutationFn: (file: File) => (isArchive(file) ? api.importJob(file) : api.importPlan(file)),
    onSuccess: (job) => navigate(`/jobs/${job.id}`),
    onError: complain,
  });
  useEffect(() => {
    document.title = "Draklo";
    const again = () => void queries.invalidateQueries({ queryKey: ["jobs"] });
    void sendLeftOver().then((sent) => {
      if (sent > 0) again();
    });
    return onGone(again);
  }, [queries]);

  function choose(chosen: File): void {
    setRefused(null);
    if (isArchive(chosen) ? chosen.size > largestArchive : chosen.size > largestFile)
      setRefused(
        `“${chosen.name}” is larger than ${isArchive(chosen) ? "96 MB and cannot be a job’s archive" : "1 MB and cannot be a plan"}: choose the file itself.`,
      );
    else take.mutate(chosen);
  }

  return (
    <div className="min-h-full">
      <TopBar>
        {leads && (
          <>
            <Button
              aria-pressed={several.chosen !== null}
              className={several.chosen ? "bg-ink! text-sheet!" : ""}
              onClick={several.chosen ? several.end : several.begin}
            >
              Choose several
            </Button>
            <FileButton label="Plan file" accept=".json,.zip,application/json,application/zip" onFile={choose}>
              Import
            </FileButton>
            <Button
              strong
              onClick={() => {
                setStarting(true);
              }}
            >
              New job
            </Button>
          </>
        )}
      </TopBar>
      <CareNote />
      <main className="mx-auto max-w-[1080px] px-6 py-5">
        <h1 className="font-tight text-2xl font-semibold">Jobs</h1>
        {refused !== null && (
          <p role="alert" className="mt-3 border-l-4 border-ink bg-sheet px-3 py-2">
            {refused}
          </p>
        )}
        {jobs.isError && (
          <p role="alert" className="mt-3 border-l-4 border-ink bg-sheet px-3 py-2">
            The jobs cannot be read.{" "}
            {sayWhy(jobs.error, "Draklo does not answer: start it again, then reload this page.")}
          </p>
        )}
        {jobs.isPending && <p className="mt-3 text-pencil">Reading the jobs.</p>}
        <JobFilters asked={asked} total={total} onChange={setAsked} />
        {listed?.length === 0 && isNarrowed(asked) && (
          <p className="mt-4 border-l-4 border-ink pl-3 leading-relaxed">
            No job is like that.{" "}
            <button
              type="button"
              className="underline"
              onClick={() => {
                setAsked({ ...firstAsk, stage: "" });
              }}
            >
              Show all of them
            </button>
          </p>
        )}
        {listed?.length === 0 && !isNarrowed(asked) && (
          <div className="mt-6 max-w-[560px] border border-ink bg-sheet p-5 leading-relaxed">
            <p className="font-tight text-lg font-semibold">No job yet</p>
            <p className="mt-1">
              Start one for your next leaning tree. It begins with an ordinary tree, every figure marked as a guess.
              Walk round yours and enter what you measure: the sheet shows how hard to pull it and what holds.
            </p>
          </div>
        )}
        {several.chosen && (
          <SeveralJobs
            several={several}
            shown={listed ?? []}
            onChanged={() => void queries.invalidateQueries({ queryKey: ["jobs"] })}
          />
        )}
        <ul className="mt-3">
          {listed?.map((job) => (
            <JobRow
              key={job.id}
              job={job}
              chosen={several.chosen?.has(job.id)}
              onChoose={several.toggle}
              onDuplicate={acts.duplicate}
              onRemove={acts.remove}
            />
          ))}
        </ul>
        {jobs.hasNextPage && (
          <p ref={end} className="py-3 text-[13px] text-pencil">
            {listed?.length} of {total} jobs shown; more come as you scroll.
          </p>
        )}
        <p className="mt-5 max-w-[720px] text-[13px] leading-snug text-pencil">
          Estimates, not promises: Draklo does not see the tree. Local law and codes, the makers' ratings and a trained,
          insured, competent person on site decide.
        </p>
      </main>
      {starting && (
        <Suspense>
          <NewJob
            onClose={() => {
              setStarting(false);
            }}
          />
        </Suspense>
      )}
      {acts.gone && <GoneNote job={acts.gone} onUndo={acts.restore} onClose={acts.forget} />}
    </div>
  );
}

/** The jobs asked for, a page at a time: the next one comes well before its place comes into view. */
function useJobs(asked: JobAsk) {
  const units = useSettings((s) => s.units);
  const jobs = useInfiniteQuery({
    queryKey: ["jobs", units, asked],
    queryFn: ({ pageParam }) => api.jobs(units, pageParam, page, asked),
    placeholderData: keepPreviousData,
    initialPageParam: 0,
    getNextPageParam: (last, all) => (all.length * page < last.total ? all.length * page : undefined),
    gcTime: 0,
  });
  const listed = jobs.data?.pages.flatMap((p) => p.jobs);
  const total = jobs.data?.pages[0]?.total ?? 0;
  const { hasNextPage, isFetchingNextPage, fetchNextPage } = jobs;
  const end = useRef<HTMLParagraphElement>(null);
  useEffect(() => {
    const mark = end.current;
    if (!mark || !hasNextPage || isFetchingNextPage) return;
    // The next page is asked for well before its place comes into view.
    const seen = new IntersectionObserver(
      (entries) => {
        if (entries.some((e) => e.isIntersecting)) void fetchNextPage();
      },
      { rootMargin: "1500px" },
    );
    seen.observe(mark);
    return () => {
      seen.disconnect();
    };
  }, [hasNextPage, isFetchingNextPage, fetchNextPage]);
  return { jobs, listed, total, end };
}

/** What is done to a job from its row; a deletion can be undone. */
function useActs(complain: (error: Error) => void) {
  const queries = useQueryClient();
  const [gone, setGone] = useState<JobEntry | null>(null);
  const fresh = () => queries.invalidateQueries({ queryKey: ["jobs"] });
  const duplicate = useMutation({
    mutationFn: (job: JobEntry) => api.duplicate(job.id),
    onSuccess: fresh,
    onError: complain,
  });
  const remove = useMutation({
    mutationFn: (job: JobEntry) => api.remove(job.id),
    onSuccess: (_, job) => {
      setGone(job);
      return fresh();
    },
    onError: complain,
  });
  const restore = useMutation({
    mutationFn: (job: JobEntry) => api.restore(job.id),
    onSuccess: () => {
      setGone(null);
      return fresh();
    },
    onError: complain,
  });
  return {
    gone,
    duplicate: duplicate.mutate,
    remove: remove.mutate,
    restore: restore.mutate,
    forget: () => {
      setGone(null);
    },
  };
}

interface JobRowProps {
  job: JobEntry;
  /** Whether it is among several that are chosen; undefined while jobs are opened one by one. */
  chosen: boolean | undefined;
  onChoose: (job: JobEntry) => void;
  onDuplicate: (job: JobEntry) => void;
  onRemove: (job: JobEntry) => void;
}

/** One job: its drawing, its verdict, its day, and what can be done with it. */
function JobRow({ job, chosen, onChoose, onDuplicate, onRemove }: JobRowProps) {
  return (
    <li
      data-job={job.name}
      className="relative flex items-center gap-5 border-t border-ink py-3 last:border-b hover:bg-sheet [contain-intrinsic-size:auto_121px] [content-visibility:auto] max-md:flex-wrap"
    >
      <div className="w-[168px] shrink-0 bg-sheet">
        {job.figure && job.centreOfMass ? (
          <SmallElevation figure={job.figure} centre={job.centreOfMass} />
        ) : job.sketch ? (
          <SmallSection sketch={job.sketch} />
        ) : (
          <p className="flex h-24 items-center justify-center text-center text-[13px] text-pencil">
            nothing to draw yet
          </p>
        )}
      </div>
      <div className="min-w-0 flex-1 max-md:min-w-[150px]">
        <h2 className="font-tight text-[17px] font-semibold leading-tight">
          {chosen === undefined ? (
            <Link to={job.clearing ? `/jobs/${job.id}/clear` : `/jobs/${job.id}`} className={wholeRow}>
              {job.name}
            </Link>
          ) : (
            <button
              type="button"
              aria-pressed={chosen}
              className={`text-left ${wholeRow}`}
              onClick={() => {
                onChoose(job);
              }}
            >
              <ChosenBox chosen={chosen} /> {job.name}
            </button>
          )}
        </h2>
        <p className="text-[13px] text-pencil">
          {job.place || "no place"}
          {job.clearing && " · clearing alone"}
          {job.stage !== undefined && <span data-stage={job.stage}> · {stageNames[job.stage]}</span>}
          {job.crew !== undefined && job.crew !== "" && ` · ${job.crew}`}
        </p>
        <p className="mt-1.5 text-sm leading-snug">{job.headline}</p>
      </div>
      <div className="flex w-[104px] shrink-0 items-center gap-2 max-md:w-auto">
        <span aria-hidden className={`${stateHatch[job.state]} h-6 w-6 border border-ink`} />
        <span className="font-tight text-[15px] font-semibold">{stateWords[job.state]}</span>
      </div>
      <p className="w-[132px] shrink-0 max-md:w-auto max-md:flex-1 font-tight text-[15px]">
        {dayOf(job.loggedOn ?? job.plannedOn)}
      </p>
      <MoreMenu
        text="More"
        label={`More for ${job.name}`}
        anchor="bottom end"
        className="relative min-h-9 border border-ink bg-sheet px-3 font-tight text-sm font-medium hover:bg-tint"
        listClassName="border [--anchor-gap:2px]"
      >
        <button
          type="button"
          onClick={() => {
            onDuplicate(job);
          }}
          className={itemLook}
        >
          Duplicate
        </button>
        <Link to={`/jobs/${job.id}/log`} className={itemLook}>
          Look back
        </Link>
        <a href={`/api/jobs/${job.id}/plan.json`} className={itemLook}>
          Export the plan file
        </a>
        <a href={`/api/jobs/${job.id}/job.zip`} className={itemLook}>
          Export the whole job
        </a>
        <button
          type="button"
          onClick={() => {
            onRemove(job);
          }}
          className={itemLook}
        >
          Delete
        </button>
      </MoreMenu>
    </li>
  );
}

interface GoneNoteProps {
  job: JobEntry;
  onUndo: (job: JobEntry) => void;
  onClose: () => void;
}

function GoneNote({ job, onUndo, onClose }: GoneNoteProps) {
  return (
    <div
      role="status"
      className="fixed inset-x-0 bottom-0 flex items-center justify-center gap-4 bg-ink px-6 py-3 text-sheet"
    >
      <span>“{job.name}” is off the list.</span>
      <Button
        onClick={() => {
          onUndo(job);
        }}
      >
        Undo
      </Button>
      <button type="button" className="min-h-9 px-2 underline" onClick={onClose}>
        Close
      </button>
    </div>
  );
}
