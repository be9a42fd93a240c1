import { Suspense, useRef } from "react";
import type { Catalogue } from "../../api/types";
import { OwnFigures } from "../../stations/OwnFigures";
import { useShownStation, stationOf } from "../../stations/registry";
import { useFeed } from "../../state/feed";
import { useView } from "../../state/view";
import { ErrorBoundary } from "../../ui/ErrorBoundary";
import { TermLink } from "./GlossaryDialog";
import { useLedTo } from "./useLedTo";
import { WorkingsPanel } from "./WorkingsPanel";

/** Beside the drawing: the station, or the workings while they are open. */
export function SidePanel({ catalogue }: { catalogue: Catalogue }) {
  const station = useShownStation();
  const hasAnalysis = useFeed((s) => s.analysis !== null);
  const workings = useView((s) => s.working !== null) && hasAnalysis;
  const panel = useRef<HTMLElement>(null);
  useLedTo(panel);
  return (
    <aside
      ref={panel}
      data-onward
      tabIndex={0} // eslint-disable-line jsx-a11y/no-noninteractive-tabindex -- arrow keys scroll it
      aria-label={workings ? "Workings" : station.name}
      className="relative w-[306px] shrink-0 overflow-y-auto border-l border-rule px-4 pb-4 pt-3 max-lg:w-full max-lg:overflow-visible max-lg:border-l-0 max-lg:border-t max-lg:border-ink"
    >
      <ErrorBoundary key={workings ? "workings" : station.key} what={workings ? "The workings" : "This station"}>
        {workings ? (
          <WorkingsPanel />
        ) : (
          <>
            <h2 className="font-tight text-lg font-semibold">{station.name}</h2>
            <Suspense fallback={<p className="text-pencil">Opening.</p>}>
              <station.Component catalogue={catalogue} />
            </Suspense>
            <OwnFigures of={(path) => stationOf(path) === station} />
            <Words ids={station.terms} glossary={catalogue.glossary} />
          </>
        )}
      </ErrorBoundary>
    </aside>
  );
}

/** The terms that a station uses; each opens its entry of the glossary. */
function Words({ ids, glossary }: { ids: string[]; glossary: Catalogue["glossary"] }) {
  if (ids.length === 0) return null;
  return (
    <p className="mt-5 border-t border-rule pt-2 text-[13px] leading-relaxed text-pencil">
      Words used here:{" "}
      {ids.map((id, i) => (
        <span key={id}>
          {i > 0 && ", "}
          <TermLink id={id}>{(glossary.find((e) => e.id === id)?.term ?? id).toLowerCase()}</TermLink>
        </span>
      ))}
    </p>
  );
}
