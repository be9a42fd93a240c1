import { useSettings } from "../ui/settings";

export const stateWords = {
  ready: "Ready on paper",
  check: "Check",
  stop: "Stop",
  mend: "To mend",
  damaged: "Damaged",
} as const;
export type StateWord = keyof typeof stateWords;

/** The hatch that goes with a state, on the list and beside the verdict. */
export const stateHatch: Record<StateWord, string> = {
  ready: "state-holds",
  check: "state-tight",
  stop: "state-fails",
  mend: "state-fails",
  damaged: "state-fails",
};

const day = { weekday: "short", day: "numeric", month: "short" } as const;
const clock = { hour: "2-digit", minute: "2-digit" } as const;
const ways = {
  dayThisYear: day,
  dayOfAnother: { ...day, year: "numeric" },
  moment: { day: "numeric", month: "short", year: "numeric", ...clock },
  hour: clock,
  shortDay: { day: "numeric", month: "short", ...clock },
} as const;

const made = new Map<string, Intl.DateTimeFormat>();

/** In the language that this screen's reader chose for days. */
function written(way: keyof typeof ways, at: Date): string {
  const { dates } = useSettings.getState();
  const key = `${dates} ${way}`;
  const format = made.get(key) ?? new Intl.DateTimeFormat(dates, ways[way]);
  made.set(key, format);
  return format.format(at);
}

/** A time of today as the clock shows it, of another day with the day. */
export function timeOf(at: string | number | Date): string {
  const time = new Date(at);
  if (Number.isNaN(time.getTime())) return String(at);
  return written(time.toDateString() === new Date().toDateString() ? "hour" : "shortDay", time);
}

/** A moment as people say it. */
export const momentOf = (at: string): string => written("moment", new Date(at));

export function dayOf(date: string | undefined): string {
  if (date === undefined) return "no day set";
  const noon = new Date(`${date}T12:00:00`);
  return written(noon.getFullYear() === new Date().getFullYear() ? "dayThisYear" : "dayOfAnother", noon);
}

/** The day at this screen, yyyy-MM-dd. */
export function today(): string {
  const now = new Date();
  return `${now.getFullYear()}-${String(now.getMonth() + 1).padStart(2, "0")}-${String(now.getDate()).padStart(2, "0")}`;
}
