import type { Catalogue, Clearing, WayResult } from "../../api/types";
import { useStarts } from "../../state/starts";
import { setMember, startMember } from "../../state/store";
import { Group, Member } from "../../stations/fields";
import { Choice } from "../../ui/Choice";
import { Button, Note, Segments } from "../../ui/controls";
import { Check } from "../../ui/Check";
import { BlockPart, MetalChoice } from "./GearParts";

interface Props {
  clearing: Clearing;
  way: WayResult;
  pieces: { id: string; name: string }[];
  catalogue: Catalogue;
}

/** What the chosen way alone decides. */
export function WayFields(props: Props) {
  const { clearing } = props;
  switch (clearing.way) {
    case "carry":
      return (
        <>
          <Member path="clearing.carry.people" label="People who carry" quantity="count" />
          <Member path="clearing.carry.eachKg" label="Each carries at most" quantity="mass" step={1} />
        </>
      );
    case "drag":
    case "buttUp":
      return <Member path="clearing.drag.atOnce" label="Logs at once" quantity="count" />;
    case "lift":
      return clearing.lift ? (
        <>
          <Member path="clearing.lift.fromM" label="Hangs from" quantity="length" step={0.5} unknown="where it lies" />
          <Member path="clearing.lift.clearM" label="Clear of the ground" quantity="length" />
          <Member path="clearing.lift.tagAtM" label="Tag line held at" quantity="length" step={0.5} />
          <Member path="clearing.lift.tagHeightM" label="at a height of" quantity="length" />
          <Member path="clearing.lift.tagPeople" label="People on the tag line" quantity="count" />
          <TagDrum clearing={clearing} />
        </>
      ) : null;
    case "fly":
      return clearing.fly ? (
        <>
          <Member path="clearing.fly.sagShare" label="Sag of the loaded line" quantity="percent" step={0.5} measured />
          <Member path="clearing.fly.hangM" label="Load hangs under it" quantity="length" measured />
          <Member
            path="clearing.fly.hookAtM"
            label="Hooked on at"
            quantity="length"
            step={0.5}
            unknown="where it lies"
          />
          <Member path="clearing.fly.lanes" label="Lanes" quantity="count" />
          <Member path="clearing.fly.fanDeg" label="from first to last" quantity="angle" />
          <Check
            label="Another loaded rope crosses it"
            checked={clearing.fly.crosses}
            onChange={(on) => {
              setMember("clearing.fly.crosses", on);
            }}
          />
        </>
      ) : null;
    case "catch":
      return <CatchFields {...props} />;
    case "points":
      return <PointsFields {...props} />;
    case "slide":
      return clearing.slide ? (
        <>
          <PieceChoice path="clearing.slide.pieceId" value={clearing.slide.pieceId} pieces={props.pieces} />
          <Member path="clearing.slide.topHeightM" label="Line sits at" quantity="length" step={0.5} />
          <Member
            path="clearing.slide.pretensionN"
            label="Tension before the load"
            quantity="force"
            step={0.1}
            measured
          />
          <MetalChoice path="clearing.slide.metal" />
          <Check
            label="An old rope, for sliding only"
            checked={clearing.slide.oldRope}
            onChange={(on) => {
              setMember("clearing.slide.oldRope", on);
            }}
          />
          <Check
            label="A second rope brakes it"
            checked={clearing.slide.braked}
            onChange={(on) => {
              setMember("clearing.slide.braked", on);
            }}
          />
        </>
      ) : null;
    case "astern":
      return clearing.astern ? (
        <>
          <Member
            path="clearing.astern.seatHeightM"
            label="Line sits in the tree at"
            quantity="length"
            step={0.5}
            measured
          />
          <Member
            path="clearing.astern.anchor.distanceM"
            label="Runs to something"
            quantity="length"
            step={0.5}
            measured
          />
          <Member
            path="clearing.astern.anchor.bearingDeg"
            label="in the bearing"
            quantity="degrees"
            step={1}
            measured
          />
          <Member path="clearing.astern.anchor.heightM" label="at a height of" quantity="length" measured />
          <Check
            label="Over the high point's block"
            checked={clearing.astern.overSpar}
            onChange={(on) => {
              setMember("clearing.astern.overSpar", on);
            }}
          />
          <Member path="clearing.astern.stopDeg" label="Stop and look at" quantity="angle" unknown="say when" />
          <Note>The tree is the one of this plan, with its lean, its wind and its hinge.</Note>
        </>
      ) : null;
    case "top":
      return clearing.top ? (
        <>
          <Member path="clearing.top.cutHeightM" label="Cut at" quantity="length" step={0.5} />
          <Member path="clearing.top.lineHeightM" label="Line on the top at" quantity="length" step={0.5} />
          <Member
            path="clearing.top.massKg"
            label="The top weighs"
            quantity="mass"
            step={10}
            measured
            unknown="bare stem"
          />
          <Member path="clearing.top.backLeanDeg" label="It leans back" quantity="angle" measured />
          <Member path="clearing.top.hingeM" label="Its hinge" quantity="thickness" />
          <Member path="clearing.top.pullN" label="Pull on it" quantity="force" step={0.1} unknown="what it needs" />
        </>
      ) : null;
    default:
      return noFields(clearing.way);
  }
}

