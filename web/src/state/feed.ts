import { replaceEqualDeep } from "@tanstack/react-query";
import { create } from "zustand";
import { api, Refusal } from "../api/client";
import type { Analysis, Plan, Units } from "../api/types";
import { useSheet } from "./store";

interface FeedState {
  /** The last good analysis, kept while a later plan is refused. */
  analysis: Analysis | null;
  /** The plan that it is of. */
  of: Plan | null;
  /** Counts the plans that were analysed: names one without holding it, as a query's key must. */
  version: number;
  /** Sentences by member path; empty while the plan computes. */
  problems: Record<string, string>;
  /** Set while the server does not answer. */
  unreachable: boolean;
}

const noProblems: Record<string, string> = {};

export const useFeed = create<FeedState>(() => ({
  analysis: null,
  of: null,
  version: 0,
  problems: {},
  unreachable: false,
}));

/** Whether the figures shown are the last good ones, of an earlier plan. */
export function useOld(): boolean {
  return useFeed((s) => s.problems !== noProblems && Object.keys(s.problems).length > 0);
}

interface Question {
  plan: Plan;
  units: Units;
  workings: boolean;
}

let waiting: Question | null = null;
let busy = false;

/** Keeps the analysis in step with the sheet until the returned function is called. */
export function follow(units: Units, workings: boolean): () => void {
  const document = useSheet.getState().document;
  if (document) ask({ plan: document.plan, units, workings });
  return useSheet.subscribe((now, before) => {
    if (now.document && now.document.plan !== before.document?.plan) ask({ plan: now.document.plan, units, workings });
  });
}

/**
 * Asks for an analysis. One question is under way at a time and only the newest waits behind it, so that a drag never
 * queues up and never starves: figures follow as fast as answers come.
 */
function ask(question: Question): void {
  waiting = question;
  if (!busy) void work();
}

export function forget(): void {
  waiting = null;
  useFeed.setState({ analysis: null, of: null, problems: {}, unreachable: false });
}

async function work(): Promise<void> {
  busy = true;
  while (waiting) {
    const { plan, units, workings } = waiting;
    waiting = null;
    try {
      const analysis = await api.analyse(plan, units, workings);
      // What has not changed stays the same object, so that whatever shows it does not render again.
      useFeed.setState((before) => ({
        analysis: replaceEqualDeep(before.analysis, analysis),
        of: plan,
        version: before.of === plan ? before.version : before.version + 1,
        problems: noProblems,
        unreachable: false,
      }));
    } catch (error) {
      if (error instanceof Refusal) {
        const problems = Object.fromEntries(
          Object.entries(error.errors).map(([path, sentences]) => [path, sentences[0] ?? ""]),
        );
        useFeed.setState({
          problems: Object.keys(problems).length > 0 ? problems : { "": error.message },
          unreachable: false,
        });
      } else {
        useFeed.setState({ unreachable: true });
        await new Promise((resolve) => setTimeout(resolve, 1000));
        waiting ??= { plan, units, workings };
      }
    }
  }
  busy = false;
}
