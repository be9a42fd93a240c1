import type { Clearing, ClearingAnalysis, WayResult } from "../api/types";
import { useSheet } from "../state/store";
import { useView } from "../state/view";
import { useSettings } from "../ui/settings";
import { written } from "../units/units";
import { pathOf, type Flat, type Scale } from "./projection";
import { groundUp } from "./section";

type Px = (p: Flat) => Flat;

export function Obstacles({ clearing, px }: { clearing: Clearing; px: Px }) {
  const { spots, obstacles } = clearing.ground;
  return obstacles.map((o) => {
    const [a, b] = [px({ x: o.fromM, y: groundUp(spots, o.fromM) }), px({ x: o.toM, y: groundUp(spots, o.toM) })];
    const top = px({ x: o.toM, y: Math.max(groundUp(spots, o.fromM), groundUp(spots, o.toM)) + o.heightM }).y;
    return (
      <g key={`${o.name}-${o.fromM}`}>
        <path
          d={`M${a.x} ${a.y}V${top}H${b.x}V${b.y}`}
          fill="var(--tint)"
          stroke="var(--ink)"
          strokeWidth={1.2}
          strokeDasharray={o.kind === "way" || o.kind === "powerLine" ? "4 3" : undefined}
        />
        <text x={(a.x + b.x) / 2} y={top - 6} textAnchor="middle" className="fill-ink font-tight text-[13px]">
          {o.name}
        </text>
      </g>
    );
  });
}

/** The stem that carries the block: tapering to its end, or cut off above the block. */
export function HighStem({
  high,
  foot,
  scale,
  px,
}: {
  high: NonNullable<Clearing["high"]>;
  foot: number;
  scale: Scale;
  px: Px;
}) {
  const lit = useView((s) => s.link?.startsWith("spar") ?? false);
  const units = useSettings((s) => s.units);
  const top = high.topped ? high.blockHeightM + 0.6 : high.stem.heightM;
  // As wide as it is, and never too thin to be seen.
  const wide = Math.max(high.stem.dbhM * scale.perMetre, 7);
  const thin = high.topped ? wide * 0.75 : 2;
  const [a, b] = [px({ x: high.atM, y: foot }), px({ x: high.atM, y: foot + top })];
  return (
    <g>
      <path
        d={`M${a.x - wide / 2} ${a.y}L${b.x - thin / 2} ${b.y}H${b.x + thin / 2}L${a.x + wide / 2} ${a.y}Z`}
        fill="var(--wood)"
        stroke="var(--ink)"
        strokeWidth={lit ? 3 : 1.2}
      />
      <text
        x={a.x + wide / 2 + 16}
        y={px({ x: high.atM, y: foot + high.blockHeightM }).y - 12}
        className="fill-ink font-tight text-[13px]"
      >
        {high.name ?? "high point"}, block at {written(high.blockHeightM, "length", units)}
      </text>
    </g>
  );
}

/** Logs as they lie, a few of each kind. */
export function Pieces({
  clearing,
  analysis,
  px,
  scale,
}: {
  clearing: Clearing;
  analysis: ClearingAnalysis;
  px: Px;
  scale: Scale;
}) {
  const units = useSettings((s) => s.units);
  const { spots } = clearing.ground;
  const heaps = new Map<number, ClearingAnalysis["pieces"]>();
  for (const piece of analysis.pieces) heaps.set(piece.atM, [...(heaps.get(piece.atM) ?? []), piece]);
  return [...heaps].map(([at, pieces]) => {
    const count = pieces.reduce((n, p) => n + p.count, 0);
    const first = pieces[0];
    if (!first) return null;
    const radius = Math.max(3, (first.buttM / 2) * scale.perMetre);
    const foot = px({ x: at, y: groundUp(spots, at) });
    const shown = Math.min(count, 6);
    return (
      <g key={at}>
        {Array.from({ length: shown }, (_, i) => {
          const row = i < 3 ? 0 : i < 5 ? 1 : 2;
          const along = i < 3 ? i - 1 : i < 5 ? i - 3.5 : 0;
          return (
            <circle
              key={i}
              cx={foot.x + along * 2 * radius}
              cy={foot.y - radius - row * 1.75 * radius}
              r={radius}
              fill="var(--wood)"
              stroke="var(--ink)"
              strokeWidth={1}
            />
          );
        })}
        <text x={foot.x} y={foot.y - 5 * radius - 6} textAnchor="middle" className="fill-ink font-tight text-[13px]">
          {pieces.length === 1
            ? `${count === 1 ? "" : `${count} × `}${first.name.toLowerCase()}, ${written(first.massKg, "mass", units)}`
            : `${count} pieces, to ${written(Math.max(...pieces.map((p) => p.massKg)), "mass", units)}`}
        </text>
      </g>
    );
  });
}

