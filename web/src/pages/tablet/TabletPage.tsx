import { keepPreviousData, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { Link } from "react-router";
import { api } from "../../api/client";
import { useHome } from "../../api/home";
import { jobsQueued, queued } from "../../state/dayQueue";
import { drafts } from "../../state/drafts";
import { goHome } from "../../state/outbox";
import { readSession, useSession } from "../../state/session";
import { dayOf, timeOf } from "../../state/words";
import { Button } from "../../ui/controls";
import { shelf, useShelf } from "../../ui/shelf";
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
              <Row
                key={w.number}
                job={names.get(w.jobId)}
                id={w.jobId}
                to={w.jobId === "" ? null : w.kind === "log" ? `/jobs/${w.jobId}/log` : `/jobs/${w.jobId}/brief`}
                words={`${w.words}, ${timeOf(w.at)}`}
                refused={w.refused}
                onSeen={() => {
                  if (w.number !== undefined) void shelf.gone(w.number);
                }}
              />
            ))}
          </ul>
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
  if (session === null || session.here || session.name === "") return null;
  return (
    <p className="mt-3 flex flex-wrap items-baseline gap-x-4" data-signed-in={session.name}>
      <span>
        Signed in as <b className="font-semibold">{session.name}</b>, {session.role}
        {session.endsAt === undefined ? "" : `, until ${timeOf(session.endsAt)}`}.
      </span>
      <Button
        onClick={() => {
          void api.signOut().then(readSession);
        }}
      >
        Sign out
      </Button>
    </p>
  );
}

const isoDay = (at: number): string => new Date(at).toLocaleDateString("sv-SE");

const roomWords = (mb: number): string => (mb < 1000 ? `${mb.toFixed(0)} MB` : `${(mb / 1000).toFixed(0)} GB`);

function Row({
  job,
  id,
  to,
  words,
  refused,
  onSeen,
}: {
  job: string | undefined;
  id: string;
  to: string | null;
  words: string;
  refused?: string | undefined;
  onSeen?: () => void;
}) {
  return (
    <li className="border-b border-rule py-1.5 leading-snug">
      <span className="flex flex-wrap items-baseline gap-x-3">
        <span className="min-w-0 flex-1">
          {to === null ? (
            (job ?? "For a log")
          ) : (
            <Link to={to} className="underline">
              {job ?? `job ${id.slice(0, 8)}`}
            </Link>
          )}
          : {words}
        </span>
        {refused !== undefined && onSeen && (
          <button type="button" className="min-h-9 underline coarse:min-h-11" onClick={onSeen}>
            Seen, take it off
          </button>
        )}
      </span>
      {refused !== undefined && <b className="block font-semibold">Not taken: {refused}</b>}
    </li>
  );
}
