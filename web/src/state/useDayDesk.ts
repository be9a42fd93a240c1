import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useRef, useState, useSyncExternalStore } from "react";
import { api, Refusal, sayWhy } from "../api/client";
import type { NewEntry, Pulling } from "../api/types";
import { useSettings } from "../ui/settings";
import { useShelf } from "../ui/shelf";
import { pullingHere } from "../api/along";
import { useHome } from "../api/home";
import { author, isAnothers } from "../api/author";
import { waitsOn, wantsSignIn } from "../api/refusal";
import { keepQueue, newKey, onQueue, queued, withEntry, type QueuedEntry } from "./dayQueue";
import { entrySent, refusedLater } from "./outbox";

export interface RefusedEntry {
  key: string;
  text: string;
  errors: Record<string, string>;
}

export interface DayDesk {
  pulling: Pulling | undefined;
  error: unknown;
  /** Keeps an entry: at this tablet at once, with Draklo as soon as it answers. Answers with its key. */
  say: (entry: Omit<NewEntry, "by" | "step">) => string;
  /** Entries that Draklo has not kept yet. */
  waiting: number;
  /** Whether one is on its way and the day shown does not know of it yet. */
  inFlight: boolean;
  /** Whether a stop that was called here is not with the others yet. */
  stopWaits: boolean;
  /** Who has to sign in for what waits to go home, empty for nobody in particular; null where nobody has to. */
  waitsFor: string | null;
  /** Whether what waits would outlive this page. */
  stored: boolean;
  /** The last entry that was not taken, and why, in the server's words by member. */
  refused: RefusedEntry | null;
  /** Whether an entry is through: kept, or waiting at this tablet because Draklo does not answer. */
  through: (key: string) => boolean;
  clearRefused: () => void;
  refetch: () => void;
}

const tryAgainMs = 1500;

/** The day of a job, and what this tablet says of it. */
export function useDayDesk(jobId: string): DayDesk {
  const units = useSettings((s) => s.units);
  const who = useSettings((s) => s.who);
  const queries = useQueryClient();
  const queue = useSyncExternalStore(onQueue, () => queued(jobId));
  const waiting = queue.length;
  const [waitsFor, setWaitsFor] = useState<string | null>(null);
  const [refused, setRefused] = useState<RefusedEntry | null>(null);
  const [unanswered, setUnanswered] = useState(false);
  const [stored, setStored] = useState(true);
  const trouble = useShelf((s) => s.trouble);
  const busy = useRef(false);
  const asked = useQuery({
    queryKey: ["pulling", jobId, units],
    queryFn: () => api.pulling(jobId, units),
    retry: false,
    refetchInterval: (query) => (query.state.error ? 3000 : false),
  });
  const step = asked.data?.day.now;

  /** Offline the day goes on here: drops what the server would refuse and reports why. */
  const goOnHere = useCallback(async () => {
    const now = await pullingHere(jobId, units).catch(() => null);
    if (!now) return;
    queries.setQueryData(["pulling", jobId, units], now.day);
    // What this device took stays, whatever becomes of the plan.
    keepQueue(
      jobId,
      queued(jobId)
        .filter((q) => !(q.key in now.refused))
        .map((q) => ({ ...q, takenUnder: q.takenUnder ?? now.day.revision })),
    );
    const [key, errors] = Object.entries(now.refused)[0] ?? [];
    if (key === undefined || errors === undefined) return;
    setRefused({ key, text: Object.values(errors)[0] ?? "", errors });
  }, [jobId, queries, units]);

  const pump = useCallback(async () => {
    if (busy.current) return;
    busy.current = true;
    try {
      if (useHome.getState().away && queued(jobId).length > 0) {
        setUnanswered(true);
        await goOnHere();
        return;
      }
      for (let next = queued(jobId)[0]; next; next = queued(jobId)[0]) {
        if (isAnothers(next.author)) {
          setWaitsFor(next.author ?? "");
          setUnanswered(true);
          await goOnHere();
          break;
        }
        try {
          const answer = await api.addDayEntry(jobId, entrySent(next), units);
          queries.setQueryData(["pulling", jobId, units], answer);
          setUnanswered(false);
          setWaitsFor(null);
        } catch (error) {
          // What the server refuses is said and let go; what it did not answer for good waits.
          if (!(error instanceof Refusal) || waitsOn(error)) {
            if (wantsSignIn(error)) setWaitsFor(next.author ?? "");
            setUnanswered(true);
            await goOnHere();
            break;
          }
          if (entrySent(next).agoS !== undefined) await refusedLater(jobId, next, sayWhy(error));
          setRefused({
            key: next.key,
            text: sayWhy(error),
            errors: Object.fromEntries(Object.entries(error.errors).map(([path, said]) => [path, said[0] ?? ""])),
          });
          void queries.invalidateQueries({ queryKey: ["pulling", jobId] });
        }
        const sent = next.key;
        keepQueue(
          jobId,
          queued(jobId).filter((q) => q.key !== sent),
        );
      }
    } finally {
      busy.current = false;
    }
  }, [goOnHere, jobId, queries, units]);

  useEffect(() => {
    void pump();
    const timer = setInterval(() => {
      if (queued(jobId).length > 0 && !useHome.getState().away) void pump();
    }, tryAgainMs);
    return () => {
      clearInterval(timer);
    };
  }, [jobId, pump]);

  const say = useCallback(
    (entry: Omit<NewEntry, "by" | "step">) => {
      const key = newKey();
      if (step === undefined) return key;
      setRefused(null);
      // Nobody has to give a name before everybody stops.
      const by = who.trim() === "" && entry.kind === "stop" ? "Somebody" : who;
      const { by: signedIn } = author();
      const said: QueuedEntry = {
        ...entry,
        step,
        by,
        key,
        at: new Date().toISOString(),
        ...(signedIn !== undefined && { author: signedIn }),
      };
      setStored(keepQueue(jobId, withEntry(queued(jobId), said)));
      void pump();
      return key;
    },
    [jobId, pump, step, who],
  );
  // What another tab, or the way home, sent is in the day that the server has.
  const emptied = useRef(0);
  useEffect(() => {
    if (emptied.current > 0 && waiting === 0) void queries.invalidateQueries({ queryKey: ["pulling", jobId] });
    emptied.current = waiting;
  }, [jobId, queries, waiting]);
  return {
    pulling: asked.data,
    error: asked.error,
    say,
    waiting,
    inFlight: queue.some((q) => q.takenUnder === undefined),
    stopWaits: queue.some((q) => q.kind === "stop"),
    waitsFor: waiting > 0 ? waitsFor : null,
    stored: stored && trouble !== "full",
    refused,
    through: (key) => (unanswered || !queued(jobId).some((q) => q.key === key)) && refused?.key !== key,
    clearRefused: () => {
      setRefused(null);
    },
    refetch: () => {
      void asked.refetch();
    },
  };
}
