import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { Link as RouterLink, useLocation, useParams } from "react-router";
import { api, sayWhy } from "../../api/client";
import { StartsContext } from "../../state/starts";
import type { Catalogue } from "../../api/types";
import { useAddress, viewOf } from "../../state/address";
import { closeJob, openJob, useSaving } from "../../state/autosave";
import { follow, forget } from "../../state/feed";
import { goToMember } from "../../stations/registry";
import { useSheet } from "../../state/store";
import { openView, useView } from "../../state/view";
import { useSettings } from "../../ui/settings";
import { ConflictDialog } from "./ConflictDialog";
import { DrawingPane, WorkPlate } from "./DrawingPane";
import { GlossaryDialog } from "./GlossaryDialog";
import { Guide, guideSeen } from "./Guide";
import { LoadPathPane } from "./LoadPath";
import { MissingBar } from "./MissingBar";
import { SheetHeader } from "./SheetHeader";
import { ShortcutList, useShortcuts } from "./shortcuts";
import { UnsavedNote } from "./UnsavedNote";
import { SidePanel } from "./SidePanel";
import { StationNav, StepBar } from "./StationNav";
import { useWide } from "../../ui/useWide";

/** One tree, one sheet, always live. */
export function SheetPage() {
  const { id = "" } = useParams();
  // As the page was opened: the address loses it with the first step on the sheet.
  const [came] = useState(useLocation().state as { fresh?: string; go?: string } | null);
  const begun = came?.fresh;
  const fresh = begun === id;
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
    openJob(job.data, fresh);
    openView(viewOf(window.location.search));
    if (came?.go !== undefined) goToMember(came.go);
    if (fresh && !guideSeen()) useView.getState().set({ guide: true });
    return () => {
      closeJob();
      forget();
    };
  }, [job.data, fresh, came]);

  if (job.error) {
    return (
      <main className="p-8">
        <h1 className="font-tight text-xl font-semibold">This sheet cannot be opened</h1>
        <p className="mt-2">{sayWhy(job.error, "Draklo does not answer. Start it again, then reload this page.")}</p>
        <RouterLink to="/" className="mt-4 inline-block underline">
          Back to the jobs
        </RouterLink>
      </main>
    );
  }
  return opened === id && catalogue.data ? (
    <StartsContext value={catalogue.data.starts}>
      <Sheet catalogue={catalogue.data} />
    </StartsContext>
  ) : (
    <main className="p-8 text-pencil">Opening the sheet.</main>
  );
}

function Sheet({ catalogue }: { catalogue: Catalogue }) {
  const name = useSheet((s) => s.document?.name);
  const units = useSettings((s) => s.units);
  const wide = useWide();
  const wantsWorkings = useView((s) => s.working !== null);
  useAddress();
  useShortcuts();
  useEffect(() => follow(units, wantsWorkings), [units, wantsWorkings]);
  useEffect(() => {
    document.title = name === undefined ? "Draklo" : `${name} · Draklo`;
  }, [name]);
  return (
    <div className="flex h-full flex-col">
      <SheetHeader />
      <UnsavedNote />
      <MissingBar />
      {wide ? (
        <>
          <div className="flex min-h-0 flex-1">
            <StationNav />
            <main className="flex min-w-0 flex-1 flex-col bg-sheet">
              <h1 className="sr-only">{name}</h1>
              <DrawingPane />
            </main>
            <SidePanel catalogue={catalogue} />
          </div>
          <LoadPathPane />
        </>
      ) : (
        <>
          <div className="min-h-0 flex-1 overflow-y-auto" data-narrow>
            <main className="sticky top-0 z-10 flex h-[42dvh] min-h-[240px] flex-col border-b border-ink bg-sheet short:static">
              <h1 className="sr-only">{name}</h1>
              <DrawingPane />
            </main>
            <WorkPlate />
            <SidePanel catalogue={catalogue} />
            <LoadPathPane />
          </div>
          <StepBar />
        </>
      )}
      <Conflict />
      <Guide />
      <ShortcutList />
      <GlossaryDialog entries={catalogue.glossary} />
    </div>
  );
}

function Conflict() {
  const saving = useSaving((s) => s.state);
  return saving.kind === "conflict" ? <ConflictDialog theirs={saving.theirs} /> : null;
}
