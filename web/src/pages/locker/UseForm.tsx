import { Boxes } from "./Boxes";
import { FormEnd } from "./FormEnd";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api } from "../../api/client";
import type { GearDetail, GearEntry, GearUse } from "../../api/types";
import { Search } from "../../ui/Choice";
import { Modal } from "../../ui/Modal";
import { NumberField } from "../../ui/NumberField";
import { TextField } from "../../ui/TextField";
import { useSettings } from "../../ui/settings";
import { today } from "../../state/words";
import { useKeeping } from "./useKeeping";
import { changed } from "./words";

/** A day's work of a piece: job, peak load, minutes loaded, knots, jams. */
export function UseForm({
  entry,
  onClose,
  onKept,
}: {
  entry: GearEntry;
  onClose: () => void;
  onKept: (detail: GearDetail) => void;
}) {
  const units = useSettings((s) => s.units);
  const [draft, setDraft] = useState<GearUse>({ on: today(), job: "", knots: [], jams: 0, shock: false });
  const jobs = useQuery({ queryKey: ["latest-jobs", units], queryFn: () => api.jobs(units, 0, 200) });
  const catalogue = useQuery({ queryKey: ["catalogue"], queryFn: api.catalogue, staleTime: Infinity });
  const { errors, busy, keep } = useKeeping(() => api.logUse(entry.item.id, draft, units), onKept);
  const knotted = ["rope", "cord", "sling"].includes(entry.item.kind);
  return (
    <Modal title={`Log a use of ${entry.item.name}`} onClose={onClose}>
      <TextField
        label="Day"
        type="date"
        value={draft.on}
        onChange={(on) => {
          setDraft({ ...draft, on });
        }}
        problem={errors["on"]}
      />
      <Search
        label="From the jobs"
        value=""
        options={(jobs.data?.jobs ?? []).map((j) => ({ value: j.name, name: j.name, note: j.place }))}
        onChange={(job) => {
          setDraft({ ...draft, job });
        }}
        none="No job of that name; write the work below."
      />
      <TextField
        label="Job"
        value={draft.job}
        onChange={(job) => {
          setDraft({ ...draft, job });
        }}
        problem={errors["job"]}
      />
      <NumberField
        label="Peak load"
        value={draft.peakN}
        quantity="force"
        unknown="not read"
        onChange={(peakN) => {
          setDraft((d) => changed(d, { peakN }));
        }}
        problem={errors["peakN"]}
      />
      <NumberField
        label="Minutes loaded"
        value={draft.minutes}
        quantity="count"
        unknown="not known"
        onChange={(minutes) => {
          setDraft((d) => changed(d, { minutes }));
        }}
        problem={errors["minutes"]}
      />
      <NumberField
        label="Jams"
        value={draft.jams}
        quantity="count"
        onChange={(v) => {
          setDraft({ ...draft, jams: v ?? 0 });
        }}
        problem={errors["jams"]}
      />
      {knotted && (
        <Boxes
          legend="Knots tied in it"
          all={(catalogue.data?.knots ?? []).map((k) => ({ value: k.id, name: k.name }))}
          chosen={draft.knots}
          onChange={(knots) => {
            setDraft({ ...draft, knots });
          }}
          problem={errors["knots"]}
        />
      )}
      <TextField
        label="Note"
        value={draft.note ?? ""}
        onChange={(note) => {
          setDraft((d) => changed(d, { note }));
        }}
        problem={errors["note"]}
      />
      <FormEnd error={errors[""]} busy={busy} onClose={onClose} keep={keep}>
        Save
      </FormEnd>
    </Modal>
  );
}
