import { useQuery } from "@tanstack/react-query";
import { lazy, memo, Suspense, useEffect } from "react";
import { Link as RouterLink, useParams } from "react-router";
import { api, Refusal } from "../api/client";
import type { Catalogue } from "../api/types";
import { Elevation } from "../drawing/Elevation";
import { Stump } from "../drawing/Stump";
import { LineStation } from "../stations/LineStation";
import { Button, Segments } from "../ui/controls";
import { useSettings } from "../ui/settings";
import { closeJob, openJob, useSaving } from "./autosave";
import { ConflictDialog } from "./ConflictDialog";
import { follow, forget, useFeed } from "./feed";
import { JobTitle } from "./JobTitle";
import { LoadPath } from "./LoadPath";
import { ShortcutList, useShortcuts } from "./shortcuts";
import { useSheet } from "./store";
import { VerdictLine } from "./VerdictLine";
import { drawingNames, goTo, stationNames, useView, type DrawingName, type Station } from "./view";
import { WorkingsPanel } from "./WorkingsPanel";

/** One tree, one sheet, always live. */
export function SheetPage() {
  const { id = "" } = useParams();
  const job = useQuery({
    queryKey: ["job", id],
    queryFn: () => api.job(id),
    staleTime: Infinity,
    gcTime: 0,
    retry: false,
  });
  const catalogue = useQuery({ queryKey: ["catalogue"], queryFn: api.catalogue, staleTime: Infinity });
  const opened = useSheet((s) => s.jobId);

  useEffect(() => {
    if (!job.data) return undefined;
    openJob(job.data);
    useView.getState().set({
      station: "line",
      drawing: "elevation",
      line: 0,
      link: null,
      working: null,
      tiltDeg: 0,
      target: null,
      draft: null,
      rose: false,
    });
    return () => {
      closeJob();
      forget();
    };
  }, [job.data]);

  if (job.error) {
    return (
      <main className="p-8">
        <h1 className="font-tight text-xl font-semibold">This sheet cannot be opened</h1>
        <p className="mt-2">
          {job.error instanceof Refusal
            ? job.error.message
            : "Draklo does not answer. Start it again, then reload this page."}
        </p>
        <RouterLink to="/" className="mt-4 inline-block underline">
          Back to the jobs
        </RouterLink>
      </main>
    );
  }
  return opened === id && catalogue.data ? (
    <Sheet catalogue={catalogue.data} />
  ) : (
    <main className="p-8 text-pencil">Opening the sheet.</main>
  );
}

const SitePlan = lazy(() => import("../drawing/SitePlan").then((m) => ({ default: m.SitePlan })));
const StemDrawing = lazy(() => import("../drawing/StemDrawing").then((m) => ({ default: m.StemDrawing })));
const TackleDrawing = lazy(() => import("../drawing/TackleDrawing").then((m) => ({ default: m.TackleDrawing })));
const Lay = lazy(() => import("../stations/Lay").then((m) => ({ default: m.Lay })));
const Cuts = lazy(() => import("../stations/Cuts").then((m) => ({ default: m.Cuts })));
const SizeUp = lazy(() => import("../stations/SizeUp").then((m) => ({ default: m.SizeUp })));
const TackleStation = lazy(() => import("../stations/TackleStation").then((m) => ({ default: m.TackleStation })));
const WalkUp = lazy(() => import("../stations/WalkUp").then((m) => ({ default: m.WalkUp })));

const stations = {
  walk: memo(WalkUp),
  size: memo(SizeUp),
  lay: memo(Lay),
  line: memo(LineStation),
  tackle: memo(TackleStation),
  cuts: memo(Cuts),
};

