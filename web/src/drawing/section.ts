import type { Clearing, WayResult } from "../api/types";
import type { MemberPath } from "../state/memberPath";
import type { Bounds, Flat } from "./projection";

type Spot = Clearing["ground"]["spots"][number];

/** Height of the ground between its spots; level past its ends. Placing only: the server works with the same spots. */
export function groundUp(spots: Spot[], at: number): number {
  const next = spots.findIndex((s) => s.atM >= at);
  const b = spots[next];
  const a = spots[next - 1];
  if (!b) return spots.at(-1)?.upM ?? 0;
  if (!a) return b.upM;
  return a.upM + ((b.upM - a.upM) * (at - a.atM)) / (b.atM - a.atM);
}

/** Something of the section that can be taken hold of. */
export interface SectionGrip {
  id: string;
  name: string;
  at: Flat;
  /** Members that a drag changes; one that is left out stays. */
  atPath?: MemberPath;
  upPath?: MemberPath;
  /** What the height is counted from: the ground under it, the high point's foot, or the zero of the section. */
  from: "ground" | "foot" | "zero";
  shape: "ring" | "square" | "bar";
  least?: number;
  most?: number;
}

export type SectionPanel = "way" | "pieces" | "ground" | "gear" | "people";

/** What can be taken hold of: what the way uses, and what the open panel is about. */
export function gripsOf(clearing: Clearing, way: Pick<WayResult, "way" | "uses">, panel: SectionPanel): SectionGrip[] {
  const { ground, high, low, lead, drum } = clearing;
  const up = (at: number) => groundUp(ground.spots, at);
  const grips: SectionGrip[] = [];
  const add = (grip: Omit<SectionGrip, "at" | "from" | "shape"> & Partial<SectionGrip>, at: number, over: number) => {
    grips.push({ from: "ground", shape: "square", ...grip, at: { x: at, y: up(at) + over } });
  };
  if (panel === "ground") {
    ground.spots.forEach((s, i) => {
      grips.push({
        id: `spot-${i}`,
        name: `Ground, spot ${i + 1}`,
        at: { x: s.atM, y: s.upM },
        atPath: `clearing.ground.spots[${i}].atM`,
        upPath: `clearing.ground.spots[${i}].upM`,
        from: "zero",
        shape: "ring",
        least: (ground.spots[i - 1]?.atM ?? -0.1) + 0.1,
        most: (ground.spots[i + 1]?.atM ?? 500.1) - 0.1,
      });
    });
    ground.obstacles.forEach((o, i) => {
      add(
        {
          id: `from-${i}`,
          name: `${o.name}, near side`,
          atPath: `clearing.ground.obstacles[${i}].fromM`,
          most: o.toM - 0.1,
        },
        o.fromM,
        0,
      );
      add(
        {
          id: `to-${i}`,
          name: `${o.name}, far side and height`,
          atPath: `clearing.ground.obstacles[${i}].toM`,
          upPath: `clearing.ground.obstacles[${i}].heightM`,
          least: o.fromM + 0.1,
        },
        o.toM,
        o.heightM,
      );
    });
    return grips;
  }
  if (panel === "people") {
    clearing.people.forEach((p, i) => {
      add({ id: `person-${i}`, name: p.name, atPath: `clearing.people[${i}].atM`, shape: "ring" }, p.atM, 0.9);
    });
    return grips;
  }
  const uses = (part: WayPart) => way.uses.includes(part);
  if (panel === "pieces" || uses("pieces")) {
    clearing.pieces.forEach((p, i) => {
      add(
        { id: `piece-${i}`, name: p.name === "" ? p.id : p.name, atPath: `clearing.pieces[${i}].atM`, shape: "bar" },
        p.atM,
        0,
      );
    });
    if (clearing.stemAtM !== undefined)
      add({ id: "stem", name: "Own stem", atPath: "clearing.stemAtM", shape: "bar" }, clearing.stemAtM, 0);
    add(
      { id: "landing", name: "Where the pieces go", atPath: "clearing.ground.landingAtM", shape: "bar" },
      ground.landingAtM,
      0,
    );
  }
  if (high && uses("high"))
    add(
      {
        id: "high",
        name: "High point's block",
        atPath: "clearing.high.atM",
        upPath: "clearing.high.blockHeightM",
        least: 0.5,
      },
      high.atM,
      high.blockHeightM,
    );
  if (high?.guy && uses("high"))
    add(
      {
        id: "guy",
        name: "Guy's anchor",
        atPath: "clearing.high.guy.anchor.atM",
        upPath: "clearing.high.guy.anchor.heightM",
      },
      high.guy.anchor.atM,
      high.guy.anchor.heightM,
    );
  if (low && uses("low"))
    add(
      { id: "low", name: "Low anchor", atPath: "clearing.low.atM", upPath: "clearing.low.heightM" },
      low.atM,
      low.heightM,
    );
  if (lead && uses("lead"))
    add(
      { id: "lead", name: "Lead block", atPath: "clearing.lead.anchor.atM", upPath: "clearing.lead.anchor.heightM" },
      lead.anchor.atM,
      lead.anchor.heightM,
    );
  if (drum?.anchor && uses("drum"))
    add(
      { id: "drum", name: "Drum", atPath: "clearing.drum.anchor.atM", upPath: "clearing.drum.anchor.heightM" },
      drum.anchor.atM,
      drum.anchor.heightM,
    );
  if (uses("hauler"))
    add({ id: "hauler", name: "Hauler", atPath: "clearing.haulerAtM", shape: "ring" }, clearing.haulerAtM ?? 0, 0.8);
  const foot = high ? up(high.atM) : 0;
  for (const { x, over, ...grip } of ownGrips[way.way](clearing))
    grips.push({ ...grip, at: { x, y: (grip.from === "foot" ? foot : up(x)) + over } });
  return grips;
}

