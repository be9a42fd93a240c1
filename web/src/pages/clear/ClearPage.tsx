import { useEffect } from "react";
import { useSearchParams } from "react-router";
import type { Catalogue } from "../../api/types";
import { ClearAbove } from "../../drawing/ClearAbove";
import { ClearSection } from "../../drawing/ClearSection";
import { Magnifier } from "../../drawing/Magnifier";
import type { SectionPanel } from "../../drawing/section";
import { useSaving } from "../../state/autosave";
import { followClearing, forgetClearing, useClearing } from "../../state/feed";
import { useStarts } from "../../state/starts";
import { startMember, useSheet } from "../../state/store";
import { openView } from "../../state/view";
import { viewOf } from "../../state/address";
import { JobPlaces } from "../../ui/JobPlaces";
import { Button } from "../../ui/controls";
import { ErrorBoundary } from "../../ui/ErrorBoundary";
import { useSettings } from "../../ui/settings";
import { useWide } from "../../ui/useWide";
import { SettleDialog } from "../sheet/SettleDialog";
import { OpenedJob } from "../sheet/OpenedJob";
import { SettlingNote, UnsavedNote } from "../sheet/UnsavedNote";
import { ClearHeader } from "./ClearHeader";
import { ClearPath } from "./ClearPath";
import { SideFields } from "./SideFields";
import { PanelNav, WaysPane } from "./WaysPane";

/** Clearing: the pieces, the ground between, the ways side by side, and the chosen one checked link by link. */
export function ClearPage() {
  return (
    <OpenedJob what="clearing" onOpen={onOpen} onClose={forgetClearing}>
      {(catalogue) => <Clearing catalogue={catalogue} />}
    </OpenedJob>
  );
}

function onOpen(): void {
  openView(viewOf(""));
}

const panels: SectionPanel[] = ["way", "pieces", "ground", "gear", "people"];

function Clearing({ catalogue }: { catalogue: Catalogue }) {
  const name = useSheet((s) => s.document?.name);
  const begun = useSheet((s) => s.document?.plan.clearing !== undefined);
  const units = useSettings((s) => s.units);
  const [search, setSearch] = useSearchParams();
  const panel = panels.find((p) => p === search.get("panel")) ?? "way";
  const above = search.get("view") === "above";
  const go = (part: { panel?: SectionPanel; view?: string }) => {
    setSearch(
      (now) => {
        const next = new URLSearchParams(now);
        for (const [key, value] of Object.entries(part)) next.set(key, value);
        return next;
      },
      { replace: true },
    );
  };
  useEffect(() => (begun ? followClearing(units, false) : undefined), [begun, units]);
  useEffect(() => {
    document.title = name === undefined ? "Clearing · Draklo" : `Clearing, ${name} · Draklo`;
  }, [name]);
  const wide = useWide();
  const saving = useSaving((s) => s.state);
  if (!begun) return <Begin />;
  const goPanel = (to: SectionPanel) => {
    go({ panel: to });
  };
  const drawing = (
    <main className="flex min-w-0 flex-1 flex-col bg-sheet max-lg:h-[52dvh] max-lg:min-h-[280px] max-lg:flex-none">
      <h1 className="sr-only">Clearing, {name}</h1>
      <Drawing above={above} panel={panel} go={go} />
    </main>
  );
  return (
    <div className="flex h-full flex-col max-lg:h-auto">
      <ClearHeader goPanel={goPanel} />
      <UnsavedNote />
      <SettlingNote />
      {wide ? (
        <>
          <div className="flex min-h-0 flex-1">
            <WaysPane panel={panel} goPanel={goPanel} />
            {drawing}
            <SideFields panel={panel} catalogue={catalogue} />
          </div>
          <ClearPath />
        </>
      ) : (
        <>
          {drawing}
          <PanelNav panel={panel} goPanel={goPanel} />
          {panel === "way" && <WaysPane panel={panel} goPanel={goPanel} />}
          <SideFields panel={panel} catalogue={catalogue} />
          <ClearPath />
        </>
      )}
      {saving.kind === "conflict" && (
        <SettleDialog key={saving.theirs.revision} theirs={saving.theirs} clashes={saving.clashes} />
      )}
    </div>
  );
}

/** A job whose clearing nobody has planned yet. */
function Begin() {
  const id = useSheet((s) => s.jobId);
  const starts = useStarts();
  return (
    <main className="mx-auto max-w-xl p-8 max-sm:p-4">
      <JobPlaces jobId={id ?? ""} here="clear" className="mb-5" />
      <h1 className="font-tight text-xl font-semibold">Clearing</h1>
      <p className="mt-2">
        The tree is down, or must come down in pieces. Say what is to be moved, where it lies and where it goes, and
        what the ground is like between; then see the ways side by side, choose one, and check it link by link like a
        pull.
      </p>
      <p className="mt-2">
        It begins with this plan&apos;s own tree, cut into logs on level ground: correct it as you go.
      </p>
      <Button
        strong
        className="mt-4"
        onClick={() => {
          startMember("clearing", starts.clearing.whole);
        }}
      >
        Begin the clearing
      </Button>
    </main>
  );
}

function Drawing({ above, panel, go }: { above: boolean; panel: SectionPanel; go: (part: { view?: string }) => void }) {
  const clearing = useSheet((s) => s.document?.plan.clearing);
  const analysis = useClearing((s) => s.analysis);
  const problem = useClearing((s) => Object.keys(s.problems).length > 0);
  const way = analysis?.ways.find((w) => w.way === clearing?.way);
  const tab = (key: string, text: string, on: boolean) => (
    <button
      type="button"
      role="tab"
      aria-selected={on}
      className={`min-h-8 px-2 font-tight text-sm coarse:min-h-11 ${on ? "font-semibold underline underline-offset-4" : "text-pencil hover:text-ink"}`}
      onClick={() => {
        go({ view: key });
      }}
    >
      {text}
    </button>
  );
  return (
    <>
      <div role="tablist" aria-label="Drawing" className="flex gap-2 px-3 pt-1.5">
        {tab("section", "Section", !above)}
        {tab("above", "From above", above)}
      </div>
      <div className={`min-h-0 flex-1 ${problem ? "old-figures" : ""}`}>
        {clearing && analysis && way ? (
          <ErrorBoundary what="The drawing">
            <Magnifier key={above ? "above" : "section"}>
              {above ? (
                <ClearAbove clearing={clearing} analysis={analysis} way={way} />
              ) : (
                <ClearSection clearing={clearing} analysis={analysis} way={way} panel={panel} />
              )}
            </Magnifier>
          </ErrorBoundary>
        ) : (
          <p className="p-4 text-pencil">Working it out.</p>
        )}
      </div>
    </>
  );
}
