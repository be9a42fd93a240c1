import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { useParams } from "react-router";
import { api, Refusal, sayWhy } from "../../api/client";
import type { JobLog, LogAnswer } from "../../api/types";
import { dayOf } from "../../state/words";
import { Button } from "../../ui/controls";
import { Refused } from "../../ui/Refused";
import { useShelf } from "../../ui/shelf";
import { useSettings } from "../../ui/settings";
import { TextField } from "../../ui/TextField";
import { JobPlaces } from "../../ui/JobPlaces";
import { TopBar } from "../../ui/TopBar";
import { changed } from "../locker/words";
import { ClearingQuestion } from "./ClearingQuestion";
import { draftOf, dropDraft, filledIn, firstLog, keepDraft } from "./draft";
import { GearQuestion } from "./GearQuestion";
import { HingeQuestion } from "./HingeQuestion";
import { KnotsQuestion } from "./KnotsQuestion";
import { LandingQuestion } from "./LandingQuestion";
import { LineQuestion } from "./LineQuestion";
import { MinutesQuestion } from "./MinutesQuestion";
import { NearMisses } from "./NearMisses";
import { Pictures } from "./Pictures";
import { Question, Taps } from "./Question";
import { SettleLog } from "./SettleLog";
import { stageNames } from "./words";

/** Looking back on a job: ten taps after the tree is down. */
export function LogPage() {
  const { id = "" } = useParams();
  const answer = useQuery({ queryKey: ["log", id], queryFn: () => api.log(id), gcTime: 0, retry: false });
  useEffect(() => {
    document.title = answer.data ? `${answer.data.name}, looking back` : "Draklo";
  }, [answer.data]);
  return (
    <div className="flex h-full flex-col">
      <TopBar />
      <main className="flex min-h-0 flex-1 flex-col">
        <JobPlaces
          jobId={id}
          here="log"
          className="mx-6 mt-3 max-w-[420px] self-start max-sm:mx-3 max-sm:self-stretch"
        />
        {answer.isError && (
          <p role="alert" className="p-6">
            {sayWhy(answer.error)}
          </p>
        )}
        {answer.isPending && <p className="p-6 text-pencil">Opening.</p>}
        {answer.data && <LogForm key={answer.data.revision} answer={answer.data} />}
      </main>
    </div>
  );
}

/** The log as it stands in the form, kept on this device until it is saved. */
function useLog(answer: LogAnswer) {
  const units = useSettings((s) => s.units);
  const who = useSettings((s) => s.who);
  const queries = useQueryClient();
  const left = draftOf(answer.jobId);
  const [log, setLog] = useState<JobLog>(
    () => left?.log ?? (answer.log ? filledIn(answer.log, answer, who) : firstLog(answer, who)),
  );
  // A draft that began from an older log is put together with what stands there now before it is saved.
  const stale = left !== null && left.revision !== answer.revision;
  const [touched, setTouched] = useState(left !== null);
  const [errors, setErrors] = useState<Record<string, string | undefined>>({});
  const [busy, setBusy] = useState(false);

  const now = { revision: answer.revision, ...(answer.log && { was: answer.log }) };
  const begunFrom = stale ? { revision: left.revision, ...(left.was && { was: left.was }) } : now;
  function put(change: (log: JobLog) => JobLog, from = begunFrom): void {
    setTouched(true);
    setLog((before) => {
      const next = change(before);
      keepDraft(answer.jobId, { ...from, log: next });
      return next;
    });
  }
  const set = (part: { [K in keyof JobLog]?: JobLog[K] | undefined }) => {
    put((l) => ({ ...changed(l, part), on: part.on ?? l.on, by: part.by ?? l.by }));
  };
  const line = (
    lineId: string,
    part: { [K in keyof JobLog["lines"][number]]?: JobLog["lines"][number][K] | undefined },
  ) => {
    put((l) => ({ ...l, lines: l.lines.map((x) => (x.lineId === lineId ? changed(x, part) : x)) }));
  };

  async function keep(): Promise<void> {
    setBusy(true);
    try {
      const next = await api.keepLog(answer.jobId, answer.revision, log, units);
      dropDraft(answer.jobId);
      setErrors({});
      setTouched(false);
      queries.setQueryData(["log", answer.jobId], next);
      void queries.invalidateQueries({ queryKey: ["jobs"] });
      void queries.invalidateQueries({ queryKey: ["locker"] });
    } catch (error) {
      if (error instanceof Refusal && Object.keys(error.errors).length > 0)
        setErrors(Object.fromEntries(Object.entries(error.errors).map(([path, s]) => [path, s[0]])));
      else {
        if (error instanceof Refusal && error.status === 412)
          void queries.invalidateQueries({ queryKey: ["log", answer.jobId] });
        setErrors({
          "": sayWhy(error, "Draklo does not answer. What you wrote stays on this device: save it once it runs."),
        });
      }
    } finally {
      setBusy(false);
    }
  }

  return {
    log,
    set,
    put,
    line,
    errors,
    setErrors,
    setLog,
    setTouched,
    left,
    stale,
    touched,
    busy,
    keep,
    begunFrom,
    now,
  };
}

