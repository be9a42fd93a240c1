import { Tab, TabGroup, TabList, TabPanel, TabPanels } from "@headlessui/react";
import { Suspense } from "react";
import { drawingAt, drawings } from "../../drawing/registry";
import { useFeed, useOld } from "../../state/feed";
import { useView } from "../../state/view";
import { ErrorBoundary } from "../../ui/ErrorBoundary";

/** The drawings, one at a time. */
export function DrawingPane() {
  const shown = drawingAt(useView((s) => s.drawing));
  const old = useOld();
  return (
    <TabGroup
      className="flex min-h-0 flex-1 flex-col"
      selectedIndex={shown}
      onChange={(index) => {
        const next = drawings[index];
        if (next) useView.getState().set({ drawing: next.key });
      }}
    >
      <TabList className="flex h-9 shrink-0 items-end gap-5 px-4" aria-label="Drawings">
        {drawings.map((d) => (
          <Tab
            key={d.key}
            className="border-b-2 border-transparent pb-0.5 font-tight text-[15px] font-medium text-pencil hover:text-ink data-selected:border-ink data-selected:text-ink"
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
      <TabPanels className={`min-h-0 flex-1 ${old ? "old-figures" : ""}`}>
        {drawings.map((d) => (
          <TabPanel key={d.key} className="h-full outline-none" tabIndex={-1}>
            <ErrorBoundary what="This drawing">
              <Suspense>
                <Drawn index={drawings.indexOf(d)} />
              </Suspense>
            </ErrorBoundary>
          </TabPanel>
        ))}
      </TabPanels>
    </TabGroup>
  );
}

function Drawn({ index }: { index: number }) {
  const analysis = useFeed((s) => s.analysis);
  const plan = useFeed((s) => s.of);
  const Drawing = drawings[index]?.Component;
  return analysis && plan && Drawing ? <Drawing plan={plan} analysis={analysis} /> : null;
}
