import { Tab, TabGroup, TabList, TabPanel, TabPanels } from "@headlessui/react";
import { Suspense } from "react";
import { Link } from "react-router";
import { Magnifier } from "../../drawing/Magnifier";
import { Plate } from "../../drawing/Plate";
import { drawingAt, drawings } from "../../drawing/registry";
import { useFeed, useOld } from "../../state/feed";
import { useClearsAlone, useSheet } from "../../state/store";
import { useView } from "../../state/view";
import { ErrorBoundary } from "../../ui/ErrorBoundary";
import { useWide } from "../../ui/useWide";

/** The drawings, one at a time; where nothing is pulled, the way to the drawing of the clearing. */
export function DrawingPane() {
  return useClearsAlone() ? <NothingPulled /> : <Drawings />;
}

function NothingPulled() {
  const id = useSheet((s) => s.jobId);
  return (
    <div className="m-auto max-w-[420px] p-6 text-[15px] leading-snug" data-nothing-pulled>
      <p>Nothing is pulled in this job. What is moved, and over what, is drawn on the page of the clearing.</p>
      <Link
        to={`/jobs/${id ?? ""}/clear`}
        className="mt-3 inline-flex min-h-11 items-center border border-ink bg-ink px-5 font-tight font-medium text-sheet"
      >
        To the clearing
      </Link>
    </div>
  );
}

function Drawings() {
  const shown = drawingAt(useView((s) => s.drawing));
  const old = useOld();
  const wide = useWide();
  return (
    <TabGroup
      className="flex min-h-0 flex-1 flex-col"
      selectedIndex={shown}
      onChange={(index) => {
        const next = drawings[index];
        if (next) useView.getState().set({ drawing: next.key });
      }}
    >
      <TabList
        className="flex h-9 shrink-0 items-end gap-5 px-4 max-lg:gap-4 max-lg:px-3 coarse:h-11"
        aria-label="Drawings"
      >
        {drawings.map((d) => (
          <Tab
            key={d.key}
            className="border-b-2 border-transparent pb-0.5 coarse:min-h-11 coarse:min-w-11 font-tight text-[15px] font-medium text-pencil hover:text-ink data-selected:border-ink data-selected:text-ink"
          >
            {d.name}
          </Tab>
        ))}
        {old && (
          <p className="flex-1 text-right font-tight text-sm font-semibold" data-old>
            last good figures
          </p>
        )}
      </TabList>
      <TabPanels className={`relative min-h-0 flex-1 ${old ? "old-figures" : ""}`}>
        {wide && <WorkPlate corner />}
        {drawings.map((d) => (
          <TabPanel key={d.key} className="h-full outline-none" tabIndex={-1}>
            <ErrorBoundary what="This drawing">
              <Suspense>
                <Magnifier>
                  <Drawn index={drawings.indexOf(d)} />
                </Magnifier>
              </Suspense>
            </ErrorBoundary>
          </TabPanel>
        ))}
      </TabPanels>
    </TabGroup>
  );
}

/** The figures to work by: in the corner of the elevation, or under the drawing where there is no room. */
export function WorkPlate({ corner = false }: { corner?: boolean }) {
  const plate = useFeed((s) => s.analysis?.plate);
  const empty = useFeed((s) => s.analysis?.pretension.empty ?? false);
  const elevation = useView((s) => s.drawing === "elevation");
  const old = useOld();
  const alone = useClearsAlone();
  if (!plate || alone || (corner && !elevation)) return null;
  return (
    <section
      aria-label="Figures to work by"
      className={`${corner ? "absolute right-3 top-2 z-[5] w-[330px]" : "py-2"} ${old ? "old-figures" : ""}`}
    >
      <Plate plate={plate} windowEmpty={empty} />
    </section>
  );
}

function Drawn({ index }: { index: number }) {
  const analysis = useFeed((s) => s.analysis);
  const plan = useFeed((s) => s.of);
  const Drawing = drawings[index]?.Component;
  return analysis && plan && Drawing ? <Drawing plan={plan} analysis={analysis} /> : null;
}
