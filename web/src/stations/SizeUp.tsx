import type { Analysis, Catalogue } from "../api/types";
import { Figure } from "./Figure";
import { useFeed } from "../state/feed";
import { setMember } from "../state/store";
import { Button, Note, Segments } from "../ui/controls";
import { useSettings } from "../ui/settings";
import { range, type Quantity } from "../units/units";
import { Group, Member, useMember } from "./fields";
import { FiveMeasures } from "./FiveMeasures";
import { CrownLooks, MassFields } from "./MassFields";
import { GirthReading, HeightReadings, LeanReadings } from "./Readings";
import { ReachSketch } from "./sketches";
import { confirmAsDrawn, useMissingAt } from "./useMissing";
import { WindFields } from "./WindFields";
import { ConditionFields, SpeciesFields } from "./WoodFields";
import { labelOf } from "../state/members";

/** How heavy the tree is and where it leans. */
export function SizeUp({ catalogue }: { catalogue: Catalogue }) {
  const shape = useMember("tree.lean.shape") as "straight" | "swept";
  const reach = useMember("tree.crown.reachM") as { north: number; east: number; south: number; west: number };
  const stemBy = useSettings((s) => s.stemBy);
  const conifer = useFeed((s) => s.analysis?.figure.conifer ?? false);
  return (
    <>
      <FiveMeasures catalogue={catalogue} />
      <Group title="Species">
        <SpeciesFields catalogue={catalogue} />
      </Group>
      <Group title="Height">
        <HeightReadings />
      </Group>
      {stemBy === "diameter" && (
        <Group title="Girth">
          <GirthReading />
        </Group>
      )}
      <Group title="Lean, by bearing">
        <Note>Look from two sides before you trust a lean. What nobody has measured stays marked as a guess.</Note>
        <Member path="tree.lean.angleDeg" />
        <Member path="tree.lean.bearingDeg" />
        <LeanReadings />
        <Segments
          label={labelOf("tree.lean.shape")}
          value={shape}
          onChange={(v) => {
            setMember("tree.lean.shape", v);
          }}
          choices={[
            { value: "straight", text: "Straight" },
            { value: "swept", text: "Swept, bent above" },
          ]}
        />
      </Group>
      <Group title="Crown">
        <CrownAsDrawn />
        <CrownLooks catalogue={catalogue} conifer={conifer} />
        <Member path="tree.crown.massRatio" />
        <Member path="tree.crown.baseHeightM" />
        <ReachSketch {...reach} />
        {(["north", "east", "south", "west"] as const).map((side) => (
          <Member key={side} path={`tree.crown.reachM.${side}`} />
        ))}
      </Group>
      <MassFields />
      <ConditionFields />
      <WindFields />
      <Results />
    </>
  );
}

/** What is guessed of the crown and can be seen on the drawing: one word for all of it. */
function CrownAsDrawn() {
  const points = useMissingAt("size").filter((p) => p.asDrawn);
  if (points.length < 2) return null;
  return (
    <Button
      className="my-1"
      onClick={() => {
        confirmAsDrawn(points);
      }}
    >
      All {points.length} as drawn: {points.map((p) => p.name).join(", ")}
    </Button>
  );
}

/** Apart from the fields, so that they are not drawn again with every figure of a drag. */
function Results() {
  const analysis = useFeed((s) => s.analysis);
  const units = useSettings((s) => s.units);
  if (!analysis) return null;
  const { tree } = analysis;
  const between = (spread: Analysis["tree"]["spread"]["massKg"], quantity: Quantity): string =>
    range(spread.low, spread.high, quantity, units);
  return (
    <Group title="What follows">
      <Figure
        label="Mass"
        value={tree.massKg}
        quantity="mass"
        working="mass"
        note={between(tree.spread.massKg, "mass")}
      />
      <Figure
        label="Centre above the cut"
        value={tree.centre.upM}
        quantity="length"
        working="centre-up"
        note={between(tree.spread.upM, "length")}
      />
      <Figure
        label={tree.centre.forwardM < 0 ? "Centre behind the hinge" : "Centre ahead of the hinge"}
        value={Math.abs(tree.centre.forwardM)}
        quantity="length"
        working="centre-forward"
        note={`forward ${between(tree.spread.forwardM, "length")}`}
      />
      <Figure
        label={tree.centre.rightM < 0 ? "Centre left of the lay" : "Centre right of the lay"}
        value={Math.abs(tree.centre.rightM)}
        quantity="length"
        working="centre-right"
        note={`to the right ${between(tree.spread.rightM, "length")}`}
      />
      <Figure
        label="Starts at"
        value={analysis.pull.tensionAtRestN}
        quantity="force"
        working="needed-tension"
        note={`${between(tree.spread.tensionAtRestN, "force")}, by what mass, crown, lean and wood may be off`}
      />
    </Group>
  );
}
