import { useQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { Link, useParams } from "react-router";
import { api, Refusal } from "../../api/client";
import { useSettings } from "../../ui/settings";
import { Button } from "../../ui/controls";
import { lazily } from "../../ui/lazily";
import { JobPlaces } from "../../ui/JobPlaces";
import { UnitChoice } from "../../ui/UnitChoice";
import { PageSheet } from "./PageSheet";
import { standingOf } from "./standing";

const Cards = lazily(() => import("./Cards").then((m) => m.Cards));
const PackingList = lazily(() => import("./PackingList").then((m) => m.PackingList));
const SignPanel = lazily(() => import("./SignPanel").then((m) => m.SignPanel));

/** The brief of a job, for reading on a phone, signing and printing. */
export function BriefPage({ guestOf }: { guestOf?: string }) {
  const params = useParams();
  const id = guestOf ?? params["id"] ?? "";
  const units = useSettings((s) => s.units);
  const who = useSettings((s) => s.who);
  const setWho = useSettings((s) => s.setWho);
  const brief = useQuery({
    queryKey: ["brief", id, units],
    queryFn: () => api.brief(id, units),
    refetchInterval: 10_000,
    retry: false,
  });
  const name = brief.data?.page.name;
  useEffect(() => {
    document.title = name === undefined ? "Brief · Draklo" : `Brief: ${name} · Draklo`;
  }, [name]);
  return (
    <div className="min-h-full">
      {guestOf === undefined && <BriefBar jobId={id} here="brief" />}
      {brief.error && <NoBrief jobId={id} error={brief.error} />}
      {!brief.data && !brief.error && <main className="p-6 text-pencil">Opening the brief.</main>}
      {brief.data && (
        <div className="mx-auto flex max-w-[1200px] flex-wrap items-start gap-x-6 px-4 py-4 print:block print:max-w-none print:p-0">
          <main className="on-paper brief-page mx-auto w-full max-w-[800px] flex-[1_1_640px] border border-rule p-5 max-md:border-0 max-md:p-0">
            <PageSheet
              page={brief.data.page}
              jobId={id}
              standing={standingOf(brief.data)}
              issued={brief.data.state === "issued"}
            />
          </main>
          <aside
            aria-label="Signing, cards and gear"
            className="no-print w-[320px] flex-auto max-md:mt-4 max-md:w-full"
          >
            {guestOf === undefined && <SignPanel brief={brief.data} />}
            <Cards brief={brief.data.page.brief} name={who} onName={setWho} />
            {guestOf === undefined && <PackingList brief={brief.data} />}
          </aside>
        </div>
      )}
    </div>
  );
}

/** The head of the brief's pages; not on paper. */
export function BriefBar({ jobId, here }: { jobId: string; here?: "brief" }) {
  return (
    <header className="no-print flex flex-wrap items-center gap-2 border-b border-ink bg-sheet px-4 py-2">
      <JobPlaces jobId={jobId} {...(here && { here })} className="max-sm:basis-full" />
      <nav aria-label="Papers" className="flex flex-1 gap-3 pl-2 font-tight text-[15px] font-medium">
        <Link to={`/jobs/${jobId}/papers`} className="inline-flex items-center coarse:min-h-11">
          Papers
        </Link>
      </nav>
      <div className="max-sm:hidden">
        <UnitChoice />
      </div>
      <Button
        onClick={() => {
          window.print();
        }}
      >
        Print
      </Button>
    </header>
  );
}

export function NoBrief({ jobId, error }: { jobId: string; error: unknown }) {
  const refusal = error instanceof Refusal ? error : null;
  const why = refusal
    ? Object.values(refusal.errors).flat()
    : ["Draklo does not answer. Start it again, then reload this page."];
  return (
    <main className="p-6">
      <h1 className="font-tight text-xl font-semibold">There is no brief of this plan</h1>
      {(why.length > 0 ? why : [refusal?.message ?? ""]).map((w) => (
        <p key={w} className="mt-2 max-w-[60ch]">
          {w}
        </p>
      ))}
      <Link to={`/jobs/${jobId}`} className="mt-4 inline-block underline">
        To the sheet, to mend it
      </Link>
    </main>
  );
}
