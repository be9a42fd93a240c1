import { useStarts } from "../state/starts";
import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, sayWhy } from "../api/client";
import type { Catalogue, Plan, Species } from "../api/types";
import { useFeed } from "../state/feed";
import { setMember, useSheet } from "../state/store";
import { Check } from "../ui/Check";
import { Choice, Search } from "../ui/Choice";
import { Button, Note } from "../ui/controls";
import { Modal } from "../ui/Modal";
import { NumberField } from "../ui/NumberField";
import { TextField } from "../ui/TextField";
import { figure } from "../units/units";
import { Group, Member, useMember, useProblem } from "./fields";
import { ShellSketch } from "./sketches";
import { Refused } from "../ui/Refused";
import { labelOf } from "../state/members";

type Entry = Catalogue["species"][number];

/** The plan takes a species: the catalogue's by its id, the crew's own with its wood, so that the plan file stands alone. */
function withSpecies(plan: Plan, entry: Entry): Plan {
  const { species: s, own } = entry;
  const tree = { ...plan.tree, speciesId: s.id };
  delete tree.wood;
  if (own)
    tree.wood = {
      greenDensityKgM3: s.greenDensityKgM3,
      bendingStrengthMPa: s.bendingStrengthMPa,
      stiffnessGPa: s.stiffnessGPa,
      hingeClass: s.hingeClass,
      splits: s.splits,
      habit: s.habit,
    };
  return { ...plan, tree };
}

/** The species by its common or Latin name. */
export function SpeciesSearch({ catalogue }: { catalogue: Catalogue }) {
  const id = useMember("tree.speciesId") as string | undefined;
  const edit = useSheet((s) => s.edit);
  return (
    <Search
      label="Species"
      member="tree.speciesId"
      value={id ?? ""}
      options={catalogue.species.map((s) => ({
        value: s.species.id,
        name: s.species.name + (s.own ? ", ours" : ""),
        note: s.species.latin,
      }))}
      onChange={(next) => {
        const found = catalogue.species.find((s) => s.species.id === next);
        if (found) edit((d) => ({ ...d, plan: withSpecies(d.plan, found) }));
      }}
      problem={useProblem("tree.speciesId")}
    />
  );
}

/** What the table knows of the species, and the crew's own figures for it. */
export function SpeciesFields({ catalogue }: { catalogue: Catalogue }) {
  const id = useMember("tree.speciesId") as string | undefined;
  const wood = useMember("tree.wood") as Plan["tree"]["wood"];
  const [editing, setEditing] = useState<Species | null>(null);
  const entry = catalogue.species.find((s) => s.species.id === id);
  const splits = { low: "seldom", medium: "sometimes", high: "easily" } as const;
  const shown = entry?.species;
  return (
    <>
      {shown && (
        <Note>
          {shown.hingeClass} hinge · splits {splits[shown.splits]} ·{" "}
          {figure(shown.greenDensityKgM3, "density", "metric")} kg/m³ · {shown.bendingStrengthMPa} MPa.{" "}
          {entry.own ? "The crew's own figures." : `${shown.source}.`} Real trees scatter: density ±12 %, strength ±20
          %.
        </Note>
      )}
      {wood && !entry?.own && (
        <Note>
          This plan has its own wood figures: {wood.greenDensityKgM3} kg/m³, {wood.bendingStrengthMPa} MPa,{" "}
          {wood.stiffnessGPa} GPa.
        </Note>
      )}
      <div className="flex flex-wrap gap-2 py-1">
        {shown && (
          <Button
            onClick={() => {
              setEditing(shown);
            }}
          >
            {entry.own ? "Change ours" : "Correct it for this crew"}
          </Button>
        )}
        <Button
          onClick={() => {
            setEditing({ ...(shown ?? fresh), id: "", name: "", latin: "", source: "" });
          }}
        >
          Add a species
        </Button>
      </div>
      {editing && (
        <SpeciesDialog
          species={editing}
          known={entry}
          onClose={() => {
            setEditing(null);
          }}
        />
      )}
    </>
  );
}

const fresh: Species = {
  id: "",
  name: "",
  latin: "",
  greenDensityKgM3: 800,
  bendingStrengthMPa: 50,
  stiffnessGPa: 8,
  hingeClass: "fair",
  splits: "medium",
  habit: "broadleaf",
  source: "",
};