export function ZoneMark({ zone, px, y }: { zone: WayResult["zones"][number]; px: Px; y: number }) {
  const [a, b] = [px({ x: zone.fromM, y: 0 }).x, px({ x: zone.toM, y: 0 }).x];
  const name = zone.name.startsWith("where") || zone.name.startsWith("the ") ? `on ${zone.name}` : zone.name;
  return (
    <g data-zone={zone.id}>
      <path
        d={`M${a} ${y - 4}v8M${a} ${y}H${b}M${b} ${y - 4}v8`}
        stroke="var(--ink)"
        strokeWidth={1}
        strokeDasharray="6 3"
        fill="none"
      />
      <text x={Math.max(a, 24) + 6} y={y + 14} className="fill-pencil font-tight text-[12px]" data-fixed>
        nobody {name}
      </text>
    </g>
  );
}

export function Lines({ way, px, load }: { way: WayResult; px: Px; load: Flat | undefined }) {
  const units = useSettings((s) => s.units);
  const litMark = useView((s) => way.links.find((l) => l.id === s.link)?.mark);
  return way.lines.map((line) => {
    // The line bends where the load is now, not only where it pulls hardest.
    const bends = load && way.shows === "bends" && ["line", "tag"].includes(line.id);
    const carried = bends
      ? [line.points[0], load, line.points.at(-1)]
      : way.shows === "atEnd" && load
        ? [load, ...line.points.slice(1)]
        : line.points;
    const points = carried.filter((p) => p !== undefined).map(px);
    const lit = litMark === line.mark;
    const longest = points.reduce(
      (best, p, i) => {
        const before = points[i - 1];
        const length = before ? Math.hypot(p.x - before.x, p.y - before.y) : 0;
        return length > best.length ? { length, i } : best;
      },
      { length: 0, i: 1 },
    );
    const [a, b] = [points[longest.i - 1], points[longest.i]];
    const turn = a && b ? (Math.atan2(b.y - a.y, b.x - a.x) * 180) / Math.PI : 0;
    const upright = turn > 90 ? turn - 180 : turn < -90 ? turn + 180 : turn;
    return (
      <g key={line.id} data-line={line.id}>
        <path
          d={pathOf(points)}
          fill="none"
          stroke={line.loaded ? "var(--loaded)" : "var(--ink)"}
          strokeWidth={(line.loaded ? 3 : 1.3) + (lit ? 2 : 0)}
          strokeDasharray={line.loaded ? undefined : "6 4"}
          strokeLinejoin="round"
        />
        {line.loaded && a && b && longest.length > 70 && line.tensionN > 0 && (
          <text
            transform={`translate(${(a.x + b.x) / 2} ${(a.y + b.y) / 2}) rotate(${upright}) translate(0 -8)`}
            textAnchor="middle"
            className="font-tight text-[14px] font-semibold"
            fill="var(--loaded)"
          >
            {written(line.tensionN, "force", units)}
          </text>
        )}
      </g>
    );
  });
}

