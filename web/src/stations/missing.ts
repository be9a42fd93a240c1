import type { Analysis, Plan } from "../api/types";
import { factsAt } from "../state/members";
import { stations } from "./registry";

type Reason = Analysis["verdict"]["reasons"][number];

/** Something that is still open, where it is settled, and how it is told. */
export interface OpenPoint {
  /** Stable while the point stays open. */
  key: string;
  text: string;
  /** In a few words, as the page calls it: for a button. */
  name: string;
  /** The member to go to. */
  path?: string | undefined;
  linkId?: string | undefined;
  weight: "mend" | "stop" | "check" | "tick" | "open";
  /** A guess that whoever stands before the tree can confirm by the drawing: nobody needs a tape or a label for it. */
  asDrawn?: true;
}

/** Figures that the eye compares with the drawing; a height, a girth, a lean and a strength are read off the thing itself. */
const seenByEye =
  /^(tree\.crown\.|cut\.stumpDiameterM$|lines\[\d+\]\.(seat\.heightM|anchor\.(distanceM|bearingDeg|groundRiseM|heightM))$)/;

interface Asked {
  plan: Plan;
  plannedOn: string | undefined;
  analysis: Analysis | null;
  problems: Record<string, string>;
}

/**
 * All that keeps the plan from a brief: what to mend and what stops first, then the rest in the order of the stations. A guess
 * that changes nothing is not among them.
 */
export function stillMissing({ plan, plannedOn, analysis, problems }: Asked): OpenPoint[] {
  const reasons = analysis?.verdict.reasons ?? [];
  const first: OpenPoint[] = Object.entries(problems).map(([path, text]) => ({
    key: `mend ${path}`,
    text,
    name: nameOf(path, plan),
    path,
    weight: "mend",
  }));
  const ofReason = (r: Reason, weight: "stop" | "check"): OpenPoint => ({
    key: `${r.code} ${r.path ?? r.linkId ?? ""}`,
    text: r.text,
    name:
      r.path !== undefined
        ? nameOf(r.path, plan)
        : (analysis?.links?.find((l) => l.id === r.linkId)?.name ?? begun(r.text)),
    path: r.path,
    linkId: r.linkId,
    weight,
    ...(r.code === "guess-matters" && seenByEye.test(r.path ?? "") && { asDrawn: true as const }),
  });
  // Each point to tick stands by itself below; points that the list lacks stand as one.
  const unticked = plan.walkUp.some((w) => w.must && w.tickedAt === undefined);
  // That nothing is measured, each measure says itself.
  const counts = (r: Reason) =>
    !(r.code === "walk-up-open" && unticked) &&
    !(r.code === "nothing-measured" && reasons.some((o) => o !== r && o.path === r.path));
  first.push(...reasons.filter((r) => r.state === "stop" && counts(r)).map((r) => ofReason(r, "stop")));
  const rest = reasons.filter((r) => r.state === "check" && counts(r)).map((r) => ofReason(r, "check"));
  plan.walkUp.forEach((w, i) => {
    if (w.must && w.tickedAt === undefined)
      rest.push({
        key: `tick ${w.id}`,
        text: `Look at, and tick: ${w.text}.`,
        name: begun(w.text),
        path: `walkUp[${i}].id`,
        weight: "tick",
      });
  });
  // What nobody has said stands after the figures of its station, as the page has it.
  const unsaid: OpenPoint[] = [];
  const say = (key: string, text: string, name: string, path: string) => {
    unsaid.push({ key, text, name, path, weight: "open" });
  };
  if (plan.crew.length === 0) say("crew", "Nobody is named on this job: say who does what.", "who does what", "crew");
  else if (!plan.crew.some((c) => c.role === "faller"))
    say("faller", "Nobody is named as faller.", "the faller", "crew");
  else if (!plan.crew.some((c) => c.role === "hauler" || c.role === "machine")) {
    const other = plan.crew.findLastIndex((c) => c.role !== "faller");
    const [does, name] =
      plan.lines[0]?.puller.kind === "people" ? ["hauls", "who hauls"] : ["works what pulls", "who works what pulls"];
    if (plan.lines.length > 0)
      say("hauler", `Nobody is named who ${does}.`, name, other < 0 ? "crew" : `crew[${other}].role`);
  }
  // The brief and the day speak in the words of one who leads and one who watches: nobody is taken for them. Two have a role
  // each already.
  if (plan.crew.length > 2 && !plan.crew.some((c) => c.role === "lead"))
    say("lead", "Nobody is named who leads: who gives the signs, and signs first?", "who leads", "crew");
  if (plan.crew.length > 2 && !plan.crew.some((c) => c.role === "watcher"))
    say("watcher", "Nobody is named who watches the top and the seat.", "who watches", "crew");
  const help = [
    [plan.help.meetAt, "the meeting point", "help.meetAt"],
    [plan.help.nearestRoad, "the nearest road", "help.nearestRoad"],
    [plan.help.caller, "who calls for help", "help.caller"],
    [plan.help.kitAt, "where the first aid kit is", "help.kitAt"],
  ] as const;
  for (const [value, name, path] of help) {
    if (value === undefined) say(path, `Not said yet: ${name}.`, name, path);
  }
  if (plannedOn === undefined) say(noDay, "No day is set for this job.", "the day", "work.startsAt");
  const byMember = rest.toSorted((a, b) => compared(a.path ?? "", b.path ?? ""));
  return [...first, ...inOrderOfWork([...byMember, ...unsaid])];
}

