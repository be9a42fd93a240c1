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
