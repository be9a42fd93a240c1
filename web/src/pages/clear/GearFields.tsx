import type { Catalogue, Clearing } from "../../api/types";
import { usesOf } from "../../drawing/section";
import type { PathOf } from "../../state/memberPath";
import { useStarts } from "../../state/starts";
import { setMember, startMember } from "../../state/store";
import { AnchorFields } from "../../stations/AnchorFields";
import { Group, Member, useMember } from "../../stations/fields";
import { Piece } from "../../stations/Piece";
import { OneRope } from "../../stations/RopeFields";
import { SlingFields } from "../../stations/SlingFields";
import { Choice } from "../../ui/Choice";
import { Button, Note, Segments } from "../../ui/controls";

type SectionPoint = NonNullable<Clearing["low"]>;
type RigBlock = NonNullable<NonNullable<Clearing["high"]>["block"]>;
type Rope = NonNullable<Clearing["line"]>;

const rope: Rope = { breakingStrengthN: 30_000, lengthM: 60, diameterM: 0.013, stretchAtTenPercent: 0.03 };

/** The gear of the chosen way: what is not used by it is not shown. */
export function GearFields({ clearing, catalogue }: { clearing: Clearing; catalogue: Catalogue }) {
  const uses = usesOf(clearing.way);
  return (
    <>
      {uses.high && <HighFields clearing={clearing} catalogue={catalogue} block={uses.block} />}
      {uses.line && (
        <RopePart path="clearing.line" name={lineNames[clearing.way] ?? "Loaded line"} catalogue={catalogue} />
      )}
      {uses.haul && <RopePart path="clearing.haul" name="Hauling line" catalogue={catalogue} />}
      {uses.tag && <RopePart path="clearing.tag" name="Tag line" catalogue={catalogue} />}
      {uses.sling && (
        <Group title="Sling on the load">
          <SlingFields path="clearing.loadSling" catalogue={catalogue} name="It is" />
        </Group>
      )}
      {uses.carriage && <CarriageFields clearing={clearing} />}
      {uses.low && <PointPart path="clearing.low" name="Low anchor" start="low" catalogue={catalogue} />}
      {uses.drum && <DrumFields clearing={clearing} catalogue={catalogue} />}
      {uses.lead && <LeadFields clearing={clearing} catalogue={catalogue} />}
      {uses.hauler && <HaulerFields clearing={clearing} catalogue={catalogue} />}
    </>
  );
}

const lineNames: Partial<Record<Clearing["way"], string>> = {
  catch: "Rope that catches",
  points: "Rope over the points",
  slide: "Tight line",
  astern: "Line behind",
};

function RopePart({
  path,
  name,
  catalogue,
}: {
  path: "clearing.line" | "clearing.haul" | "clearing.tag" | "clearing.high.guy.rope";
  name: string;
  catalogue: Catalogue;
}) {
  const given = useMember(path) !== undefined;
  return (
    <Group title={name}>
      {given ? (
        <>
          <OneRope path={path} place="rope" catalogue={catalogue} inTree={false} />
          <Button
            className="mt-1"
            onClick={() => {
              setMember(path, undefined);
            }}
          >
            Take it away
          </Button>
        </>
      ) : (
        <Button
          className="my-1"
          onClick={() => {
            startMember(path, rope);
          }}
        >
          Say which rope
        </Button>
      )}
    </Group>
  );
}

