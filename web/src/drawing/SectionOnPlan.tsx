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

/** The line of the clearing's section, and what lies along it; its ends and the pieces are taken hold of here. */
export function SectionOnPlan({ plan, scale, onGrab, onRelease }: SectionOnPlanProps) {
  const units = useSettings((s) => s.units);
  const ground = plan.clearing?.ground;
  if (!plan.clearing || !ground?.from || !ground.to) return null;
  const { from, to } = ground;
  const length = Math.hypot(to.eastM - from.eastM, to.northM - from.northM);
  const onLine = (along: number) => ({
    eastM: from.eastM + ((to.eastM - from.eastM) * along) / Math.max(length, 0.1),
    northM: from.northM + ((to.northM - from.northM) * along) / Math.max(length, 0.1),
  });
  const at = (along: number) => {
    const place = onLine(along);
    return toPixels(scale, { x: place.eastM, y: place.northM });
  };
  const landing = at(ground.landingAtM);
  const held = [
    { path: "clearing.ground.from", at: from, name: "Left end of the section", label: "" },
    { path: "clearing.ground.to", at: to, name: "Right end of the section", label: "" },
    ...plan.clearing.pieces.map((p, i) => ({
      path: `clearing.pieces[${i}].place` as const,
      at: p.place ?? onLine(p.atM),
      name: p.name === "" ? p.id : p.name,
      label: `${p.name === "" ? p.id : p.name}${p.count > 1 ? ` ×${p.count}` : ""}`,
    })),
  ] as const;
  const [a, b] = [at(0), at(length)];
  return (
    <g data-section>
      <path d={`M${a.x} ${a.y}L${b.x} ${b.y}`} stroke="var(--ink)" strokeWidth={1.2} strokeDasharray="12 4 3 4" />
      <rect x={landing.x - 4} y={landing.y - 4} width={8} height={8} fill="var(--ink)" />
      <text x={landing.x + 8} y={landing.y - 6} className="halo fill-ink font-tight text-[12px]">
        {ground.leftName}
      </text>
      {held.map(({ path, at: end, name, label }) => {
        const px = toPixels(scale, { x: end.eastM, y: end.northM });
        return (
          <g key={path}>
            <Handle
              id={path}
              name={name}
              at={px}
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
            {label !== "" && (
              <text x={px.x + 14} y={px.y + 4} className="halo fill-ink font-tight text-[12px]" pointerEvents="none">
                {label}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
}
