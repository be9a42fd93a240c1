import { FormEnd } from "./FormEnd";
import { useState } from "react";
import { api } from "../../api/client";
import type { LockerRules } from "../../api/types";
import { Note } from "../../ui/controls";
import { Modal } from "../../ui/Modal";
import { NumberField } from "../../ui/NumberField";
import { TextField } from "../../ui/TextField";
import { useKeeping } from "./useKeeping";

/** When pieces flag themselves. */
export function RulesForm({ rules, onClose, onKept }: { rules: LockerRules; onClose: () => void; onKept: () => void }) {
  const [draft, setDraft] = useState({ ...rules, setBy: "" });
  const { errors, busy, keep } = useKeeping(() => api.keepRules(draft), onKept);
  return (
    <Modal title="When a piece flags itself" onClose={onClose}>
      <Note>
        You can use a flagged piece; the plan then says why to look at it first. The maker's own limits come before
        these.
      </Note>
      <NumberField
        label="A peak above this share of its strength"
        value={draft.overloadShare}
        quantity="percent"
        step={5}
        onChange={(v) => {
          if (v !== undefined) setDraft({ ...draft, overloadShare: v });
        }}
        problem={errors["overloadShare"]}
      />
      <NumberField
        label="A peak above this share proposes to retire it"
        value={draft.retireShare}
        quantity="percent"
        step={5}
        onChange={(v) => {
          if (v !== undefined) setDraft({ ...draft, retireShare: v });
        }}
        problem={errors["retireShare"]}
      />
      <NumberField
        label="Days of work between inspections"
        value={draft.inspectionUses}
        quantity="count"
        onChange={(v) => {
          if (v !== undefined) setDraft({ ...draft, inspectionUses: v });
        }}
        problem={errors["inspectionUses"]}
      />
      <NumberField
        label="Rope, cord, sling, strap: years old"
        value={draft.textileYears}
        quantity="count"
        onChange={(v) => {
          if (v !== undefined) setDraft({ ...draft, textileYears: v });
        }}
        problem={errors["textileYears"]}
      />
      <NumberField
        label="Months between inspections"
        value={draft.inspectionMonths}
        quantity="count"
        onChange={(v) => {
          if (v !== undefined) setDraft({ ...draft, inspectionMonths: v });
        }}
        problem={errors["inspectionMonths"]}
      />
      <TextField
        label="Set by"
        value={draft.setBy}
        onChange={(v) => {
          setDraft({ ...draft, setBy: v });
        }}
        problem={errors["setBy"]}
      />
      {rules.setBy !== undefined && <Note>Set by {rules.setBy}.</Note>}
      <FormEnd error={errors[""]} busy={busy} onClose={onClose} keep={keep}>
        Keep them
      </FormEnd>
    </Modal>
  );
}
