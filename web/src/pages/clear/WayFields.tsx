import type { Catalogue, Clearing, WayResult } from "../../api/types";
import { useStarts } from "../../state/starts";
import { setMember, startMember } from "../../state/store";
import { Group, Member } from "../../stations/fields";
import { SlingFields } from "../../stations/SlingFields";
import { Choice } from "../../ui/Choice";
import { Button, Note, Segments } from "../../ui/controls";
import { Check } from "../../ui/Check";
import { BlockPart, MetalChoice } from "./GearParts";
import { labelOf } from "../../state/members";

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
          <Member path="clearing.carry.people" />
          <Member path="clearing.carry.eachKg" />
        </>
      );
    case "drag":
    case "buttUp":
      return <Member path="clearing.drag.atOnce" />;
    case "lift":
      return clearing.lift ? (
        <>
          <Member path="clearing.lift.fromM" />
          <Member path="clearing.lift.clearM" />
          <Member path="clearing.lift.tagAtM" />
          <Member path="clearing.lift.tagHeightM" />
          <Member path="clearing.lift.tagPeople" />
          <TagDrum clearing={clearing} />
        </>
      ) : null;
    case "fly":
      return clearing.fly ? (
        <>
          <Member path="clearing.fly.sagShare" />
          <Member path="clearing.fly.hangM" />
          <Member path="clearing.fly.hookAtM" />
          <Member path="clearing.fly.lanes" />
          <Member path="clearing.fly.fanDeg" />
          <Check
            label={labelOf("clearing.fly.crosses")}
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
          <Member path="clearing.slide.topHeightM" />
          <Member path="clearing.slide.pretensionN" />
          <MetalChoice path="clearing.slide.metal" />
          <Check
            label={labelOf("clearing.slide.oldRope")}
            checked={clearing.slide.oldRope}
            onChange={(on) => {
              setMember("clearing.slide.oldRope", on);
            }}
          />
          <Check
            label={labelOf("clearing.slide.braked")}
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
          <Member path="clearing.astern.seatHeightM" />
          <Member path="clearing.astern.anchor.distanceM" />
          <Member path="clearing.astern.anchor.bearingDeg" />
          <Member path="clearing.astern.anchor.heightM" />
          <Check
            label={labelOf("clearing.astern.overSpar")}
            checked={clearing.astern.overSpar}
            onChange={(on) => {
              setMember("clearing.astern.overSpar", on);
            }}
          />
          <Member path="clearing.astern.stopDeg" />
          <Note>The tree is the one of this plan, with its lean, its wind and its hinge.</Note>
        </>
      ) : null;
    case "top":
      return clearing.top ? (
        <>
          <Member path="clearing.top.cutHeightM" />
          <Member path="clearing.top.lineHeightM" />
          <Member path="clearing.top.massKg" />
          <Member path="clearing.top.backLeanDeg" />
          <Member path="clearing.top.hingeM" />
          <Member path="clearing.top.pullN" />
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
      <Member path="clearing.lift.tagDrum.turns" />
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

function CatchFields({ clearing, pieces, catalogue }: Props) {
  if (!clearing.catch) return null;
  return (
    <>
      <PieceChoice path="clearing.catch.pieceId" value={clearing.catch.pieceId} pieces={pieces} />
      <Member path="clearing.catch.dropM" />
      <Member path="clearing.catch.pieceToBlockM" />
      <Member path="clearing.catch.offStemM" />
      <Segments
        label={labelOf("clearing.catch.parts")}
        value={clearing.catch.parts === 2 ? "2" : "1"}
        onChange={(parts) => {
          setMember("clearing.catch.parts", Number(parts));
        }}
        choices={[
          { value: "1", text: "Single" },
          { value: "2", text: "Two-part" },
        ]}
      />
      {clearing.catch.parts === 2 && (
        <>
          <BlockPart path="clearing.catch.block" name={labelOf("clearing.catch.block")} catalogue={catalogue} />
          <SlingFields path="clearing.catch.endSling" catalogue={catalogue} name={labelOf("clearing.catch.endSling")} />
        </>
      )}
      <Segments
        label={labelOf("clearing.catch.letRun")}
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
        label={labelOf("clearing.points.raised")}
        value={points.raised ? "up" : "down"}
        onChange={(how) => {
          setMember("clearing.points.raised", how === "up");
        }}
        choices={[
          { value: "down", text: "Let down" },
          { value: "up", text: "Raised" },
        ]}
      />
      <Member path="clearing.points.loadAtM" />
      <Member path="clearing.points.loadHeightM" />
      {points.points.map((p, i) => (
        <Group key={i} title={`${i + 1}. ${p.name}`}>
          <Member path={`clearing.points.points[${i}].atM`} />
          <Member path={`clearing.points.points[${i}].heightM`} />
          <Member path={`clearing.points.points[${i}].limbDiameterM`} />
          <Member path={`clearing.points.points[${i}].limbLeverM`} />
          <Member path={`clearing.points.points[${i}].limbRiseDeg`} />
          <Member path={`clearing.points.points[${i}].limbMassKg`} />
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
