import type { Catalogue } from "../api/types";
import { Figure } from "../sheet/Figure";
import { useFeed } from "../sheet/feed";
import { setMember } from "../sheet/store";
import { Note, Segments } from "../ui/controls";
import { Search } from "../ui/Choice";
import { Group, Member, useMember, useProblem } from "./fields";

/** How heavy the tree is and where it leans. */
export function SizeUp({ catalogue }: { catalogue: Catalogue }) {
  const species = useMember("tree.speciesId") as string | undefined;
  const shape = useMember("tree.lean.shape") as "straight" | "swept";
  const inLeaf = useMember("wind.inLeaf") as boolean;
  const ownWood = useMember("tree.wood") !== undefined;
  const wood = catalogue.species.find((s) => s.id === species);
  return (
    <>
      <Note>Look from two sides before you trust a lean. What nobody has measured stays marked as a guess.</Note>
      <Search
        label="Species"
        value={species ?? ""}
        options={catalogue.species.map((s) => ({ value: s.id, name: s.name, note: s.latin }))}
        onChange={(id) => { setMember("tree.speciesId", id); }}
        problem={useProblem("tree.speciesId")}
      />
      {wood && !ownWood && <Note>{wood.hingeClass} hinge · splits {({ low: "seldom", medium: "sometimes", high: "easily" })[wood.splits]} · figures scatter from tree to tree</Note>}
      <Member path="tree.heightM" label="Height" quantity="length" step={0.5} measured />
      <Member path="tree.dbhM" label="Breast diameter" quantity="thickness" measured />
      <Member path="tree.taperExponent" label="Taper: 0.5 full, 1 cone" quantity="ratio" />
      <Group title="Lean">
        <Member path="tree.lean.angleDeg" label="Off plumb" quantity="angle" step={0.5} measured />
        <Member path="tree.lean.bearingDeg" label="Toward bearing" quantity="angle" step={5} measured />
        <Segments label="Shape of the lean" value={shape} onChange={(v) => { setMember("tree.lean.shape", v); }} choices={[{ value: "straight", text: "Straight" }, { value: "swept", text: "Swept, bent above" }]} />
        <Member path="lay.bearingDeg" label="Lay, toward bearing" quantity="angle" step={5} />
      </Group>
      <Group title="Crown">
        <Member path="tree.crown.baseHeightM" label="Lowest branches" quantity="length" step={0.5} measured />
        <Member path="tree.crown.massRatio" label="Crown over stem" quantity="ratio" measured />
        {(["north", "east", "south", "west"] as const).map((side) => (
          <Member key={side} path={`tree.crown.reachM.${side}`} label={`Reach ${side}`} quantity="length" measured />
        ))}
      </Group>
      <Group title="Wood and wind">
        <Member path="tree.soundness" label="Soundness, 1 is sound" quantity="ratio" measured />
        <Member path="wind.speedMps" label="Wind" quantity="speed" />
        <Member path="wind.fromDeg" label="Wind from" quantity="angle" step={5} />
        <Segments label="Leaves" value={inLeaf ? "leaf" : "bare"} onChange={(v) => { setMember("wind.inLeaf", v === "leaf"); }} choices={[{ value: "leaf", text: "In leaf" }, { value: "bare", text: "Bare" }]} />
      </Group>
      <Results />
    </>
  );
}

/** Apart from the fields, so that they are not drawn anew with every figure of a drag. */
function Results() {
  const analysis = useFeed((s) => s.analysis);
  if (!analysis) return null;
  return (
    <Group title="What follows">
      <Figure label="Mass" value={analysis.tree.massKg} quantity="mass" working="mass" />
      <Figure label="Centre above the cut" value={analysis.tree.centre.upM} quantity="length" working="centre-up" />
      <Figure label={analysis.tree.centre.forwardM < 0 ? "Centre behind the hinge" : "Centre ahead of the hinge"} value={Math.abs(analysis.tree.centre.forwardM)} quantity="length" working="centre-forward" />
      <Figure label={analysis.tree.centre.rightM < 0 ? "Centre left of the lay" : "Centre right of the lay"} value={Math.abs(analysis.tree.centre.rightM)} quantity="length" working="centre-right" />
    </Group>
  );
}
