import { useStarts } from "../state/starts";
import type { Catalogue, Plan } from "../api/types";
import { useFeed } from "../state/feed";
import { setFrom, setMember, useSheet } from "../state/store";
import { Button, Note, Segments } from "../ui/controls";
import { Group, Member, useMember, useProblem } from "./fields";
import { CrownSketch } from "./sketches";
import { Refused } from "../ui/Refused";

type Section = Plan["tree"]["mass"]["sections"][number];

/** The three ways to a mass: by form, by sections measured up the stem, or known. */
export function MassFields() {
  const method = useMember("tree.mass.method") as "form" | "sections" | "known";
  const sections = (useMember("tree.mass.sections") as Section[] | undefined) ?? [];
  const wrong = useProblem("tree.mass.sections", "tree.mass.known");
  const tree = useFeed((s) => s.analysis?.tree);
  const figure = useFeed((s) => s.analysis?.figure);
  const edit = useSheet((s) => s.edit);
  const starts = useStarts();

  function choose(next: typeof method): void {
    edit((d) => {
      const mass = { ...d.plan.tree.mass, method: next };
      // What is begun starts from what the form says, to be corrected by measuring.
      if (next === "sections" && mass.sections.length < 2 && figure) {
        mass.sections = [0.08, 0.3, 0.55, 0.8].map((share) => {
          const slice = figure.stem[Math.round(share * (figure.stem.length - 1))];
          return {
            heightM: round((slice?.upM ?? 0) + d.plan.cut.stumpHeightM, 10),
            diameterM: round(slice?.diameterM ?? 0.2, 100),
          };
        });
      }
      if (next === "known" && !mass.known && tree) {
        mass.known = {
          massKg: Math.round(tree.massKg),
          centreHeightM: round(tree.centre.upM + d.plan.cut.stumpHeightM, 10),
          northM: 0,
          eastM: 0,
          spread: starts.knownMassSpread,
        };
      }
      return { ...d, plan: { ...d.plan, tree: { ...d.plan.tree, mass } } };
    });
  }

  return (
    <Group title="Mass">
      <Segments
        label="Mass by"
        value={method}
        onChange={choose}
        choices={[
          { value: "form", text: "By form" },
          { value: "sections", text: "Sections" },
          { value: "known", text: "Known" },
        ]}
      />
      {method === "form" && <Member path="tree.taperExponent" />}
      {method === "sections" && (
        <>
          <Note>
            Diameters up the stem, lowest first. You can drag them on the elevation; they are drawn eight times as wide.
          </Note>
          {sections.map((_, i) => (
            <div key={i} className="border-b border-rule">
              <Member path={`tree.mass.sections[${i}].heightM`} of={`section ${i + 1}`} />
              <Member path={`tree.mass.sections[${i}].diameterM`} of={`section ${i + 1}`} />
            </div>
          ))}
          <div className="mt-1 flex gap-2">
            <Button
              onClick={() => {
                const last = sections.at(-1);
                setMember("tree.mass.sections", [
                  ...sections,
                  { heightM: (last?.heightM ?? 0) + 2, diameterM: Math.max(0.05, (last?.diameterM ?? 0.4) - 0.05) },
                ]);
              }}
            >
              Add a section
            </Button>
            {sections.length > 2 && (
              <Button
                onClick={() => {
                  setMember("tree.mass.sections", sections.slice(0, -1));
                }}
              >
                Remove the top one
              </Button>
            )}
          </div>
        </>
      )}
      {method === "known" && (
        <>
          <Member path="tree.mass.known.massKg" />
          <Member path="tree.mass.known.spread" />
          <Member path="tree.mass.known.centreHeightM" />
          <Member path="tree.mass.known.northM" />
          <Member path="tree.mass.known.eastM" />
        </>
      )}
      <Refused>{wrong}</Refused>
    </Group>
  );
}

/** The crown's mass by what it looks like. */
export function CrownLooks({ catalogue, conifer }: { catalogue: Catalogue; conifer: boolean }) {
  const ratio = useMember("tree.crown.massRatio") as number;
  const inLeaf = useMember("wind.inLeaf") as boolean;
  const looks = catalogue.crowns.filter((c) => (c.habit === "conifer") === conifer && (conifer || c.inLeaf === inLeaf));
  return (
    <div role="radiogroup" aria-label="What the crown looks like" className="my-1 flex border border-ink">
      {looks.map((look) => {
        const taken = Math.abs(look.ratio - ratio) < 0.001;
        return (
          <button
            key={look.id}
            type="button"
            role="radio"
            aria-checked={taken}
            // A look is still a guess of the mass: it stays marked as one.
            onClick={() => {
              setFrom("guess", [["tree.crown.massRatio", look.ratio]]);
            }}
            className={`flex-1 border-r border-ink py-1 last:border-r-0 ${taken ? "outline-2 -outline-offset-2 outline-ink" : "hover:bg-tint"}`}
          >
            <CrownSketch look={look.name} conifer={conifer} bare={!look.inLeaf} />
            <span className={`block text-center font-tight text-xs ${taken ? "font-semibold underline" : ""}`}>
              {look.name}
              {conifer ? "" : inLeaf ? ", in leaf" : ", bare"}
            </span>
          </button>
        );
      })}
    </div>
  );
}

const round = (value: number, per: number): number => Math.round(value * per) / per;
