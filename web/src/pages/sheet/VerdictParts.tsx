import { memo, type ReactNode } from "react";
import type { Analysis } from "../../api/types";
import { takeBack } from "../../state/store";
import { momentOf, stateHatch, stateWords } from "../../state/words";
import { onDemand, useOnDemand } from "../../ui/onDemand";
import { Accept, AcceptSeveral } from "./Accept";

type Verdict = Analysis["verdict"];
export type Reason = Verdict["reasons"][number];

/** The sentence of a verdict, with the button that opens the reasons. */
export function VerdictSentence({
  state,
  headline,
  old = false,
  children,
}: {
  state: Verdict["state"];
  headline: string;
  /** The figures behind it are old: the server does not answer. */
  old?: boolean;
  children: ReactNode;
}) {
  return (
    <div
      data-verdict={state}
      className="relative flex min-w-0 flex-1 flex-wrap items-center gap-x-4 gap-y-0.5 max-md:flex-nowrap max-md:gap-x-3"
    >
      <span aria-hidden className={`${stateHatch[state]} h-7 w-4 shrink-0 border border-ink`} />
      <p className="min-w-0 text-[17px] leading-tight max-lg:text-[15px] max-md:flex-1" data-summary>
        <strong className="font-semibold">{stateWords[state]}.</strong> {headline}{" "}
        {old && <span className="font-semibold">Draklo does not answer; these figures are old. </span>}
      </p>
      {children}
    </div>
  );
}

/** What stands in a verdict's place while a member is refused. */
export function ToMend({ problem, lastGood, onGo }: { problem: string; lastGood: boolean; onGo?: () => void }) {
  const said = (
    <>
      <strong className="font-semibold">To mend.</strong> {problem}{" "}
      <span className="text-pencil">{lastGood ? "The figures shown are the last good ones." : ""}</span>
    </>
  );
  const look = "text-left text-[17px] leading-tight max-lg:text-[15px]";
  return (
    <div data-verdict="mend" className="flex min-w-0 flex-1 items-center gap-3">
      <span aria-hidden className="state-fails h-7 w-4 shrink-0 border border-ink" />
      {onGo ? (
        <button type="button" className={`${look} hover:underline`} title={problem} onClick={onGo}>
          {said}
        </button>
      ) : (
        <p className={look} title={problem}>
          {said}
        </p>
      )}
    </div>
  );
}

/** What stands in a verdict's place until there is one. */
export function NoVerdict({ unreachable }: { unreachable: boolean }) {
  return (
    <p className="text-pencil">
      {unreachable
        ? "Draklo does not answer. Is it still running? What you changed is kept in this browser."
        : "Working it out."}
    </p>
  );
}

const popovers = onDemand(() => import("../../ui/opened/UnderButton"));
type Popovers = NonNullable<ReturnType<typeof popovers.parts>>;

/** The button and what opens under it; apart from the sentence, which changes at every step of a drag. */
export const ReasonsButton = memo(function ReasonsButton({
  count,
  accepted,
  children,
}: {
  count: number;
  accepted: number;
  /** What opens; given how to close it. */
  children: (close: () => void) => ReactNode;
}) {
  const { parts, plain, before, near, open } = useOnDemand<Popovers, HTMLButtonElement>(popovers);
  const text = (
    <>
      <span className="max-md:sr-only">
        {count <= 1 ? "Why, and the cautions" : `All ${count} reasons and the cautions`}
      </span>
      <span aria-hidden className="inline-block px-1 py-3 md:hidden">
        Why
      </span>
      {accepted > 0 && <span className="font-semibold max-md:block md:ml-2">{accepted} accepted by name</span>}
    </>
  );
  const look =
    "max-w-[112px] shrink-0 text-left font-tight text-sm leading-tight underline decoration-1 underline-offset-2 md:max-w-none";
  if (parts)
    return (
      <parts.UnderButton text={text} className={look} before={before}>
        {children}
      </parts.UnderButton>
    );
  return (
    <button
      ref={plain}
      type="button"
      aria-expanded={false}
      className={look}
      onPointerEnter={near}
      onFocus={near}
      onClick={open}
    >
      {text}
    </button>
  );
});

/** The reasons in full, and those that somebody has taken on. */
export function ReasonRows({
  reasons,
  accepted,
  children,
}: {
  reasons: readonly Reason[];
  accepted: Verdict["accepted"];
  /** How a reason's text is shown: what it leads to is the page's own. */
  children: (reason: Reason) => ReactNode;
}) {
  const acceptable = reasons.filter((r) => r.acceptable && r.state === "check");
  return (
    <>
      <ul className="space-y-2">
        {reasons.map((reason) => (
          <li key={`${reason.code} ${reason.text}`} data-code={reason.code} className="flex gap-2 text-sm leading-snug">
            <span aria-hidden className={`${stateHatch[reason.state]} mt-0.5 h-4 w-4 shrink-0 border border-ink`} />
            <span className="sr-only">{reason.state}: </span>
            <div className="min-w-0 flex-1">
              {children(reason)}
              {reason.acceptable && <Accept reason={reason} />}
            </div>
          </li>
        ))}
      </ul>
      {acceptable.length > 1 && <AcceptSeveral reasons={acceptable} />}
      {accepted.length > 0 && (
        <>
          <h3 className="mt-3 border-t border-ink pt-2 font-tight text-sm font-semibold">Accepted by name</h3>
          <ul className="space-y-2" aria-label="Accepted checks">
            {accepted.map((a) => (
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
    </>
  );
}

/** A reason as a button that leads somewhere. */
export function ReasonButton({ text, onGo }: { text: string; onGo: () => void }) {
  return (
    <button type="button" className="text-left hover:underline" onClick={onGo}>
      {text}
    </button>
  );
}
