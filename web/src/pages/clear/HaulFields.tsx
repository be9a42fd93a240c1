import type { Catalogue, Clearing } from "../../api/types";
import { useStarts } from "../../state/starts";
import { startMember } from "../../state/store";
import { Group, Member } from "../../stations/fields";
import { Choice } from "../../ui/Choice";
import { Note } from "../../ui/controls";
import { BlockPart, Optional, PointFields, PointPart } from "./GearParts";

/** The block that turns the line aside on its way to the hauler. */
export function LeadFields({ clearing, catalogue }: { clearing: Clearing; catalogue: Catalogue }) {
  const starts = useStarts();
  return (
    <Group title="Lead block">
      {!clearing.lead && <Note>The line runs straight to the hauler.</Note>}
      <Optional
        path="clearing.lead"
        begin="Lead it over a block"
        start={starts.clearing.lead}
        away="Take the lead away"
      >
        <Member path="clearing.lead.turnDeg" />
        <PointFields path="clearing.lead.anchor" catalogue={catalogue} />
        <BlockPart path="clearing.lead.block" name="Its block" catalogue={catalogue} />
      </Optional>
    </Group>
  );
}

const haulers = [
  { value: "people", name: "People", note: "by number and footing" },
  { value: "handWinch", name: "Hand winch", note: "by its rating" },
  { value: "machine", name: "Machine", note: "with a pull of its own" },
  { value: "vehicle", name: "Vehicle", note: "by weight, surface and slope" },
];

/** Who or what hauls, through which tackle, and what holds it. */
export function HaulerFields({ clearing, catalogue }: { clearing: Clearing; catalogue: Catalogue }) {
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
          <Member path="clearing.hauler.count" />
          <Member path="clearing.hauler.effortEachN" />
        </>
      )}
      {still && <Member path="clearing.hauler.machineN" />}
      {hauler.kind === "vehicle" && hauler.vehicle && (
        <>
          <Member path="clearing.hauler.vehicle.massKg" />
          <Member path="clearing.hauler.vehicle.slopeDeg" />
        </>
      )}
      <Member path="clearing.haulerAtM" />
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
      {clearing.tackle && <Member path="clearing.tackle.hardwareStrengthN" />}
    </>
  );
}
