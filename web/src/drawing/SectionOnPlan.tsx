import type { Plan } from "../api/types";
import { setMember } from "../state/store";
import { useSettings } from "../ui/settings";
import { written } from "../units/units";
import { Handle } from "./Handle";
import { toMetres, toPixels, type Scale } from "./projection";
import { tenth } from "./sitePlan";

interface SectionOnPlanProps {
  plan: Plan;
  scale: Scale;
  onGrab: () => void;
  onRelease: () => void;
}

/** The line of the clearing's section, and what lies along it; its ends are taken hold of here. */
export function SectionOnPlan({ plan, scale, onGrab, onRelease }: SectionOnPlanProps) {
  const units = useSettings((s) => s.units);
  const ground = plan.clearing?.ground;
  if (!plan.clearing || !ground?.from || !ground.to) return null;
  const { from, to } = ground;
  const length = Math.hypot(to.eastM - from.eastM, to.northM - from.northM);
  const at = (along: number) =>
    toPixels(scale, {
      x: from.eastM + ((to.eastM - from.eastM) * along) / Math.max(length, 0.1),
      y: from.northM + ((to.northM - from.northM) * along) / Math.max(length, 0.1),
    });
  const places = [
    ...plan.clearing.pieces.map((p) => ({
      name: p.name === "" ? p.id : p.name,
      at: p.place ? toPixels(scale, { x: p.place.eastM, y: p.place.northM }) : at(p.atM),
    })),
    { name: ground.leftName, at: at(ground.landingAtM) },
  ];
  const ends = [
    { path: "clearing.ground.from", end: from, name: "Left end of the section" },
    { path: "clearing.ground.to", end: to, name: "Right end of the section" },
  ] as const;
  const [a, b] = [at(0), at(length)];
  return (
    <g data-section>
      <path d={`M${a.x} ${a.y}L${b.x} ${b.y}`} stroke="var(--ink)" strokeWidth={1.2} strokeDasharray="12 4 3 4" />
      {places.map((p) => (
        <g key={p.name}>
          <rect x={p.at.x - 4} y={p.at.y - 4} width={8} height={8} fill="var(--wood)" stroke="var(--ink)" />
          <text x={p.at.x + 8} y={p.at.y - 6} className="halo fill-ink font-tight text-[12px]">
            {p.name}
          </text>
        </g>
      ))}
      {ends.map(({ path, end, name }) => (
        <Handle
          key={path}
          id={path}
          name={name}
          at={toPixels(scale, { x: end.eastM, y: end.northM })}
          now={Math.round(Math.hypot(end.eastM, end.northM))}
          min={0}
          max={500}
          text={`${written(Math.hypot(end.eastM, end.northM), "length", units)} out`}
          shape="square"
          onGrab={onGrab}
          onMove={(to) => {
            const place = toMetres(scale, to);
            setMember(path, { eastM: tenth(place.x), northM: tenth(place.y) }, path);
          }}
          onStep={(east, north) => {
            setMember(path, { eastM: tenth(end.eastM + east / 2), northM: tenth(end.northM + north / 2) }, path);
          }}
          onRelease={onRelease}
        />
      ))}
    </g>
  );
}