function LogForm({ answer }: { answer: LogAnswer }) {
  const own = useLog(answer);
  const { log, set, errors } = own;
  const start = answer.start;
  const down = log.stage !== "calledOff";
  // Where nothing is pulled, nobody is asked about a pull.
  const alone = start.clearing?.alone === true;
  return (
    <form
      className="flex min-h-0 flex-1 flex-col"
      onSubmit={(event) => {
        // Enter takes a field; a log is saved by its own button.
        event.preventDefault();
      }}
    >
      {/* The foot stands below what scrolls, so that nothing comes to lie under it. */}
      <div className="min-h-0 flex-1 overflow-y-auto">
        <div className="mx-auto max-w-[1080px] px-6 py-5 max-md:px-3">
          <LogHead answer={answer} own={own} />
          <DraftNote answer={answer} own={own} />
          <div className="mt-3">
            <EndQuestion alone={alone} own={own} />
          </div>
          {down && <WhatHappened answer={answer} alone={alone} own={own} />}
          <NearMisses
            misses={log.nearMisses}
            errors={errors}
            onChange={(nearMisses) => {
              set({ nearMisses });
            }}
          />
          <Question title="What would you do differently?">
            <textarea
              aria-label="What would you do differently?"
              value={log.differently ?? ""}
              maxLength={1000}
              rows={2}
              onChange={(e) => {
                set({ differently: e.target.value });
              }}
              className="w-full border border-pencil bg-sheet p-2 text-sm outline-none focus:bg-tint"
            />
            <Refused>{errors["differently"]}</Refused>
          </Question>
        </div>
      </div>
      <LogFoot answer={answer} own={own} />
    </form>
  );
}

type OwnLog = ReturnType<typeof useLog>;

function LogHead({ answer, own }: { answer: LogAnswer; own: OwnLog }) {
  const { log, set, errors } = own;
  return (
    <div className="flex flex-wrap items-end gap-x-6 gap-y-2">
      <div className="min-w-0 flex-1">
        <p className="text-[13px] text-pencil">Looking back</p>
        <h1 className="font-tight text-2xl font-semibold leading-tight">{answer.name}</h1>
        <p className="text-[13px] text-pencil">
          {answer.place || "no place"} · {stageNames[answer.stage]}
          {answer.log && ` · written by ${answer.log.by}, ${dayOf(answer.log.on)}`}
        </p>
      </div>
      <div className="w-[150px]">
        <TextField
          label="Day"
          type="date"
          value={log.on}
          onChange={(on) => {
            set({ on });
          }}
          problem={errors["on"]}
        />
      </div>
      <div className="w-[190px]">
        <TextField
          label="Written by"
          value={log.by}
          onChange={(by) => {
            set({ by });
          }}
          problem={errors["by"]}
        />
      </div>
    </div>
  );
}

/** What was written here and not saved yet; put together first with what others saved meanwhile. */
function DraftNote({ answer, own }: { answer: LogAnswer; own: OwnLog }) {
  const who = useSettings((s) => s.who);
  const { log, put, left, stale, begunFrom, now, setErrors, setTouched, setLog } = own;
  return (
    <>
      {left && !stale && (
        <p role="status" className="mt-2 border-l-4 border-ink pl-2 text-sm">
          This is what was written on this device and not saved yet.
        </p>
      )}
      {stale && answer.log && (
        <SettleLog
          key={answer.revision}
          draft={{ ...begunFrom, log }}
          saved={answer.log}
          revision={answer.revision}
          onSettled={(together) => {
            put(() => together, now);
            setErrors({});
          }}
          onDrop={() => {
            dropDraft(answer.jobId);
            setTouched(false);
            setErrors({});
            setLog(answer.log ?? firstLog(answer, who));
          }}
        />
      )}
    </>
  );
}

function EndQuestion({ alone, own }: { alone: boolean; own: OwnLog }) {
  const { log, set, errors } = own;
  return (
    <Question title="How did it end?">
      <Taps
        label="How did it end?"
        value={log.stage}
        choices={(alone
          ? (["cleared", "done", "calledOff"] as const)
          : (["pulled", "cleared", "done", "calledOff"] as const)
        ).map((s) => ({
          value: s,
          text: { pulled: "tree is down", cleared: "ground is clear", done: "done", calledOff: "called off" }[s],
        }))}
        onChange={(stage) => {
          if (stage) set({ stage });
        }}
      />
      <Refused>{errors["stage"]}</Refused>
      {log.stage === "calledOff" && (
        <TextField
          label="Why"
          value={log.because ?? ""}
          onChange={(because) => {
            set({ because });
          }}
          problem={errors["because"]}
        />
      )}
    </Question>
  );
}

