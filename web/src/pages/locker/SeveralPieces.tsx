import { useState } from "react";
import { Link } from "react-router";
import { api } from "../../api/client";
import type { GearEntry } from "../../api/types";
import { Button } from "../../ui/controls";
import { linkButton, SeveralBar } from "../../ui/SeveralBar";
import { useSettings } from "../../ui/settings";
import { idsAsked, type useSeveral } from "../../state/useSeveral";
import { InspectForm } from "./InspectForm";
import { outcomeNames } from "./words";

interface SeveralPiecesProps {
  several: ReturnType<typeof useSeveral<GearEntry>>;
  shown: readonly GearEntry[];
  onChanged: () => void;
}

/** What can be done to several pieces at once: looked at, taken out of service, labelled, saved as a list. */
export function SeveralPieces({ several, shown, onChanged }: SeveralPiecesProps) {
  const units = useSettings((s) => s.units);
  const [inspecting, setInspecting] = useState(false);
  const entries = [...(several.chosen?.values() ?? [])];
  const asked = idsAsked(entries.map((e) => e.item.id));
  return (
    <SeveralBar
      of="pieces"
      count={entries.length}
      last={several.last}
      onAll={() => {
        several.all(shown);
      }}
      onEnd={several.end}
    >
      <Button
        disabled={several.busy}
        onClick={() => {
          setInspecting(true);
        }}
      >
        Inspect or retire
      </Button>
      <Link to={`/labels?${asked}`} className={linkButton}>
        Print labels
      </Link>
      <a href={`/api/locker/locker.csv?${asked}`} download className={linkButton}>
        Save these as CSV
      </a>
      {inspecting && (
        <InspectForm
          entries={entries}
          title={entries.length === 1 ? `Inspect ${entries[0]?.item.name ?? ""}` : `Inspect ${entries.length} pieces`}
          onClose={() => {
            setInspecting(false);
          }}
          keep={async (inspection) => {
            // The first tells what the form lacks before anything is written for the others.
            const [first, ...others] = entries.map((e) => e.item.id);
            if (first !== undefined) await api.inspect(first, inspection, units);
            await several.each(`inspected: ${outcomeNames[inspection.outcome]}`, async ({ item }) => {
              if (others.includes(item.id)) await api.inspect(item.id, inspection, units);
            });
            onChanged();
          }}
        />
      )}
    </SeveralBar>
  );
}
