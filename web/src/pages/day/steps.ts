import type { PullDay, PullStep } from "../../api/types";

const slack: readonly PullStep[] = ["brief", "slackOut", "down", "clear"];

/** Whether the pull's lines are read at a step. */
export const isTight = (step: PullStep): boolean => !slack.includes(step);

/** Whether nothing is pulled: only loads are moved. */
export const onlyClears = (day: PullDay): boolean => !day.steps.some((s) => s.step === "pull");
