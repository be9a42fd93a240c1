import type { Analysis, Line, Plan } from "../api/types";
import { setMember, useSheet } from "../state/store";
import { useView } from "../state/view";
import { useSettings } from "../ui/settings";
import { written } from "../units/units";
import { Handle } from "./Handle";
import { pathOf, toMetres, toPixels, type Flat, type Scale } from "./projection";
import { bearingOf, flatOf, tenth, type SitePlace } from "./sitePlan";
import { rangeOf } from "../state/members";

interface LayerProps {
  plan: Plan;
  /** Of the picture, pixels. */
  height?: number;
  analysis: Analysis;
  scale: Scale;
}

const dashed = { fill: "none", stroke: "var(--pencil)", strokeWidth: 0.9, strokeDasharray: "3 3" } as const;

/** Where parted lines fly: a band along each leg and the inside of every turn. */
export function DangerBands({ analysis, scale }: Omit<LayerProps, "plan">) {
  const shape = (places: SitePlace[]) =>
    pathOf(
      places.map((p) => toPixels(scale, flatOf(p))),
      true,
    );
  return (
    <>
      {analysis.site.lines.flatMap((l) =>
        l.bands.map((band, i) => <path key={`${l.id}-${i}`} d={shape(band)} {...dashed} />),
      )}
      {analysis.site.lines.flatMap((l) =>
        l.insideTurns.map((turn, i) => (
          <path key={`${l.id}-turn-${i}`} d={shape(turn)} {...dashed} fill="var(--tint)" />
        )),
      )}
    </>
  );
}

/** The loaded lines over their redirects, the force on each redirect, and what all lines pull together. */
export function LoadedLines({ plan, analysis, scale, height = 0 }: LayerProps) {
  const units = useSettings((s) => s.units);
  const px = (place: SitePlace): Flat => toPixels(scale, flatOf(place));
  const stump = px({ eastM: 0, northM: 0 });
  const { sum } = analysis.pull;
  const forces = analysis.pull.lines.flatMap((l) => l.redirects.map((r) => r.forceN));
  const perNewton = 84 / Math.max(sum.levelN, ...forces, 1);
  return (
    <>
      {analysis.site.lines.map((l) => {
        const turnsAtAnchor = l.insideTurns.length === l.legs.length - 1;
        return (
          <path
            key={l.id}
            d={pathOf([...l.legs, ...(turnsAtAnchor ? [l.crew] : [])].map(px))}
            fill="none"
            stroke="var(--loaded)"
            strokeWidth={2.2}
            strokeLinejoin="round"
          />
        );
      })}
      {analysis.pull.lines.map((result, index) =>
        result.redirects.map((r, i) => {
          const at = analysis.site.lines[index]?.legs[i + 1];
          if (!at) return null;
          const from = px(at);
          const to = along(from, r.towardDeg, r.forceN * Math.cos((r.risesDeg * Math.PI) / 180) * perNewton);
          return (
            <g key={`${result.id}-${i}`} data-redirect-force={`${result.id}-${i}`}>
              <Arrow from={from} to={to} />
              <Lettering
                at={{ x: to.x + (to.x < from.x ? -6 : 6), y: to.y + (to.y < from.y ? -4 : 12) }}
                end={to.x < from.x}
                text={`${written(r.forceN, "force", units)} on it`}
              />
            </g>
          );
        }),
      )}
      {plan.lines.length > 1 && (
        <g data-vector-sum>
          <Arrow from={stump} to={along(stump, sum.towardDeg, sum.levelN * perNewton)} double />
          <Lettering
            at={{ x: 26, y: height - 54 }}
            text={`lines together ${written(sum.levelN, "force", units)} level, ${Math.abs(sum.offLayDeg) < 0.5 ? "along the lay" : `${written(Math.abs(sum.offLayDeg), "angle", units)} ${sum.offLayDeg > 0 ? "right" : "left"} of the lay`}`}
          />
        </g>
      )}
    </>
  );
}

function along(from: Flat, towardDeg: number, length: number): Flat {
  const turn = (towardDeg * Math.PI) / 180;
  return { x: from.x + length * Math.sin(turn), y: from.y - length * Math.cos(turn) };
}

/** A force, in ink: vermilion is for the line itself. */
function Arrow({ from, to, double = false }: { from: Flat; to: Flat; double?: boolean }) {
  const length = Math.hypot(to.x - from.x, to.y - from.y);
  if (length < 4) return null;
  const u = { x: (to.x - from.x) / length, y: (to.y - from.y) / length };
  const tip = (back: number, side: number) =>
    `${(to.x - u.x * back - u.y * side).toFixed(1)} ${(to.y - u.y * back + u.x * side).toFixed(1)}`;
  const shift = double ? [-1.8, 1.8] : [0];
  return (
    <g stroke="var(--ink)" strokeWidth={double ? 1.3 : 1.8} fill="none">
      {shift.map((s) => (
        <path key={s} d={`M${(from.x - u.y * s).toFixed(1)} ${(from.y + u.x * s).toFixed(1)}L${tip(8, s)}`} />
      ))}
      <path d={`M${tip(0, 0)}L${tip(11, -4.5)}L${tip(11, 4.5)}Z`} fill="var(--ink)" stroke="none" />
    </g>
  );
}

function Lettering({ at, text, end = false }: { at: Flat; text: string; end?: boolean }) {
  return (
    <text
      x={at.x}
      y={at.y}
      textAnchor={end ? "end" : "start"}
      fill="var(--ink)"
      className="halo font-tight text-[13px]"
    >
      {text}
    </text>
  );
}

interface HandlesProps extends LayerProps {
  onGrab: () => void;
  onRelease: () => void;
}

