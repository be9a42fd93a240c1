import type { Line, TackleView } from "../api/types";
import type { LegShape, PointShape } from "./tackleLayout";

/** Places in pixels, for the parts of a tackle. */
export interface Places {
  x: (metres: number) => number;
  /** The middle of a lane. */
  y: (lane: number) => number;
  gap: number;
}

type Turn = TackleView["contacts"][number];

/** A block, ring or knot: it spans the lanes that turn or end there, with a sheave at each turn and a becket where rope is made fast. */
export function PointDrawing({
  point,
  runsOn,
  legs,
  turns,
  places,
}: {
  point: PointShape;
  runsOn?: number | undefined;
  legs: LegShape[];
  turns: Turn[];
  places: Places;
}) {
  const { x, y, gap } = places;
  if (point.kind === "hand") return null;
  const at = x(point.at);
  const top = y(point.first);
  const bottom = y(point.last);
  const radius = gap / 2;
  const here = legs.filter((l) => l.toPoint === point.id);
  const wraps = here.filter((l) => l.turns);
  const ends = here.filter((l) => !l.turns && l.index !== runsOn);
  const starts = legs.filter((l) => l.fromPoint === point.id && l.contact === 0 && l.rope > 0);
  const kinds = new Map(turns.map((t) => [`${t.rope}/${t.contact}`, t.builtOf]));
  const blocked = wraps.some((l) =>
    ["block", "ring", "carabiner"].includes(kinds.get(`${l.rope}/${l.contact}`) ?? "block"),
  );
  return (
    <g data-point={point.id} stroke="var(--ink)" fill="var(--sheet)">
      {blocked && (
        <rect x={at - radius * 0.42} y={top - 5} width={radius * 0.84} height={bottom - top + 10} strokeWidth={1.6} />
      )}
      {!blocked && bottom > top && <path d={`M${at} ${top}V${bottom}`} strokeWidth={2.4} />}
      {wraps.map((l) => (
        <Sheave
          key={l.index}
          x={at}
          y={y(l.lane) + radius}
          radius={radius}
          kind={kinds.get(`${l.rope}/${l.contact}`) ?? "block"}
        />
      ))}
      {[...ends, ...starts].map((l) => {
        // Where rope is made fast: a becket under the sheaves, or a plain eye.
        const toward = ends.includes(l) ? Math.sign(l.from - l.to) : Math.sign(l.to - l.from);
        const eye = at - toward * (blocked ? radius * 0.42 + 5 : 5);
        return <ellipse key={`e${l.index}`} cx={eye} cy={y(l.lane)} rx={5} ry={3.4} strokeWidth={1.6} data-becket />;
      })}
    </g>
  );
}

function Sheave({ x, y, radius, kind }: { x: number; y: number; radius: number; kind: string }) {
  const r = Math.max(4, radius - 2.5);
  switch (kind) {
    case "ring":
      return <circle cx={x} cy={y} r={r} fill="none" strokeWidth={Math.max(2.5, r * 0.4)} data-turn="ring" />;
    case "carabiner":
      return (
        <g data-turn="carabiner">
          <rect x={x - r * 0.55} y={y - r} width={r * 1.1} height={r * 2} rx={r * 0.55} strokeWidth={2.2} />
          <path d={`M${x + r * 0.55} ${y - r * 0.35}v${r * 0.7}`} strokeWidth={3.4} />
        </g>
      );
    case "rope":
    case "bark":
      return (
        <ellipse
          cx={x}
          cy={y}
          rx={r * 0.8}
          ry={r}
          fill="none"
          stroke={kind === "rope" ? "var(--loaded)" : "var(--ink)"}
          strokeWidth={2.4}
          strokeDasharray={kind === "bark" ? "3 2" : undefined}
          data-turn={kind}
        />
      );
    default:
      return (
        <g data-turn="block">
          <circle cx={x} cy={y} r={r} strokeWidth={1.6} />
          <circle cx={x} cy={y} r={Math.max(1.5, r * 0.2)} fill="var(--ink)" />
        </g>
      );
  }
}

/** The strap and connector by which a fixed point hangs on the ground. */
export function Strap({
  x,
  y,
  away,
  clear,
  ground,
}: {
  x: number;
  y: number;
  away: 1 | -1;
  clear: number;
  ground: number;
}) {
  const hatch = Array.from({ length: 5 }, (_, i) => `M${x + away * ground} ${y - 20 + i * 10}l${away * 8} -7`).join("");
  return (
    <g stroke="var(--ink)" fill="none" strokeWidth={1.4} data-strap>
      <ellipse cx={x + away * (clear + 9)} cy={y} rx={6.5} ry={4} fill="var(--sheet)" strokeWidth={2} />
      <path
        d={`M${x + away * (clear + 15)} ${y - 2.5}H${x + away * ground}M${x + away * (clear + 15)} ${y + 2.5}H${x + away * ground}`}
      />
      <path d={`M${x + away * ground} ${y - 24}v48${hatch}`} />
    </g>
  );
}

/** Wraps of cord round a line, or a loop tied in it. */
export function Wraps({ x, y, side = 1 }: { x: number; y: number; side?: number }) {
  return (
    <g stroke="var(--ink)" strokeWidth={2} fill="none" data-wraps>
      {[0, 1, 2, 3, 4].map((i) => (
        <path key={i} d={`M${x + side * i * 4.5 - 2} ${y - 6}l4 12`} />
      ))}
    </g>
  );
}

