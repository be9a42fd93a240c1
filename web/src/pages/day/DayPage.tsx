import { useCallback, useEffect, useState, type ReactNode } from "react";
import { Link, useParams } from "react-router";
import { Refusal, sayWhy } from "../../api/client";
import type { PullDay, Pulling, PullStep } from "../../api/types";
import { useLive, useLiveDay } from "../../state/live";
import { useDayDesk, type DayDesk } from "../../state/useDayDesk";
import { Button, Segments } from "../../ui/controls";
import { lazily } from "../../ui/lazily";
import { useSettings } from "../../ui/settings";
import { AnswerBar } from "./AnswerBar";
import type { What } from "./ChangeDialog";
import { DayHead, Told, WhoAreYou } from "./DayHead";
import { Marks, OtherWays, Words } from "./DayWords";
import type { Way } from "./ReadWays";
import { isTight, onlyClears } from "./steps";
import { Tape } from "./Tape";

// What a step shows comes with the step: a phone at a weak signal opens the day with what every step has.
const Because = lazily(() => import("./Because").then((m) => m.Because));
const BigReading = lazily(() => import("./BigReading").then((m) => m.BigReading));
const CutList = lazily(() => import("./CutList").then((m) => m.CutList));
const Kept = lazily(() => import("./Kept").then((m) => m.Kept));
const Loads = lazily(() => import("./Loads").then((m) => m.Loads));
const Observations = lazily(() => import("./Observations").then((m) => m.Observations));
const PullPicture = lazily(() => import("./PullPicture").then((m) => m.PullPicture));
const TopPicture = lazily(() => import("./TopPicture").then((m) => m.TopPicture));
const TraceChart = lazily(() => import("./TraceChart").then((m) => m.TraceChart));
const WindowRule = lazily(() => import("./WindowRule").then((m) => m.WindowRule));
const ChangeDialog = lazily(() => import("./ChangeDialog").then((m) => m.ChangeDialog));
const ReadWay = lazily(() => import("./ReadWays").then((m) => m.ReadWay));

/** The day by the tree: one step at a time, from the signed brief to the tree on the ground. */
export function DayPage() {
  const { id = "" } = useParams();
  const desk = useDayDesk(id);
  const [cells, setCells] = useState(false);
  const { refetch } = desk;
  const seen = desk.pulling?.day.entries.at(-1)?.number ?? 0;
  const onEntries = useCallback(
    (number: number) => {
      if (number !== seen) refetch();
    },
    [refetch, seen],
  );
  useLiveDay(id, cells, onEntries);
  const name = desk.pulling?.name;
  useEffect(() => {
    document.title = name === undefined ? "The day · Draklo" : `The day: ${name} · Draklo`;
  }, [name]);
  if (!desk.pulling) return <NoDay jobId={id} error={desk.error} />;
  return <Day key={id} jobId={id} desk={desk} pulling={desk.pulling} cells={cells} onCells={setCells} />;
}

function NoDay({ jobId, error }: { jobId: string; error: unknown }) {
  if (!error) return <main className="p-6 text-pencil">Opening the day.</main>;
  return (
    <main className="max-w-[640px] p-6 text-[17px] leading-snug">
      <h1 className="font-tight text-2xl font-semibold">No day for this job yet</h1>
      <p className="py-2">{error instanceof Refusal ? sayWhy(error) : "Draklo does not answer; it is tried again."}</p>
      <Link to={`/jobs/${jobId}`} className="underline">
        To the sheet
      </Link>
    </main>
  );
}

type Asking =
  | { kind: "because"; title: string; button: string; done: (because: string) => void }
  | { kind: "way"; way: Way; sent: string | null }
  | { kind: "change"; what: What }
  | null;

interface DayProps {
  jobId: string;
  desk: DayDesk;
  pulling: Pulling;
  cells: boolean;
  onCells: (on: boolean) => void;
}