/** Anchors, redirects and haulers, to be taken hold of. */
export function LineHandles({ plan, analysis, scale, onGrab, onRelease }: HandlesProps) {
  const units = useSettings((s) => s.units);
  const set = useView((s) => s.set);
  const px = (place: SitePlace): Flat => toPixels(scale, flatOf(place));
  const metres = (to: Flat): SitePlace => {
    const at = toMetres(scale, to);
    return { eastM: tenth(at.x), northM: tenth(at.y) };
  };
  return plan.lines.map((line, index) => {
    const placed = analysis.site.lines[index];
    if (!placed) return null;
    const of = plan.lines.length > 1 ? ` of the ${line.id} line` : "";
    const anchor = px(placed.anchor);
    const crew = px(placed.crew);
    // People who are named stand on the plan by their names.
    const named = plan.crew.some(
      (c) => (c.role === "hauler" || c.role === "machine") && (c.lineId ?? plan.lines[0]?.id) === line.id,
    );
    const grabLine = () => {
      set({ line: index });
      onGrab();
    };
    const placeAnchor = (to: SitePlace) => {
      editLine(index, (l) => ({ ...l, anchor: movedTo(l.anchor, to) }), `site-anchor-${index}`);
    };
    return (
      <g key={line.id}>
        <g aria-hidden pointerEvents="none">
          <Lettering
            at={{ x: anchor.x + 14, y: anchor.y + (crew.y < anchor.y - 4 ? 16 : -8) }}
            text={line.anchor.name ?? `anchor${of}`}
          />
          {!named && (
            <Lettering
              at={{
                x: crew.x + (crew.x < anchor.x ? -14 : 14),
                y: crew.y + (crew.x >= anchor.x && Math.abs(crew.y - anchor.y) < 14 ? 18 : 4),
              }}
              end={crew.x < anchor.x}
              text={`${{ people: "haulers", handWinch: "winch hand", machine: "operator", vehicle: "vehicle" }[line.puller.kind]}${placed.crewClear ? "" : " MOVE"}`}
            />
          )}
        </g>
        {!named && (
          <Handle
            id={`crew-${line.id}`}
            at={crew}
            name={`Haulers${of}`}
            now={Math.round(Math.hypot(placed.crew.eastM, placed.crew.northM))}
            min={0}
            max={300}
            text={`${written(Math.hypot(placed.crew.eastM, placed.crew.northM), "length", units)} out`}
            onMove={(to) => {
              setMember(`lines[${index}].puller.place`, metres(to), `crew-${index}`);
            }}
            onStep={(across, up) => {
              setMember(
                `lines[${index}].puller.place`,
                { eastM: tenth(placed.crew.eastM + across * 0.5), northM: tenth(placed.crew.northM + up * 0.5) },
                `crew-${index}`,
              );
            }}
            onGrab={onGrab}
            onRelease={onRelease}
          />
        )}
        <Handle
          id={`site-anchor-${line.id}`}
          at={anchor}
          name={`Anchor${of} on the plan`}
          now={line.anchor.distanceM}
          {...rangeOf(`lines[${index}].anchor.distanceM`)}
          text={`${written(line.anchor.distanceM, "length", units)} out toward ${written(line.anchor.bearingDeg, "angle", units)}`}
          onMove={(to) => {
            placeAnchor(metres(to));
          }}
          onStep={(across, up) => {
            placeAnchor({ eastM: placed.anchor.eastM + across * 0.5, northM: placed.anchor.northM + up * 0.5 });
          }}
          onGrab={grabLine}
          onRelease={onRelease}
          shape="square"
        />
        {line.redirects.map((redirect, i) => {
          const at = placed.legs[i + 1];
          if (!at) return null;
          const name = line.redirects.length > 1 ? `Redirect ${i + 1}${of}` : `Redirect${of}`;
          const placeRedirect = (to: SitePlace) => {
            editLine(
              index,
              (l) => ({ ...l, redirects: l.redirects.map((r, n) => (n === i ? { ...r, at: movedTo(r.at, to) } : r)) }),
              `redirect-${index}-${i}`,
            );
          };
          return (
            <g key={i}>
              <g aria-hidden pointerEvents="none">
                <Lettering at={{ x: px(at).x + 14, y: px(at).y + 18 }} text={redirect.at.name ?? "redirect"} />
              </g>
              <Handle
                id={`redirect-${line.id}-${i}`}
                at={px(at)}
                name={`${name} on the plan`}
                now={redirect.at.distanceM}
                {...rangeOf(`lines[${index}].redirects[${i}].at.distanceM`)}
                text={`${written(redirect.at.distanceM, "length", units)} out toward ${written(redirect.at.bearingDeg, "angle", units)}`}
                onMove={(to) => {
                  placeRedirect(metres(to));
                }}
                onStep={(across, up) => {
                  placeRedirect({ eastM: at.eastM + across * 0.5, northM: at.northM + up * 0.5 });
                }}
                onGrab={grabLine}
                onRelease={onRelease}
              />
            </g>
          );
        })}
      </g>
    );
  });
}

function editLine(index: number, change: (line: Line) => Line, grip: string): void {
  useSheet
    .getState()
    .edit(
      (d) => ({ ...d, plan: { ...d.plan, lines: d.plan.lines.map((l, i) => (i === index ? change(l) : l)) } }),
      grip,
    );
}

function movedTo(anchor: Line["anchor"], to: SitePlace): Line["anchor"] {
  return {
    ...anchor,
    distanceM: Math.min(Math.max(Math.round(Math.hypot(to.eastM, to.northM) * 10) / 10, 2), 200),
    bearingDeg: bearingOf(flatOf(to)),
  };
}
