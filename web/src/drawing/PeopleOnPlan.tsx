import type { Analysis, Plan } from "../api/types";
import { setMember } from "../state/store";
import { useSettings } from "../ui/settings";
import { written } from "../units/units";
import { apart } from "./discs";
import { Handle } from "./Handle";
import { toMetres, toPixels, type Scale } from "./projection";
import { flatOf, tenth } from "./sitePlan";

interface PeopleOnPlanProps {
  plan: Plan;
  analysis: Analysis;
  scale: Scale;
  onGrab: () => void;
  onRelease: () => void;
}

/** The crew by name, each to be taken to another place. */
export function PeopleOnPlan({ plan, analysis, scale, onGrab, onRelease }: PeopleOnPlanProps) {
  const units = useSettings((s) => s.units);
  const places = analysis.site.people.map((person) => toPixels(scale, flatOf(person.place)));
  const discs = apart(places);
  return analysis.site.people.map((person, i) => {
    if (!plan.crew[person.index]) return null;
    const place = places[i] ?? toPixels(scale, flatOf(person.place));
    // Those who stand on one spot are shown side by side.
    const at = discs[i] ?? place;
    const aside = { x: at.x - place.x, y: at.y - place.y };
    const path = `crew[${person.index}].place` as const;
    const grip = `person-${person.index}`;
    const reached = !["none", "reach"].includes(person.in);
    const shelter = (plan.crew[person.index]?.shelter ?? "") !== "";
    // A shelter is good against what flies, not against the tree.
    const bad = reached && !(shelter && ["near", "turn", "band"].includes(person.in));
    return (
      <g key={person.index} data-person-at={person.name}>
        <text
          x={at.x + 14}
          y={at.y + 4}
          fill="var(--ink)"
          pointerEvents="none"
          data-near
          className={`halo font-tight text-[13px] ${bad ? "font-semibold" : ""}`}
        >
          {person.name}
          {bad ? " NOT HERE" : reached ? ", in shelter" : ""}
        </text>
        <Handle
          id={grip}
          at={at}
          name={`Where ${person.name} stands`}
          now={Math.round(person.distanceM)}
          min={0}
          max={500}
          text={`${written(person.distanceM, "length", units)} out`}
          onMove={(to) => {
            const there = toMetres(scale, { x: to.x - aside.x, y: to.y - aside.y });
            setMember(path, { eastM: tenth(there.x), northM: tenth(there.y) }, grip);
          }}
          onStep={(across, up) => {
            setMember(
              path,
              { eastM: tenth(person.place.eastM + across * 0.5), northM: tenth(person.place.northM + up * 0.5) },
              grip,
            );
          }}
          onGrab={onGrab}
          onRelease={onRelease}
          letter={person.letter}
        />
      </g>
    );
  });
}