function HighFields({ clearing, catalogue, block }: { clearing: Clearing; catalogue: Catalogue; block: boolean }) {
  const starts = useStarts();
  const { high } = clearing;
  if (!high)
    return (
      <Group title="High point">
        <Button
          className="my-1"
          onClick={() => {
            startMember("clearing.high", starts.clearing.high);
          }}
        >
          Say what stands as the high point
        </Button>
      </Group>
    );
  return (
    <Group title="High point">
      <Member path="clearing.high.blockHeightM" label="Block hangs at" quantity="length" step={0.5} measured />
      <Choice
        label="Species"
        value={high.stem.speciesId ?? "any"}
        options={[
          { value: "any", name: "an ordinary broadleaf" },
          ...catalogue.species.filter((s) => !s.own).map((s) => ({ value: s.species.id, name: s.species.name })),
        ]}
        onChange={(id) => {
          setMember("clearing.high.stem.speciesId", id === "any" ? undefined : id);
        }}
      />
      <Member path="clearing.high.stem.dbhM" label="Breast diameter" quantity="thickness" measured />
      <Member path="clearing.high.stem.heightM" label="Height of the tree" quantity="length" step={0.5} measured />
      <Member path="clearing.high.stem.soundness" label="Soundness, 1 is sound" quantity="ratio" measured />
      <Choice
        label="Roots in"
        value={high.stem.groundId}
        options={catalogue.anchors.filter((a) => a.kind === "roots").map((a) => ({ value: a.id, name: a.name }))}
        onChange={(id) => {
          setMember("clearing.high.stem.groundId", id);
        }}
      />
      <Tick
        name="Topped at the block"
        on={high.topped}
        onChange={(on) => {
          setMember("clearing.high.topped", on);
        }}
      />
      {high.decay ? (
        <div className="border-l-2 border-rule pl-2">
          <Member path="clearing.high.decay.shellM" label="Sound shell, probed" quantity="thickness" measured />
          <Member path="clearing.high.decay.diameterM" label="Diameter there" quantity="thickness" measured />
          <Button
            onClick={() => {
              setMember("clearing.high.decay", undefined);
            }}
          >
            Take the probe away
          </Button>
        </div>
      ) : (
        <Button
          className="my-1 mr-2"
          onClick={() => {
            startMember("clearing.high.decay", { shellM: high.stem.dbhM / 2, diameterM: high.stem.dbhM });
          }}
        >
          It was probed
        </Button>
      )}
      {block && <BlockPart path="clearing.high.block" name="Block up high" catalogue={catalogue} />}
      {high.guy ? (
        <div className="mt-1 border-l-2 border-rule pl-2">
          <p className="font-tight text-sm font-semibold">Guy</p>
          <Member path="clearing.high.guy.offDeg" label="Off straight back" quantity="angle" />
          <RopePart path="clearing.high.guy.rope" name="Guy's rope" catalogue={catalogue} />
          <AnchorFields path="clearing.high.guy.anchor" catalogue={catalogue} />
          <SlingFields path="clearing.high.guy.anchor.sling" catalogue={catalogue} name="Its sling" />
          <Button
            onClick={() => {
              setMember("clearing.high.guy", undefined);
            }}
          >
            Take the guy away
          </Button>
        </div>
      ) : (
        <Button
          className="my-1"
          onClick={() => {
            startMember("clearing.high.guy", starts.clearing.guy);
          }}
        >
          Hang a guy
        </Button>
      )}
    </Group>
  );
}

export function BlockPart({ path, name, catalogue }: { path: PathOf<RigBlock>; name: string; catalogue: Catalogue }) {
  const block = useMember(path) as RigBlock | undefined;
  if (!block)
    return (
      <Button
        className="my-1"
        onClick={() => {
          startMember(path, { contactId: "bushed-block" });
        }}
      >
        Say which block
      </Button>
    );
  return (
    <div className="mt-1 border-l-2 border-rule pl-2">
      <p className="font-tight text-sm font-semibold">{name}</p>
      <Choice
        label="Line turns round"
        value={block.contactId}
        options={catalogue.contacts.map((c) => ({
          value: c.id,
          name: c.name,
          note: `passes on ${Math.round(c.nominal * 100)} % at a half turn`,
        }))}
        onChange={(id) => {
          setMember(`${path}.contactId`, id);
        }}
      />
      <Piece path={path} place="rigBlock" />
      <Member path={`${path}.strengthN`} label="Breaks at" quantity="force" step={1} measured unknown="not known" />
      <MetalChoice path={`${path}.metal`} />
      <SlingFields path={`${path}.sling`} catalogue={catalogue} name="Its sling" />
    </div>
  );
}

