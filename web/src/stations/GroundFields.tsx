import type { Plan } from "../api/types";
import { useFeed } from "../state/feed";
import { setMember, useSheet } from "../state/store";
import { Button, Note } from "../ui/controls";
import { useSettings } from "../ui/settings";
import { written } from "../units/units";
import { Group, Member, useMember, useProblem } from "./fields";
import { Refused } from "../ui/Refused";

/** Spot heights, the plane through them, and what they make of the ground at the anchors. */
export function Ground() {
  const spots = (useMember("site.spots") as Plan["site"]["spots"] | undefined) ?? [];
  const problem = useProblem("site.spots");
  const analysis = useFeed((s) => s.analysis);
  const units = useSettings((s) => s.units);
  const slope = analysis?.site.slope;
  return (
    <Group title="Slope of the ground">
      {spots.length === 0 && (
        <Note>Level two or three spots against the stump's ground, well apart round the tree.</Note>
      )}
      {spots.map((_, i) => (
        <div key={i} className="border-b border-rule py-1">
          <div className="flex items-baseline">
            <p className="flex-1 font-tight text-sm font-medium">Spot {i + 1}</p>
            <button
              type="button"
              className="min-h-6 text-xs underline"
              onClick={() => {
                setMember(
                  "site.spots",
                  spots.filter((__, j) => j !== i),
                );
              }}
            >
              Remove spot {i + 1}
            </button>
          </div>
          <Member path={`site.spots[${i}].eastM`} of={`spot ${i + 1}`} />
          <Member path={`site.spots[${i}].northM`} of={`spot ${i + 1}`} />
          <Member path={`site.spots[${i}].riseM`} of={`spot ${i + 1}`} />
        </div>
      ))}
      <Refused>{problem}</Refused>
      {slope && (
        <p className="py-1 text-sm">
          Falls {written(slope.steepestDeg, "angle", units)} toward {written(slope.fallsTowardDeg, "angle", units)}
          {slope.misfitM > 0.05 ? `; the spots miss one plane by ${written(slope.misfitM, "length", units)}` : ""}.
        </p>
      )}
      <div className="flex flex-wrap gap-2">
        {spots.length < 3 && (
          <Button
            onClick={() => {
              setMember("site.spots", [...spots, spotFor(spots.length)]);
            }}
          >
            Add a spot
          </Button>
        )}
        {slope && (
          <Button
            onClick={() => {
              setRises(slope.anchorRisesM);
            }}
          >
            Set the anchors' ground by it
          </Button>
        )}
      </div>
    </Group>
  );
}

const spotFor = (count: number) =>
  [
    { eastM: 10, northM: 0, riseM: 0 },
    { eastM: 0, northM: 10, riseM: 0 },
    { eastM: -10, northM: 0, riseM: 0 },
  ][count] ?? { eastM: 10, northM: 10, riseM: 0 };

function setRises(rises: number[]): void {
  useSheet.getState().edit((d) => ({
    ...d,
    plan: {
      ...d.plan,
      lines: d.plan.lines.map((l, i) => ({
        ...l,
        anchor: { ...l.anchor, groundRiseM: Math.round((rises[i] ?? 0) * 100) / 100 },
      })),
    },
  }));
}
