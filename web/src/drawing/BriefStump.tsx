import type { Analysis, Plan } from "../api/types";
import { useSettings } from "../ui/settings";
import { written } from "../units/units";

/** The cut from above, small: notch, hinge and back cut, with the lay to the right. */
export function BriefStump({ plan, analysis }: { plan: Plan; analysis: Analysis }) {
  const units = useSettings((s) => s.units);
  const { stumpDiameterM: diameter, hingeThicknessM: hinge, notch } = plan.cut;
  const r = 46;
  const perMetre = (2 * r) / diameter;
  const [cx, cy] = [56, 54];
  const apex = cx + r - notch.depthM * perMetre;
  const back = apex - hinge * perMetre;
  const half = (analysis.hinge.lengthM / 2) * perMetre;
  const backHalf = Math.sqrt(Math.max(0, r * r - (back - cx) ** 2));
  return (
    <svg viewBox="0 0 250 110" role="img" aria-label="The cut from above" className="block h-auto w-full max-w-[270px]">
      <circle cx={cx} cy={cy} r={r} fill="none" stroke="var(--ink)" strokeWidth={1.6} />
      <path d={`M${apex} ${cy - half}A${r} ${r} 0 0 1 ${apex} ${cy + half}Z`} fill="var(--sheet)" stroke="var(--ink)" />
      <path
        d={`M${back} ${cy - backHalf}A${r} ${r} 0 0 1 ${apex} ${cy - half}V${cy + half}A${r} ${r} 0 0 1 ${back} ${cy + backHalf}Z`}
        fill="var(--ink)"
      />
      <path d={`M${cx - r - 6} ${cy}H${cx + r + 12}`} stroke="var(--pencil)" strokeDasharray="7 3 2 3" />
      <path d={`M${cx + r + 14} ${cy}l-9 -4v8Z`} fill="var(--ink)" />
      <g fill="var(--ink)" className="font-tight text-[13px]">
        <text x={124} y={40}>
          hinge {written(hinge, "thickness", units)} thick
        </text>
        <text x={124} y={58}>
          notch {written(notch.depthM, "thickness", units)} deep
        </text>
        <text x={124} y={76}>
          holds to {written(analysis.hinge.holdAngleDeg, "angle", units)}
        </text>
      </g>
    </svg>
  );
}
