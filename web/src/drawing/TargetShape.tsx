import type { Analysis, Target } from "../api/types";
import { setMember } from "../state/store";
import { useView } from "../state/view";
import { useSettings } from "../ui/settings";
import { written } from "../units/units";
import { Handle } from "./Handle";
import { pathOf, toMetres, toPixels, type Flat, type Scale } from "./projection";
import { cleared, flatOf, kindWords, tenth, type SitePlace } from "./sitePlan";

type Clearance = Analysis["site"]["targets"][number];

interface TargetShapeProps {
  target: Target;
  index: number;
  clearance: Clearance | undefined;
  scale: Scale;
  /** Whether it is in hand: then its corners can be moved. */
  taken: boolean;
  /** While something is drawn, clicks belong to that. */
  drawing: boolean;
  onGrab: () => void;
  onRelease: () => void;
}

const dashes: Partial<Record<Target["kind"], string>> = {
  fence: "7 3",
  road: "10 10",
  powerLine: "14 4 3 4",
  phoneLine: "6 4 2 4",
  pipe: "2 4",
  path: "1 5",
};

/** One target: what it is by its line and fill, what becomes of it by hatch and word. */
export function TargetShape({ target, index, clearance, scale, taken, drawing, onGrab, onRelease }: TargetShapeProps) {
  const units = useSettings((s) => s.units);
  const set = useView((s) => s.set);
  const px = (place: SitePlace): Flat => toPixels(scale, flatOf(place));
  const points = target.points.map(px);
  const first = points[0];
  if (!first) return null;
  const path = `site.targets[${index}]` as const;
  const middle = { eastM: mean(target.points.map((p) => p.eastM)), northM: mean(target.points.map((p) => p.northM)) };
  const centre = px(middle);
  const radius = Math.max(target.radiusM * scale.perMetre, 0);
  const hit = clearance?.overlaps === true && !target.mayBeHit;
  const tight = !hit && clearance !== undefined && clearance.state !== "ready";
  const area = target.closed;
  const fill = hit
    ? "var(--ink)"
    : tight && (area || target.points.length === 1)
      ? "url(#tight-hatch)"
      : target.kind === "water"
        ? "url(#water-hatch)"
        : area
          ? "var(--tint)"
          : target.points.length === 1
            ? "var(--sheet)"
            : "none";
  const weight =
    target.kind === "wall" || target.kind === "building"
      ? 2.4
      : target.kind === "road" || target.kind === "path"
        ? 0.9
        : 1.5;
  const name = target.name ?? kindWords[target.kind];
  const word = hit
    ? "HIT"
    : clearance === undefined
      ? ""
      : clearance.overlaps
        ? "may be hit"
        : cleared(clearance.clearanceM, units);
  const move = (by: { east: number; north: number }): SitePlace[] =>
    target.points.map((p) => ({ eastM: tenth(p.eastM + by.east), northM: tenth(p.northM + by.north) }));
  const anchor = area || target.points.length === 1 ? centre : middleOfLongest(points);
  const label = {
    x: target.points.length === 1 ? anchor.x + radius + 8 : anchor.x,
    y: taken && area ? Math.min(...points.map((p) => p.y)) - 14 : anchor.y + (area ? 4 : -8),
  };
  return (
    <g data-target={target.id} data-state={hit ? "hit" : tight ? "tight" : "clear"}>
      {}
      <g
        onClick={(event) => {
          if (!drawing) {
            event.stopPropagation();
            set({ target: target.id });
          }
        }}
        className={drawing ? "" : "cursor-pointer"}
      >
        {target.points.length === 1 ? (
          <circle
            cx={first.x}
            cy={first.y}
            r={Math.max(radius, 6)}
            fill={fill}
            stroke={target.kind === "tree" ? "var(--leaf)" : "var(--ink)"}
            strokeWidth={taken ? 3 : 1.5}
          />
        ) : (
          <>
            {radius > 1 && !area && (
              <path
                d={pathOf(points)}
                fill="none"
                stroke="var(--rule)"
                strokeWidth={radius * 2}
                strokeLinejoin="round"
              />
            )}
            <path d={pathOf(points, area)} fill="none" stroke="transparent" strokeWidth={14} />
            <path
              d={pathOf(points, area)}
              fill={fill}
              stroke={target.kind === "hedge" ? "var(--leaf)" : "var(--ink)"}
              strokeWidth={(taken ? 1.6 : 0) + (hit || tight ? weight + 1.4 : weight)}
              strokeDasharray={dashes[target.kind]}
              strokeLinejoin="round"
            />
            {target.kind === "powerLine" &&
              points.map((p, i) => (
                <path key={i} d={`M${p.x - 5} ${p.y - 5}l10 10m0 -10l-10 10`} stroke="var(--ink)" strokeWidth={1.6} />
              ))}
          </>
        )}
        <text
          x={label.x}
          y={label.y}
          textAnchor={target.points.length === 1 ? "start" : "middle"}
          fill="var(--ink)"
          className="halo font-tight text-[13px]"
        >
          <tspan className={hit ? "font-semibold" : ""}>{name}</tspan>
          {word && (
            <tspan className={hit || tight ? "font-semibold" : ""} fill={hit || tight ? "var(--ink)" : "var(--pencil)"}>
              {" "}
              · {word}
            </tspan>
          )}
        </text>
      </g>
      {taken &&
        target.points.length > 1 &&
        target.points.map((p, i) => (
          <Handle
            key={i}
            id={`corner-${i}`}
            at={px(p)}
            name={`Corner ${i + 1} of ${name}`}
            now={Math.round(Math.hypot(p.eastM, p.northM))}
            min={0}
            max={500}
            text={`${written(p.eastM, "length", units)} east, ${written(p.northM, "length", units)} north`}
            onMove={(to) => {
              const at = toMetres(scale, to);
              setMember(
                `${path}.points[${i}]`,
                { eastM: tenth(at.x), northM: tenth(at.y) },
                `corner-${target.id}-${i}`,
              );
            }}
            onStep={(across, up) => {
              setMember(
                `${path}.points[${i}]`,
                { eastM: tenth(p.eastM + across * 0.1), northM: tenth(p.northM + up * 0.1) },
                `corner-${target.id}-${i}`,
              );
            }}
            onGrab={onGrab}
            onRelease={onRelease}
            shape="square"
          />
        ))}
      {taken && (
        <Handle
          id="target"
          at={centre}
          name={`Move ${name}`}
          now={Math.round(Math.hypot(middle.eastM, middle.northM))}
          min={0}
          max={500}
          text={`its middle ${written(middle.eastM, "length", units)} east, ${written(middle.northM, "length", units)} north`}
          onMove={(to) => {
            const at = toMetres(scale, to);
            setMember(
              `${path}.points`,
              move({ east: at.x - middle.eastM, north: at.y - middle.northM }),
              `move-${target.id}`,
            );
          }}
          onStep={(across, up) => {
            setMember(`${path}.points`, move({ east: across * 0.5, north: up * 0.5 }), `move-${target.id}`);
          }}
          onGrab={onGrab}
          onRelease={onRelease}
        />
      )}
    </g>
  );
}

/** Where a line's name stands: over the middle of its longest stretch. */
function middleOfLongest(points: Flat[]): Flat {
  let best = { x: points[0]?.x ?? 0, y: points[0]?.y ?? 0, length: -1 };
  points.slice(1).forEach((b, i) => {
    const a = points[i] ?? b;
    const length = Math.hypot(b.x - a.x, b.y - a.y);
    if (length > best.length) best = { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2, length };
  });
  return best;
}

const mean = (values: number[]): number => values.reduce((a, b) => a + b, 0) / values.length;