function Day({ jobId, desk, pulling, cells, onCells }: DayProps) {
  const who = useSettings((s) => s.who);
  const [asking, setAsking] = useState<Asking>(null);
  const [picked, setPicked] = useState<string | null>(null);
  const { day } = pulling;
  const line = day.lines.find((l) => l.id === picked) ?? day.lines.find((l) => !l.readHere) ?? day.lines[0];
  const named = who.trim() !== "";
  const say = desk.say;
  const close = () => {
    setAsking(null);
  };
  useGoneByItself(day, say);
  // A reading's dialog stays until the reading is kept, or waits here: what was typed is never lost to a refusal.
  const sent = asking?.kind === "way" ? asking.sent : null;
  if (sent !== null && desk.through(sent)) setAsking(null);
  const refusedHere = sent !== null && desk.refused?.key === sent ? desk.refused.errors : {};
  const seenErrors = desk.refused?.errors ?? {};
  const atField = sent !== null || Object.keys(seenErrors).some((path) => path.startsWith("seen."));
  const clears = onlyClears(day);

  function go(to: PullStep, back: boolean): void {
    const free = back || day.answer.state === "goOn";
    if (free) {
      say({ kind: "move", to });
      return;
    }
    setAsking({
      kind: "because",
      title: day.answer.state === "stop" ? "Go on against a stop?" : "Go on all the same?",
      button: "Go on",
      done: (because) => {
        say({ kind: "move", to, because });
      },
    });
  }

  const askWay = (way: Way) => {
    setAsking({ kind: "way", way, sent: null });
  };
  const reading = line && (
    <BigReading
      pulling={pulling}
      line={line}
      cells={cells}
      onCells={onCells}
      onTake={(readN, simulated) => {
        say({ kind: "reading", lineId: line.id, tension: { way: "cell", readN, simulated } });
        const { leanDeg } = useLive.getState();
        if (day.now === "pull" && leanDeg !== null) say({ kind: "seen", seen: { leanDeg } });
      }}
    />
  );
  const watching = line && (
    <Observations
      day={day}
      line={line}
      errors={seenErrors}
      onSeen={(seen) => {
        say({ kind: "seen", lineId: line.id, seen });
      }}
    />
  );

  return (
    <div className="day-page mx-auto flex h-dvh max-w-[1180px] flex-col bg-sheet short:h-auto">
      <DayHead
        jobId={jobId}
        pulling={pulling}
        clears={clears}
        onStop={() => {
          say({ kind: "stop" });
        }}
      />
      <Tape
        day={day}
        onBack={(to) => {
          go(to, true);
        }}
      />
      {!named && <WhoAreYou people={pulling.people} />}
      <Told desk={desk} atField={atField} />
      <main
        className={`day-grid ${day.now === "clear" ? "day-loads" : ""} min-h-0 flex-1 overflow-y-auto px-5 py-4 max-sm:px-3`}
      >
        <div className="day-all">
          <h2 className="font-tight text-[34px] leading-tight font-semibold max-sm:text-[26px]">{day.do}</h2>
          <p className="text-[18px] leading-snug text-pencil">{day.who}</p>
        </div>
        {line && day.lines.length > 1 && (
          <div className="day-all">
            <Segments
              label="Line in hand"
              value={line.id}
              onChange={setPicked}
              choices={day.lines.map((l) => ({
                value: l.id,
                text: `${l.turn} · ${l.id}${l.readN ? "" : ", not read"}`,
              }))}
            />
          </div>
        )}
        <StepPane
          jobId={jobId}
          pulling={pulling}
          line={line}
          reading={reading}
          watching={watching}
          disabled={!named || desk.inFlight}
          say={say}
          onWay={askWay}
        />
        <KeptEntries
          jobId={jobId}
          pulling={pulling}
          say={say}
          onAgain={() => {
            setAsking({
              kind: "because",
              title: "Begin the day again?",
              button: "Begin again",
              done: (because) => {
                say({ kind: "again", because });
              },
            });
          }}
        />
      </main>
      <AnswerBar
        day={day}
        disabled={!named || desk.inFlight}
        onGo={(to) => {
          go(to, false);
        }}
        onResume={() => {
          setAsking({
            kind: "because",
            title: "On again?",
            button: "On again",
            done: (because) => {
              say({ kind: "resume", because });
            },
          });
        }}
        onLetOff={(to) => {
          say({ kind: "move", to, because: "let off" });
        }}
        onLook={() => {
          lookAgain(day, say);
        }}
        onChange={(what) => {
          setAsking({ kind: "change", what });
        }}
        pulls={!clears && day.now !== "clear"}
        canCount={line?.puller === "people"}
      />
      {asking?.kind === "because" && (
        <Because
          title={asking.title}
          text={day.answer.findings.map((f) => f.text)}
          button={asking.button}
          onDone={(because) => {
            asking.done(because);
            close();
          }}
          onClose={close}
        />
      )}
      {line && asking?.kind === "way" && (
        <ReadWay
          way={asking.way}
          line={line}
          errors={refusedHere}
          onRead={(tension) => {
            setAsking({ ...asking, sent: say({ kind: "reading", lineId: line.id, tension }) });
          }}
          onClose={close}
        />
      )}
      {line && asking?.kind === "change" && (
        <ChangeDialog jobId={jobId} day={day} line={line} first={asking.what} by={who} onClose={close} />
      )}
    </div>
  );
}

interface StepPaneProps {
  jobId: string;
  pulling: Pulling;
  line: PullDay["lines"][number] | undefined;
  /** The line's figure, large. */
  reading: ReactNode;
  /** What is to be looked at. */
  watching: ReactNode;
  disabled: boolean;
  say: DayDesk["say"];
  onWay: (way: Way) => void;
}