type WayPart = WayResult["uses"][number];

/** A grip that a way alone has: where along the section, and how far over the ground or the high point's foot. */
type OwnGrip = Omit<SectionGrip, "at"> & { x: number; over: number };

const none = (): OwnGrip[] => [];

/** What can be taken hold of in one way alone; a way that is not named here does not compile. */
const ownGrips: Record<WayResult["way"], (clearing: Clearing) => OwnGrip[]> = {
  carry: none,
  drag: none,
  buttUp: none,
  fly: none,
  catch: none,
  astern: none,
  lift: ({ lift }) =>
    lift
      ? [
          {
            id: "tag",
            name: "Tag line",
            atPath: "clearing.lift.tagAtM",
            upPath: "clearing.lift.tagHeightM",
            from: "ground",
            shape: "ring",
            x: lift.tagAtM,
            over: lift.tagHeightM,
          },
        ]
      : [],
  points: ({ points }) =>
    points
      ? [
          ...points.points.map((p, i): OwnGrip => ({
            id: `point-${i}`,
            name: p.name,
            atPath: `clearing.points.points[${i}].atM`,
            upPath: `clearing.points.points[${i}].heightM`,
            from: "foot",
            shape: "square",
            x: p.atM,
            over: p.heightM,
          })),
          {
            id: "load",
            name: "Load",
            atPath: "clearing.points.loadAtM",
            upPath: "clearing.points.loadHeightM",
            from: "ground",
            shape: "ring",
            x: points.loadAtM,
            over: points.loadHeightM,
          },
        ]
      : [],
  slide: ({ slide, high }) =>
    slide && high
      ? [
          {
            id: "slide",
            name: "Top of the tight line",
            upPath: "clearing.slide.topHeightM",
            from: "ground",
            shape: "square",
            x: high.atM,
            over: slide.topHeightM,
          },
        ]
      : [],
  top: ({ top, high }) =>
    top && high
      ? [
          {
            id: "cut",
            name: "Cut of the top",
            upPath: "clearing.top.cutHeightM",
            from: "ground",
            shape: "bar",
            x: high.atM,
            over: top.cutHeightM,
          },
          {
            id: "top-line",
            name: "Line on the top",
            upPath: "clearing.top.lineHeightM",
            from: "ground",
            shape: "square",
            x: high.atM,
            over: top.lineHeightM,
          },
        ]
      : [],
};

/** What the section shows: the ground, what stands on it, every line. */
export function sectionBounds(clearing: Clearing, way: WayResult | undefined): Bounds {
  const { spots, obstacles } = clearing.ground;
  const xs: number[] = [];
  const ys: number[] = [];
  const add = (x: number, y: number) => {
    xs.push(x);
    ys.push(y);
  };
  const onGround = (x: number, over = 0) => {
    add(x, groundUp(spots, x) + over);
  };
  for (const line of way?.lines ?? []) for (const p of line.points) add(p.x, p.y);
  const { high } = clearing;
  if (high) {
    const top = high.topped ? high.blockHeightM + 1 : Math.min(high.stem.heightM, high.blockHeightM * 1.5);
    if (way?.group === "stem") {
      // Down from a stem everything happens near it: the far ends of the ground would only make it small.
      onGround(high.atM - top / 2, top);
      onGround(high.atM + top / 2);
      for (const z of way.zones.filter((zone) => zone.kind !== "band")) {
        onGround(z.fromM);
        onGround(z.toM);
      }
      for (const o of obstacles.filter((x) => x.fromM < high.atM + top && x.toM > high.atM - top))
        onGround(o.toM, o.heightM);
    } else onGround(high.atM, top);
  }
  if (way?.group !== "stem" || xs.length === 0) {
    for (const s of spots) add(s.atM, s.upM);
    for (const o of obstacles) onGround(o.toM, o.heightM);
    if (clearing.haulerAtM !== undefined) onGround(clearing.haulerAtM);
  }
  for (const p of clearing.people) onGround(p.atM);
  return {
    minX: Math.min(...xs) - 1,
    maxX: Math.max(...xs) + 1,
    minY: Math.min(...ys) - 1,
    maxY: Math.max(...ys) + 1,
  };
}
