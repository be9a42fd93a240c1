const units = ["B", "kB", "MB", "GB"] as const;

/** A file's size, two or three figures. */
export function size(bytes: number): string {
  const step = Math.min(units.length - 1, Math.floor(Math.log10(Math.max(1, bytes)) / 3));
  const value = bytes / 1000 ** step;
  return `${value >= 10 || step === 0 ? Math.round(value) : value.toFixed(1)} ${units[step] ?? ""}`;
}

export const kinds: Record<string, string> = {
  job: "Job",
  gear: "Gear",
  inspection: "Inspection",
  use: "Use",
  rules: "Locker rules",
  species: "Species",
  policy: "Policy",
  tackle: "Tackle",
};

export const reasons: Record<string, string> = {
  asked: "asked for",
  daily: "the day's",
  upgrade: "before an upgrade",
  restore: "before a restore",
};
