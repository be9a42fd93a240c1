import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useRef, useState } from "react";
import { api, Refusal, sayWhy } from "../api/client";
import type { NewEntry, Pulling } from "../api/types";
import { useSettings } from "../ui/settings";
import { useShelf } from "../ui/shelf";
import { pullingHere } from "../api/along";
import { useHome } from "../api/home";
import { keepQueue, newKey, queued, withEntry, type QueuedEntry } from "./dayQueue";
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
  const [waiting, setWaiting] = useState(() => queued(jobId).length);
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
    const [key, errors] = Object.entries(now.refused)[0] ?? [];
    if (key === undefined || errors === undefined) return;
    setRefused({ key, text: Object.values(errors)[0] ?? "", errors });
    keepQueue(
      jobId,
      queued(jobId).filter((q) => !(q.key in now.refused)),
    );
    setWaiting(queued(jobId).length);
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
        try {
          const answer = await api.addDayEntry(jobId, entrySent(next), units);
          queries.setQueryData(["pulling", jobId, units], answer);
          setUnanswered(false);
        } catch (error) {
          // What the server refuses is said and let go; what it did not answer waits.
          if (!(error instanceof Refusal) || error.status >= 500 || error.status === 426) {
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
        setWaiting(queued(jobId).length);
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
      const said: QueuedEntry = { ...entry, step, by, key, at: new Date().toISOString() };
      setStored(keepQueue(jobId, withEntry(queued(jobId), said)));
      setWaiting(queued(jobId).length);
      void pump();
      return key;
    },
    [jobId, pump, step, who],
  );
  return {
    pulling: asked.data,
    error: asked.error,
    say,
    waiting,
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