/** The station at which a point is settled. */
export const stationKeyOf = ({ path = "" }: OpenPoint): string | undefined => factsAt(path)?.station;

/** The key of the point that the job's own window settles. */
export const noDay = "day";

/** Whoever answers one finds the next beside it: the order hangs on where a point is settled, not on how much it weighs. */
function inOrderOfWork(points: OpenPoint[]): OpenPoint[] {
  const keys = stations.map((s) => s.key);
  const place = (point: OpenPoint) => {
    const at = keys.indexOf(stationKeyOf(point) ?? "");
    return at < 0 ? keys.length : at;
  };
  return points.toSorted((a, b) => place(a) - place(b));
}

/** The tree's measures as their column has them. */
const measures = ["tree.speciesId", "tree.heightM", "tree.dbhM", "tree.lean"];

/** The measures first; else by number where numbers stand: the tenth point comes after the second. */
function compared(a: string, b: string): number {
  const place = (path: string) => {
    const at = measures.findIndex((m) => path.startsWith(m));
    return at < 0 ? measures.length : at;
  };
  return place(a) - place(b) || a.localeCompare(b, "en", { numeric: true });
}

/** What the page calls a member, and of which part: "crown base", "breast diameter of the anchor". */
export function nameOf(path: string, plan: Plan): string {
  const label = factsAt(path)?.label;
  if (label === undefined) return "a figure";
  const name = /^[A-Z][a-z]/.test(label) ? label.charAt(0).toLowerCase() + label.slice(1) : label;
  return `${name}${partOf(path, plan)}`;
}

function partOf(path: string, plan: Plan): string {
  const index = (of: RegExp) => Number(of.exec(path)?.[1] ?? -1);
  const target = plan.site?.targets[index(/^site\.targets\[(\d+)\]/)]?.name;
  if (target !== undefined) return ` of ${target}`;
  const person = plan.crew[index(/^crew\[(\d+)\]/)]?.name;
  if (person !== undefined) return ` of ${person}`;
  const line = plan.lines?.length > 1 ? plan.lines[index(/^lines\[(\d+)\]/)]?.id : undefined;
  const anchor = path.includes(".anchor.") ? " of the anchor" : "";
  return line === undefined ? anchor : `${anchor}, ${line} line`;
}

/** The beginning of a sentence, up to where it breathes. */
const begun = (text: string): string => text.split(/[:;.,]/)[0] ?? text;