function Sheet({ catalogue }: { catalogue: Catalogue }) {
  const name = useSheet((s) => s.document?.name);
  const canUndo = useSheet((s) => s.past.length > 0);
  const canRedo = useSheet((s) => s.future.length > 0);
  const { undo, redo } = useSheet.getState();
  const { analysis, of, problems, unreachable } = useFeed();
  const { units, setUnits } = useSettings();
  const saving = useSaving((s) => s.state);
  const { station, drawing, working, set } = useView();
  const wantsWorkings = working !== null;
  useShortcuts();
  useEffect(() => follow(units, wantsWorkings), [units, wantsWorkings]);
  useEffect(() => {
    document.title = name === undefined ? "Draklo" : `${name} · Draklo`;
  }, [name]);

  const Shown = stations[station];
  const sentences = Object.values(problems);
  const old = sentences.length > 0;
  return (
    <div className="flex h-full flex-col">
      <header className="flex min-h-[60px] items-center gap-4 border-b border-ink bg-sheet px-4 py-1.5">
        <RouterLink to="/" className="font-tight text-lg font-semibold tracking-[0.14em]" title="All jobs">
          DRAKLO
        </RouterLink>
        <JobTitle />
        <div role="status" className="min-w-0 flex-1 border-l border-rule pl-4">
          <VerdictLine analysis={analysis} problem={sentences[0] ?? null} unreachable={unreachable} />
        </div>
        <Segments
          label="Units"
          value={units}
          onChange={setUnits}
          choices={[
            { value: "metric", text: "kN · m", name: "kN · m, metric" },
            { value: "us", text: "lbf · ft", name: "lbf · ft, US customary" },
          ]}
        />
        <div className="flex gap-1">
          <Button onClick={undo} disabled={!canUndo} title="Ctrl Z">
            Undo
          </Button>
          <Button onClick={redo} disabled={!canRedo} title="Ctrl Shift Z">
            Redo
          </Button>
          <Button
            onClick={() => {
              set({ help: true });
            }}
            aria-label="List of keys"
            title="?"
          >
            ?
          </Button>
        </div>
      </header>
      <div className="flex min-h-0 flex-1 max-md:flex-col max-md:overflow-auto">
        <nav
          aria-label="Stations"
          className="w-[136px] shrink-0 border-r border-ink py-2 max-md:flex max-md:w-full max-md:border-b max-md:border-r-0 max-md:py-0"
        >
          {(Object.keys(stationNames) as Station[]).map((key, index) => (
            <button
              key={key}
              type="button"
              data-station={stationNames[key]}
              aria-current={station === key ? "step" : undefined}
              onClick={() => {
                goTo(key);
              }}
              className={`flex w-full items-baseline gap-3 px-3 py-2.5 text-left font-tight text-[15px] font-medium leading-tight ${station === key ? "bg-ink text-sheet" : "hover:bg-tint"}`}
            >
              <span className={`max-md:hidden ${station === key ? "" : "text-pencil"}`}>{index + 1}</span>
              <span className="flex-1">{stationNames[key]}</span>
              <OpenMark station={key} />
            </button>
          ))}
          <p className="px-3 pt-3 text-xs leading-snug text-pencil max-md:hidden">
            Numbers: figures there that are still guesses.
          </p>
        </nav>
        <main className="flex min-w-0 flex-1 flex-col bg-sheet max-md:min-h-[420px]">
          <h1 className="sr-only">{name}</h1>
          <div className="flex gap-5 px-4 pt-2" role="tablist" aria-label="Drawings">
            {(Object.keys(drawingNames) as DrawingName[]).map((key) => (
              <button
                key={key}
                type="button"
                role="tab"
                aria-selected={drawing === key}
                onClick={() => {
                  set({ drawing: key });
                }}
                className={`border-b-2 pb-0.5 font-tight text-[15px] font-medium ${drawing === key ? "border-ink" : "border-transparent text-pencil hover:text-ink"}`}
              >
                {drawingNames[key]}
              </button>
            ))}
            {old && (
              <p className="flex-1 text-right font-tight text-sm font-semibold" data-old>
                last good figures
              </p>
            )}
          </div>
          <div className={`min-h-0 flex-1 ${old ? "old-figures" : ""}`}>
            {analysis && of && (
              <Suspense>
                {drawing === "elevation" ? (
                  <Elevation plan={of} analysis={analysis} />
                ) : drawing === "plan" ? (
                  <SitePlan plan={of} analysis={analysis} />
                ) : drawing === "stem" ? (
                  <StemDrawing plan={of} />
                ) : drawing === "tackle" ? (
                  <TackleDrawing plan={of} />
                ) : (
                  <Stump plan={of} analysis={analysis} />
                )}
              </Suspense>
            )}
          </div>
        </main>
        {/* eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex -- it scrolls, so it must take the arrow keys */}
        <aside
          tabIndex={0}
          aria-label={wantsWorkings ? "Workings" : stationNames[station]}
          className="relative w-[306px] shrink-0 overflow-y-auto border-l border-rule px-4 pb-4 pt-3 max-md:w-full max-md:border-l-0"
        >
          {wantsWorkings && analysis ? (
            <WorkingsPanel analysis={analysis} />
          ) : (
            <>
              <h2 className="font-tight text-lg font-semibold">{stationNames[station]}</h2>
              <Suspense fallback={<p className="text-pencil">Opening.</p>}>
                <Shown catalogue={catalogue} />
              </Suspense>
            </>
          )}
        </aside>
      </div>
      {analysis && <LoadPath analysis={analysis} old={old} />}
      {saving.kind === "conflict" && <ConflictDialog theirs={saving.theirs} />}
      <ShortcutList />
    </div>
  );
}

const stationOf = (path: string): Station =>
  /^lines\[\d+\]\.(anchor|redirects|tackle|puller|limiter)/.test(path)
    ? "tackle"
    : path.startsWith("lines")
      ? "line"
      : path.startsWith("cut") || path.startsWith("policy")
        ? "cuts"
        : path.startsWith("site") || path.startsWith("lay")
          ? "lay"
          : "size";

/** How many figures of a station are still guesses. */
function OpenMark({ station }: { station: Station }) {
  const count = useSheet((s) => s.document?.plan.guesses.filter((path) => stationOf(path) === station).length ?? 0);
  return count > 0 ? (
    <span className="font-tight text-xs" aria-label={`${count} still guessed`}>
      {count}
    </span>
  ) : null;
}
