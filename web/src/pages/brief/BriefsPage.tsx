import { useQueries } from "@tanstack/react-query";
import { useEffect } from "react";
import { useSearchParams } from "react-router";
import { api, sayWhy } from "../../api/client";
import { Button } from "../../ui/controls";
import { useSettings } from "../../ui/settings";
import { TopBar } from "../../ui/TopBar";
import { PageSheet } from "./PageSheet";
import { standingOf } from "./standing";

/** The briefs of several jobs, one under the other, to be printed in one go. */
export function BriefsPage() {
  const [asked] = useSearchParams();
  const ids = asked.getAll("id");
  const units = useSettings((s) => s.units);
  const briefs = useQueries({
    queries: ids.map((id) => ({
      queryKey: ["brief", id, units],
      queryFn: () => api.brief(id, units),
      retry: false,
    })),
  });
  useEffect(() => {
    document.title = "Briefs · Draklo";
  }, []);
  const ready = briefs.every((b) => !b.isPending);
  return (
    <div className="min-h-full">
      <TopBar>
        <Button
          strong
          disabled={!ready}
          onClick={() => {
            window.print();
          }}
        >
          Print
        </Button>
      </TopBar>
      <main className="mx-auto max-w-[832px] px-4 py-4 print:max-w-none print:p-0">
        <h1 className="no-print font-tight text-2xl font-semibold">
          {ids.length === 1 ? "One brief" : `${ids.length} briefs`}
        </h1>
        {!ready && <p className="no-print text-pencil">Opening the briefs.</p>}
        {briefs.map((brief, i) => (
          <section key={ids[i]} className="mt-4 print:mt-0 print:break-after-page print:last:break-after-auto">
            {brief.error && (
              <p role="alert" className="border-l-4 border-ink bg-sheet px-3 py-2">
                {sayWhy(brief.error)}
              </p>
            )}
            {brief.data && (
              <div className="on-paper border border-rule p-5 max-md:border-0 max-md:p-0 print:border-0 print:p-0">
                <PageSheet
                  page={brief.data.page}
                  jobId={ids[i] ?? ""}
                  standing={standingOf(brief.data)}
                  issued={brief.data.state === "issued"}
                />
              </div>
            )}
          </section>
        ))}
      </main>
    </div>
  );
}
