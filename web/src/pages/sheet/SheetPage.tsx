import { useEffect } from "react";
import type { Catalogue } from "../../api/types";
import { useAddress, viewOf } from "../../state/address";
import { useSaving } from "../../state/autosave";
import { follow, forget } from "../../state/feed";
import { goToMember } from "../../stations/registry";
import { useSheet } from "../../state/store";
import { openView, useView } from "../../state/view";
import { useSettings } from "../../ui/settings";
import { SettleDialog } from "./SettleDialog";
import { DrawingPane, WorkPlate } from "./DrawingPane";
import { GlossaryDialog } from "./GlossaryDialog";
import { Guide, guideSeen } from "./Guide";
import { LoadPathPane } from "./LoadPath";
import { MissingBar } from "./MissingBar";
import { OpenedJob, type Came } from "./OpenedJob";
import { SheetHeader } from "./SheetHeader";
import { ShortcutList, useShortcuts } from "./shortcuts";
import { SettlingNote, UnsavedNote } from "./UnsavedNote";
import { SidePanel } from "./SidePanel";
import { StationNav, StepBar } from "./StationNav";
import { useWide } from "../../ui/useWide";

/** One tree, one sheet, always live. */
export function SheetPage() {
  return (
    <OpenedJob what="sheet" onOpen={onOpen} onClose={forget}>
      {(catalogue) => <Sheet catalogue={catalogue} />}
    </OpenedJob>
  );
}

function onOpen({ fresh, go }: Came): void {
  openView(viewOf(window.location.search));
  if (go !== undefined) goToMember(go);
  if (!fresh) return;
  if (!guideSeen()) useView.getState().set({ guide: true });
  // A finger would bring the keys of a phone up over the page that is to be seen first.
  else if (!window.matchMedia("(pointer: coarse)").matches) goToMember("tree.speciesId");
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
      <SettlingNote />
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
  return saving.kind === "conflict" ? (
    <SettleDialog key={saving.theirs.revision} theirs={saving.theirs} clashes={saving.clashes} />
  ) : null;
}
