import { Popover, PopoverButton, PopoverPanel } from "@headlessui/react";
import { lazy, Suspense } from "react";
import type { Analysis } from "../api/types";
import { useView } from "./view";
import { stateHatch } from "./words";

const Chances = lazy(() => import("./Chances").then((m) => ({ default: m.Chances })));

/** What the plan says, in a sentence; the other reasons and the caution open under it. */
export function VerdictLine({
  analysis,
  problem,
  unreachable,
}: {
  analysis: Analysis | null;
  problem: string | null;
  unreachable: boolean;
}) {
  const set = useView((s) => s.set);
  if (problem !== null) {
    return (
      <div data-verdict="mend" className="flex min-w-0 items-center gap-3">
        <span aria-hidden className="state-fails h-8 w-3 shrink-0 border border-ink" />
        <p className="text-[15px] leading-snug">
          <strong className="font-semibold">To mend.</strong> {problem}{" "}
          <span className="text-pencil">{analysis ? "The figures shown are the last good ones." : ""}</span>
        </p>
      </div>
    );
  }
  if (!analysis)
    return (
      <p className="text-pencil">
        {unreachable
          ? "Draklo does not answer. Is it still running? What you changed is kept in this browser."
          : "Reckoning."}
      </p>
    );
  const { verdict } = analysis;
  const [word, ...rest] = verdict.summary.split(". ");
  return (
    <Popover data-verdict={verdict.state} className="relative flex min-w-0 items-center gap-3">
      <span aria-hidden className={`${stateHatch[verdict.state]} h-8 w-3 shrink-0 border border-ink`} />
      <p className="min-w-0 text-[15px] leading-snug" data-summary>
        <strong className="font-semibold">{word}.</strong> {rest.join(". ")}{" "}
        {unreachable && <span className="font-semibold">Draklo does not answer; these figures are old. </span>}
        <PopoverButton className="whitespace-nowrap underline decoration-1 underline-offset-2">
          {verdict.reasons.length === 1
            ? "Why, and the cautions"
            : `All ${verdict.reasons.length} reasons and the cautions`}
        </PopoverButton>
      </p>
      <PopoverPanel className="absolute left-0 top-full z-30 mt-2 w-[560px] max-h-[80vh] max-w-[92vw] overflow-auto border-2 border-ink bg-sheet p-4">
        <ul className="space-y-2">
          {verdict.reasons.map((reason) => (
            <li key={reason.text} className="flex gap-2 text-sm leading-snug">
              <span aria-hidden className={`${stateHatch[reason.state]} mt-0.5 h-4 w-4 shrink-0 border border-ink`} />
              <span className="sr-only">{reason.state}: </span>
              {reason.linkId != null ? (
                <button
                  type="button"
                  className="text-left hover:underline"
                  onClick={() => {
                    set({ link: reason.linkId ?? null, working: `link.${reason.linkId ?? ""}` });
                  }}
                >
                  {reason.text}
                </button>
              ) : (
                <span>{reason.text}</span>
              )}
            </li>
          ))}
        </ul>
        <Suspense>
          <Chances />
        </Suspense>
        <p className="mt-3 border-t border-ink pt-2 text-[13px] leading-snug">{verdict.caution}</p>
      </PopoverPanel>
    </Popover>
  );
}
