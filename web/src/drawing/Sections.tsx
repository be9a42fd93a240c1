import type { Analysis, Plan } from "../api/types";
import { setMember } from "../state/store";
import { useSettings } from "../ui/settings";
import { written } from "../units/units";
import { Handle } from "./Handle";
import { flatten, stemAt, toPixels, type Scale } from "./projection";
import { rangeOf } from "../state/members";

/** A stem is thin at the elevation's scale, so its measured diameters are drawn this many times as wide. */
const wider = 8;

interface SectionsProps {
  plan: Plan;
  analysis: Analysis;
  scale: Scale;
  onGrab: () => void;
  onRelease: () => void;
}

/** The measured diameters across the stem, each with a handle at its end. */
export function Sections({ plan, analysis, scale, onGrab, onRelease }: SectionsProps) {
  const units = useSettings((s) => s.units);
  return plan.tree.mass.sections.map((section, index) => {
    const at = toPixels(
      scale,
      flatten(stemAt(analysis.figure, section.heightM - plan.cut.stumpHeightM), analysis.figure.viewDeg),
    );
    const half = (section.diameterM / 2) * wider * scale.perMetre;
    const path = `tree.mass.sections[${index}]` as const;
    const grip = `section-${index}`;
    return (
      <g key={index}>
        <path
          aria-hidden
          d={`M${at.x - half} ${at.y}H${at.x + half}M${at.x - half} ${at.y - 4}v8`}
          stroke="var(--ink)"
          strokeWidth={1.2}
        />
        <text aria-hidden x={at.x + half + 14} y={at.y + 4} fill="var(--ink)" className="halo font-tight text-[13px]">
          {written(section.diameterM, "thickness", units)}
        </text>
        <Handle
          id={grip}
          at={{ x: at.x + half, y: at.y }}
          name={`Diameter at ${written(section.heightM, "length", units)}`}
          now={section.diameterM}
          {...rangeOf(`${path}.diameterM`)}
          text={written(section.diameterM, "thickness", units)}
          onMove={(to) => {
            setMember(
              `${path}.diameterM`,
              Math.max(0.02, Math.round(((to.x - at.x) * 2 * 100) / (wider * scale.perMetre)) / 100),
              grip,
            );
          }}
          onStep={(across, up) => {
            setMember(
              `${path}.diameterM`,
              Math.max(0.02, Math.round((section.diameterM + (across + up) * 0.01) * 100) / 100),
              grip,
            );
          }}
          onGrab={onGrab}
          onRelease={onRelease}
          shape="square"
        />
      </g>
    );
  });
}
