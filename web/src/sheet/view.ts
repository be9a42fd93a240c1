import { create } from "zustand";

export const stationNames = { size: "Size up", line: "Line", tackle: "Anchor and tackle", cuts: "Cuts" } as const;
export type Station = keyof typeof stationNames;
export type DrawingName = "elevation" | "stump";

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
  set: (part) => { set(part); },
}));

export function openWorking(id: string): void {
  useView.getState().set({ working: id });
}

export function goTo(station: Station): void {
  useView.getState().set({ station, working: null, drawing: station === "cuts" ? "stump" : "elevation" });
}
