import { lazy, Suspense } from "react";
import { goToMember, stationOf } from "../../stations/registry";
import { useFeed } from "../../state/feed";
import { useView } from "../../state/view";
import { useRoomy } from "../../ui/useWide";
import {
  NoVerdict,
  ReasonButton,
  ReasonRows,
  ReasonsButton,
  ToMend,
  VerdictSentence,
  type Reason,
} from "./VerdictParts";

const StopRemedies = lazy(() => import("./StopRemedies").then((m) => ({ default: m.StopRemedies })));

const Mend = lazy(() => import("./Mend").then((m) => ({ default: m.Mend })));

const Chances = lazy(() => import("./Chances").then((m) => ({ default: m.Chances })));

// Made once: a new one at every step of a drag would draw the button again each time.
const reasonList = (close: () => void) => <ReasonList close={close} />;

/** What the plan says, in a sentence; the other reasons and the caution open under it. */
export function VerdictLine() {
  const verdict = useFeed((s) => s.analysis?.verdict);
  const problem = useFeed((s) => Object.values(s.problems)[0]);
  const unreachable = useFeed((s) => s.unreachable);
  const roomy = useRoomy();
  if (problem !== undefined) return <ToMend problem={problem} lastGood={verdict !== undefined} />;
  if (!verdict) return <NoVerdict unreachable={unreachable} />;
  return (
    <VerdictSentence state={verdict.state} headline={verdict.headline} old={unreachable}>
      {/* A phone has no room for it that would not move what is under the finger: there it stands among the reasons. */}
      {roomy && (
        <Suspense>
          <Mend />
        </Suspense>
      )}
      <ReasonsButton count={verdict.reasons.length} accepted={verdict.accepted.length}>
        {reasonList}
      </ReasonsButton>
    </VerdictSentence>
  );
}

function ReasonList({ close }: { close: () => void }) {
  const verdict = useFeed((s) => s.analysis?.verdict);
  if (!verdict) return null;
  return (
    <>
      <ReasonRows reasons={verdict.reasons} accepted={verdict.accepted}>
        {(reason) => (
          <>
            <Text reason={reason} close={close} />
            {reason.state === "stop" && (
              <Suspense>
                <StopRemedies reason={reason} close={close} />
              </Suspense>
            )}
          </>
        )}
      </ReasonRows>
      <Suspense>
        <Chances />
      </Suspense>
      <p className="mt-3 border-t border-ink pt-2 text-[13px] leading-snug">
        <ReasonButton
          text={verdict.policy}
          onGo={() => {
            goToMember("policy.loadReserve");
          }}
        />
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
function Text({ reason, close }: { reason: Reason; close: () => void }) {
  const station = reason.path === undefined ? undefined : stationOf(reason.path);
  if (reason.linkId === undefined && !station) return <span>{reason.text}</span>;
  return (
    <ReasonButton
      text={reason.text}
      onGo={() => {
        close();
        if (reason.linkId !== undefined)
          useView.getState().set({ link: reason.linkId, working: `link.${reason.linkId}` });
        if (reason.path !== undefined && station) goToMember(reason.path);
      }}
    />
  );
}
