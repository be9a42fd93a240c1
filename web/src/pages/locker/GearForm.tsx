import { FormEnd } from "./FormEnd";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api } from "../../api/client";
import type { GearEntry, GearItem } from "../../api/types";
import { Choice } from "../../ui/Choice";
import { Note } from "../../ui/controls";
import { Modal } from "../../ui/Modal";
import { NumberField } from "../../ui/NumberField";
import { TextField } from "../../ui/TextField";
import { useSettings } from "../../ui/settings";
import type { Quantity } from "../../units/units";
import { useKeeping } from "./useKeeping";
import { changed, kindNames, stateNames } from "./words";

type Kind = GearItem["kind"];

/** Which figures make sense for which kind. */
const long: Kind[] = ["rope", "cord", "sling", "strap", "tackleSet", "throwKit", "wedge"];
const thick: Kind[] = ["rope", "cord", "grip", "block", "connector", "sling", "drum"];
const made: Kind[] = ["rope", "cord", "sling"];
const loaded: Kind[] = ["rope", "cord", "grip", "block", "connector", "sling", "strap", "drum", "tackleSet"];

interface GearFormProps {
  /** The piece to change; a new one without. */
  entry?: GearEntry;
  onClose: () => void;
  onKept: (entry: GearEntry) => void;
}

/** A piece with what its label says. */
export function GearForm({ entry, onClose, onKept }: GearFormProps) {
  const units = useSettings((s) => s.units);
  const catalogue = useQuery({ queryKey: ["catalogue"], queryFn: api.catalogue, staleTime: Infinity });
  const [draft, setDraft] = useState<GearItem>(
    entry?.item ?? { id: "", kind: "rope", name: "", count: 1, flaws: [], state: "inService" },
  );
  const { errors, busy, keep } = useKeeping(
    () => (entry ? api.saveGear(draft, entry.revision, units) : api.createGear(draft, units)),
    onKept,
  );
  const put = (part: { [K in keyof GearItem]?: GearItem[K] | undefined }) => {
    setDraft((d) => ({ ...changed(d, part), id: part.id ?? d.id, name: part.name ?? d.name }));
  };
  const number = (
    key: keyof GearItem &
      (
        | "lengthM"
        | "diameterM"
        | "breakingStrengthN"
        | "workingLoadN"
        | "workingLoadFactor"
        | "stretchAtTenPercent"
        | "keeps"
      ),
    label: string,
    quantity: Quantity,
    unknown = "not known",
  ) => (
    <NumberField
      label={label}
      value={draft[key]}
      quantity={quantity}
      onChange={(v) => {
        put({ [key]: v });
      }}
      problem={errors[key]}
      unknown={unknown}
    />
  );
  const pick = (
    key: "constructionId" | "contactId" | "systemId" | "gripId",
    label: string,
    options: { id: string; name: string }[] = [],
  ) => (
    <Choice
      label={label}
      value={draft[key] ?? ""}
      options={[{ value: "", name: "not known" }, ...options.map((o) => ({ value: o.id, name: o.name }))]}
      onChange={(v) => {
        put({ [key]: v === "" ? undefined : v });
      }}
      problem={errors[key]}
    />
  );

  return (
    <Modal title={entry ? `Change ${entry.item.name}` : "Add a piece"} onClose={onClose} wide>
      <div className="grid grid-cols-2 gap-x-8 max-md:grid-cols-1">
        <div>
          <Choice
            label="Kind"
            value={draft.kind}
            options={Object.entries(kindNames).map(([value, name]) => ({ value, name }))}
            onChange={(k) => {
              put({ kind: k as Kind });
            }}
          />
          <TextField
            label="Name"
            value={draft.name}
            onChange={(v) => {
              put({ name: v });
            }}
            problem={errors["name"]}
          />
          {!entry && (
            <TextField
              label="Id, if it has one"
              value={draft.id}
              onChange={(v) => {
                put({ id: v });
              }}
              problem={errors["id"]}
            />
          )}
          <TextField
            label="Marks"
            value={draft.marks ?? ""}
            onChange={(v) => {
              put({ marks: v });
            }}
            problem={errors["marks"]}
          />
          <NumberField
            label="Pieces alike"
            value={draft.count}
            quantity="count"
            onChange={(v) => {
              put({ count: v ?? 1 });
            }}
            problem={errors["count"]}
          />
          {long.includes(draft.kind) && number("lengthM", "Length", "length")}
          {thick.includes(draft.kind) &&
            number("diameterM", draft.kind === "block" ? "Sheave diameter" : "Diameter", "rope")}
          <TextField
            label="Made on"
            type="date"
            value={draft.madeOn ?? ""}
            onChange={(v) => {
              put({ madeOn: v });
            }}
            problem={errors["madeOn"]}
          />
          <TextField
            label="In service since"
            type="date"
            value={draft.inServiceOn ?? ""}
            onChange={(v) => {
              put({ inServiceOn: v });
            }}
            problem={errors["inServiceOn"]}
          />
        </div>
        <div>
          {loaded.includes(draft.kind) && (
            <>
              {number("breakingStrengthN", "Breaking strength", "force")}
              {number("workingLoadN", "Or working load", "force")}
              {draft.workingLoadN !== undefined && number("workingLoadFactor", "Maker's factor", "ratio")}
            </>
          )}
          {made.includes(draft.kind) && pick("constructionId", "Made as", catalogue.data?.constructions)}
          {(draft.kind === "rope" || draft.kind === "cord") &&
            number("stretchAtTenPercent", "Stretch at a tenth", "percent")}
          {(draft.kind === "block" || draft.kind === "connector" || draft.kind === "tackleSet") &&
            pick("contactId", "Turns as", catalogue.data?.contacts)}
          {draft.kind === "tackleSet" && pick("systemId", "Rove as", catalogue.data?.systems)}
          {draft.kind === "grip" && pick("gripId", "Friction hitch", catalogue.data?.grips)}
          {loaded.includes(draft.kind) && number("keeps", "Worn to", "percent", "unworn")}
          <Choice
            label="State"
            value={draft.state}
            options={Object.entries(stateNames).map(([value, name]) => ({ value, name }))}
            onChange={(s) => {
              put({ state: s as GearItem["state"] });
            }}
            problem={errors["state"]}
          />
          {draft.state !== "inService" && (
            <TextField
              label="Because"
              value={draft.reason ?? ""}
              onChange={(v) => {
                put({ reason: v });
              }}
              problem={errors["reason"]}
            />
          )}
          <TextField
            label="Note"
            value={draft.note ?? ""}
            onChange={(v) => {
              put({ note: v });
            }}
            problem={errors["note"]}
          />
          {(draft.kind === "rope" || draft.kind === "cord") &&
            draft.breakingStrengthN === undefined &&
            draft.workingLoadN === undefined && (
              <div className="mt-2">
                <Note>
                  Label gone? Diameter and construction give a low estimate; it is marked as an estimate everywhere.
                </Note>
              </div>
            )}
        </div>
      </div>
      <FormEnd error={errors[""]} busy={busy} onClose={onClose} keep={keep}>
        {entry ? "Keep the change" : "Put it in the locker"}
      </FormEnd>
    </Modal>
  );
}
