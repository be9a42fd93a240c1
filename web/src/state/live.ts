import { useEffect, useRef } from "react";
import { create } from "zustand";
import { hubAt, type HubConnection } from "../api/hub";
import type { LiveMessage } from "../api/types";
import { useSettings } from "../ui/settings";
import { averageOf, keepLast, type LivePoint } from "./livePoints";

interface Live {
  /** The last reading of each line. */
  last: Record<string, LivePoint>;
  leanDeg: number | null;
  /** Readings that never came, since the page opened. */
  missed: number;
  trouble: string;
  state: "off" | "opening" | "on" | "lost";
}

const nothing: Live = { last: {}, leanDeg: null, missed: 0, trouble: "", state: "off" };

/** What the load cells and the gauge read just now. */
export const useLive = create<Live>(() => nothing);

/** The last half minute of each line: apart from the state, so that nothing is copied twenty times a second. */
const recent: Record<string, LivePoint[]> = {};

export const recentOf = (lineId: string): readonly LivePoint[] => recent[lineId] ?? [];

/** What a line carried over the last second, or nothing while no reading comes. */
export const overASecond = (lineId: string): number | null => averageOf(recentOf(lineId), Date.now());

function take(message: LiveMessage): void {
  const { lineId, tensionN } = message;
  if (lineId === undefined) return;
  if (tensionN !== undefined && !message.doubtful) {
    const point = { atMs: message.atMs, tensionN, seenMs: Date.now() };
    recent[lineId] = keepLast(recent[lineId] ?? [], point);
    useLive.setState((s) => ({
      last: { ...s.last, [lineId]: point },
      leanDeg: message.leanDeg ?? s.leanDeg,
      missed: s.missed + message.missed,
      trouble: message.trouble,
    }));
  } else {
    useLive.setState((s) => ({ missed: s.missed + message.missed, trouble: message.trouble }));
  }
}

let own: string | null = null;

/** The line whose cell this device listens to by itself: what the server passes on of it came from here. */
export function ownLine(lineId: string | null): void {
  own = lineId;
}

/** Shows a reading of a cell that this device listens to by itself. */
export function showReading(
  lineId: string,
  heard: { tensionN?: number; counts: boolean; missed: number; trouble: string },
): void {
  take({
    entries: 0,
    lineId,
    atMs: Date.now(),
    ...(heard.tensionN !== undefined && { tensionN: heard.tensionN }),
    doubtful: !heard.counts,
    missed: heard.missed,
    trouble: heard.trouble,
  });
}

/** Follows a day while the page is open: word of entries always, readings when cells are asked for. */
export function useLiveDay(jobId: string, cells: boolean, onEntries: (number: number) => void): void {
  const units = useSettings((s) => s.units);
  // What to do with word of an entry changes with every entry; the connection must not.
  const told = useRef(onEntries);
  useEffect(() => {
    told.current = onEntries;
  }, [onEntries]);
  useEffect(() => {
    useLive.setState({ ...nothing, state: "opening" });
    let connection: HubConnection | undefined;
    let open = true;
    const subscribe = () => {
      connection?.stream<LiveMessage>("WatchIn", jobId, cells, units).subscribe({
        next: (message) => {
          if (message.lineId === undefined) told.current(message.entries);
          else if (message.lineId !== own) take(message);
        },
        complete: () => undefined,
        error: () => {
          if (open) useLive.setState({ state: "lost" });
        },
      });
      useLive.setState({ state: "on" });
    };
    const connect = async (): Promise<HubConnection> => {
      const made = await hubAt("/hubs/pulling", [0, 500, 1000, 2000, 4000]);
      made.onreconnecting(() => {
        useLive.setState({ state: "lost" });
      });
      made.onreconnected(subscribe);
      made.onclose(() => {
        if (!open) return;
        useLive.setState({ state: "lost" });
        void start();
      });
      return made;
    };
    const start = async (): Promise<void> => {
      try {
        connection ??= await connect();
        if (!open) return;
        await connection.start();
        if (open) subscribe();
        else void connection.stop();
      } catch {
        if (!open) return;
        useLive.setState({ state: "lost" });
        setTimeout(() => {
          if (open) void start();
        }, 2000);
      }
    };
    void start();
    return () => {
      open = false;
      void connection?.stop();
      for (const line of Object.keys(recent)) recent[line] = [];
      useLive.setState(nothing);
    };
  }, [jobId, cells, units]);
}
