import { unitOf } from "../units/units";
import type { Analysis, Line, Plan, RoseBearing, Target, Units } from "../api/types";
import { elsewhere } from "../state/store";
import { fit, type Bounds, type Flat, type Scale } from "./projection";

export type SitePlace = Target["points"][number];

/** On the plan x runs east and y north, so the elevation's scale serves here too. */
export function flatOf(place: SitePlace): Flat {
  return { x: place.eastM, y: place.northM };
}

/** A place by its distance and bearing from the stump. */
export function placeAt(distanceM: number, bearingDeg: number): SitePlace {
  const turn = (bearingDeg * Math.PI) / 180;
  return { eastM: distanceM * Math.sin(turn), northM: distanceM * Math.cos(turn) };
}

/** Bearing of a place from the stump, 0 to 360, to a tenth. */
export function bearingOf(at: Flat): number {
  const degrees = (Math.atan2(at.x, at.y) * 180) / Math.PI;
  return Math.round(((degrees + 360) % 360) * 10) / 10;
}

/** What the plan shows: the fall, the lines with their haulers, and every target. */
export function siteBounds(plan: Plan, analysis: Analysis): Bounds {
  const { site } = analysis;
  const places = [
    ...site.footprint,
    ...site.crown,
    ...site.lines.flatMap((l) => [...l.legs, l.crew]),
    ...site.people.map((p) => p.place),
    ...plan.site.targets.flatMap((t) => t.points),
    ...site.tornWays.flatMap((t) => t.footprint),
  ];
  const east = places.map((p) => p.eastM);
  const north = places.map((p) => p.northM);
  const least = 0.6 * plan.tree.heightM;
  return {
    minX: Math.min(-least, ...east),
    maxX: Math.max(least, ...east),
    minY: Math.min(-least, ...north),
    maxY: Math.max(least, ...north),
  };
}

export function siteScale(bounds: Bounds, width: number, height: number): Scale {
  const margin = { top: 26, right: 30, bottom: 44, left: 30 };
  const scale = fit(bounds, width, height, margin);
  // The middle of what is shown stands in the middle of the picture.
  const middle = height - margin.bottom - (height - margin.top - margin.bottom) / 2;
  return { ...scale, bottom: middle + ((bounds.minY + bounds.maxY) / 2) * scale.perMetre };
}

/** A sector of a ring about a point, in pixels; bearings clockwise from north. */
export function sectorPath(at: Flat, inner: number, outer: number, fromDeg: number, toDeg: number): string {
  const point = (radius: number, deg: number): string => {
    const turn = (deg * Math.PI) / 180;
    return `${(at.x + radius * Math.sin(turn)).toFixed(1)} ${(at.y - radius * Math.cos(turn)).toFixed(1)}`;
  };
  const large = toDeg - fromDeg > 180 ? 1 : 0;
  return `M${point(inner, fromDeg)}L${point(outer, fromDeg)}A${outer} ${outer} 0 ${large} 1 ${point(outer, toDeg)}L${point(inner, toDeg)}A${inner} ${inner} 0 ${large} 0 ${point(inner, fromDeg)}Z`;
}

/** A run of neighbouring bearings in one state. */
export interface RoseRun {
  fromDeg: number;
  toDeg: number;
  state: RoseBearing["state"];
  /** The easiest of them: the one that needs the least tension. */
  best: RoseBearing;
}

/** The rose as runs, each from its first bearing to its last; a run across north is one run. */
export function runsOf(bearings: RoseBearing[]): RoseRun[] {
  const start = bearings.findIndex((b, i) => b.state !== bearings.at(i - 1)?.state);
  if (start < 0)
    return bearings[0] ? [{ fromDeg: 0, toDeg: 360, state: bearings[0].state, best: easiest(bearings) }] : [];
  const runs: RoseBearing[][] = [];
  for (let i = 0; i < bearings.length; i++) {
    const bearing = bearings[(start + i) % bearings.length];
    const run = runs.at(-1);
    if (!bearing) continue;
    if (run && run[0]?.state === bearing.state) run.push(bearing);
    else runs.push([bearing]);
  }
  return runs.map((run) => ({
    fromDeg: run[0]?.bearingDeg ?? 0,
    toDeg: run.at(-1)?.bearingDeg ?? 0,
    state: run[0]?.state ?? "closed",
    best: easiest(run),
  }));
}

function easiest(run: RoseBearing[]): RoseBearing {
  return run.reduce((best, b) => ((b.neededTensionN ?? Infinity) < (best.neededTensionN ?? Infinity) ? b : best));
}

/** A clearance for reading: to a tenth of a metre, for nobody lays a tree closer than that. */
export function cleared(metres: number, units: Units): string {
  const { si: unit, name } = unitOf("length", units);
  const tenths = Math.round((metres / unit) * 10) / 10;
  return tenths < 0.1 ? `under 0.1 ${name}` : `${tenths >= 100 ? Math.round(tenths) : tenths} ${name}`;
}

/** What a kind of target is drawn as when it is new. */
export const shapeOf: Record<Target["kind"], "area" | "line" | "place"> = {
  building: "area",
  wall: "line",
  fence: "line",
  hedge: "line",
  tree: "place",
  road: "line",
  path: "line",
  water: "area",
  powerLine: "line",
  phoneLine: "line",
  pipe: "line",
  people: "place",
  other: "place",
};

export const kindWords: Record<Target["kind"], string> = {
  building: "Building",
  wall: "Wall",
  fence: "Fence",
  hedge: "Hedge",
  tree: "Tree to spare",
  road: "Road",
  path: "Path",
  water: "Water",
  powerLine: "Power line",
  phoneLine: "Phone line",
  pipe: "Pipe or cable below",
  people: "People's place",
  other: "Other",
};

