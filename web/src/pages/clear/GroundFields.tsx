import { useState } from "react";
import { api, sayWhy } from "../../api/client";
import type { Catalogue, Clearing } from "../../api/types";
import { groundUp } from "../../drawing/section";
import { useStarts } from "../../state/starts";
import { setMember, startMember, useSheet } from "../../state/store";
import { Group, Member } from "../../stations/fields";
import { Choice } from "../../ui/Choice";
import { Button, Note, Segments } from "../../ui/controls";
import { useSettings } from "../../ui/settings";
import { Check } from "../../ui/Check";
import { Name } from "./NameField";
import { labelOf } from "../../state/members";

/** The ground between the two ends, what stands on it, how a log slides over it. */
export function GroundFields({ clearing, catalogue }: { clearing: Clearing; catalogue: Catalogue }) {
  const starts = useStarts();
  const { ground } = clearing;
  return (
    <>
      <Note>
        Drag the spots in the drawing, or give them here: metres from the left end, and heights over any zero.
      </Note>
      <Name path="clearing.ground.leftName" label={labelOf("clearing.ground.leftName")} />
      <Name path="clearing.ground.rightName" label={labelOf("clearing.ground.rightName")} />
      <Member path="clearing.ground.landingAtM" />
      <Choice
        label={labelOf("clearing.ground.surfaceId")}
        value={ground.surfaceId}
        options={catalogue.anchors
          .filter((a) => a.kind === "drag")
          .map((a) => ({ value: a.id, name: a.name, note: `friction ${a.low} to ${a.high}` }))}
        onChange={(id) => {
          setMember("clearing.ground.surfaceId", id);
        }}
      />
      <Member path="clearing.ground.friction" />
      <Check
        label={labelOf("clearing.ground.soft")}
        checked={ground.soft}
        onChange={(on) => {
          setMember("clearing.ground.soft", on);
        }}
      />
      <FromPlan clearing={clearing} />
      <Group title="Spots">
        {ground.spots.map((_, i) => (
          <div key={i} className="border-b border-rule">
            <Member path={`clearing.ground.spots[${i}].atM`} of={`spot ${i + 1}`} />
            <Member path={`clearing.ground.spots[${i}].upM`} of={`spot ${i + 1}`} />
          </div>
        ))}
        <div className="flex gap-2">
          <Button
            className="my-1"
            onClick={() => {
              // In the middle of the longest part, on the ground that is there.
              const longest = ground.spots.slice(1).reduce(
                (best, s, i) => {
                  const from = ground.spots[i]?.atM ?? 0;
                  return s.atM - from > best.length ? { length: s.atM - from, at: (s.atM + from) / 2 } : best;
                },
                { length: 0, at: 0 },
              );
              startMember(
                "clearing.ground.spots",
                [...ground.spots, { atM: longest.at, upM: groundUp(ground.spots, longest.at) }].sort(
                  (a, b) => a.atM - b.atM,
                ),
              );
            }}
          >
            Add a spot
          </Button>
          {ground.spots.length > 2 && (
            <Button
              className="my-1"
              onClick={() => {
                setMember("clearing.ground.spots", ground.spots.slice(0, -1));
              }}
            >
              Take the last away
            </Button>
          )}
        </div>
      </Group>
      {ground.obstacles.map((o, i) => (
        <Group key={i} title={o.name}>
          <Name path={`clearing.ground.obstacles[${i}].name`} label="Called" />
          <Segments
            label="Kind"
            value={o.kind}
            onChange={(kind) => {
              setMember(`clearing.ground.obstacles[${i}].kind`, kind);
            }}
            choices={[
              { value: "thing", text: "Thing" },
              { value: "fragile", text: "Fragile" },
              { value: "way", text: "Path" },
              { value: "powerLine", text: "Power" },
            ]}
          />
          <Member path={`clearing.ground.obstacles[${i}].fromM`} />
          <Member path={`clearing.ground.obstacles[${i}].toM`} />
          <Member path={`clearing.ground.obstacles[${i}].heightM`} />
          {(o.kind === "way" || o.kind === "powerLine") && (
            <Name
              path={`clearing.ground.obstacles[${i}].arrangedBy`}
              label={o.kind === "way" ? "Closed by" : "Utility's word, name and time"}
            />
          )}
          <Button
            className="mt-1"
            onClick={() => {
              setMember(
                "clearing.ground.obstacles",
                ground.obstacles.filter((_, at) => at !== i),
              );
            }}
          >
            It is not there
          </Button>
        </Group>
      ))}
      <Button
        className="mt-2"
        onClick={() => {
          startMember("clearing.ground.obstacles", [...ground.obstacles, starts.clearing.obstacle]);
        }}
      >
        Something stands between
      </Button>
    </>
  );
}

/** The ends of the section on the plan, and taking from there what is known of the ground between. */
function FromPlan({ clearing }: { clearing: Clearing }) {
  const units = useSettings((s) => s.units);
  const [said, setSaid] = useState<string | null>(null);
  const { from, to } = clearing.ground;
  if (!from || !to)
    return (
      <Button
        className="my-1"
        onClick={() => {
          startMember("clearing.ground.from", { eastM: 0, northM: 0 });
          startMember("clearing.ground.to", { eastM: 0, northM: clearing.ground.spots.at(-1)?.atM ?? 40 });
        }}
      >
        Put its ends on the plan
      </Button>
    );
  return (
    <Group title="Ends on the plan, from the stump">
      <Member path="clearing.ground.from.eastM" of="left end" />
      <Member path="clearing.ground.from.northM" of="left end" />
      <Member path="clearing.ground.to.eastM" of="right end" />
      <Member path="clearing.ground.to.northM" of="right end" />
      <Button
        className="my-1"
        onClick={() => {
          const plan = useSheet.getState().document?.plan;
          if (!plan) return;
          api.clearingSection(plan, units).then(
            (section) => {
              startMember("clearing.ground", section);
              setSaid(`${section.spots.length} spots and ${section.obstacles.length} obstacles taken from the plan.`);
            },
            (error: unknown) => {
              setSaid(sayWhy(error, "Draklo does not answer."));
            },
          );
        }}
      >
        Take spots and obstacles from the plan
      </Button>
      {said !== null && (
        <p role="status" className="text-[13px]">
          {said}
        </p>
      )}
      <Button
        className="my-1"
        onClick={() => {
          setMember("clearing.ground.from", undefined);
          setMember("clearing.ground.to", undefined);
        }}
      >
        Take the ends off the plan
      </Button>
    </Group>
  );
}