/** What hangs on the line just now, and how far over the ground. */
export function HungLoad({
  way,
  clearing,
  load,
  px,
  scale,
}: {
  way: WayResult;
  clearing: Clearing;
  load: WayResult["travel"][number];
  px: Px;
  scale: Scale;
}) {
  const units = useSettings((s) => s.units);
  const hang = way.way === "fly" ? (clearing.fly?.hangM ?? 1) : 0.5;
  const at = px(load.at);
  const foot = px({ x: load.at.x, y: load.at.y - hang });
  const wide = Math.max(14, 1.5 * scale.perMetre);
  const thick = Math.max(5, 0.15 * scale.perMetre);
  return (
    <g>
      <path d={`M${at.x} ${at.y}V${foot.y}`} stroke="var(--loaded)" strokeWidth={1.8} />
      <ellipse
        cx={foot.x}
        cy={foot.y - thick}
        rx={wide}
        ry={thick}
        fill="var(--wood)"
        stroke="var(--ink)"
        strokeWidth={1.2}
      />
      <text x={foot.x + wide + 8} y={foot.y + 2} className="fill-ink font-tight text-[13px]" data-first>
        {written(load.tensionN, "force", units)}
        {load.clearM !== undefined &&
          (load.clearM < 0
            ? `, ${written(-load.clearM, "length", units)} too low`
            : `, ${written(load.clearM, "length", units)} clear under it`)}
      </text>
    </g>
  );
}

/** Forces on points as arrows, and the same along and across their limbs. */
export function PointArrows({ way, px }: { way: WayResult; px: Px }) {
  const units = useSettings((s) => s.units);
  const most = Math.max(1, ...way.points.map((p) => p.forceN));
  return way.points.map((p) => {
    const at = px(p.at);
    const [x, y] = [(p.x / most) * 70, (-p.y / most) * 70];
    const head = Math.atan2(y, x);
    return (
      <g key={p.name} data-point={p.name}>
        <path
          d={`M${at.x} ${at.y}l${x} ${y}m${-9 * Math.cos(head - 0.4)} ${-9 * Math.sin(head - 0.4)}L${at.x + x} ${at.y + y}l${-9 * Math.cos(head + 0.4)} ${-9 * Math.sin(head + 0.4)}`}
          stroke="var(--ink)"
          strokeWidth={2}
          fill="none"
        />
        <text x={at.x + 14} y={at.y - 8} className="fill-ink font-tight text-[13px]" data-first>
          {p.name} {written(p.forceN, "force", units)}
          {p.bendingPa === undefined
            ? ""
            : `: along ${written(p.alongN, "force", units)}, across ${written(p.acrossN, "force", units)}`}
        </text>
      </g>
    );
  });
}

export function People({ clearing, px }: { clearing: Clearing; px: Px }) {
  return clearing.people.map((p) => {
    const at = px({ x: p.atM, y: groundUp(clearing.ground.spots, p.atM) });
    return (
      <g key={p.name}>
        <path d={`M${at.x} ${at.y}v-9m-3 9l3 -7l3 7`} stroke="var(--ink)" strokeWidth={1.3} fill="none" />
        <circle cx={at.x} cy={at.y - 12} r={3} fill="var(--ink)" />
        <text x={at.x} y={at.y - 20} textAnchor="middle" className="fill-ink font-tight text-[12px]">
          {p.name}
        </text>
      </g>
    );
  });
}

/** The plan's own tree upright, and where the crew stops and looks. */
export function LetDown({ clearing, px }: { clearing: Clearing; px: Px }) {
  const tree = useSheet((s) => s.document?.plan.tree);
  const at = clearing.stemAtM;
  if (!tree || at === undefined) return null;
  const foot = { x: at, y: groundUp(clearing.ground.spots, at) };
  const toRight = (clearing.high?.atM ?? clearing.drum?.anchor?.atM ?? at + 1) < at ? 1 : -1;
  const top = (deg: number) => {
    const angle = (deg * Math.PI) / 180;
    return px({ x: foot.x + toRight * tree.heightM * Math.sin(angle), y: foot.y + tree.heightM * Math.cos(angle) });
  };
  const a = px(foot);
  const stop = clearing.astern?.stopDeg;
  return (
    <g>
      <path d={`M${a.x} ${a.y}L${top(0).x} ${top(0).y}`} stroke="var(--ink)" strokeWidth={5} opacity={0.85} />
      {stop !== undefined && (
        <>
          <path
            d={`M${a.x} ${a.y}L${top(stop).x} ${top(stop).y}`}
            stroke="var(--ink)"
            strokeWidth={2}
            strokeDasharray="7 5"
          />
          <text x={top(stop).x} y={top(stop).y - 8} textAnchor="middle" className="fill-ink font-tight text-[13px]">
            stop at {stop}°
          </text>
        </>
      )}
    </g>
  );
}
