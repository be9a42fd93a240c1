import type { Catalogue, Clearing } from "../../api/types";
import { useClearing } from "../../state/feed";
import { useStarts } from "../../state/starts";
import { setMember } from "../../state/store";
import { AnchorFields } from "../../stations/AnchorFields";
import { Group, Member } from "../../stations/fields";
import { Piece } from "../../stations/Piece";
import { SlingFields } from "../../stations/SlingFields";
import { Choice } from "../../ui/Choice";
import { Check } from "../../ui/Check";
import { BlockPart, MetalChoice, Optional, PointFields, PointPart, RopePart } from "./GearParts";
import { HaulerFields, LeadFields } from "./HaulFields";
import { labelOf } from "../../state/members";

/** The gear of the chosen way: what is not used by it is not shown. */
export function GearFields({ clearing, catalogue }: { clearing: Clearing; catalogue: Catalogue }) {
  const way = useClearing((s) => s.analysis?.ways.find((w) => w.way === clearing.way));
  if (!way) return null;
  const uses = (part: (typeof way.uses)[number]) => way.uses.includes(part);
  return (
    <>
      {uses("high") && <HighPart clearing={clearing} catalogue={catalogue} block={uses("block")} />}
      {uses("line") && <RopePart path="clearing.line" name={way.lineName} catalogue={catalogue} />}
      {uses("haul") && <RopePart path="clearing.haul" name="Hauling line" catalogue={catalogue} />}
      {uses("tag") && <RopePart path="clearing.tag" name="Tag line" catalogue={catalogue} />}
      {uses("sling") && (
        <Group title="Sling on the load">
          <SlingFields path="clearing.loadSling" catalogue={catalogue} name="It is" />
        </Group>
      )}
      {uses("carriage") && <CarriageFields />}
      {uses("low") && <PointPart path="clearing.low" name="Low anchor" start="low" catalogue={catalogue} />}
      {uses("drum") && <DrumFields clearing={clearing} catalogue={catalogue} />}
      {uses("lead") && <LeadFields clearing={clearing} catalogue={catalogue} />}
      {uses("hauler") && <HaulerFields clearing={clearing} catalogue={catalogue} />}
    </>
  );
}

function HighPart({ clearing, catalogue, block }: { clearing: Clearing; catalogue: Catalogue; block: boolean }) {
  const starts = useStarts();
  const { high } = clearing;
  return (
    <Group title="High point">
      <Optional path="clearing.high" begin="Say what stands as the high point" start={starts.clearing.high}>
        {high && <HighFields high={high} catalogue={catalogue} block={block} />}
      </Optional>
    </Group>
  );
}

function HighFields({
  high,
  catalogue,
  block,
}: {
  high: NonNullable<Clearing["high"]>;
  catalogue: Catalogue;
  block: boolean;
}) {
  const starts = useStarts();
  return (
    <>
      <Member path="clearing.high.blockHeightM" />
      <Choice
        label={labelOf("clearing.high.stem.speciesId")}
        value={high.stem.speciesId ?? "any"}
        options={[
          { value: "any", name: "an ordinary broadleaf" },
          ...catalogue.species.filter((s) => !s.own).map((s) => ({ value: s.species.id, name: s.species.name })),
        ]}
        onChange={(id) => {
          setMember("clearing.high.stem.speciesId", id === "any" ? undefined : id);
        }}
      />
      <Member path="clearing.high.stem.dbhM" />
      <Member path="clearing.high.stem.heightM" />
      <Member path="clearing.high.stem.soundness" />
      <Choice
        label={labelOf("clearing.high.stem.groundId")}
        value={high.stem.groundId}
        options={catalogue.anchors.filter((a) => a.kind === "roots").map((a) => ({ value: a.id, name: a.name }))}
        onChange={(id) => {
          setMember("clearing.high.stem.groundId", id);
        }}
      />
      <Check
        label={labelOf("clearing.high.topped")}
        checked={high.topped}
        onChange={(on) => {
          setMember("clearing.high.topped", on);
        }}
      />
      <Optional
        path="clearing.high.decay"
        begin="It was probed"
        start={{ shellM: high.stem.dbhM / 2, diameterM: high.stem.dbhM }}
        away="Take the probe away"
      >
        <div className="border-l-2 border-rule pl-2">
          <Member path="clearing.high.decay.shellM" />
          <Member path="clearing.high.decay.diameterM" />
        </div>
      </Optional>
      {block && <BlockPart path="clearing.high.block" name="Block up high" catalogue={catalogue} />}
      <Optional path="clearing.high.guy" begin="Hang a guy" start={starts.clearing.guy} away="Take the guy away">
        <div className="mt-1 border-l-2 border-rule pl-2">
          <p className="font-tight text-sm font-semibold">Guy</p>
          <Member path="clearing.high.guy.offDeg" />
          <RopePart path="clearing.high.guy.rope" name="Guy's rope" catalogue={catalogue} />
          <AnchorFields path="clearing.high.guy.anchor" catalogue={catalogue} />
          <SlingFields path="clearing.high.guy.anchor.sling" catalogue={catalogue} name="Its sling" />
        </div>
      </Optional>
    </>
  );
}

function CarriageFields() {
  const starts = useStarts();
  return (
    <Group title="Carriage">
      <Optional path="clearing.carriage" begin="Say which carriage" start={starts.clearing.carriage}>
        <Piece path="clearing.carriage" place="carriage" />
        <Member path="clearing.carriage.massKg" />
        <Member path="clearing.carriage.strengthN" />
        <MetalChoice path="clearing.carriage.metal" />
      </Optional>
    </Group>
  );
}

function DrumFields({ clearing, catalogue }: { clearing: Clearing; catalogue: Catalogue }) {
  const starts = useStarts();
  return (
    <Group title="Drum">
      <Optional
        path="clearing.drum"
        begin="Put the rope round a drum"
        start={starts.clearing.drum}
        away="Take the drum away"
      >
        <Piece path="clearing.drum.turns" place="drum" />
        <Member path="clearing.drum.turns.turns" />
        <Member path="clearing.drum.turns.friction" />
        <Member path="clearing.drum.turns.holdN" />
        <Member path="clearing.drum.strengthN" />
        {clearing.drum?.anchor && <PointFields path="clearing.drum.anchor" catalogue={catalogue} />}
      </Optional>
    </Group>
  );
}
