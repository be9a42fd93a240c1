import { replaceEqualDeep } from "@tanstack/react-query";
import { create } from "zustand";
import { api, Refusal } from "../api/client";
import type { Analysis, ClearingAnalysis, Plan, Units } from "../api/types";
import { useSheet, withFollowed } from "./store";

interface FeedState<A> {
  /** The last good answer, kept while a later plan is refused. */
  analysis: A | null;
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

interface Question {
  plan: Plan;
  units: Units;
  workings: boolean;
}

/**
 * Keeps an answer in step with the sheet. One question is under way at a time and only the newest waits behind it, so
 * that a drag never queues up and never starves: figures follow as fast as answers come.
 */
function makeFeed<A>(answer: (question: Question) => Promise<A>) {
  const use = create<FeedState<A>>(() => ({
    analysis: null,
    of: null,
    version: 0,
    problems: noProblems,
    unreachable: false,
  }));
  let waiting: Question | null = null;
  let busy = false;

  function ask(question: Question): void {
    waiting = question;
    if (!busy) void work();
  }

  async function work(): Promise<void> {
    busy = true;
    while (waiting) {
      const question: Question = waiting;
      waiting = null;
      try {
        const analysis = await answer(question);
        // What has not changed stays the same object, so that whatever shows it does not render again.
        use.setState((before) => ({
          analysis: replaceEqualDeep(before.analysis, analysis) as A,
          of: question.plan,
          version: before.of === question.plan ? before.version : before.version + 1,
          problems: noProblems,
          unreachable: false,
        }));
      } catch (error) {
        if (error instanceof Refusal) {
          const problems = Object.fromEntries(
            Object.entries(error.errors).map(([path, sentences]) => [path, sentences[0] ?? ""]),
          );
          use.setState({
            problems: Object.keys(problems).length > 0 ? problems : { "": error.message },
            unreachable: false,
          });
        } else {
          use.setState({ unreachable: true });
          await new Promise((resolve) => setTimeout(resolve, 1000));
          waiting ??= question;
        }
      }
    }
    busy = false;
  }

  return {
    use,
    /** Follows the sheet until the returned function is called. */
    follow(units: Units, workings: boolean): () => void {
      const document = useSheet.getState().document;
      if (document) ask({ plan: document.plan, units, workings });
      return useSheet.subscribe((now, before) => {
        if (now.document && now.document.plan !== before.document?.plan)
          ask({ plan: now.document.plan, units, workings });
      });
    },
    forget(): void {
      waiting = null;
      use.setState({ analysis: null, of: null, problems: noProblems, unreachable: false });
    },
  };
}

const pull = makeFeed<Analysis>(async (q) => {
  const analysis = await api.analyse(q.plan, q.units, q.workings);
  // The core read the plan with all that follows as it does: the sheet shows and keeps the same.
  useSheet.getState().settle(q.plan, withFollowed(q.plan, analysis.followed));
  return analysis;
});
export const useFeed = pull.use;
export const { follow, forget } = pull;

const clearing = makeFeed<ClearingAnalysis>((q) => api.analyseClearing(q.plan, q.units));
export const useClearing = clearing.use;
export const { follow: followClearing, forget: forgetClearing } = clearing;

/** Whether the figures shown are the last good ones, of an earlier plan. */
export function useOld(): boolean {
  return useFeed((s) => s.problems !== noProblems && Object.keys(s.problems).length > 0);
}
