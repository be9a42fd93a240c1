import type { PullLine } from "../../api/types";
import { useLive } from "../../state/live";
import { useSettings } from "../../ui/settings";
import { figure, written } from "../../units/units";

const width = 340;
const height = 400;
const [left, right] = [60, 180];
const [top, bottom] = [24, 384];

/** The window of a line as a rule: hatched under the floor, solid over the most, the reading in red with its spread. */
export function WindowRule({ line, pulling }: { line: PullLine; pulling: boolean }) {
  const units = useSettings((s) => s.units);
  const live = useLive((s) => s.last[line.id]?.tensionN);
  const { floorN: floor, ceilingN: ceiling } = line;
  const read = line.readHere ? line.readN : undefined;
  const shown = live ?? read?.nominal;
  const most = Math.max(ceiling * 1.12, line.plannedN * 1.15, (shown ?? 0) * 1.08, 1);
  const y = (n: number) => bottom - (Math.max(0, n) / most) * (bottom - top);
  const said = (n: number) => written(n, "force", units);
  const step = tickOf(most);
  const ticks = Array.from({ length: Math.floor(most / step) + 1 }, (_, i) => i * step);
  const marks = [
    {
      n: ceiling,
      name: `most ${written(ceiling, "force", units, "down")}`,
      note:
        line.curve.length === 0
          ? "over it, take the load off"
          : pulling
            ? "over it, haul no further"
            : "over it, let off",
      strong: true,
    },
    ...(floor > 0 || line.curve.length > 0
      ? [
          {
            n: floor,
            name: `floor ${written(floor, "force", units, "up")}`,
            note: floor > 0 ? "under it, it may sit back" : "",
            strong: true,
          },
        ]
      : []),
    ...(line.targetN == null ||
    Math.abs(line.targetN - floor) < 0.02 * most ||
    Math.abs(line.targetN - ceiling) < 0.02 * most
      ? []
      : [
          {
            n: line.targetN,
            name: `${line.curve.length > 0 ? "this step" : "planned"} ${said(line.targetN)}`,
            note: "",
            strong: false,
          },
        ]),
  ].sort((a, b) => b.n - a.n);
  // Names keep a line's height from one another.
  const named = marks.reduce<((typeof marks)[number] & { at: number; below: number })[]>((so, m) => {
    const at = Math.max(y(m.n) + 5, (so.at(-1)?.below ?? -Infinity) + 22);
    return [...so, { ...m, at, below: at + (m.note === "" ? 0 : 18) }];
  }, []);
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={`The window: ${marks.map((m) => m.name).join(", ")}${shown === undefined ? "" : `; it reads ${said(shown)}`}`}
      className="block h-auto max-h-[46vh] w-full max-w-[340px]"
    >
      <pattern id="under-floor" width={9} height={9} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <path d="M0 0V9" stroke="var(--pencil)" strokeWidth={1} />
      </pattern>
      <rect x={left} y={top} width={right - left} height={bottom - top} fill="var(--held)" />
      <rect x={left} y={y(floor)} width={right - left} height={bottom - y(floor)} fill="var(--sheet)" />
      <rect x={left} y={y(floor)} width={right - left} height={bottom - y(floor)} fill="url(#under-floor)" />
      {ceiling < most && <rect x={left} y={top} width={right - left} height={y(ceiling) - top} fill="var(--ink)" />}
      <rect
        x={left}
        y={top}
        width={right - left}
        height={bottom - top}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={2}
      />
      {ticks.map((n, i) => (
        <path
          key={n}
          d={`M${left} ${y(n)}h${i % 5 === 0 ? 26 : 12}`}
          stroke={n > ceiling ? "var(--sheet)" : "var(--ink)"}
          strokeWidth={1.2}
        />
      ))}
      {named.map((m) => (
        <g key={m.name}>
          <path
            d={`M${m.strong ? left - 14 : left} ${y(m.n)}H${right + 12}L${right + 22} ${m.at - 5}`}
            fill="none"
            stroke="var(--ink)"
            strokeWidth={m.strong ? 2 : 1}
            strokeDasharray={m.strong ? undefined : "6 4"}
          />
          <text x={right + 26} y={m.at} fill="var(--ink)" className="font-tight text-[17px] font-semibold">
            {m.name}
          </text>
          {m.note !== "" && (
            <text x={right + 26} y={m.at + 17} fill="var(--pencil)" className="font-tight text-[14px]">
              {m.note}
            </text>
          )}
        </g>
      ))}
      {read && live === undefined && (
        <rect
          x={left}
          y={y(read.high)}
          width={right - left}
          height={Math.max(2, y(read.low) - y(read.high))}
          fill="var(--loaded)"
          opacity={0.25}
        />
      )}
      {shown !== undefined && (
        <g data-on-rule={figure(shown, "force", units)}>
          <rect x={left} y={y(shown) - 3.5} width={right - left} height={7} fill="var(--loaded)" />
          <path d={`M${left - 4} ${y(shown)}l-24 -11v22Z`} fill="var(--loaded)" />
        </g>
      )}
    </svg>
  );
}

/** A tick's distance: a round number, some twenty of them. */
function tickOf(most: number): number {
  const raw = most / 20;
  const ten = 10 ** Math.floor(Math.log10(raw));
  return ten * (raw / ten < 1.5 ? 1 : raw / ten < 3.5 ? 2 : raw / ten < 7.5 ? 5 : 10);
}
