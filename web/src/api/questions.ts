// Written from the core's entries (src/Draklo.Core/Questions). A test fails while this is old;
// DRAKLO_WRITE=1 ./check core writes it again.

/** Every question of the core: where it is asked, whether it takes long (or by which value above 0), and what is usual. */
export const questions = {
  analyse: {
    path: "/api/analysis",
    heavy: false,
    usual: { units: "metric", workings: true },
  },
  stemProfile: {
    path: "/api/stem",
    heavy: false,
    usual: { units: "metric", line: 0 },
  },
  remedies: {
    path: "/api/remedies",
    heavy: true,
    usual: { units: "metric", link: "" },
  },
  stopRemedies: {
    path: "/api/remedies/stop",
    heavy: true,
    usual: { units: "metric", code: "", path: "", link: "" },
  },
  tackleView: {
    path: "/api/tackle/view",
    heavy: false,
    usual: { units: "metric", line: 0 },
  },
  composeTackle: {
    path: "/api/tackle/compose",
    heavy: false,
    usual: { units: "metric", contactId: "bushed-block" },
  },
  solveTackle: {
    path: "/api/tackle",
    heavy: false,
    usual: { units: "metric" },
  },
  findRigs: {
    path: "/api/rigs",
    heavy: true,
    usual: { units: "metric", people: null, truckOnly: false },
  },
  chances: {
    path: "/api/chances",
    heavy: true,
    usual: { units: "metric", samples: 1000, seed: 1 },
  },
  fall: {
    path: "/api/fall",
    heavy: "samples",
    usual: { units: "metric", haulSpeedMps: 0.4, drag: true, samples: 0, aim: false },
  },
  layRose: {
    path: "/api/rose",
    heavy: true,
    usual: { units: "metric", step: 5 },
  },
  drawUpDay: {
    path: "/api/day",
    heavy: false,
    usual: { units: "metric", on: null },
  },
  analyseClearing: {
    path: "/api/clearing",
    heavy: false,
    usual: { units: "metric" },
  },
  clearingRemedies: {
    path: "/api/clearing/remedies",
    heavy: true,
    usual: { units: "metric" },
  },
  clearingSection: {
    path: "/api/clearing/section",
    heavy: false,
    usual: { units: "metric" },
  },
  findClearingGear: {
    path: "/api/clearing/find",
    heavy: true,
    usual: { units: "metric" },
  },
  riggingCatch: {
    path: "/api/rigging/catch",
    heavy: false,
    usual: { units: "metric" },
  },
  riggingTwoLines: {
    path: "/api/rigging/two-lines",
    heavy: false,
    usual: { units: "metric" },
  },
  riggingLoadedLine: {
    path: "/api/rigging/loaded-line",
    heavy: false,
    usual: { units: "metric" },
  },
  riggingSkid: {
    path: "/api/rigging/skid",
    heavy: false,
    usual: { units: "metric" },
  },
  riggingSpar: {
    path: "/api/rigging/spar",
    heavy: false,
    usual: { units: "metric" },
  },
  lowerTree: {
    path: "/api/rigging/lower",
    heavy: false,
    usual: { units: "metric" },
  },
  mergePlans: {
    path: "/api/merge",
    heavy: false,
    usual: { units: "metric" },
  },
  mergeLogs: {
    path: "/api/merge/log",
    heavy: false,
    usual: { units: "metric" },
  },
  briefHere: {
    path: "/api/here/brief",
    heavy: false,
    usual: { units: "metric" },
  },
  pullingHere: {
    path: "/api/here/pulling",
    heavy: false,
    usual: { units: "metric" },
  },
} as const;

export type QuestionName = keyof typeof questions;
