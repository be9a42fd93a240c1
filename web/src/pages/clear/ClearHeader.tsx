import { Popover, PopoverButton, PopoverPanel, useClose } from "@headlessui/react";
import { Redo2, Undo2 } from "lucide-react";
import { Link as RouterLink } from "react-router";
import type { WayResult } from "../../api/types";
import type { SectionPanel } from "../../drawing/section";
import { useClearing } from "../../state/feed";
import { takeBack, useSheet } from "../../state/store";
import { useView } from "../../state/view";
import { momentOf, stateHatch, stateWords } from "../../state/words";
import { Button } from "../../ui/controls";
import { UnitChoice } from "../../ui/UnitChoice";
import { Accept } from "../sheet/Accept";
import { JobTitle } from "../sheet/JobTitle";
import { panelOf } from "./words";

/** The other pages of the job. */
const pages = [
  ["", "Sheet"],
  ["/brief", "Brief"],
  ["/log", "Log"],
] as const;

/** The head of the clearing: the job, what its way says, the other pages of the job. */
export function ClearHeader({ goPanel }: { goPanel: (panel: SectionPanel) => void }) {
  const id = useSheet((s) => s.jobId) ?? "";
  const canUndo = useSheet((s) => s.past.length > 0);
  const canRedo = useSheet((s) => s.future.length > 0);
  const { undo, redo } = useSheet.getState();
  return (
    <header className="flex h-[68px] shrink-0 items-center gap-4 border-b border-ink bg-sheet px-4 max-xl:h-auto max-xl:flex-wrap max-xl:gap-x-3 max-xl:gap-y-1 max-xl:py-1.5 max-lg:px-3">
      <RouterLink
        to="/"
        className="font-tight text-lg font-semibold tracking-[0.14em] max-md:text-base max-md:tracking-[0.08em]"
        title="All jobs"
      >
        DRAKLO
      </RouterLink>
      <JobTitle />
      <div
        role="status"
        className="min-w-0 flex-1 border-l border-rule pl-4 max-xl:order-last max-xl:min-h-10 max-xl:basis-full max-xl:border-l-0 max-xl:pl-0"
      >
        <ClearVerdict goPanel={goPanel} />
      </div>
      <nav aria-label="This job" className="flex gap-1 max-md:order-last max-md:basis-full">
        {pages.map(([to, name]) => (
          <RouterLink
            key={name}
            to={`/jobs/${id}${to}`}
            className="inline-flex min-h-9 items-center border border-ink bg-sheet px-3 font-tight text-sm font-medium hover:bg-tint coarse:min-h-11"
          >
            {name}
          </RouterLink>
        ))}
      </nav>
      <div className="max-md:hidden">
        <UnitChoice />
      </div>
      <div className="ml-auto flex gap-1">
        <Button onClick={undo} disabled={!canUndo} title="Ctrl Z">
          <Undo2 aria-hidden size={18} className="lg:hidden" />
          <span className="max-lg:sr-only">Undo</span>
        </Button>
        <Button onClick={redo} disabled={!canRedo} title="Ctrl Shift Z">
          <Redo2 aria-hidden size={18} className="lg:hidden" />
          <span className="max-lg:sr-only">Redo</span>
        </Button>
      </div>
    </header>
  );
}

