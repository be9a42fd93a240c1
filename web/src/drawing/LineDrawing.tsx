import type { Analysis, Line, Link } from "../api/types";
import { written } from "../units/units";
import { useSettings } from "../ui/settings";
import { flatten, pathOf, tipped, toPixels, type Scale } from "./projection";

interface LineDrawingProps {
  line: Line;
  index: number;
  analysis: Analysis;
  scale: Scale;
  tiltDeg: number;
  /** The link that is lit up. */
  lit: Link | undefined;
  main: boolean;
}

/** One line with its tackle, anchor and haulers; line weight follows tension. */
export function LineDrawing({ line, index, analysis, scale, tiltDeg, lit: link, main }: LineDrawingProps) {
  const units = useSettings((s) => s.units);
  const figure = analysis.figure.lines[index];
  const result = analysis.pull.lines[index];
  if (!figure || !result) return null;
  const view = analysis.figure.viewDeg;
  const seat = toPixels(scale, flatten(tipped(figure.seat, tiltDeg), view));
  const anchor = toPixels(scale, flatten(figure.anchor, view));
  const turns = figure.turns.map((p) => toPixels(scale, flatten(p, view)));
  const foot = figure.foot ? toPixels(scale, flatten(tipped(figure.foot, tiltDeg), view)) : null;
  // The tackle lies in the last leg.
  const from = turns.at(-1) ?? seat;
  const first = turns[0] ?? null;
  const ground = toPixels(scale, { x: 0, y: figure.anchorGroundUpM }).y;
  const dx = anchor.x - from.x;
  const dy = anchor.y - from.y;
  const length = Math.hypot(dx, dy) || 1;
  const u = { x: dx / length, y: dy / length };
  const side = { x: -u.y, y: u.x };
  const legs = result.tackle.idealAdvantage;
  const rove = line.tackle.systemId !== "direct" && line.tackle.systemId !== "redirected";
  // The tackle is drawn as long as it would be opened: six metres, or a third of a short line.
  const tackle = rove ? Math.min(6 * scale.perMetre, length / 3) : 0;
  // The block hangs a sling's length before the anchor, clear of its handle.
  const sling = rove ? 22 : 4;
  const end = { x: anchor.x - u.x * sling, y: anchor.y - u.y * sling };
  const head = { x: end.x - u.x * tackle, y: end.y - u.y * tackle };
  const weight = 1.6 + Math.min(2.4, result.tensionN / 3000);
  const strands = Math.min(Math.round(legs), 6);
  const lit = (mark: Link["mark"]) => link?.lineId === line.id && link.mark === mark;
  const angle = (Math.atan2(dy, dx) * 180) / Math.PI;
  const to = first ?? head;
  // Each line's tension stands at a place of its own along it, the main one's farthest out.
  const share = analysis.pull.lines.length === 1 ? 0.5 : main ? 0.68 : 0.22 + 0.12 * index;
  const middle = { x: seat.x + (to.x - seat.x) * share, y: seat.y + (to.y - seat.y) * share };
  const roomy = Math.hypot(to.x - seat.x, to.y - seat.y) > 260;
  const slant = (Math.atan2(to.y - seat.y, to.x - seat.x) * 180) / Math.PI;
  const mark = (at: { x: number; y: number }) => (
    <circle cx={at.x} cy={at.y} r={15} fill="none" stroke="var(--ink)" strokeWidth={2.5} />
  );
  return (
    <g data-line={line.id}>
      <AnchorShape
        x={anchor.x}
        strap={anchor.y}
        ground={ground}
        perMetre={scale.perMetre}
        lit={lit("anchor") || lit("sling")}
      />
      {foot && (
        <path
          d={`M${seat.x} ${seat.y}L${foot.x} ${foot.y}`}
          stroke="var(--loaded)"
          strokeWidth={lit("pullLine") ? weight + 3 : weight}
          fill="none"
        />
      )}
      <path
        d={pathOf([seat, ...turns, head])}
        stroke="var(--loaded)"
        strokeWidth={lit("pullLine") ? weight + 3 : weight}
        fill="none"
        strokeLinejoin="round"
      />
      {turns.map((at, i) => (
        <g key={i}>
          {result.redirects[i] && (
            <path
              d={`M${at.x} ${toPixels(scale, { x: 0, y: result.redirects[i].groundUpM }).y}V${at.y}`}
              stroke="var(--bark)"
              strokeWidth={5}
            />
          )}
          <circle
            cx={at.x}
            cy={at.y}
            r={6}
            fill="var(--sheet)"
            stroke="var(--ink)"
            strokeWidth={lit("redirect") && link?.place === i + 1 ? 4 : 1.8}
          />
          <text x={at.x} y={at.y + 24} textAnchor="middle" fill="var(--ink)" className="halo font-tight text-[13px]">
            {line.redirects[i]?.at.name ?? "redirect"}
          </text>
        </g>
      ))}
      {rove && (
        <path d={`M${end.x} ${end.y}L${anchor.x} ${anchor.y}`} stroke="var(--ink)" strokeWidth={lit("sling") ? 4 : 2} />
      )}
      {rove && (
        <g>
          {Array.from({ length: strands }, (_, i) => {
            const off = (i - (strands - 1) / 2) * 2.6;
            return (
              <path
                key={i}
                d={`M${head.x + side.x * off} ${head.y + side.y * off}L${end.x + side.x * off} ${end.y + side.y * off}`}
                stroke="var(--loaded)"
                strokeWidth={lit("tackleLegs") ? 2.4 : 1.1}
              />
            );
          })}
          {[head, end].map((at, i) => (
            <rect
              key={i}
              x={-6}
              y={-5}
              width={12}
              height={10}
              fill="var(--sheet)"
              stroke="var(--ink)"
              strokeWidth={lit("blocks") ? 3.5 : 1.6}
              transform={`translate(${at.x} ${at.y}) rotate(${angle})`}
            />
          ))}
        </g>
      )}
      {lit("seat") && mark(seat)}
      {lit("tackleHead") && mark(head)}
      <text
        transform={`translate(${middle.x} ${middle.y}) rotate(${slant > 90 || slant < -90 ? slant + 180 : slant})`}
        y={-9}
        textAnchor="middle"
        fill="var(--loaded)"
        className="halo font-tight text-[15px] font-semibold"
      >
        {tiltDeg === 0 ? `${written(result.tensionN, "force", units)}${roomy ? " planned" : ""}` : ""}
      </text>
      <text
        x={anchor.x}
        y={main ? Math.min(anchor.y, ground) - 2.6 * scale.perMetre - 8 : ground + 20}
        textAnchor="middle"
        fill="var(--ink)"
        className="font-tight text-[13px]"
      >
        {line.anchor.name ?? "anchor"}
      </text>
      {main && (line.puller.kind === "machine" || line.puller.kind === "vehicle") && (
        <Machine
          x={anchor.x + 1.8 * scale.perMetre}
          ground={ground}
          perMetre={scale.perMetre}
          lit={lit("hauler") || lit("drum")}
        />
      )}
      {main && (line.puller.kind === "people" || line.puller.kind === "handWinch") && (
        <Crew
          count={line.puller.kind === "people" ? line.puller.count : 1}
          x={anchor.x + (line.tackle.systemId === "direct" ? -4 : 1.6 * scale.perMetre)}
          ground={ground}
          perMetre={scale.perMetre}
          lit={lit("hauler") || lit("drum")}
        />
      )}
    </g>
  );
}