/** Everything that is asked of a job that was not called off. */
function WhatHappened({ answer, alone, own }: { answer: LogAnswer; alone: boolean; own: OwnLog }) {
  const { log, set, put, line, errors } = own;
  const start = answer.start;
  return (
    <div className="grid grid-cols-[minmax(0,420px)_minmax(0,1fr)] gap-x-8 max-md:grid-cols-1">
      <div>
        {start.clearing && (
          <ClearingQuestion
            jobId={answer.jobId}
            planned={start.clearing}
            said={log.clearing}
            errors={errors}
            onChange={(clearing) => {
              set({ clearing });
            }}
          />
        )}
        {!alone && (
          <LandingQuestion
            start={start}
            landing={log.landing}
            errors={errors}
            onChange={(landing) => {
              set({ landing });
            }}
          />
        )}
        <Question title="Pictures">
          <Pictures
            pictures={log.pictures}
            onChange={(change) => {
              put((l) => ({ ...l, pictures: change(l.pictures) }));
            }}
            problem={errors["pictures"]}
          />
        </Question>
      </div>
      <div>
        {log.lines.map((said, i) => (
          <LineQuestion
            key={said.lineId}
            said={said}
            of={start.lines.find((l) => l.lineId === said.lineId)}
            alone={log.lines.length === 1}
            problem={(member) => errors[`lines[${i}].${member}`]}
            onChange={(part) => {
              line(said.lineId, part);
            }}
          />
        ))}
        {!alone && (
          <HingeQuestion
            hold={start.holdDeg}
            hinge={log.hinge}
            problem={errors["hinge.atDeg"]}
            onChange={(hinge) => {
              set({ hinge });
            }}
          />
        )}
        <KnotsQuestion
          tied={start.knots}
          knots={log.knots}
          problem={errors["knots"]}
          onChange={(knots) => {
            set({ knots });
          }}
        />
        <Question title="What broke?">
          <TextField
            label="Broke"
            value={log.broke ?? ""}
            onChange={(broke) => {
              set({ broke });
            }}
            problem={errors["broke"]}
          />
        </Question>
        <GearQuestion
          pieces={start.gear}
          gear={log.gear}
          errors={errors}
          onChange={(gear) => {
            set({ gear });
          }}
        />
        <MinutesQuestion
          tasks={start.tasks}
          minutes={log.minutes}
          problem={errors["minutes"]}
          onChange={(minutes) => {
            set({ minutes });
          }}
        />
      </div>
    </div>
  );
}

function LogFoot({ answer, own }: { answer: LogAnswer; own: OwnLog }) {
  const { errors, busy, stale, touched, keep } = own;
  const start = answer.start;
  // A save comes back as the next revision, and the form begins on it afresh.
  const saved = !touched && answer.log !== undefined;
  const waits = useShelf((s) => s.waiting.some((w) => w.kind === "log" && w.jobId === answer.jobId));
  return (
    <div className="border-t border-ink bg-paper">
      <div className="mx-auto flex max-w-[1080px] flex-wrap items-center gap-3 px-6 py-2.5 max-md:px-3">
        <Button
          strong
          disabled={busy || stale}
          onClick={() => {
            void keep();
          }}
          className="min-h-11! px-6!"
        >
          Save the log
        </Button>
        <p role="status" data-log={saved ? "kept" : "open"} className="min-w-0 flex-1 text-sm leading-snug text-pencil">
          {saved
            ? waits
              ? `Kept on this device. It goes home by itself, and the use of ${pieces(start.gear.length)} is booked then.`
              : `Saved. The use of ${pieces(start.gear.length)} is booked.`
            : `Saving books the day's work on ${pieces(start.gear.length)}. Until then it stays on this device.`}
        </p>
        <Refused>{errors[""] ?? firstElsewhere(errors)}</Refused>
      </div>
    </div>
  );
}

const pieces = (n: number) => (n === 1 ? "one piece of gear" : `${n} pieces of gear`);

/** That something above is refused, for those who only see the foot of the page. */
function firstElsewhere(errors: Record<string, string | undefined>): string | undefined {
  const first = Object.entries(errors).find(([path, text]) => path !== "" && text !== undefined);
  return first === undefined ? undefined : `Not saved: ${first[1] ?? ""}`;
}
