import { lazy, memo, useMemo, type ComponentType } from "react";
import type { Catalogue } from "../api/types";
import { useClearsAlone, useSheet } from "../state/store";
import { factsAt } from "../state/members";
import { firstView, useView } from "../state/view";
import { LineStation } from "./LineStation";

export interface StationEntry {
  /** In the address. */
  key: string;
  name: string;
  /** The drawing that it opens with. */
  drawing: string;
  /** Words of the trade that it uses, by their ids in the glossary. */
  terms: string[];
  /** Decides something of the pull: left out where nothing is pulled. */
  ofPull?: true;
  Component: ComponentType<{ catalogue: Catalogue }>;
}

/** Every station in the order of work; their numbers are their keys. A new one is an entry here. */
export const stations: StationEntry[] = [
  {
    key: "walk",
    name: "Walk up",
    terms: ["escape-route", "reach"],
    drawing: "plan",
    Component: lazy(() => import("./WalkUp").then((m) => ({ default: memo(m.WalkUp) }))),
  },
  {
    key: "size",
    name: "Size up",
    terms: ["lay", "hinge", "careful-end"],
    drawing: "elevation",
    Component: lazy(() => import("./SizeUp").then((m) => ({ default: memo(m.SizeUp) }))),
  },
  {
    key: "lay",
    name: "Lay",
    terms: ["lay", "aim", "footprint", "reach", "escape-route", "snap-back"],
    drawing: "plan",
    Component: lazy(() => import("./Lay").then((m) => ({ default: memo(m.Lay) }))),
  },
  {
    key: "line",
    name: "Line",
    ofPull: true,
    terms: ["seat", "tip-tie", "base-tie", "union", "bed-test", "take-up", "commit", "stretch"],
    drawing: "elevation",
    Component: memo(LineStation),
  },
  {
    key: "tackle",
    name: "Anchor and tackle",
    ofPull: true,
    terms: [
      "anchor",
      "sling",
      "tackle",
      "advantage",
      "grip",
      "friction-turns",
      "redirect",
      "set",
      "reset",
      "progress-capture",
    ],
    drawing: "elevation",
    Component: lazy(() => import("./TackleStation").then((m) => ({ default: memo(m.TackleStation) }))),
  },
  {
    key: "cuts",
    name: "Cuts",
    ofPull: true,
    terms: ["face-notch", "hinge", "back-cut", "hold-angle", "pre-tension", "floor", "early-go"],
    drawing: "stump",
    Component: lazy(() => import("./Cuts").then((m) => ({ default: memo(m.Cuts) }))),
  },
  {
    key: "factors",
    name: "Reserve and factors",
    terms: ["load-reserve", "design-factor", "careful-end"],
    drawing: "elevation",
    Component: lazy(() => import("./PolicyFields").then((m) => ({ default: memo(m.PolicyFields) }))),
  },
  {
    key: "people",
    name: "People",
    terms: ["reach", "footprint", "snap-back", "escape-route"],
    drawing: "plan",
    Component: lazy(() => import("./People").then((m) => ({ default: memo(m.People) }))),
  },
  {
    key: "day",
    name: "Time and cost",
    terms: ["bed-test", "pre-tension"],
    drawing: "day",
    Component: lazy(() => import("./DayStation").then((m) => ({ default: memo(m.DayStation) }))),
  },
  {
    key: "fall",
    name: "The fall",
    ofPull: true,
    terms: ["commit", "hold-angle", "footprint"],
    drawing: "fall",
    Component: lazy(() => import("./FallStation").then((m) => ({ default: memo(m.FallStation) }))),
  },
];

/** The stations of the plan that is open: without those of the pull where it is a clearing alone. */
export function useStations(): StationEntry[] {
  const alone = useClearsAlone();
  return useMemo(() => (alone ? stations.filter((s) => !s.ofPull) : stations), [alone]);
}

/** The station that is open; the first where the one in the address has nothing to decide here. */
export function useShownStation(): StationEntry {
  const all = useStations();
  const shown = stationAt(useView((s) => s.station));
  return all.includes(shown) ? shown : (all[0] ?? shown);
}

/** The station of a key; the one that a sheet opens with if no entry has it. */
export function stationAt(key: string): StationEntry {
  const found = stations.find((s) => s.key === key) ?? stations.find((s) => s.key === firstView.station);
  if (!found) throw new Error("The registry lacks the first station.");
  return found;
}

export function goTo(key: string): void {
  useView.getState().set({ station: key, working: null, draft: null, drawing: stationAt(key).drawing });
}

/** Goes to where a member is decided and takes its field in hand. */
export function goToMember(path: string): void {
  const station = stationOf(path);
  if (!station) return;
  goTo(station.key);
  const line = /^lines\[(\d+)\]/.exec(path)?.[1];
  const target = /^site\.targets\[(\d+)\]/.exec(path)?.[1];
  useView.getState().set({
    field: path,
    led: useView.getState().led + 1,
    ...(line === undefined ? {} : { line: Number(line) }),
    ...(target === undefined
      ? {}
      : { target: useSheet.getState().document?.plan.site.targets[Number(target)]?.id ?? null }),
  });
}

/** The station where a member is decided. */
export function stationOf(path: string): StationEntry | undefined {
  const key = factsAt(path)?.station;
  return key === undefined ? undefined : stations.find((s) => s.key === key);
}
