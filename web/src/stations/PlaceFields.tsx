import type { Target } from "../api/types";
import { bearingOf, flatOf, placeAt, tenth } from "../drawing/sitePlan";
import type { PathOf } from "../state/memberPath";
import { setMember } from "../state/store";
import { NumberField } from "../ui/NumberField";
import { Member } from "./fields";

type Point = Target["points"][number];

/** How a place is told: east and north, distance and bearing, or out along the lay and aside of it. */
export type PlaceWay = "east" | "far" | "lay";

interface PlaceFieldsProps {
  path: PathOf<Point>;
  /** Its number among the corners; null where it is the only one. */
  corner: number | null;
  point: Point;
  way: PlaceWay;
  layDeg: number;
}

/** One point of a target by exact figures. */
export function PlaceFields({ path, corner, point, way, layDeg }: PlaceFieldsProps) {
  const of = corner === null ? undefined : `corner ${corner}`;
  const named = (name: string) => (of === undefined ? name : `${name}, ${of}`);
  if (way === "east") {
    return (
      <div>
        <Member path={`${path}.eastM`} of={of} />
        <Member path={`${path}.northM`} of={of} />
      </div>
    );
  }

  const distance = Math.hypot(point.eastM, point.northM);
  const bearing = bearingOf(flatOf(point));
  const put = (next: Point) => {
    setMember(path, { eastM: tenth(next.eastM), northM: tenth(next.northM) });
  };
  if (way === "far") {
    return (
      <div>
        <NumberField
          label={named("Distance")}
          value={tenth(distance)}
          quantity="length"
          onChange={(d) => {
            put(placeAt(d ?? distance, bearing));
          }}
        />
        <NumberField
          label={named("Bearing")}
          value={bearing}
          quantity="angle"
          onChange={(b) => {
            put(placeAt(distance, b ?? bearing));
          }}
        />
      </div>
    );
  }

  const turn = (layDeg * Math.PI) / 180;
  const out = point.northM * Math.cos(turn) + point.eastM * Math.sin(turn);
  const right = point.eastM * Math.cos(turn) - point.northM * Math.sin(turn);
  const byLay = (f: number, r: number): Point => ({
    eastM: f * Math.sin(turn) + r * Math.cos(turn),
    northM: f * Math.cos(turn) - r * Math.sin(turn),
  });
  return (
    <div>
      <NumberField
        label={named("Out along the lay")}
        value={tenth(out)}
        quantity="length"
        onChange={(f) => {
          put(byLay(f ?? out, right));
        }}
      />
      <NumberField
        label={named("Right of the lay, left is −")}
        value={tenth(right)}
        quantity="length"
        onChange={(r) => {
          put(byLay(out, r ?? right));
        }}
      />
    </div>
  );
}
