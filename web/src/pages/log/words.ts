import type { JobStage } from "../../api/types";

export const stageNames: Record<JobStage, string> = {
  planned: "planned",
  briefed: "briefed",
  pulled: "pulled",
  cleared: "cleared",
  done: "done",
  calledOff: "called off",
};

export const hingeNames = {
  held: "held to the ground",
  letGo: "let go on the way",
  tore: "tore early",
  split: "the stem split",
} as const;

export const undoneNames = { byHand: "by hand", withTools: "with tools", cut: "cut off" } as const;

/** The middle one of some minutes. */
export function middleOf(laps: number[]): number | undefined {
  const sorted = [...laps].sort((a, b) => a - b);
  const half = Math.floor(sorted.length / 2);
  const [low, high] = [sorted[half - 1], sorted[half]];
  return sorted.length % 2 === 1 || low === undefined || high === undefined ? high : (low + high) / 2;
}
