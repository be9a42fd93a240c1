import { useMemo } from "react";
import { useFeed } from "../state/feed";
import { setFrom, useSheet } from "../state/store";
import type { MemberPath } from "../state/memberPath";
import { valueAt } from "../state/paths";
import { stationKeyOf, stillMissing, type OpenPoint } from "./missing";

type Asked = Parameters<typeof stillMissing>[0];

let last: { asked: Asked; points: OpenPoint[] } | null = null;

/** Worked out once for all who show it. */
function missingOf(asked: Asked): OpenPoint[] {
  const same = (Object.keys(asked) as (keyof Asked)[]).every((key) => last?.asked[key] === asked[key]);
  if (!last || !same) last = { asked, points: stillMissing(asked) };
  return last.points;
}

/** All that is open, the weightiest first. */
export function useMissing(): OpenPoint[] {
  const document = useSheet((s) => s.document);
  const analysis = useFeed((s) => s.analysis);
  const problems = useFeed((s) => s.problems);
  return useMemo(
    () => (document ? missingOf({ plan: document.plan, plannedOn: document.plannedOn, analysis, problems }) : []),
    [document, analysis, problems],
  );
}

/** The same, as it stands this moment. */
export function missingNow(): OpenPoint[] {
  const document = useSheet.getState().document;
  const { analysis, problems } = useFeed.getState();
  return document ? missingOf({ plan: document.plan, plannedOn: document.plannedOn, analysis, problems }) : [];
}

let order: string[] = [];

/** The point after one, which may be settled by now: the order that it stood in is remembered. */
export function pointAfter(key: string, points: OpenPoint[]): OpenPoint | undefined {
  const here = points.findIndex((p) => p.key === key);
  if (here >= 0) {
    order = points.map((p) => p.key);
    return points[here + 1];
  }
  const later = order.slice(order.indexOf(key) + 1);
  return points.find((p) => later.includes(p.key)) ?? points[0];
}

/** What of it is settled at a station. */
export function useMissingAt(key: string): OpenPoint[] {
  return useMissing().filter((point) => stationKeyOf(point) === key);
}

/** Somebody stands before the tree and finds these figures as they are drawn: their word, no tape's. */
export function confirmAsDrawn(points: OpenPoint[]): void {
  const plan = useSheet.getState().document?.plan;
  setFrom(
    "given",
    points.flatMap(({ path }) =>
      path === undefined ? [] : [[path as MemberPath, valueAt(plan, path)] as [MemberPath, unknown]],
    ),
  );
}