export function MetalChoice({
  path,
}: {
  path: `${PathOf<RigBlock>}.metal` | "clearing.carriage.metal" | "clearing.slide.metal";
}) {
  const metal = useMember(path) as "steel" | "alloy" | undefined;
  return (
    <Segments
      label="Metal"
      value={metal ?? "none"}
      onChange={(m) => {
        setMember(path, m === "none" ? undefined : m);
      }}
      choices={[
        { value: "steel", text: "Steel" },
        { value: "alloy", text: "Alloy" },
        { value: "none", text: "Not looked" },
      ]}
    />
  );
}

function CarriageFields({ clearing }: { clearing: Clearing }) {
  const starts = useStarts();
  return (
    <Group title="Carriage">
      {clearing.carriage ? (
        <>
          <Piece path="clearing.carriage" place="carriage" />
          <Member path="clearing.carriage.massKg" label="Weighs, with its hook" quantity="mass" step={1} measured />
          <Member
            path="clearing.carriage.strengthN"
            label="Breaks at"
            quantity="force"
            step={1}
            measured
            unknown="not known"
          />
          <MetalChoice path="clearing.carriage.metal" />
        </>
      ) : (
        <Button
          className="my-1"
          onClick={() => {
            startMember("clearing.carriage", starts.clearing.carriage);
          }}
        >
          Say which carriage
        </Button>
      )}
    </Group>
  );
}

function PointPart({
  path,
  name,
  start,
  catalogue,
}: {
  path: PathOf<SectionPoint>;
  name: string;
  start: "low" | "haulAnchor";
  catalogue: Catalogue;
}) {
  const starts = useStarts();
  const given = useMember(path) !== undefined;
  return (
    <Group title={name}>
      {given ? (
        <PointFields path={path} catalogue={catalogue} />
      ) : (
        <Button
          className="my-1"
          onClick={() => {
            startMember(path, starts.clearing[start]);
          }}
        >
          Say what it is
        </Button>
      )}
    </Group>
  );
}

/** An anchor of the section: where it is, what it is, its sling. */
function PointFields({ path, catalogue }: { path: PathOf<SectionPoint>; catalogue: Catalogue }) {
  return (
    <>
      <Member path={`${path}.atM`} label="Along the section" quantity="length" step={0.5} />
      <Member path={`${path}.heightM`} label="Strap's height" quantity="length" />
      <AnchorFields path={path} catalogue={catalogue} />
      <SlingFields path={`${path}.sling`} catalogue={catalogue} name="Its sling" />
    </>
  );
}

function DrumFields({ clearing, catalogue }: { clearing: Clearing; catalogue: Catalogue }) {
  const starts = useStarts();
  return (
    <Group title="Drum">
      {clearing.drum ? (
        <>
          <Piece path="clearing.drum.turns" place="drum" />
          <Member path="clearing.drum.turns.turns" label="Turns" quantity="count" />
          <Member
            path="clearing.drum.turns.friction"
            label="Friction, as tried"
            quantity="ratio"
            step={0.01}
            measured
          />
          <Member
            path="clearing.drum.turns.holdN"
            label="Hand on the tail holds"
            quantity="force"
            step={0.01}
            measured
          />
          <Member
            path="clearing.drum.strengthN"
            label="Breaks at"
            quantity="force"
            step={1}
            measured
            unknown="not known"
          />
          {clearing.drum.anchor && <PointFields path="clearing.drum.anchor" catalogue={catalogue} />}
          <Button
            className="mt-1"
            onClick={() => {
              setMember("clearing.drum", undefined);
            }}
          >
            Take the drum away
          </Button>
        </>
      ) : (
        <Button
          className="my-1"
          onClick={() => {
            startMember("clearing.drum", starts.clearing.drum);
          }}
        >
          Put the rope round a drum
        </Button>
      )}
    </Group>
  );
}

