import type { PracticeCard } from "../../api/types";

type Tackle = NonNullable<NonNullable<PracticeCard["picture"]>["tackle"]>;

const width = 300;
const apart = 17;
const top = 34;

/** Each rope's legs one under the other, a wider gap between ropes. */
function legsOf(tackle: Tackle): { from: string; to: string; y: number }[][] {
  let above = 0;
  return tackle.ropes.map((rope) => {
    const stops = [rope.from, ...rope.contacts.map((c) => c.point)];
    const first = above;
    above += stops.length - 1 + 0.6;
    return stops.slice(1).map((to, i) => ({ from: stops[i] ?? to, to, y: top + apart * (first + i) }));
  });
}

/** Every leg of a tackle beside the next, from the hands along each rope: to be counted. */
export function TackleLegs({ tackle }: { tackle: Tackle }) {
  const positions = tackle.points.map((p) => p.position);
  const [least, most] = [Math.min(...positions), Math.max(...positions)];
  const x = (id: string) => {
    const at = tackle.points.find((p) => p.id === id)?.position ?? 0;
    return 34 + ((at - least) / Math.max(1, most - least)) * (width - 68);
  };
  const ropes = legsOf(tackle);
  const last = Math.max(0, ...ropes.flatMap((legs) => legs.map((l) => l.y)));
  const height = last + apart + 14;
  const of = (id: string) => ropes.flatMap((legs) => legs.flatMap((l) => (l.from === id || l.to === id ? [l.y] : [])));
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      width={width}
      height={height}
      role="img"
      aria-label="The tackle, leg by leg"
      className="border border-rule bg-paper"
    >
      {tackle.points.map((p) => {
        const ys = of(p.id);
        return (
          <g key={p.id}>
            {ys.length > 0 && p.kind !== "hand" && (
              <rect
                x={x(p.id) - 5}
                y={Math.min(...ys) - 7}
                width={10}
                height={Math.max(...ys) - Math.min(...ys) + 14}
                fill={p.kind === "fixed" ? "var(--ink)" : "var(--sheet)"}
                stroke="var(--ink)"
                strokeWidth={1.6}
              />
            )}
            <text
              x={x(p.id)}
              y={16}
              textAnchor="middle"
              className="font-tight text-[12px] font-semibold"
              fill="var(--ink)"
            >
              {p.kind === "load" ? "tree" : p.kind === "hand" ? "hands" : p.kind === "fixed" ? "anchor" : "moves"}
            </text>
          </g>
        );
      })}
      {ropes.map((legs, r) => (
        <g key={r} stroke="var(--loaded)" strokeWidth={2} fill="none">
          {legs.map((l, i) => {
            const next = legs[i + 1];
            const out = next ? Math.sign(x(l.to) - x(l.from)) : 0;
            return (
              <g key={i}>
                <path d={`M${x(l.from)} ${l.y} H${x(l.to)}`} />
                {next && <path d={`M${x(l.to)} ${l.y} a9 ${apart / 2} 0 0 ${out > 0 ? 1 : 0} 0 ${apart}`} />}
                {!next && <circle cx={x(l.to)} cy={l.y} r={3} fill="var(--ink)" stroke="none" />}
              </g>
            );
          })}
        </g>
      ))}
    </svg>
  );
}