/** A species of the crew's own; the catalogue's figures are never lost. */
function SpeciesDialog({
  species,
  known,
  onClose,
}: {
  species: Species;
  known: Entry | undefined;
  onClose: () => void;
}) {
  const [draft, setDraft] = useState(species);
  const [refused, setRefused] = useState<string | null>(null);
  const queries = useQueryClient();
  const edit = useSheet((s) => s.edit);
  const put = (part: Partial<Species>) => {
    setDraft({ ...draft, ...part });
  };
  const isNew = species.id === "";

  async function keep(): Promise<void> {
    const id = isNew
      ? `ours-${draft.name
          .toLowerCase()
          .replace(/[^a-z0-9]+/g, "-")
          .replace(/^-|-$/g, "")}`.slice(0, 40)
      : species.id;
    const kept = {
      ...draft,
      id,
      source:
        draft.source.trim() === "" || draft.source === known?.species.source ? "the crew's own figures" : draft.source,
    };
    try {
      await api.keepSpecies(kept);
      await queries.invalidateQueries({ queryKey: ["catalogue"] });
      edit((d) => ({ ...d, plan: withSpecies(d.plan, { species: kept, own: true, corrects: !isNew }) }));
      onClose();
    } catch (error) {
      setRefused(sayWhy(error));
    }
  }

  async function drop(): Promise<void> {
    await api.dropSpecies(species.id);
    await queries.invalidateQueries({ queryKey: ["catalogue"] });
    const corrected = known?.corrects ?? false;
    if (corrected)
      edit((d) => {
        const tree = { ...d.plan.tree };
        delete tree.wood;
        return { ...d, plan: { ...d.plan, tree } };
      });
    onClose();
  }

  return (
    <Modal title={isNew ? "A species of ours" : draft.name} onClose={onClose}>
      <TextField
        label="Common name"
        value={draft.name}
        onChange={(name) => {
          put({ name });
        }}
      />
      <TextField
        label="Latin name"
        value={draft.latin}
        onChange={(latin) => {
          put({ latin });
        }}
      />
      <NumberField
        label="Green density"
        value={draft.greenDensityKgM3}
        quantity="density"
        step={10}
        onChange={(v) => {
          put({ greenDensityKgM3: v ?? 0 });
        }}
      />
      <NumberField
        label="Bending strength, green"
        value={draft.bendingStrengthMPa}
        quantity="strength"
        onChange={(v) => {
          put({ bendingStrengthMPa: v ?? 0 });
        }}
      />
      <NumberField
        label="Stiffness, green"
        value={draft.stiffnessGPa}
        quantity="stiffness"
        step={0.1}
        onChange={(v) => {
          put({ stiffnessGPa: v ?? 0 });
        }}
      />
      <Choice
        label="Hinge"
        value={draft.hingeClass}
        options={[
          { value: "strong", name: "Strong" },
          { value: "fair", name: "Fair" },
          { value: "brittle", name: "Brittle" },
        ]}
        onChange={(v) => {
          put({ hingeClass: v as Species["hingeClass"] });
        }}
      />
      <Choice
        label="Splits"
        value={draft.splits}
        options={[
          { value: "low", name: "Seldom" },
          { value: "medium", name: "Sometimes" },
          { value: "high", name: "Easily" },
        ]}
        onChange={(v) => {
          put({ splits: v as Species["splits"] });
        }}
      />
      <Choice
        label="Habit"
        value={draft.habit}
        options={[
          { value: "broadleaf", name: "Broadleaf" },
          { value: "conifer", name: "Conifer" },
        ]}
        onChange={(v) => {
          put({ habit: v as Species["habit"] });
        }}
      />
      <TextField
        label="Where from"
        value={draft.source}
        onChange={(source) => {
          put({ source });
        }}
      />
      {refused !== null && <Refused>{refused}</Refused>}
      <div className="mt-4 flex flex-wrap gap-2">
        <Button
          strong
          onClick={() => {
            void keep();
          }}
        >
          Keep as ours
        </Button>
        {known?.own && !isNew && (
          <Button
            onClick={() => {
              void drop();
            }}
          >
            {known.corrects ? "Back to the catalogue's figures" : "Drop it"}
          </Button>
        )}
        <Button onClick={onClose}>Leave it</Button>
      </div>
    </Modal>
  );
}

/** What was found inside the stem and seen on the tree. */
export function ConditionFields() {
  const starts = useStarts();
  const decay = useMember("tree.decay") as Plan["tree"]["decay"];
  const condition = useMember("tree.condition") as Plan["tree"]["condition"];
  const ratio = useFeed((s) => s.analysis?.tree.shellRatio);
  const left = useFeed((s) => s.analysis?.tree.soundness);
  return (
    <Group title="Sound or not">
      <Check
        label={labelOf("tree.condition.dead")}
        checked={condition.dead}
        onChange={(v) => {
          setMember("tree.condition.dead", v);
        }}
      />
      <Check
        label={labelOf("tree.condition.cracked")}
        checked={condition.cracked}
        onChange={(v) => {
          setMember("tree.condition.cracked", v);
        }}
      />
      {condition.cracked && (
        <TextField
          label="Lashed, and judged by"
          value={condition.crackJudgedBy ?? ""}
          onChange={(v) => {
            setMember("tree.condition.crackJudgedBy", v === "" ? undefined : v, "crack-judge");
          }}
        />
      )}
      <Check
        label={labelOf("tree.condition.rootsLifted")}
        checked={condition.rootsLifted}
        onChange={(v) => {
          setMember("tree.condition.rootsLifted", v);
        }}
      />
      <Member path="tree.soundness" />
      {decay ? (
        <div className="border-l-2 border-rule pl-2">
          <div className="flex items-center gap-3">
            <ShellSketch shellM={decay.shellM} diameterM={decay.diameterM} />
            <p className="text-[13px] leading-snug text-pencil">
              {ratio === undefined || left === undefined
                ? ""
                : `The shell is ${Math.round(ratio * 100)} % of the radius and keeps ${Math.round(left * 100)} % of the strength.`}{" "}
              Rot must stay inside the dashed ring: under 30 % the plan stops.
            </p>
          </div>
          <Member path="tree.decay.shellM" />
          <Member path="tree.decay.diameterM" />
          <button
            type="button"
            className="min-h-6 text-xs underline"
            onClick={() => {
              setMember("tree.decay", undefined);
            }}
          >
            Forget this reading
          </button>
        </div>
      ) : (
        <Button
          onClick={() => {
            setMember("tree.decay", starts.decay);
          }}
        >
          Enter a decay reading
        </Button>
      )}
    </Group>
  );
}