function LeadFields({ clearing, catalogue }: { clearing: Clearing; catalogue: Catalogue }) {
  const starts = useStarts();
  return (
    <Group title="Lead block">
      {clearing.lead ? (
        <>
          <Member path="clearing.lead.turnDeg" label="Turned aside, right is +" quantity="angle" />
          <PointFields path="clearing.lead.anchor" catalogue={catalogue} />
          <BlockPart path="clearing.lead.block" name="Its block" catalogue={catalogue} />
          <Button
            className="mt-1"
            onClick={() => {
              setMember("clearing.lead", undefined);
            }}
          >
            Take the lead away
          </Button>
        </>
      ) : (
        <>
          <Note>The line runs straight to the hauler.</Note>
          <Button
            className="my-1"
            onClick={() => {
              startMember("clearing.lead", starts.clearing.lead);
            }}
          >
            Lead it over a block
          </Button>
        </>
      )}
    </Group>
  );
}

const haulers = [
  { value: "people", name: "People", note: "by number and footing" },
  { value: "handWinch", name: "Hand winch", note: "by its rating" },
  { value: "machine", name: "Machine", note: "with a pull of its own" },
  { value: "vehicle", name: "Vehicle", note: "by weight, surface and slope" },
];

function HaulerFields({ clearing, catalogue }: { clearing: Clearing; catalogue: Catalogue }) {
  const starts = useStarts();
  const { hauler } = clearing;
  const still = hauler.kind === "machine" || hauler.kind === "handWinch";
  return (
    <Group title="Hauler">
      <Choice
        label="Who hauls"
        value={hauler.kind}
        options={haulers}
        onChange={(kind) => {
          startMember("clearing.hauler", {
            ...hauler,
            kind,
            ...(kind === "vehicle"
              ? { vehicle: hauler.vehicle ?? starts.vehicle }
              : kind === "people"
                ? {}
                : { machineN: hauler.machineN ?? (kind === "machine" ? starts.machineN : starts.handWinchN) }),
          });
        }}
      />
      {hauler.kind === "people" && (
        <>
          <Member path="clearing.hauler.count" label="People" quantity="count" />
          <Member path="clearing.hauler.effortEachN" label="Each keeps up" quantity="force" step={0.01} measured />
        </>
      )}
      {still && <Member path="clearing.hauler.machineN" label="It keeps up" quantity="force" step={1} measured />}
      {hauler.kind === "vehicle" && hauler.vehicle && (
        <>
          <Member path="clearing.hauler.vehicle.massKg" label="Its mass" quantity="mass" step={50} measured />
          <Member path="clearing.hauler.vehicle.slopeDeg" label="Slope it drives up" quantity="angle" />
        </>
      )}
      <Member path="clearing.haulerAtM" label="Stands at" quantity="length" step={0.5} unknown="the left end" />
      <TackleChoice clearing={clearing} catalogue={catalogue} />
      {(still || clearing.tackle !== undefined) && (
        <PointPart path="clearing.haulAnchor" name="What holds it" start="haulAnchor" catalogue={catalogue} />
      )}
    </Group>
  );
}

function TackleChoice({ clearing, catalogue }: { clearing: Clearing; catalogue: Catalogue }) {
  return (
    <>
      <Choice
        label="Tackle"
        value={clearing.tackle?.systemId ?? "none"}
        options={[
          { value: "none", name: "none: they haul the line" },
          ...catalogue.systems
            .filter((t) => t.id !== "direct")
            .map((t) => ({ value: t.id, name: t.name, note: t.note })),
        ]}
        onChange={(id) => {
          startMember(
            "clearing.tackle",
            id === "none"
              ? undefined
              : { contactId: "bushed-block", openedM: 6, closedM: 1, ...clearing.tackle, systemId: id },
          );
        }}
      />
      {clearing.tackle && (
        <Member
          path="clearing.tackle.hardwareStrengthN"
          label="Its blocks break at"
          quantity="force"
          step={1}
          measured
          unknown="not known"
        />
      )}
    </>
  );
}

export function Tick({ name, on, onChange }: { name: string; on: boolean; onChange: (on: boolean) => void }) {
  return (
    <label className="flex min-h-8 items-center gap-2 font-tight text-sm coarse:min-h-11">
      <input
        type="checkbox"
        checked={on}
        onChange={(e) => {
          onChange(e.target.checked);
        }}
        className="h-4 w-4 accent-ink"
      />
      {name}
    </label>
  );
}