/** How the tackle takes the line: connectors, and a grip or a loop. */
export function Joint({
  line,
  inLine,
  runsOn,
  x,
  y,
  edge,
}: {
  line: Line;
  inLine: boolean;
  runsOn: boolean;
  x: number;
  y: number;
  edge: number;
}) {
  const { grip, connector } = line.tackle;
  const links = inLine ? 0 : (connector?.count ?? 1);
  const hangs =
    inLine &&
    runsOn &&
    line.tackle.systemId !== "direct" &&
    line.tackle.systemId !== "redirected" &&
    line.tackle.systemId !== "three-to-one-rope-loop";
  const reach = runsOn ? 0 : links > 0 ? 24 : 8;
  return (
    <g data-joint={inLine ? "line" : grip ? "grip" : "loop"}>
      <path d={`M${x - reach} ${y}H${edge}`} stroke="var(--loaded)" strokeWidth={4.4} />
      <g stroke="var(--ink)" strokeWidth={2} fill="var(--sheet)">
        {Array.from({ length: links }, (_, i) => (
          <ellipse key={i} cx={x - 15} cy={y + (links > 1 ? (i === 0 ? -4 : 4) : 0)} rx={7} ry={3.6} data-connector />
        ))}
      </g>
      {!inLine && grip && <Wraps x={x - 46} y={y} />}
      {hangs && grip && <Wraps x={x - 30} y={y} />}
      {hangs && !grip && (
        <ellipse cx={x - 12} cy={y} rx={9} ry={6} fill="none" stroke="var(--loaded)" strokeWidth={3} />
      )}
      {!inLine && !grip && (
        <ellipse cx={x - 30} cy={y} rx={9} ry={6} fill="none" stroke="var(--loaded)" strokeWidth={3} />
      )}
    </g>
  );
}

/** A cam or a grip at a turn, on the leg that comes to it from the hands. */
export function Capture({
  kind,
  x,
  y,
  away,
  clear,
  holding,
}: {
  kind: "cam" | "grip";
  x: number;
  y: number;
  away: number;
  clear: number;
  holding: boolean;
}) {
  const at = x - away * (clear + 12);
  const shade = holding ? "var(--ink)" : "var(--sheet)";
  return (
    <g data-capture={kind} data-holding={holding || undefined}>
      {kind === "cam" ? (
        <path
          d={`M${at} ${y + 2}l${away * 5} 11h${-away * 12}zM${at - away * 8} ${y - 9}h${away * 16}`}
          fill={shade}
          stroke="var(--ink)"
          strokeWidth={1.6}
          strokeLinejoin="round"
        />
      ) : (
        <Wraps x={at} y={y} side={-away} />
      )}
      <text x={at} y={y + 25} textAnchor="middle" fill="var(--ink)" className="halo font-tight text-[12px]">
        {kind === "cam" ? "cam" : "grip"}
      </text>
    </g>
  );
}

/** The hauled end past the hands, with its stopper knot. */
export function HauledEnd({ x, y, away, text }: { x: number; y: number; away: number; text: string }) {
  const end = x + away * 34;
  return (
    <g data-stopper>
      <path
        d={`M${x} ${y}q${away * 16} 0 ${away * 20} 8t${away * 14} 6`}
        fill="none"
        stroke="var(--pencil)"
        strokeWidth={1.6}
      />
      <path
        d={`M${end - 3} ${y + 10}a4 4 0 1 1 6 5a4 4 0 1 1 -6 -5`}
        fill="var(--sheet)"
        stroke="var(--ink)"
        strokeWidth={1.6}
      />
      <text x={end} y={y + 32} textAnchor="middle" fill="var(--pencil)" className="halo font-tight text-[12px]">
        stopper
      </text>
      <text
        x={x + away * 8}
        y={y - 12}
        textAnchor={away > 0 ? "start" : "end"}
        fill="var(--ink)"
        className="halo font-tight text-[13px] font-semibold"
      >
        {text}
      </text>
    </g>
  );
}

/** What holds the line itself while the tackle is opened: a grip or turns, fast to the anchor. */
export function Hold({
  hold,
  x,
  y,
  ground,
  under,
  holding,
}: {
  hold: NonNullable<Line["tackle"]["hold"]>;
  x: number;
  y: number;
  ground: number;
  under: number;
  holding: boolean;
}) {
  return (
    <g data-holdpiece={hold.grip ? "grip" : "turns"} data-holding={holding || undefined}>
      <path
        d={`M${x + 8} ${y + 6}L${x + 26} ${under}H${ground}`}
        fill="none"
        stroke={holding ? "var(--loaded)" : "var(--pencil)"}
        strokeWidth={holding ? 4 : 1.4}
        strokeDasharray={holding ? undefined : "5 4"}
      />
      {hold.grip ? <Wraps x={x - 12} y={y} /> : null}
      {hold.turns && (
        <circle cx={ground - 12} cy={under} r={10} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={2} />
      )}
      <text
        x={(x + ground) / 2}
        y={under + 15}
        textAnchor="middle"
        fill="var(--ink)"
        className="halo font-tight text-[13px]"
      >
        {hold.grip
          ? "second friction hitch, fast to the anchor"
          : `${hold.turns?.turns ?? 1} turns of the line's tail on a drum`}
        {holding ? ": holds" : ""}
      </text>
    </g>
  );
}

/** How long the tackle stands now, between anchor and grip. */
export function Span({ from, to, y, text }: { from: number; to: number; y: number; text: string }) {
  return (
    <g stroke="var(--pencil)" strokeWidth={1} data-span>
      <path d={`M${from} ${y - 6}v12M${to} ${y - 6}v12M${from} ${y}H${to}`} fill="none" />
      <text
        x={(from + to) / 2}
        y={y - 4}
        textAnchor="middle"
        fill="var(--pencil)"
        stroke="none"
        className="halo font-tight text-[13px]"
      >
        {text}
      </text>
    </g>
  );
}