function ClearVerdict({ goPanel }: { goPanel: (panel: SectionPanel) => void }) {
  const chosen = useSheet((s) => s.document?.plan.clearing?.way);
  const way = useClearing((s) => s.analysis?.ways.find((w) => w.way === chosen));
  const problems = useClearing((s) => s.problems);
  const problem = Object.entries(problems)[0];
  const unreachable = useClearing((s) => s.unreachable);
  if (problem)
    return (
      <div data-verdict="mend" className="flex min-w-0 items-center gap-3">
        <span aria-hidden className="state-fails h-8 w-3 shrink-0 border border-ink" />
        <button
          type="button"
          className="line-clamp-3 text-left text-[15px] leading-[1.3] hover:underline"
          onClick={() => {
            goTo(problem[0], goPanel);
          }}
        >
          <strong className="font-semibold">To mend.</strong> {problem[1]}{" "}
          <span className="text-pencil">{way ? "The figures shown are the last good ones." : ""}</span>
        </button>
      </div>
    );
  if (!way)
    return (
      <p className="text-pencil">
        {unreachable
          ? "Draklo does not answer. Is it still running? What you changed is kept in this browser."
          : "Working it out."}
      </p>
    );
  return (
    <div data-verdict={way.state} className="relative flex min-w-0 items-center gap-3">
      <span aria-hidden className={`${stateHatch[way.state]} h-8 w-3 shrink-0 border border-ink`} />
      <p
        className="line-clamp-2 min-w-0 flex-1 text-[15px] leading-[1.3] max-md:line-clamp-3 max-md:text-[14px]"
        title={way.headline}
      >
        <strong className="font-semibold">{stateWords[way.state]}.</strong> {way.headline}
      </p>
      <Reasons way={way} goPanel={goPanel} />
    </div>
  );
}

/** Shows the panel of a member, and the member itself. */
function goTo(path: string, goPanel: (panel: SectionPanel) => void): void {
  goPanel(panelOf(path));
  useView.getState().set({ field: path });
}

function Reasons({ way, goPanel }: { way: WayResult; goPanel: (panel: SectionPanel) => void }) {
  const count = way.reasons.length;
  return (
    <Popover>
      <PopoverButton className="max-w-[112px] shrink-0 text-left font-tight text-sm leading-tight underline decoration-1 underline-offset-2">
        <span className="max-md:sr-only">
          {count <= 1 ? "Why, and the cautions" : `All ${count} reasons and the cautions`}
        </span>
        <span aria-hidden className="inline-block px-1 py-3 md:hidden">
          Why
        </span>
        {way.accepted.length > 0 && <span className="block font-semibold">{way.accepted.length} accepted by name</span>}
      </PopoverButton>
      <PopoverPanel className="absolute left-0 top-full z-30 mt-2 max-h-[80vh] w-[560px] max-w-[92vw] overflow-auto border-2 border-ink bg-sheet p-4">
        <ReasonList way={way} goPanel={goPanel} />
      </PopoverPanel>
    </Popover>
  );
}

function ReasonList({ way, goPanel }: { way: WayResult; goPanel: (panel: SectionPanel) => void }) {
  const close = useClose();
  const policy = useClearing((s) => s.analysis?.policy);
  const caution = useClearing((s) => s.analysis?.caution);
  return (
    <>
      <ul className="space-y-2">
        {way.reasons.map((reason) => (
          <li key={`${reason.code} ${reason.text}`} data-code={reason.code} className="flex gap-2 text-sm leading-snug">
            <span aria-hidden className={`${stateHatch[reason.state]} mt-0.5 h-4 w-4 shrink-0 border border-ink`} />
            <span className="sr-only">{reason.state}: </span>
            <div className="min-w-0 flex-1">
              <button
                type="button"
                className="text-left hover:underline"
                onClick={() => {
                  close();
                  if (reason.linkId !== undefined) useView.getState().set({ link: reason.linkId });
                  if (reason.path !== undefined) goTo(reason.path, goPanel);
                }}
              >
                {reason.text}
              </button>
              {reason.acceptable && <Accept reason={reason} />}
            </div>
          </li>
        ))}
      </ul>
      {way.accepted.length > 0 && (
        <>
          <h3 className="mt-3 border-t border-ink pt-2 font-tight text-sm font-semibold">Accepted by name</h3>
          <ul className="space-y-2">
            {way.accepted.map((a) => (
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
      <p className="mt-3 border-t border-ink pt-2 text-[13px] leading-snug">{policy}</p>
      <p className="mt-2 text-[13px] leading-snug">{caution}</p>
    </>
  );
}