/** What the strap goes round: a butt of wood, drawn to scale and cut off above. */
function AnchorShape({
  x,
  strap,
  ground,
  perMetre,
  lit,
}: {
  x: number;
  strap: number;
  ground: number;
  perMetre: number;
  lit: boolean;
}) {
  const half = Math.max(0.26 * perMetre, 4);
  const top = Math.min(strap, ground) - 2.2 * perMetre;
  return (
    <g>
      <path
        d={`M${x - half} ${ground}L${x - half * 0.85} ${top}l${half * 0.5} 4l${half * 0.5} -5l${half * 0.7} 3L${x + half} ${ground}Z`}
        fill="var(--wood)"
        stroke="var(--bark)"
        strokeWidth={lit ? 3.5 : 1.2}
      />
      <path d={`M${x - half} ${strap}H${x + half}`} stroke="var(--ink)" strokeWidth={3} />
    </g>
  );
}

/** The haulers, to scale, so that the drawing has a size at a glance. */
function Crew({
  count,
  x,
  ground,
  perMetre,
  lit,
}: {
  count: number;
  x: number;
  ground: number;
  perMetre: number;
  lit: boolean;
}) {
  const tall = 1.75 * perMetre;
  return (
    <g stroke="var(--ink)" strokeWidth={lit ? 3 : 1.4} fill="none" strokeLinecap="round">
      {Array.from({ length: Math.min(count, 4) }, (_, i) => {
        const at = x + i * 0.85 * perMetre;
        const head = tall * 0.12;
        return (
          <g key={i} transform={`translate(${at.toFixed(1)} ${ground.toFixed(1)})`}>
            <circle cx={tall * 0.12} cy={-tall + head} r={head} fill="var(--sheet)" />
            <path
              d={`M${tall * 0.12} ${-tall + head * 2}L${tall * 0.02} ${-tall * 0.45}L${-tall * 0.1} 0M${tall * 0.02} ${-tall * 0.45}L${tall * 0.2} 0M${tall * 0.1} ${-tall * 0.68}L${-tall * 0.2} ${-tall * 0.6}`}
            />
          </g>
        );
      })}
    </g>
  );
}

/** A machine on tracks, to scale. */
function Machine({ x, ground, perMetre, lit }: { x: number; ground: number; perMetre: number; lit: boolean }) {
  const m = perMetre;
  return (
    <g
      transform={`translate(${x.toFixed(1)} ${ground.toFixed(1)})`}
      stroke="var(--ink)"
      strokeWidth={lit ? 3 : 1.4}
      fill="var(--sheet)"
    >
      <rect x={0} y={-0.55 * m} width={2.4 * m} height={0.55 * m} rx={0.27 * m} />
      <path d={`M${0.2 * m} ${-0.55 * m}V${-1.1 * m}H${1.1 * m}V${-1.9 * m}H${2.1 * m}V${-0.55 * m}Z`} />
      <circle cx={0.3 * m} cy={-0.8 * m} r={0.17 * m} />
    </g>
  );
}