/** A shape turned about the middle of its corners, clockwise, to a tenth of a metre. */
export function turnedAbout(points: SitePlace[], byDeg: number): SitePlace[] {
  const east = points.reduce((sum, p) => sum + p.eastM, 0) / points.length;
  const north = points.reduce((sum, p) => sum + p.northM, 0) / points.length;
  const turn = (byDeg * Math.PI) / 180;
  return points.map((p) => {
    const [e, n] = [p.eastM - east, p.northM - north];
    return {
      eastM: tenth(east + e * Math.cos(turn) + n * Math.sin(turn)),
      northM: tenth(north + n * Math.cos(turn) - e * Math.sin(turn)),
    };
  });
}

/** A target of usual size, aside of the lay, to be moved where it stands. */
export function usualTarget(kind: Target["kind"], plan: Plan): Target {
  const far = 0.7 * plan.tree.heightM;
  // Each where no other has its first corner: to the right of the lay, then on round the tree.
  for (let turn = 90; ; turn += 30) {
    const at = placeAt(far, plan.lay.bearingDeg + turn);
    const by = (east: number, north: number): SitePlace => ({
      eastM: tenth(at.eastM + east),
      northM: tenth(at.northM + north),
    });
    const points = {
      area: [by(-4, -3), by(4, -3), by(4, 3), by(-4, 3)],
      line: [by(-8, 0), by(8, 0)],
      place: [by(0, 0)],
    }[shapeOf[kind]];
    if (turn >= 90 + 360 || !points.some((p) => isTaken(plan, p))) return withPoints(kind, plan, points);
  }
}

const nearM = 2;

/** Whether a corner of a target lies there already. */
const isTaken = (plan: Plan, place: SitePlace): boolean =>
  plan.site.targets.some((t) =>
    t.points.some((p) => Math.hypot(p.eastM - place.eastM, p.northM - place.northM) < nearM),
  );

/** What stands so far out along the lay and so far to its side, seen from the stump: metres to its middle. */
export interface BySide {
  outM: number;
  /** Right of the lay; negative to its left. */
  rightM: number;
  /** Across the lay. Of a road or a line: how far it runs. */
  wideM: number;
  /** Along the lay. */
  deepM: number;
}

/** A target by its distance and side: an area square to the lay, a line across it or, deeper than wide, along it. */
export function targetBySide(kind: Target["kind"], plan: Plan, { outM, rightM, wideM, deepM }: BySide): Target {
  const by = (out: number, right: number): SitePlace => {
    const ahead = placeAt(outM + out, plan.lay.bearingDeg);
    const aside = placeAt(rightM + right, plan.lay.bearingDeg + 90);
    return { eastM: tenth(ahead.eastM + aside.eastM), northM: tenth(ahead.northM + aside.northM) };
  };
  const [w, d] = [wideM / 2, deepM / 2];
  const points = {
    area: [by(-d, -w), by(-d, w), by(d, w), by(d, -w)],
    line: w >= d ? [by(0, -w), by(0, w)] : [by(-d, 0), by(d, 0)],
    place: [by(0, 0)],
  }[shapeOf[kind]];
  return withPoints(kind, plan, points);
}

/** A new target of these points, under a name that is free. */
export function withPoints(kind: Target["kind"], plan: Plan, points: SitePlace[]): Target {
  const taken = new Set(plan.site.targets.map((t) => t.id));
  const base = kind.replace(/[A-Z]/g, (c) => `-${c.toLowerCase()}`);
  let id = base;
  for (let n = 2; taken.has(id); n++) id = `${base}-${n}`;
  const radiusM = { tree: 2, road: 2, path: 0.8, people: 2 }[kind as string] ?? 0;
  return { id, kind, points, closed: shapeOf[kind] === "area" && points.length > 2, radiusM, mayBeHit: false };
}

/** The lay turned; an anchor that would stand more than 60° off it goes along, and is then one that nobody has looked at. */
export function turnedTo(plan: Plan, bearingDeg: number): Plan {
  const lay = ((bearingDeg % 360) + 360) % 360;
  const off = (bearing: number): number => Math.abs(((bearing - lay + 540) % 360) - 180);
  const main = plan.lines[0];
  const turned = { ...plan, lay: { ...plan.lay, bearingDeg: lay } };
  const first = main?.redirects[0]?.at ?? main?.anchor;
  return !first || off(first.bearingDeg) <= 60 ? turned : withAnchorAlong(turned);
}

/** The lines turned until the first runs straight along the lay, on anchors that nobody has looked at. */
export function withAnchorAlong(plan: Plan): Plan {
  const main = plan.lines[0];
  const first = main?.redirects[0]?.at ?? main?.anchor;
  if (!first) return plan;
  const by = plan.lay.bearingDeg - first.bearingDeg;
  const along = (anchor: Line["anchor"]): Line["anchor"] => ({
    ...elsewhere(anchor),
    bearingDeg: tenth((((anchor.bearingDeg + by) % 360) + 360) % 360),
  });
  return {
    ...plan,
    lines: plan.lines.map((line) => {
      const puller = { ...line.puller };
      delete puller.place;
      return {
        ...line,
        anchor: along(line.anchor),
        redirects: line.redirects.map((r) => ({ ...r, at: along(r.at) })),
        puller,
      };
    }),
  };
}

export const tenth = (value: number): number => Math.round(value * 10) / 10;