/** A way without a case above does not compile. */
function noFields(way: never): never {
  throw new Error(`The way ${String(way)} has no fields.`);
}

function TagDrum({ clearing }: { clearing: Clearing }) {
  const starts = useStarts();
  return clearing.lift?.tagDrum ? (
    <>
      <Member path="clearing.lift.tagDrum.turns" label="Turns on the tag drum" quantity="count" />
      <Button
        onClick={() => {
          setMember("clearing.lift.tagDrum", undefined);
        }}
      >
        Hold it by hand alone
      </Button>
    </>
  ) : (
    <Button
      className="my-1"
      onClick={() => {
        startMember("clearing.lift.tagDrum", starts.limiter);
      }}
    >
      Put the tag line round a drum
    </Button>
  );
}

function PieceChoice({
  path,
  value,
  pieces,
}: {
  path: "clearing.catch.pieceId" | "clearing.points.pieceId" | "clearing.slide.pieceId";
  value: string | undefined;
  pieces: { id: string; name: string }[];
}) {
  return (
    <Choice
      label="Piece"
      value={value ?? "heaviest"}
      options={[{ value: "heaviest", name: "the heaviest" }, ...pieces.map((p) => ({ value: p.id, name: p.name }))]}
      onChange={(id) => {
        setMember(path, id === "heaviest" ? undefined : id);
      }}
    />
  );
}

function CatchFields({ clearing, pieces }: Props) {
  if (!clearing.catch) return null;
  return (
    <>
      <PieceChoice path="clearing.catch.pieceId" value={clearing.catch.pieceId} pieces={pieces} />
      <Member path="clearing.catch.dropM" label="It drops" quantity="length" measured />
      <Member path="clearing.catch.pieceToBlockM" label="Rope from piece to block" quantity="length" measured />
      <Member path="clearing.catch.offStemM" label="Block off the stem's middle" quantity="length" />
      <Segments
        label="Parts of the rope"
        value={clearing.catch.parts === 2 ? "2" : "1"}
        onChange={(parts) => {
          setMember("clearing.catch.parts", Number(parts));
        }}
        choices={[
          { value: "1", text: "Single" },
          { value: "2", text: "Two-part" },
        ]}
      />
      <Segments
        label="Held or let run"
        value={clearing.catch.letRun ? "run" : "held"}
        onChange={(how) => {
          setMember("clearing.catch.letRun", how === "run");
        }}
        choices={[
          { value: "held", text: "Held" },
          { value: "run", text: "Let run" },
        ]}
      />
      <Note>
        Held, the piece stands at once and rope, block and stem take the blow. Let run, they take what the drum slips
        at, and it needs the height.
      </Note>
    </>
  );
}

function PointsFields({ clearing, pieces, catalogue }: Props) {
  const starts = useStarts();
  const points = clearing.points;
  if (!points) return null;
  return (
    <>
      <PieceChoice path="clearing.points.pieceId" value={points.pieceId} pieces={pieces} />
      <Segments
        label="Raised or let down"
        value={points.raised ? "up" : "down"}
        onChange={(how) => {
          setMember("clearing.points.raised", how === "up");
        }}
        choices={[
          { value: "down", text: "Let down" },
          { value: "up", text: "Raised" },
        ]}
      />
      <Member path="clearing.points.loadAtM" label="Load hangs at" quantity="length" step={0.5} />
      <Member path="clearing.points.loadHeightM" label="at a height of" quantity="length" step={0.5} />
      {points.points.map((p, i) => (
        <Group key={i} title={`${i + 1}. ${p.name}`}>
          <Member path={`clearing.points.points[${i}].atM`} label="Along the section" quantity="length" step={0.5} />
          <Member path={`clearing.points.points[${i}].heightM`} label="Height" quantity="length" step={0.5} />
          <Member
            path={`clearing.points.points[${i}].limbDiameterM`}
            label="Limb at its union"
            quantity="thickness"
            measured
            unknown="on no limb"
          />
          <Member path={`clearing.points.points[${i}].limbLeverM`} label="Lever from the union" quantity="length" />
          <Member path={`clearing.points.points[${i}].limbRiseDeg`} label="Limb rises" quantity="angle" />
          <Member path={`clearing.points.points[${i}].limbMassKg`} label="Limb weighs" quantity="mass" step={5} />
          <Check
            label="Points to the right"
            checked={p.limbToRight}
            onChange={(on) => {
              setMember(`clearing.points.points[${i}].limbToRight`, on);
            }}
          />
          <BlockPart path={`clearing.points.points[${i}].block`} name="Ring or block" catalogue={catalogue} />
          {points.points.length > 1 && (
            <Button
              className="mt-1"
              onClick={() => {
                setMember(
                  "clearing.points.points",
                  points.points.filter((_, at) => at !== i),
                );
              }}
            >
              Take this point away
            </Button>
          )}
        </Group>
      ))}
      {points.points.length < 8 && (
        <Button
          className="mt-2"
          onClick={() => {
            startMember("clearing.points.points", [
              ...points.points,
              { ...starts.clearing.point, name: `Point ${points.points.length + 1}` },
            ]);
          }}
        >
          Add a point
        </Button>
      )}
    </>
  );
}
