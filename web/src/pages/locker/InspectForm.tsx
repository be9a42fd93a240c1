import { Boxes } from "./Boxes";
import { FormEnd } from "./FormEnd";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api } from "../../api/client";
import { today } from "../../state/words";
import type { GearEntry, Inspection } from "../../api/types";
import { Choice } from "../../ui/Choice";
import { Note } from "../../ui/controls";
import { Modal } from "../../ui/Modal";
import { NumberField } from "../../ui/NumberField";
import { TextField } from "../../ui/TextField";
import { useKeeping } from "./useKeeping";
import { changed, findingNames, outcomeNames } from "./words";
import { useSettings } from "../../ui/settings";

type Finding = Inspection["findings"][number];

const onTextile: Finding[] = ["glazed", "cut", "flat", "stiff", "melted", "chemical", "abraded", "labelGone"];
const onMetal: Finding[] = ["cracked", "bent", "wornGroove", "sticks", "chemical", "labelGone"];

interface InspectFormProps {
  /** The pieces looked at, all with the same findings; what is measured along one rope only is asked of one alone. */
  entries: readonly GearEntry[];
  title: string;
  onClose: () => void;
  keep: (inspection: Inspection) => Promise<void>;
}

/** What was seen on a piece, or on several in one go, and what follows. */
export function InspectForm({ entries, title, onClose, keep: send }: InspectFormProps) {
  const who = useSettings((s) => s.who);
  const [draft, setDraft] = useState<Inspection>({ on: today(), by: who, findings: [], outcome: "pass" });
  // Until somebody chooses, what usually follows stands there.
  const [chosen, setChosen] = useState(false);
  const usual = useQuery({
    queryKey: ["usual", draft.findings],
    queryFn: () => api.usual(draft.findings),
    staleTime: Infinity,
    placeholderData: (before) => before,
  });
  const outcome = chosen ? draft.outcome : (usual.data?.outcome ?? "pass");
  const { errors, busy, keep } = useKeeping(() => send({ ...draft, outcome }), onClose);
  const findings = [
    ...new Set([...(entries.some((e) => e.wears) ? onTextile : []), ...(entries.every((e) => e.wears) ? [] : onMetal)]),
  ];
  const [first] = entries;
  const isOneRope = entries.length === 1 && first && ["rope", "cord"].includes(first.item.kind);
  const along = (member: "atM" | "cutFromAM" | "cutFromBM", label: string) => (
    <NumberField
      label={label}
      value={draft[member]}
      quantity="length"
      unknown="none"
      onChange={(v) => {
        setDraft((d) => changed(d, { [member]: v }));
      }}
      problem={errors[member]}
    />
  );
  return (
    <Modal title={title} onClose={onClose}>
      <TextField
        label="Day"
        type="date"
        value={draft.on}
        onChange={(on) => {
          setDraft({ ...draft, on });
        }}
        problem={errors["on"]}
      />
      <TextField
        label="Looked at by"
        value={draft.by}
        onChange={(by) => {
          setDraft({ ...draft, by });
        }}
        problem={errors["by"]}
      />
      <Boxes
        legend="Seen"
        all={findings.map((f) => ({ value: f, name: findingNames[f] }))}
        chosen={draft.findings}
        onChange={(seen) => {
          setDraft({ ...draft, findings: seen });
        }}
        problem={errors["findings"]}
      />
      <TextField
        label="Where on it"
        value={draft.where ?? ""}
        onChange={(where) => {
          setDraft((d) => changed(d, { where }));
        }}
        problem={errors["where"]}
      />
      {isOneRope && first.item.lengthM !== undefined && (
        <>
          {along("atM", "Flawed at, from end a")}
          {along("cutFromAM", "Cut off end a")}
          {along("cutFromBM", "Cut off end b")}
        </>
      )}
      <Choice
        label="What follows"
        value={outcome}
        options={Object.entries(outcomeNames).map(([value, name]) => ({ value, name }))}
        onChange={(v) => {
          setChosen(true);
          setDraft({ ...draft, outcome: v as Inspection["outcome"] });
        }}
      />
      {usual.data && (
        <Note>
          {chosen && usual.data.outcome !== outcome
            ? `These findings usually mean: ${outcomeNames[usual.data.outcome]}. You decide.`
            : "These findings usually mean that. You decide."}
        </Note>
      )}
      <NumberField
        label="Worn to"
        value={draft.keeps}
        quantity="percent"
        step={5}
        unknown="as before"
        onChange={(keeps) => {
          setDraft((d) => changed(d, { keeps }));
        }}
        problem={errors["keeps"]}
      />
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