/** What the step at hand needs: loads as they move, the line under tension with its picture, or what comes before and after. */
function StepPane({ jobId, pulling, line, reading, watching, disabled, say, onWay }: StepPaneProps) {
  const { day } = pulling;
  return day.now === "clear" ? (
    <>
      {day.loads && (
        <Loads
          loads={day.loads}
          stopped={day.stopped}
          disabled={disabled}
          onLoad={() => {
            say({ kind: "load" });
          }}
          onBack={lastLoad(day, say)}
        />
      )}
      {line ? (
        <div className="day-left">
          <div>
            {reading}
            <OtherWays line={line} only={["cell"]} onWay={onWay} />
            {watching}
          </div>
          <WindowRule line={line} pulling={false} />
        </div>
      ) : (
        <p className="text-[18px] leading-snug">No line carries or hauls these loads: count them as they come.</p>
      )}
      <div className="day-all">
        <TraceChart jobId={jobId} day={day} />
      </div>
    </>
  ) : isTight(day.now) && line ? (
    <>
      <div className="day-left">
        <div>
          {reading}
          <OtherWays line={line} onWay={onWay} />
          <Words day={day} line={line} />
        </div>
        <WindowRule line={line} pulling={day.now === "pull"} />
      </div>
      <div>
        {day.now === "pull" && <PullPicture day={day} line={line} />}
        {(day.now === "notch" || day.now === "backCut") && <CutList jobId={jobId} step={day.now} />}
        {day.now !== "pull" && day.now !== "notch" && day.now !== "backCut" && (
          <TopPicture pulling={pulling} line={line} />
        )}
        {watching}
      </div>
    </>
  ) : (
    <div className="day-all">
      {day.now === "slackOut" && reading}
      {day.now === "slackOut" && watching}
      {day.now === "brief" && <Marks day={day} />}
      {day.now === "brief" && <p className="text-[15px] leading-snug text-pencil">{pulling.caution}</p>}
      {day.now === "down" && <TraceChart jobId={jobId} day={day} />}
    </div>
  );
}

interface KeptEntriesProps {
  jobId: string;
  pulling: Pulling;
  say: DayDesk["say"];
  onAgain: () => void;
}

/** All that was kept of the day, drawn once it is opened. */
function KeptEntries({ jobId, pulling, say, onAgain }: KeptEntriesProps) {
  const [opened, setOpened] = useState(false);
  const { day } = pulling;
  return (
    <details
      className="day-all border-t border-rule"
      onToggle={(event) => {
        setOpened(event.currentTarget.open);
      }}
    >
      <summary className="flex min-h-12 cursor-pointer items-center font-tight text-[17px]">
        What was kept: {day.entries.length} {day.entries.length === 1 ? "entry" : "entries"}
        {pulling.traces.length > 0 &&
          `, ${pulling.traces.reduce((sum, t) => sum + t.count, 0).toLocaleString("en-GB")} readings`}
      </summary>
      {opened && (
        <>
          <Kept
            day={day}
            revision={pulling.revision}
            onUndo={(undoes) => {
              say({ kind: "undo", undoes });
            }}
          />
          {day.now !== "down" && day.now !== "clear" && <TraceChart jobId={jobId} day={day} />}
        </>
      )}
      <Button className="my-2" onClick={onAgain}>
        Begin again from the brief
      </Button>
    </details>
  );
}

/** Once the gauge says that it goes by itself, that lean is kept without anybody's hand. */
function useGoneByItself(day: PullDay, say: DayDesk["say"]): void {
  const gone = useLive((s) => s.leanDeg !== null && s.leanDeg >= day.commitDeg + 1);
  const told = day.seen.leanDeg !== undefined && day.seen.leanDeg >= day.commitDeg;
  const pulling = day.now === "pull";
  useEffect(() => {
    const { leanDeg } = useLive.getState();
    if (pulling && gone && !told && leanDeg !== null) say({ kind: "seen", seen: { leanDeg } });
  }, [pulling, gone, told, say]);
}

const undoneOf = (day: PullDay) => new Set(day.entries.map((e) => e.entry.undoes).filter((n) => n != null));

/** Takes the last load back; undefined where none was counted. */
function lastLoad(day: PullDay, say: DayDesk["say"]): (() => void) | undefined {
  const undone = undoneOf(day);
  const last = day.entries.findLast((e) => e.entry.kind === "load" && !undone.has(e.number));
  if (!last || day.loads?.moved === 0) return undefined;
  return () => {
    say({ kind: "undo", undoes: last.number });
  };
}

/** Takes back what was read and seen at this step or of this load, so that it is read and seen again. */
function lookAgain(day: PullDay, say: DayDesk["say"]): void {
  const undone = undoneOf(day);
  const moved = day.entries.findLastIndex(
    (e) => (e.entry.kind === "move" || e.entry.kind === "load") && !undone.has(e.number),
  );
  for (const e of day.entries.slice(moved + 1))
    if ((e.entry.kind === "reading" || e.entry.kind === "seen") && !undone.has(e.number))
      say({ kind: "undo", undoes: e.number });
}
