import { lazy, Suspense } from "react";
import type { Link } from "../../api/types";
import { Segments } from "../../ui/controls";
import { useFeed, useOld } from "../../state/feed";
import { useClearsAlone } from "../../state/store";
import { useView } from "../../state/view";
import { LinkCell } from "./LinkCell";

const MeasureBetter = lazy(() => import("./Chances").then((m) => ({ default: m.MeasureBetter })));

/** One link after another from the hands to the stump: what it carries against what it may. */
export function LoadPathPane() {
  const links = useFeed((s) => s.analysis?.links);
  const lines = useFeed((s) => s.analysis?.pull.lines);
  const weakest = useFeed((s) => s.analysis?.verdict.weakestLinkId);
  const alone = useClearsAlone();
  return links && lines && !alone ? (
    <LoadPath links={links} lineIds={lines.map((l) => l.id)} weakestId={weakest} />
  ) : null;
}

/** Lights a link up and opens its workings; a second time puts it out. */
function pick(id: string): void {
  const { link, set } = useView.getState();
  set({ link: link === id ? null : id, working: link === id ? null : `link.${id}` });
}

interface LoadPathProps {
  links: Link[];
  lineIds: string[];
  weakestId: string | undefined;
}

function LoadPath({ links: all, lineIds, weakestId }: LoadPathProps) {
  const line = useView((s) => s.line);
  const lit = useView((s) => s.link);
  const set = useView((s) => s.set);
  const old = useOld();
  const shown = lineIds[Math.min(line, lineIds.length - 1)];
  const links = all.filter((l) => l.lineId == null || l.lineId === shown);
  const weakest = all.find((l) => l.id === weakestId);
  return (
    <section
      aria-label="Load path"
      className={`border-t border-ink bg-sheet px-4 pb-1.5 pt-1 ${old ? "old-figures" : ""}`}
    >
      <div className="mb-1 flex min-h-6 items-center gap-4 max-md:flex-wrap max-md:gap-x-3 max-md:gap-y-0">
        <h2 className="font-tight text-sm font-semibold">Load path, hands to stump</h2>
        {lineIds.length > 1 && (
          <Segments
            label="Line of the load path"
            value={shown ?? ""}
            onChange={(id) => {
              set({ line: lineIds.indexOf(id), link: null });
            }}
            choices={lineIds.map((id) => ({ value: id, text: id }))}
          />
        )}
        {weakest && (
          <p className="min-w-0 flex-1 truncate font-tight text-sm text-pencil max-md:hidden">
            weakest:{" "}
            <span className="font-semibold text-ink">
              {weakest.name}
              {lineIds.length > 1 && weakest.lineId != null ? ` on the ${weakest.lineId} line` : ""}
            </span>
          </p>
        )}
        <Suspense>
          <MeasureBetter />
        </Suspense>
        <p className="font-tight text-sm text-pencil max-md:hidden">
          hardest heave thin, planned pull thick to its careful end · mark at what each may carry
        </p>
      </div>
      <ol className="flex overflow-x-auto border border-ink">
        {links.map((link) => (
          <LinkCell
            key={link.id}
            link={link}
            weakest={link.id === weakest?.id}
            narrow={links.length > 12}
            lit={link.id === lit}
            onPick={pick}
          />
        ))}
      </ol>
    </section>
  );
}
