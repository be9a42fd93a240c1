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

const parts = { weekday: "short", day: "numeric", month: "short" } as const;
const dayThisYear = new Intl.DateTimeFormat("en-GB", parts);
const dayOfAnother = new Intl.DateTimeFormat("en-GB", { ...parts, year: "numeric" });

const momentParts = { day: "numeric", month: "short", year: "numeric", hour: "2-digit", minute: "2-digit" } as const;
const momentFormat = new Intl.DateTimeFormat("en-GB", momentParts);

const hour = new Intl.DateTimeFormat("en-GB", { hour: "2-digit", minute: "2-digit" });
const shortDay = new Intl.DateTimeFormat("en-GB", {
  day: "numeric",
  month: "short",
  hour: "2-digit",
  minute: "2-digit",
});

/** A time of today as the clock shows it, of another day with the day. */
export function timeOf(at: string | number | Date): string {
  const time = new Date(at);
  if (Number.isNaN(time.getTime())) return String(at);
  return (time.toDateString() === new Date().toDateString() ? hour : shortDay).format(time);
}

/** A moment as people say it. */
export const momentOf = (at: string): string => momentFormat.format(new Date(at));

export function dayOf(date: string | undefined): string {
  if (date === undefined) return "no day set";
  const day = new Date(`${date}T12:00:00`);
  return (day.getFullYear() === new Date().getFullYear() ? dayThisYear : dayOfAnother).format(day);
}

/** The day at this screen, yyyy-MM-dd. */
export function today(): string {
  const now = new Date();
  return `${now.getFullYear()}-${String(now.getMonth() + 1).padStart(2, "0")}-${String(now.getDate()).padStart(2, "0")}`;
}
