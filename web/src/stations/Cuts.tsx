import { Figure } from "./Figure";
import { useFeed } from "../state/feed";
import { useSettings } from "../ui/settings";
import { written } from "../units/units";
import { Row } from "./Row";
import { startMember } from "../state/store";
import { Note, Segments } from "../ui/controls";
import type { Plan } from "../api/types";
import { BackCutFields, LashingFields, OrderFields, StumpFields, WedgeFields } from "./CutFields";
import { Group, Member, useMember } from "./fields";
import { schools } from "./schools";

/** Notch, hinge and how tight the line may be while they are cut. */
export function Cuts() {
  const notch = useMember("cut.notch") as Plan["cut"]["notch"];
  return (
    <>
      <Note>
        The holding wood guides the fall. Thick, it needs more pull and splits sooner; thin, it lets go sooner.
      </Note>
      <Member path="cut.stumpHeightM" />
      <Member path="cut.stumpDiameterM" />
      <Segments
        label="Notch"
        value={notch.style}
        onChange={(v) => {
          // A narrow notch opens 45°, an open one 70° or more.
          startMember("cut.notch", { ...notch, style: v, openingDeg: v === "narrow" ? 45 : 70 });
        }}
        choices={[
          { value: "open", text: "Open notch" },
          { value: "narrow", text: "Narrow notch" },
        ]}
      />
      <Note>{schools.notch[notch.style]}</Note>
      <Member path="cut.notch.depthM" />
      <Member path="cut.notch.openingDeg" />
      <Member path="cut.hingeThicknessM" />
      <Member path="cut.hingeTaperM" />
      <Member path="cut.aimCorrection" />
      <BackCutFields />
      <WedgeFields />
      <LashingFields />
      <StumpFields />
      <OrderFields />
      <Results />
      <CutResults />
    </>
  );
}

/** Apart from the fields, so that they are not drawn again with every figure of a drag. */
function Results() {
  const analysis = useFeed((s) => s.analysis);
  if (!analysis) return null;
  return (
    <Group title="What follows">
      <Figure label="Hinge length" value={analysis.hinge.lengthM} quantity="thickness" working="hinge-length" />
      <Figure label="Bends at" value={analysis.hinge.bendingNm} quantity="moment" working="hinge-bending" />
      <Figure
        label="Aim off the lay"
        value={analysis.aim.offsetDeg}
        quantity="angle"
        working="aim"
        note={
          Math.abs(analysis.aim.offsetDeg) < 0.05
            ? "no side lean to take off"
            : `${analysis.aim.offsetDeg > 0 ? "right" : "left"} of it, toward ${analysis.aim.bearingDeg.toFixed(1)}°`
        }
      />
      <Figure
        label="Holds to"
        value={analysis.hinge.holdAngleDeg}
        quantity="angle"
        working="hold-angle"
        note="an estimate until your own trials say better"
      />
      <Figure
        label="Side use"
        value={analysis.hinge.sideUse}
        quantity="percent"
        working="side-use"
        note="of what it carries sideways"
      />
      <Figure
        label="Pre-tension, at least"
        value={analysis.pretension.floorN}
        quantity="force"
        working="pretension-floor"
        toward="up"
        note="below this it may sit back on the saw"
      />
      <Figure
        label="Pre-tension, at most"
        value={analysis.pretension.ceilingN}
        quantity="force"
        working="pretension-ceiling"
        toward="down"
        note={
          analysis.pretension.limitedBy === "early-go"
            ? "above this it goes early and may split"
            : "a link is at its limit there"
        }
      />
    </Group>
  );
}

const risks = { low: "low", raised: "raised", high: "high" } as const;

/** What strap, wedges, lashings and bar come to. */
function CutResults() {
  const cut = useFeed((s) => s.analysis?.cut);
  const units = useSettings((s) => s.units);
  if (!cut) return null;
  return (
    <Group title="Wood and wedges">
      <Figure
        label="Stirs at the planned pull"
        value={cut.goesAtPlannedM}
        quantity="thickness"
        working="goes-at-planned"
        note="of wood still uncut"
      />
      <Row
        name="Splits up the stem"
        value={
          cut.splitting === cut.splittingBare
            ? risks[cut.splitting]
            : `${risks[cut.splitting]}; ${risks[cut.splittingBare]} without strap or lashing`
        }
      />
      {cut.shareLeft < 0.999 && (
        <Figure label="Hinge wood left" value={cut.shareLeft} quantity="percent" working="hinge-side-capacity" />
      )}
      {cut.strap && (
        <>
          <Figure
            label="Release strap carries"
            value={cut.strap.use}
            quantity="percent"
            working="strap-use"
            note="of what it carries, at the planned pull"
          />
          <Row
            name="Strap needed"
            value={
              cut.strap.neededM == null ? "more than this stump has" : written(cut.strap.neededM, "thickness", units)
            }
          />
        </>
      )}
      {cut.wedge && (
        <>
          <Figure
            label="Lift by wedges alone"
            value={cut.wedge.liftNeededM}
            quantity="thickness"
            working="wedge-lift"
          />
          <Figure label="Force by wedges alone" value={cut.wedge.forceN} quantity="force" working="wedge-force" />
        </>
      )}
      {cut.forks.map((fork) => (
        <Row
          key={fork.index}
          name={`On fork lashing ${fork.index + 1}`}
          value={`${written(fork.forceN, "force", units)} of ${written(fork.holdsN, "force", units)}`}
        />
      ))}
      {cut.bar && (
        <Row
          name="Bar"
          value={
            cut.bar.fromOneSide
              ? "goes through from one side"
              : cut.bar.coreM === 0
                ? "from both sides"
                : `leaves a core of ${written(cut.bar.coreM, "thickness", units)}${cut.bar.coreBitten ? ", bitten out" : ""}`
          }
        />
      )}
    </Group>
  );
}
