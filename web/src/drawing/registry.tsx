import { lazy, type ComponentType } from "react";
import type { Analysis, Plan } from "../api/types";
import { Elevation } from "./Elevation";

export interface DrawingProps {
  plan: Plan;
  analysis: Analysis;
}

interface DrawingEntry {
  /** In the address. */
  key: string;
  name: string;
  /** The letter that opens it. */
  letter: string;
  Component: ComponentType<DrawingProps>;
}

/** Every drawing of the sheet, in the order of its tabs. A new one is an entry here. */
export const drawings: DrawingEntry[] = [
  { key: "elevation", name: "Elevation", letter: "e", Component: Elevation },
  {
    key: "plan",
    name: "Plan",
    letter: "p",
    Component: lazy(() => import("./SitePlan").then((m) => ({ default: m.SitePlan }))),
  },
  {
    key: "stump",
    name: "Stump",
    letter: "s",
    Component: lazy(() => import("./Stump").then((m) => ({ default: m.Stump }))),
  },
  {
    key: "stem",
    name: "Stem",
    letter: "b",
    Component: lazy(() => import("./StemDrawing").then((m) => ({ default: m.StemDrawing }))),
  },
  {
    key: "tackle",
    name: "Tackle",
    letter: "t",
    Component: lazy(() => import("./TackleDrawing").then((m) => ({ default: m.TackleDrawing }))),
  },
  {
    key: "day",
    name: "Day",
    letter: "d",
    Component: lazy(() => import("./DayChart").then((m) => ({ default: m.DayChart }))),
  },
  {
    key: "fall",
    name: "Fall",
    letter: "f",
    Component: lazy(() => import("./FallDrawing").then((m) => ({ default: m.FallDrawing }))),
  },
];

/** The drawing of a key; the first one if no entry has it. */
export function drawingAt(key: string): number {
  return Math.max(
    0,
    drawings.findIndex((d) => d.key === key),
  );
}
