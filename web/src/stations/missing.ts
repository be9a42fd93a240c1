import type { Analysis, Plan } from "../api/types";
import { allGuesses } from "../state/store";

/** Something that is still open, where it is settled, and how it is told. */
export interface OpenPoint {
  /** Stable while the point stays open. */
  key: string;
  text: string;
  /** The member to go to. */
  path?: string | undefined;
  linkId?: string | undefined;
  weight: "mend" | "stop" | "check" | "open";
}

interface Asked {
  plan: Plan;
  plannedOn: string | undefined;
  analysis: Analysis | null;
  problems: Record<string, string>;
}

/** All that keeps the plan from a brief, the weightiest first. */
export function stillMissing({ plan, plannedOn, analysis, problems }: Asked): OpenPoint[] {
  const reasons = analysis?.verdict.reasons ?? [];
  const points: OpenPoint[] = Object.entries(problems).map(([path, text]) => ({
    key: `mend ${path}`,
    text,
    path,
    weight: "mend",
  }));
  // Each point to tick stands by itself below; points that the list lacks stand as one.
  const unticked = plan.walkUp.some((w) => w.must && w.tickedAt === undefined);
  for (const state of ["stop", "check"] as const) {
    for (const r of reasons.filter((x) => x.state === state && (x.code !== "walk-up-open" || !unticked))) {
      points.push({
        key: `${r.code} ${r.path ?? r.linkId ?? ""}`,
        text: r.text,
        path: r.path,
        linkId: r.linkId,
        weight: state,
      });
    }
  }
  plan.walkUp.forEach((w, i) => {
    if (w.must && w.tickedAt === undefined)
      points.push({
        key: `tick ${w.id}`,
        text: `Look at, and tick: ${w.text}.`,
        path: `walkUp[${i}].id`,
        weight: "check",
      });
  });
  const told = new Set(points.map((p) => p.path));
  for (const path of allGuesses(plan)) {
    if (!told.has(path))
      points.push({
        key: `guess ${path}`,
        text: `Still a guess: ${wordsOf(path)}. It moves little, but a name stands to it.`,
        path,
        weight: "open",
      });
  }
  if (plan.crew.length === 0)
    points.push({ key: "crew", text: "Nobody is named on this job: say who does what.", path: "crew", weight: "open" });
  else if (!plan.crew.some((c) => c.role === "faller"))
    points.push({ key: "faller", text: "Nobody is named as faller.", path: "crew", weight: "open" });
  const help = [
    [plan.help.meetAt, "the meeting point", "help.meetAt"],
    [plan.help.nearestRoad, "the nearest road", "help.nearestRoad"],
    [plan.help.caller, "who calls for help", "help.caller"],
    [plan.help.kitAt, "where the first aid kit is", "help.kitAt"],
  ] as const;
  for (const [value, name, path] of help) {
    if (value === undefined) points.push({ key: path, text: `Not said yet: ${name}.`, path, weight: "open" });
  }
  if (plannedOn === undefined)
    points.push({ key: "day", text: "No day is set for this job.", path: "work.startsAt", weight: "open" });
  return points;
}

/** A member's path as words, for a sentence: "tree.crown.baseHeightM" → "crown base height". */
export function wordsOf(path: string): string {
  const parts = path
    .replace(/\[\d+\]/g, "")
    .split(".")
    .slice(-2);
  return parts
    .map((p) =>
      p
        .replace(/(M|Deg|N|MPa|GPa|KgM3)$/, "")
        .replace(/([a-z])([A-Z])/g, "$1 $2")
        .toLowerCase(),
    )
    .join(" ");
}
