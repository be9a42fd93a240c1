import { create } from "zustand";
import type { Target } from "../api/types";

/** What opens over the sheet: the job's own words, the list of keys, or the glossary, at an entry if one is named. */
export type DialogKey = "job" | "keys" | "glossary" | `glossary:${string}`;

/** A target that is being drawn: its points so far, metres east and north. */
export interface Draft {
  kind: Target["kind"];
  points: Target["points"];
}

/** The part of the view that stands in the address, so that back, reload and a shared link work. */
export interface AddressedView {
  /** Key of a station of the registry. */
  station: string;
  /** Key of a drawing of the registry. */
  drawing: string;
  /** Index of the line that the stations and the load path speak of. */
  line: number;
  /** The working to show first; null while the workings are closed. */
  working: string | null;
  dialog: DialogKey | null;
}

interface ViewState extends AddressedView {
  /** The link lit up in the drawing. */
  link: string | null;
  /** How far the tree is tipped in the drawing, degrees; nothing of the plan. */
  tiltDeg: number;
  /** Id of the target taken in hand on the plan. */
  target: string | null;
  draft: Draft | null;
  /** Path of the member that somebody was sent to. */
  field: string | null;
  /** How often somebody was led to a field: to the same one again as well. */
  led: number;
  /** Whether the lay rose is drawn round the tree. */
  rose: boolean;
  /** Which of the missing points is being settled; null while the walk through them is closed. */
  missing: string | null;
  /** How fast the hands take rope in, for the fall; nothing of the plan. */
  haulMps: number;
  /** Which stage of the fall is in hand. */
  stage: number;
  /** Whether the cards for a first job lie over the sheet. */
  guide: boolean;
  set: (part: Partial<Omit<ViewState, "set">>) => void;
}

export const firstView: AddressedView = {
  station: "line",
  drawing: "elevation",
  line: 0,
  working: null,
  dialog: null,
};

const passing = {
  link: null,
  tiltDeg: 0,
  target: null,
  draft: null,
  field: null,
  led: 0,
  rose: false,
  missing: null,
  guide: false,
  haulMps: 0.4,
  stage: 0,
};

export const useView = create<ViewState>((set) => ({
  ...firstView,
  ...passing,
  set: (part) => {
    set(part);
  },
}));

/** The view that a job opens with. */
export function openView(view: AddressedView): void {
  useView.getState().set({ ...view, ...passing });
}

export function openWorking(id: string): void {
  useView.getState().set({ working: id });
}

export function openTerm(id: string): void {
  useView.getState().set({ dialog: `glossary:${id}` });
}
