import { useState } from "react";
import type { Plan, Target } from "../api/types";
import { kindWords, turnedAbout } from "../drawing/sitePlan";
import { useFeed } from "../state/feed";
import { setMember } from "../state/store";
import { useView } from "../state/view";
import { Check } from "../ui/Check";
import { Choice } from "../ui/Choice";
import { Button, Segments } from "../ui/controls";
import { TextField } from "../ui/TextField";
import { Group, Member, useProblem } from "./fields";
import { Refused } from "../ui/Refused";
import { PlaceFields, type PlaceWay } from "./PlaceFields";
import { Word, words } from "./Word";
import { labelOf } from "../state/members";

const kinds = Object.entries(kindWords).map(([value, name]) => ({ value, name }));

/** The target in hand, by exact figures. */
export function TargetFields({ index, plan }: { index: number; plan: Plan }) {
  const set = useView((s) => s.set);
  const path = `site.targets[${index}]` as const;
  const target = plan.site.targets[index];
  const wrong = useProblem(`${path}.points`);
  const [way, setWay] = useState<PlaceWay>("east");
  const clearance = useFeed((s) => s.analysis?.site.targets.find((t) => t.id === target?.id)?.text);
  if (!target) return null;
  const points = target.points;
  const change = (next: Target["points"]) => {
    setMember(`${path}.points`, next);
  };

  function more(): void {
    const last = points.at(-1);
    const first = points[0];
    if (!last || !first) return;
    const toward = target?.closed ? first : { eastM: last.eastM + 8, northM: last.northM };
    change([
      ...points,
      {
        eastM: Math.round((last.eastM + toward.eastM) * 5) / 10,
        northM: Math.round((last.northM + toward.northM) * 5) / 10,
      },
    ]);
  }

  return (
    <Group title="In hand">
      <Choice
        label={labelOf(`${path}.kind`)}
        value={target.kind}
        options={kinds}
        onChange={(k) => {
          setMember(`${path}.kind`, k);
        }}
      />
      <TextField
        label={labelOf(`${path}.name`)}
        value={target.name ?? ""}
        onChange={(v) => {
          setMember(`${path}.name`, v === "" ? undefined : v, "target-name");
        }}
      />
      {clearance && <p className="py-1 text-[13px] leading-snug">{clearance}</p>}
      {!target.closed && <Member path={`${path}.radiusM`} />}
      <Member path={`${path}.heightM`} />
      <Check
        label={labelOf(`${path}.mayBeHit`)}
        note="its owner accepts that"
        checked={target.mayBeHit}
        onChange={(v) => {
          setMember(`${path}.mayBeHit`, v);
        }}
      />
      {points.length > 2 && (
        <Check
          label={labelOf(`${path}.closed`)}
          checked={target.closed}
          onChange={(v) => {
            setMember(`${path}.closed`, v);
          }}
        />
      )}
      {target.kind === "powerLine" && <Word path={`${path}.utilityWord`} {...words.utility} />}
      {(target.kind === "road" || target.kind === "path") && <Word path={`${path}.closing`} {...words.closing} />}
      <Segments
        label="Places given as"
        value={way}
        onChange={(v) => {
          setWay(v as PlaceWay);
        }}
        choices={[
          { value: "east", text: "East, north" },
          { value: "far", text: "Distance, bearing" },
          { value: "lay", text: "By the lay" },
        ]}
      />
      {points.map((point, i) => (
        <div key={i} className="grid grid-cols-[1fr_auto] items-end gap-x-2">
          <PlaceFields
            path={`${path}.points[${i}]`}
            corner={points.length === 1 ? null : i + 1}
            point={point}
            way={way}
            layDeg={plan.lay.bearingDeg}
          />
          {points.length > 1 && (
            <button
              type="button"
              aria-label={`Remove corner ${i + 1}`}
              className="min-h-8 px-1 text-xs underline"
              onClick={() => {
                change(points.filter((__, j) => j !== i));
              }}
            >
              Remove
            </button>
          )}
        </div>
      ))}
      {points.length > 1 && (
        <div className="flex items-center gap-2 py-1">
          <p className="flex-1 font-tight text-sm">Turn it about its middle</p>
          {[-15, -5, 5, 15].map((by) => (
            <Button
              key={by}
              aria-label={`Turn it ${Math.abs(by)}° ${by < 0 ? "left" : "right"}`}
              onClick={() => {
                change(turnedAbout(points, by));
              }}
            >
              {by > 0 ? `+${by}` : by}°
            </Button>
          ))}
        </div>
      )}
      <Refused>{wrong}</Refused>
      <div className="mt-2 flex flex-wrap gap-2">
        <Button onClick={more}>Add a corner</Button>
        <Button
          onClick={() => {
            setMember(
              "site.targets",
              plan.site.targets.filter((_, i) => i !== index),
            );
            set({ target: null });
          }}
        >
          Take it away
        </Button>
        <Button
          strong
          onClick={() => {
            set({ target: null });
          }}
        >
          Done
        </Button>
      </div>
    </Group>
  );
}
