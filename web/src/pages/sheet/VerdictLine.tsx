import { Popover, PopoverButton, PopoverPanel, useClose } from "@headlessui/react";
import { lazy, memo, Suspense } from "react";
import type { Analysis } from "../../api/types";
import { goToMember, stationOf } from "../../stations/registry";
import { useFeed } from "../../state/feed";
import { takeBack } from "../../state/store";
import { useView } from "../../state/view";
import { momentOf, stateHatch, stateWords } from "../../state/words";
import { Accept } from "./Accept";

type Verdict = Analysis["verdict"];

const Chances = lazy(() => import("./Chances").then((m) => ({ default: m.Chances })));

/** What the plan says, in a sentence; the other reasons and the caution open under it. */
export function VerdictLine() {
  const verdict = useFeed((s) => s.analysis?.verdict);
  const problem = useFeed((s) => Object.values(s.problems)[0]);
  const unreachable = useFeed((s) => s.unreachable);
  if (problem !== undefined) {
    return (
      <div data-verdict="mend" className="flex min-w-0 items-center gap-3">
        <span aria-hidden className="state-fails h-8 w-3 shrink-0 border border-ink" />
        <p className="line-clamp-3 text-[15px] leading-[1.3]" title={problem}>
          <strong className="font-semibold">To mend.</strong> {problem}{" "}
          <span className="text-pencil">{verdict ? "The figures shown are the last good ones." : ""}</span>
        </p>
      </div>
    );
  }
  if (!verdict)
    return (
      <p className="text-pencil">
        {unreachable
          ? "Draklo does not answer. Is it still running? What you changed is kept in this browser."
          : "Working it out."}
      </p>
    );
  return (
    <div data-verdict={verdict.state} className="relative flex min-w-0 items-center gap-3">
      <span aria-hidden className={`${stateHatch[verdict.state]} h-8 w-3 shrink-0 border border-ink`} />
      <p
        className="line-clamp-2 min-w-0 flex-1 text-[15px] leading-[1.3] max-md:line-clamp-3 max-md:text-[14px]"
        data-summary
        title={verdict.headline}
      >
        <strong className="font-semibold">{stateWords[verdict.state]}.</strong> {verdict.headline}{" "}
        {unreachable && <span className="font-semibold">Draklo does not answer; these figures are old. </span>}
      </p>
      <Reasons count={verdict.reasons.length} accepted={verdict.accepted.length} />
    </div>
  );
}

/** The button and what opens under it; apart from the sentence, which changes at every step of a drag. */
const Reasons = memo(function Reasons({ count, accepted }: { count: number; accepted: number }) {
  return (
    <Popover>
      <PopoverButton className="max-w-[112px] shrink-0 text-left font-tight text-sm leading-tight underline decoration-1 underline-offset-2">
        <span className="max-md:sr-only">
          {count === 1 ? "Why, and the cautions" : `All ${count} reasons and the cautions`}
        </span>
        <span aria-hidden className="inline-block px-1 py-3 md:hidden">
          Why
        </span>
        {accepted > 0 && <span className="block font-semibold">{accepted} accepted by name</span>}
      </PopoverButton>
      <PopoverPanel className="absolute left-0 top-full z-30 mt-2 max-h-[80vh] w-[560px] max-w-[92vw] overflow-auto border-2 border-ink bg-sheet p-4">
        <ReasonList />
      </PopoverPanel>
    </Popover>
  );
});

function ReasonList() {
  const verdict = useFeed((s) => s.analysis?.verdict);
  if (!verdict) return null;
  return (
    <>
      <ul className="space-y-2">
        {verdict.reasons.map((reason) => (
          <li key={`${reason.code} ${reason.text}`} data-code={reason.code} className="flex gap-2 text-sm leading-snug">
            <span aria-hidden className={`${stateHatch[reason.state]} mt-0.5 h-4 w-4 shrink-0 border border-ink`} />
            <span className="sr-only">{reason.state}: </span>
            <div className="min-w-0 flex-1">
              <Text reason={reason} />
              {reason.acceptable && <Accept reason={reason} />}
            </div>
          </li>
        ))}
      </ul>
      {verdict.accepted.length > 0 && (
        <>
          <h3 className="mt-3 border-t border-ink pt-2 font-tight text-sm font-semibold">Accepted by name</h3>
          <ul className="space-y-2" aria-label="Accepted checks">
            {verdict.accepted.map((a) => (
              <li key={`${a.reason.code} ${a.reason.path ?? ""}`} className="text-sm leading-snug">
                {a.reason.text}{" "}
                <span className="font-semibold">
                  {a.by}, {momentOf(a.at)}:
                </span>{" "}
                {a.because}{" "}
                <button
                  type="button"
                  className="min-h-6 underline"
                  onClick={() => {
                    takeBack(a.reason);
                  }}
                >
                  Take it back
                </button>
              </li>
            ))}
          </ul>
        </>
      )}
      <Suspense>
        <Chances />
      </Suspense>
      <p className="mt-3 border-t border-ink pt-2 text-[13px] leading-snug">
        <button
          type="button"
          className="text-left hover:underline"
          onClick={() => {
            goToMember("policy.loadReserve");
          }}
        >
          {verdict.policy}
        </button>
      </p>
      <Ours />
      <p className="mt-2 text-[13px] leading-snug">{verdict.caution}</p>
    </>
  );
}

/** Which figures of this plan are the crew's own. */
function Ours() {
  const ours = useFeed((s) => s.analysis?.ours);
  return (
    <>
      {ours?.map((text) => (
        <p key={text} data-ours className="mt-1 text-[13px] leading-snug">
          {text}.
        </p>
      ))}
    </>
  );
}

/** A reason that leads to its link, or to the station of the member that is to blame. */
function Text({ reason }: { reason: Verdict["reasons"][number] }) {
  const close = useClose();
  const station = reason.path === undefined ? undefined : stationOf(reason.path);
  if (reason.linkId === undefined && !station) return <span>{reason.text}</span>;
  return (
    <button
      type="button"
      className="text-left hover:underline"
      onClick={() => {
        close();
        if (reason.linkId !== undefined)
          useView.getState().set({ link: reason.linkId, working: `link.${reason.linkId}` });
        if (reason.path !== undefined && station) goToMember(reason.path);
      }}
    >
      {reason.text}
    </button>
  );
}
