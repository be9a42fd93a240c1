import type { WayResult } from "../../api/types";
import type { SectionPanel } from "../../drawing/section";
import { useClearing } from "../../state/feed";
import { useSheet } from "../../state/store";
import { useView } from "../../state/view";
import { JobHead, UndoButtons } from "../sheet/HeadParts";
import { NoVerdict, ReasonButton, ReasonRows, ReasonsButton, ToMend, VerdictSentence } from "../sheet/VerdictParts";
import { panelOf } from "./words";

/** The head of the clearing: the job, what its way says, the other pages of the job. */
export function ClearHeader({ goPanel }: { goPanel: (panel: SectionPanel) => void }) {
  return (
    <JobHead here="clear" says={<ClearVerdict goPanel={goPanel} />}>
      <UndoButtons />
    </JobHead>
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
      <ToMend
        problem={problem[1]}
        lastGood={way !== undefined}
        onGo={() => {
          goTo(problem[0], goPanel);
        }}
      />
    );
  if (!way) return <NoVerdict unreachable={unreachable} />;
  return (
    <VerdictSentence state={way.state} headline={way.headline} old={unreachable}>
      <ReasonsButton count={way.reasons.length} accepted={way.accepted.length}>
        {(close) => <ReasonList way={way} goPanel={goPanel} close={close} />}
      </ReasonsButton>
    </VerdictSentence>
  );
}

/** Shows the panel of a member, and the member itself. */
function goTo(path: string, goPanel: (panel: SectionPanel) => void): void {
  goPanel(panelOf(path));
  useView.getState().set({ field: path });
}

function ReasonList({
  way,
  goPanel,
  close,
}: {
  way: WayResult;
  goPanel: (panel: SectionPanel) => void;
  close: () => void;
}) {
  const policy = useClearing((s) => s.analysis?.policy);
  const caution = useClearing((s) => s.analysis?.caution);
  return (
    <>
      <ReasonRows reasons={way.reasons} accepted={way.accepted}>
        {(reason) => (
          <ReasonButton
            text={reason.text}
            onGo={() => {
              close();
              if (reason.linkId !== undefined) useView.getState().set({ link: reason.linkId });
              if (reason.path !== undefined) goTo(reason.path, goPanel);
            }}
          />
        )}
      </ReasonRows>
      <p className="mt-3 border-t border-ink pt-2 text-[13px] leading-snug">{policy}</p>
      <p className="mt-2 text-[13px] leading-snug">{caution}</p>
    </>
  );
}
