import { create } from "zustand";
import type { Target } from "../api/types";

export const stationNames = {
  walk: "Walk up",
  size: "Size up",
  lay: "Lay",
  line: "Line",
  tackle: "Anchor and tackle",
  cuts: "Cuts",
} as const;
export type Station = keyof typeof stationNames;
export const drawingNames = {
  elevation: "Elevation",
  plan: "Plan",
  stump: "Stump",
  stem: "Stem",
  tackle: "Tackle",
} as const;
export type DrawingName = keyof typeof drawingNames;

/** A target that is being drawn: its points so far, metres east and north. */
export interface Draft {
  kind: Target["kind"];
  points: Target["points"];
}

interface ViewState {
  station: Station;
  drawing: DrawingName;
  /** Index of the line that the stations and the load path speak of. */
  line: number;
  /** The link lit up in the drawing. */
  link: string | null;
  /** The working to show first; null while the workings are closed. */
  working: string | null;
  /** How far the tree is tipped in the drawing, degrees; nothing of the plan. */
  tiltDeg: number;
  help: boolean;
  /** Id of the target taken in hand on the plan. */
  target: string | null;
  draft: Draft | null;
  /** Whether the lay rose is drawn round the tree. */
  rose: boolean;
  set: (part: Partial<Omit<ViewState, "set">>) => void;
}

export const useView = create<ViewState>((set) => ({
  station: "line",
  drawing: "elevation",
  line: 0,
  link: null,
  working: null,
  tiltDeg: 0,
  help: false,
  target: null,
  draft: null,
  rose: false,
  set: (part) => {
    set(part);
  },
}));

export function openWorking(id: string): void {
  useView.getState().set({ working: id });
}

export function goTo(station: Station): void {
  useView.getState().set({
    station,
    working: null,
    draft: null,
    drawing: station === "cuts" ? "stump" : station === "lay" || station === "walk" ? "plan" : "elevation",
  });
}
