import type { ClearingAnalysis, WayResult } from "../../api/types";
import type { SectionPanel } from "../../drawing/section";
import { useClearing } from "../../state/feed";
import type { MemberPath } from "../../state/memberPath";
import { setMember, startMember, useSheet } from "../../state/store";
import { stateHatch, stateWords } from "../../state/words";
import { useSettings } from "../../ui/settings";
import { useWide } from "../../ui/useWide";
import { written } from "../../units/units";
import { span } from "./words";

const panelNames: [SectionPanel, string][] = [
  ["pieces", "Pieces"],
  ["ground", "Ground"],
  ["gear", "Gear"],
  ["people", "People"],
];

/** What is put in for all ways: each shows its fields beside the drawing, or under it where there is no room. */
export function PanelNav({ panel, goPanel }: { panel: SectionPanel; goPanel: (panel: SectionPanel) => void }) {
  const wide = useWide();
  // Under the drawing the ways are one panel more; beside it they are always there.
  const names: [SectionPanel, string][] = [...(wide ? [] : [["way", "Ways"] as [SectionPanel, string]]), ...panelNames];
  return (
    <nav aria-label="What is put in" className="flex shrink-0 flex-wrap gap-x-3 border-b border-rule px-3 py-1">
      {names.map(([key, name]) => (
        <button
          key={key}
          type="button"
          aria-pressed={panel === key}
          className={`min-h-8 font-tight text-sm coarse:min-h-11 ${panel === key ? "font-semibold" : ""} underline underline-offset-4`}
          onClick={() => {
            goPanel(key);
          }}
        >
          {name}
        </button>
      ))}
    </nav>
  );
}

/** The ways side by side: most force, people, time, state; the chosen one is planned. */
export function WaysPane({ panel, goPanel }: { panel: SectionPanel; goPanel: (panel: SectionPanel) => void }) {
  const analysis = useClearing((s) => s.analysis);
  const chosen = useSheet((s) => s.document?.plan.clearing?.way);
  const wide = useWide();
  if (!analysis) return <aside className="w-[218px] shrink-0 border-r border-ink max-lg:w-full" aria-label="Ways" />;
  return (
    <aside
      tabIndex={0} // eslint-disable-line jsx-a11y/no-noninteractive-tabindex -- arrow keys scroll it
      aria-label="Ways"
      className="flex w-[218px] shrink-0 flex-col overflow-y-auto border-r border-ink pb-2 max-lg:w-full max-lg:border-r-0 max-lg:border-t"
    >
      {wide && <PanelNav panel={panel} goPanel={goPanel} />}
      <Group analysis={analysis} group="ground" title="Over the ground" chosen={chosen} goPanel={goPanel} />
      <BreakEvens analysis={analysis} chosen={chosen} />
      <Group analysis={analysis} group="stem" title="Down from a stem" chosen={chosen} goPanel={goPanel} />
    </aside>
  );
}

function Group({
  analysis,
  group,
  title,
  chosen,
  goPanel,
}: {
  analysis: ClearingAnalysis;
  group: string;
  title: string;
  chosen: string | undefined;
  goPanel: (panel: SectionPanel) => void;
}) {
  return (
    <section>
      <h2 className="px-3 pb-0.5 pt-2 font-tight text-sm font-semibold">{title}</h2>
      {analysis.ways
        .filter((w) => w.group === group)
        .map((w) => (
          <button
            key={w.way}
            type="button"
            data-way={w.way}
            aria-pressed={w.way === chosen}
            className={`block w-full px-3 py-1.5 text-left ${w.way === chosen ? "bg-ink text-sheet" : "hover:bg-tint"}`}
            onClick={() => {
              setUp(w);
              goPanel("way");
            }}
          >
            <span className="flex items-center gap-2 font-tight text-[15px] font-medium leading-tight">
              {w.setUp && (
                <span
                  aria-hidden
                  className={`${stateHatch[w.state]} h-3 w-2 shrink-0 border ${w.way === chosen ? "border-sheet" : "border-ink"}`}
                />
              )}
              <span className="min-w-0 flex-1">{w.name}</span>
              {!w.setUp && <span className="text-[13px] font-normal opacity-75">not set up</span>}
              {w.setUp && <span className="sr-only">, {stateWords[w.state]}</span>}
            </span>
            <Summary way={w} />
          </button>
        ))}
    </section>
  );
}

function Summary({ way }: { way: WayResult }) {
  const units = useSettings((s) => s.units);
  if (!way.setUp) return null;
  return (
    <span className="block text-[13px] leading-snug opacity-85">
      {way.mostForceN === undefined ? "no force" : written(way.mostForceN, "force", units)} · {way.people} people ·{" "}
      {span(way.minutes.low)} to {span(way.minutes.high)}
    </span>
  );
}

/** Takes a way, and begins what it needs and nobody has given. */
function setUp(way: WayResult): void {
  setMember("clearing.way", way.way);
  for (const { path, value } of way.begins) startMember(path as MemberPath, value);
}

function BreakEvens({ analysis, chosen }: { analysis: ClearingAnalysis; chosen: string | undefined }) {
  // One that lies far beyond what there is to move helps nobody.
  const count = analysis.pieces.reduce((n, p) => n + p.count, 0);
  const near = analysis.breakEvens.filter((b) => b.loads <= Math.max(60, 3 * count) && b.over !== "carry");
  const found = near.filter((b) => b.way === chosen || b.over === chosen);
  const shown = found.length > 0 ? found : near;
  if (shown.length === 0) return null;
  return (
    <div className="mx-3 mt-1 border-l-2 border-rule pl-2 text-[13px] leading-snug text-pencil" data-break-even>
      {shown.slice(0, 1).map((b) => (
        <p key={`${b.way}-${b.over}`} className="mb-1">
          {b.text}
        </p>
      ))}
    </div>
  );
}
