import { lazy, memo, Suspense } from "react";
import type { Link } from "../../api/types";
import { Segments } from "../../ui/controls";
import { useSettings } from "../../ui/settings";
import { figure, written } from "../../units/units";
import { useFeed, useOld } from "../../state/feed";
import { useView } from "../../state/view";

const MeasureBetter = lazy(() => import("./Chances").then((m) => ({ default: m.MeasureBetter })));

/** One link after another from the hands to the stump: what it carries against what it may. */
export function LoadPathPane() {
  const links = useFeed((s) => s.analysis?.links);
  const lines = useFeed((s) => s.analysis?.pull.lines);
  const weakest = useFeed((s) => s.analysis?.verdict.weakestLinkId);
  return links && lines ? <LoadPath links={links} lineIds={lines.map((l) => l.id)} weakestId={weakest} /> : null;
}

interface LoadPathProps {
  links: Link[];
  lineIds: string[];
  weakestId: string | undefined;
}

function LoadPath({ links: all, lineIds, weakestId }: LoadPathProps) {
  const line = useView((s) => s.line);
  const set = useView((s) => s.set);
  const old = useOld();
  const shown = lineIds[Math.min(line, lineIds.length - 1)];
  const links = all.filter((l) => l.lineId == null || l.lineId === shown);
  const weakest = all.find((l) => l.id === weakestId);
  return (
    <section
      aria-label="Load path"
      className={`border-t border-ink bg-sheet px-4 pb-3 pt-2 ${old ? "old-figures" : ""}`}
    >
      <div className="mb-1.5 flex min-h-8 items-center gap-4 max-md:flex-wrap max-md:gap-x-3 max-md:gap-y-0">
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
          load of what it may carry, to the careful end · mark at 1
        </p>
      </div>
      <ol className="flex overflow-x-auto border border-ink">
        {links.map((link) => (
          <LinkCell key={link.id} link={link} weakest={link.id === weakest?.id} narrow={links.length > 12} />
        ))}
      </ol>
    </section>
  );
}

interface LinkCellProps {
  link: Link;
  weakest: boolean;
  narrow: boolean;
}

/** The longest bar, as a use. */
const scaleTo = 1.4;

const LinkCell = memo(function LinkCell({ link, weakest, narrow }: LinkCellProps) {
  const units = useSettings((s) => s.units);
  const lit = useView((s) => s.link === link.id);
  const set = useView((s) => s.set);
  const { quantity } = link;
  const word = { holds: "holds", tight: "tight", fails: "FAILS" }[link.state];
  const at = (use: number) => `${(Math.min(use, scaleTo) / scaleTo) * 100}%`;
  const careful = link.carefulUse > link.use * 1.005;
  return (
    <li className={`${narrow ? "min-w-[87px]" : "min-w-[104px]"} flex-1 border-r border-ink last:border-r-0`}>
      <button
        type="button"
        data-link={link.id}
        data-state={link.state}
        aria-pressed={lit}
        onClick={() => {
          set({ link: lit ? null : link.id, working: lit ? null : `link.${link.id}` });
        }}
        className={`flex h-full w-full flex-col justify-start px-2 py-1.5 text-left hover:bg-tint ${lit ? "bg-tint outline-2 -outline-offset-2 outline-ink" : ""}`}
      >
        <span
          className={`block min-h-[2.5em] font-tight text-[13px] leading-tight ${weakest ? "font-semibold underline" : "font-medium"}`}
        >
          {link.name}
        </span>
        <span data-value className="block whitespace-nowrap font-tight text-[15px] font-semibold">
          {written(link.loadN, quantity, units)}
          <span className="block text-xs font-normal text-pencil">
            {link.farMore ? "holds far more" : `of ${written(link.strengthN / link.factor, quantity, units)}`}
          </span>
        </span>
        <span className="relative my-1 block h-2.5 border border-ink bg-sheet">
          <span
            className={`absolute inset-y-0 left-0 block state-${link.state} ${link.use > 0 ? "border-r border-ink" : ""}`}
            style={{ width: at(link.use) }}
          />
          {careful && (
            <span
              data-careful
              title="How far it may go at the careful end of what is known"
              className="absolute top-1/2 block h-px border-t-2 border-ink"
              style={{ left: at(link.use), width: `calc(${at(link.carefulUse)} - ${at(link.use)})` }}
            />
          )}
          <span className="absolute -inset-y-1 block w-0.5 bg-ink" style={{ left: at(1) }} />
        </span>
        <span className={`block font-tight text-[13px] ${link.state === "holds" ? "text-pencil" : "font-semibold"}`}>
          <span className={narrow ? "block" : undefined}>
            {link.use < 10 ? link.use.toFixed(2) : figure(link.use, "ratio", units)}
            {careful && link.carefulUse < 10 && (
              <span className={link.carefulUse > 1 ? "font-semibold text-ink" : "font-normal text-pencil"}>
                –{link.carefulUse.toFixed(2)}
              </span>
            )}
          </span>{" "}
          {word}
          {link.estimate && !careful && (
            <span className="font-normal text-pencil" title="Its strength is an estimate">
              {" "}
              ~
            </span>
          )}
        </span>
      </button>
    </li>
  );
});
