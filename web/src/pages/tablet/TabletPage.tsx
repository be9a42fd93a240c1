import { keepPreviousData, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { Link, useNavigate } from "react-router";
import { isAnothers } from "../../api/author";
import { api, sayWhy } from "../../api/client";
import { useHome } from "../../api/home";
import { jobsQueued, queued } from "../../state/dayQueue";
import { drafts } from "../../state/drafts";
import { asNewJob, goHome, sendAgain } from "../../state/outbox";
import { readSession, useSession } from "../../state/session";
import { dayOf, timeOf } from "../../state/words";
import { Button } from "../../ui/controls";
import { Refused } from "../../ui/Refused";
import { shelf, useShelf, type Waiting } from "../../ui/shelf";
import { Settings } from "./Settings";
import { TopBar } from "../../ui/TopBar";
import { storeApplication, useUpdate } from "../../ui/update";

interface Room {
  usedMb: number | null;
  ofMb: number | null;
  /** Whether the browser promised not to clear it by itself. */
  promised: boolean;
}

async function roomHere(): Promise<Room> {
  const { usage, quota } = await navigator.storage.estimate();
  const mb = (bytes: number | undefined) => (bytes === undefined ? null : bytes / 1e6);
  return { usedMb: mb(usage), ofMb: mb(quota), promised: await navigator.storage.persisted() };
}

/** What this device took along, what waits on it to go home, and how much room it has. */
export function TabletPage() {
  const { away } = useHome();
  const { trouble, waiting, taken } = useShelf();
  const queries = useQueryClient();
  const [busy, setBusy] = useState(false);
  const jobs = useQuery({
    queryKey: ["along", taken],
    queryFn: shelf.jobs,
    placeholderData: keepPreviousData,
    gcTime: 0,
  });
  const pictures = useQuery({ queryKey: ["along-pictures"], queryFn: shelf.pictures, gcTime: 0 });
  const room = useQuery({ queryKey: ["room"], queryFn: roomHere, gcTime: 0, retry: false });
  useEffect(() => {
    document.title = "This device · Draklo";
    // Whoever looks here is about to leave: what there is to take along is taken at once.
    void goHome().catch(() => undefined);
    void storeApplication();
  }, []);
  const names = new Map((jobs.data ?? []).map((j) => [j.id, j.name]));
  const small = useQuery({
    queryKey: ["waits"],
    queryFn: () => ({ unsaved: drafts.jobs(), days: jobsQueued() }),
    refetchInterval: 1500,
    gcTime: 0,
  });
  const { unsaved = [], days = [] } = small.data ?? {};
  const nothing = waiting.length + unsaved.length + days.length === 0;
  async function again(): Promise<void> {
    setBusy(true);
    await goHome().catch(() => undefined);
    await queries.invalidateQueries();
    setBusy(false);
  }
  return (
    <div className="min-h-full">
      <TopBar />
      <main className="mx-auto max-w-[860px] px-6 py-5 max-sm:px-3">
        <h1 className="font-tight text-2xl font-semibold">This device</h1>
        <p className="mt-1 max-w-[64ch] leading-snug" role="status">
          {trouble === "off"
            ? "This browser stores nothing for Draklo. Offline, only this open page keeps working. Leave private browsing, or allow this site to store data."
            : away
              ? "Draklo is offline. You can open, change, brief, pull and log the jobs below; what you do is sent by itself once Draklo answers."
              : "Draklo answers. The jobs below are on this device and also open offline."}
        </p>
        <Settings />
        <CoreHere />
        <SignedIn />
        <h2 className="mt-5 font-tight text-lg font-semibold">Waits to go home</h2>
        {nothing ? (
          <p className="text-pencil">Nothing: everything is kept in the yard.</p>
        ) : (
          <ul className="border-t border-ink" data-waits>
            {unsaved.map((id) => (
              <Row key={`draft-${id}`} job={names.get(id)} id={id} to={`/jobs/${id}`} words="a changed plan" />
            ))}
            {days.map((id) => (
              <Row
                key={`day-${id}`}
                job={names.get(id)}
                id={id}
                to={`/jobs/${id}/day`}
                words={`${queued(id).length} said on the day`}
              />
            ))}
            {waiting.map((w) => (
              <WaitingRow key={w.number} job={names.get(w.jobId)} waiting={w} />
            ))}
          </ul>
        )}
        {!nothing && (
          <Button
            className="mt-2"
            onClick={() => {
              void exportWaiting();
            }}
          >
            Export what waits
          </Button>
        )}
        <h2 className="mt-5 font-tight text-lg font-semibold">On this device</h2>
        <ul className="border-t border-ink" data-along>
          {(jobs.data ?? [])
            .toSorted((a, b) => (a.plannedOn || "9").localeCompare(b.plannedOn || "9"))
            .map((j) => (
              <li key={j.id} className="flex flex-wrap items-baseline gap-x-3 border-b border-rule py-1.5">
                <Link to={`/jobs/${j.id}`} className="min-w-0 flex-1 underline">
                  {j.name}
                </Link>
                <span className="text-[13px] text-pencil">
                  {j.plannedOn === "" ? "no day" : dayOf(j.plannedOn)} · as of {dayOf(isoDay(j.carriedAt))},{" "}
                  {timeOf(j.carriedAt)}
                </span>
              </li>
            ))}
        </ul>
        {jobs.data?.length === 0 && (
          <p className="text-pencil">No job yet. Stay online for a minute with this page open.</p>
        )}
        <div className="mt-2 flex flex-wrap gap-2">
          <Button
            strong
            disabled={busy || away}
            onClick={() => {
              void again();
            }}
          >
            {busy ? "Downloading" : "Download now"}
          </Button>
        </div>
        <h2 className="mt-5 font-tight text-lg font-semibold">Room</h2>
        <p className="max-w-[64ch] leading-snug">
          {room.data?.usedMb != null && room.data.ofMb != null
            ? `${room.data.usedMb.toFixed(0)} MB used of ${roomWords(room.data.ofMb)} that this browser allows; ${jobs.data?.length ?? 0} jobs and ${pictures.data?.length ?? 0} pictures. `
            : "This browser does not say how much room there is. "}
          {room.data?.promised === true
            ? "It promised not to clear this by itself."
            : "When the device runs short the browser may clear it by itself; what waits to go home would be lost with it."}{" "}
          When it does not fit, pictures that the yard has go first, then jobs that nobody opened since yesterday; what
          waits to go home is never let go.
        </p>
        {room.data?.promised === false && (
          <Button
            className="mt-2"
            onClick={() => {
              void navigator.storage.persist().then(() => room.refetch());
            }}
          >
            Ask the browser to keep it
          </Button>
        )}
      </main>
    </div>
  );
}

const coreWords = {
  looking: "Looking whether the core is on this device.",
  here: "The core is on this device: it works plans out while you are offline.",
  coming:
    "The core isn't on this device yet. Draklo builds it after it starts; it comes by itself. Until then plans need the server.",
  never: "This browser doesn't store the application. Plans need the server.",
};

/** Whether plans can be worked out here without the server. */
function CoreHere() {
  const core = useUpdate((s) => s.core);
  return (
    <p className="mt-1 max-w-[64ch] leading-snug" role="status">
      {coreWords[core]}
    </p>
  );
}

/** Who works at this device, where that was asked. */
function SignedIn() {
  const session = useSession((s) => s.session);
  const [wrong, setWrong] = useState<string | null>(null);
  if (session === null || session.here || session.name === "") return null;
  return (
    <div className="mt-3 flex flex-wrap items-baseline gap-x-4" data-signed-in={session.name}>
      <span>
        Signed in as <b className="font-semibold">{session.name}</b>, {session.role}
        {session.endsAt === undefined ? "" : `, until ${timeOf(session.endsAt)}`}.
      </span>
      <Button
        onClick={() => {
          api.signOut().then(readSession, (error: unknown) => {
            setWrong(
              sayWhy(error, "The yard’s machine does not answer: you stay signed in on this device until it does."),
            );
          });
        }}
      >
        Sign out
      </Button>
      <Refused>{wrong}</Refused>
    </div>
  );
}

const isoDay = (at: number): string => new Date(at).toLocaleDateString("sv-SE");

const roomWords = (mb: number): string => (mb < 1000 ? `${mb.toFixed(0)} MB` : `${(mb / 1000).toFixed(0)} GB`);

interface RowProps {
  job: string | undefined;
  id: string;
  to: string;
  words: string;
}

/** What waits in a job's own page, where it is seen and goes on. */
function Row({ job, id, to, words }: RowProps) {
  return (
    <li className="border-b border-rule py-1.5 leading-snug">
      <Link to={to} className="underline">
        {job ?? `job ${id.slice(0, 8)}`}
      </Link>
      : {words}
    </li>
  );
}

const pageOf: Partial<Record<Waiting["kind"], string>> = {
  log: "log",
  entry: "day",
  readings: "day",
  plan: "",
  tick: "brief",
  sign: "brief",
  issue: "brief",
};

/** Something that waits to go home: whose it is, what is in it, why it was not taken, and what can be done about it. */
function WaitingRow({ job, waiting }: { job: string | undefined; waiting: Waiting }) {
  const navigate = useNavigate();
  const [busy, setBusy] = useState(false);
  const [wrong, setWrong] = useState<string | null>(null);
  const { kind, jobId, refused, jobGone, by } = waiting;
  const page = pageOf[kind];
  const name = job ?? (jobId === "" ? "For a log" : `job ${jobId.slice(0, 8)}`);
  const link = "min-h-9 underline coarse:min-h-11 disabled:opacity-40";
  const held = refused === undefined && isAnothers(by);
  async function act(what: () => Promise<unknown>): Promise<void> {
    setBusy(true);
    try {
      await what();
      setWrong(null);
    } catch (error) {
      setWrong(sayWhy(error));
    }
    setBusy(false);
  }
  return (
    <li className="border-b border-rule py-1.5 leading-snug" data-waiting={kind}>
      <span className="flex flex-wrap items-baseline gap-x-3">
        <span className="min-w-0 flex-1">
          {page === undefined || jobGone === true ? (
            name
          ) : (
            <Link to={`/jobs/${jobId}${page === "" ? "" : `/${page}`}`} className="underline">
              {name}
            </Link>
          )}
          : {waiting.words}, {timeOf(waiting.at)}
          {by !== undefined && `, by ${by}`}
        </span>
        {kind === "plan" && jobGone === true && (
          <button
            type="button"
            className={link}
            disabled={busy}
            onClick={() => {
              void act(async () => {
                await navigate(`/jobs/${await asNewJob(waiting)}`);
              });
            }}
          >
            Keep it as a new job
          </button>
        )}
        {refused !== undefined && (
          <button
            type="button"
            className={link}
            disabled={busy}
            onClick={() => {
              void act(() => sendAgain(waiting));
            }}
          >
            Send again
          </button>
        )}
        {refused !== undefined && (
          <button
            type="button"
            className={link}
            onClick={() => {
              if (waiting.number !== undefined) void shelf.gone(waiting.number);
            }}
          >
            Let go of it
          </button>
        )}
      </span>
      {refused !== undefined && <b className="block font-semibold">Not taken: {refused}</b>}
      {held && <span className="block text-pencil">It waits until {by} signs in here.</span>}
      <Refused>{wrong}</Refused>
      <details>
        <summary className="cursor-pointer text-[13px] text-pencil coarse:min-h-11">What is in it</summary>
        <pre className="max-h-72 overflow-auto border border-rule bg-sheet p-2 text-[12px] whitespace-pre-wrap">
          {JSON.stringify(waiting.sends, null, 2)}
        </pre>
      </details>
    </li>
  );
}

/** Everything that waits on this device, in one file that can be read and kept. */
async function exportWaiting(): Promise<void> {
  const all = {
    exportedAt: new Date().toISOString(),
    waiting: await shelf.waiting(),
    plans: drafts.leftOver().map(({ job, draft }) => ({ job, ...draft })),
    days: jobsQueued().map((job) => ({ job, entries: queued(job) })),
  };
  const url = URL.createObjectURL(new Blob([JSON.stringify(all, null, 2)], { type: "application/json" }));
  const link = document.createElement("a");
  link.href = url;
  link.download = `draklo-waiting-${new Date().toISOString().slice(0, 10)}.json`;
  link.click();
  URL.revokeObjectURL(url);
}
