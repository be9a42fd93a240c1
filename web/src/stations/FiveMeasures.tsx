import { useState } from "react";
import type { Catalogue, Line, Plan } from "../api/types";
import { useFeed } from "../state/feed";
import { labelOf } from "../state/members";
import { useStarts } from "../state/starts";
import { isFollowing, isGuess, setMember, startMember, useSheet } from "../state/store";
import { valueAt } from "../state/paths";
import { Search } from "../ui/Choice";
import { Button, Note } from "../ui/controls";
import { NumberField } from "../ui/NumberField";
import { Refused } from "../ui/Refused";
import { useSettings } from "../ui/settings";
import { written, type Quantity } from "../units/units";
import { anchorKinds, anchorOf } from "./anchorKinds";
import { Group, Member, useMember, useProblem } from "./fields";
import { PullWith } from "./PullWith";
import { GirthReading } from "./Readings";
import { useSets, withAnchor } from "./sets";
import { SetKeeper } from "./SetKeeper";
import { SpeciesSearch } from "./WoodFields";

type View = Plan["readings"]["leanViews"][number];

/** What a first answer takes, in one column: Enter goes on from each to the next, and the rest follows. */
export function FiveMeasures({ catalogue }: { catalogue: Catalogue }) {
  return (
    <section data-measures aria-label="Five measures">
      <Note>Five measures, then a first answer. Enter goes to the next; what follows moves along.</Note>
      <SpeciesSearch catalogue={catalogue} />
      <Member path="tree.heightM" />
      <Across />
      <Follows />
      <Lean />
      <AnchorMeasure catalogue={catalogue} />
      <PullWith />
    </section>
  );
}

/** The stem by a caliper or by a tape round it, as this screen's crew measures. */
function Across() {
  const { stemBy, setStemBy } = useSettings();
  const byGirth = stemBy === "girth";
  return (
    <>
      {byGirth ? <GirthReading /> : <Member path="tree.dbhM" />}
      <p className="text-right">
        <button
          type="button"
          tabIndex={-1}
          className="min-h-6 text-xs underline coarse:min-h-11"
          onClick={() => {
            setStemBy(byGirth ? "diameter" : "girth");
          }}
        >
          {byGirth ? "or the diameter" : "or the girth, by a tape"}
        </button>
      </p>
    </>
  );
}

const told: [path: string, name: string, quantity: Quantity][] = [
  ["cut.stumpDiameterM", "at the cut", "thickness"],
  ["tree.crown.baseHeightM", "lowest branches", "length"],
  ["tree.crown.reachM.north", "crown reaches", "length"],
  ["lines[0].seat.heightM", "seat", "length"],
  ["cut.hingeThicknessM", "hinge", "thickness"],
  ["cut.notch.depthM", "notch", "thickness"],
];

/** What moves along with the measures until somebody sets it. */
function Follows() {
  const units = useSettings((s) => s.units);
  const plan = useSheet((s) => s.document?.plan);
  if (!plan) return null;
  const shown = told.filter(([path]) => isFollowing(plan, path));
  if (shown.length === 0) return null;
  return (
    <p data-follows className="text-[13px] leading-snug text-pencil">
      Follows:{" "}
      {shown
        .map(([path, name, quantity]) => `${name} ${written(Number(valueAt(plan, path)), quantity, units)}`)
        .join(", ")}
      .
    </p>
  );
}

/** The lean off the lay, seen from the side and from behind: in metres at the top or in degrees. */
function Lean() {
  const { leanIn, setLeanIn } = useSettings();
  const lean = useFeed((s) => s.analysis?.tree.lean);
  const lay = useMember("lay.bearingDeg") as number;
  const views = (useMember("readings.leanViews") as View[] | undefined) ?? [];
  const guessed = useSheet((s) => (s.document ? isGuess(s.document.plan, "tree.lean.angleDeg") : false));
  const problem = useProblem("readings.leanViews[0].leanDeg", "readings.leanViews[1].lookingDeg");
  const inMetres = leanIn === "metres";
  const isSeen = (lookingDeg: number) => views.some((v) => Math.abs(v.lookingDeg - lookingDeg) < 0.5);
  const sight = (lookingDeg: number, value: number | undefined): Sight => ({
    lookingDeg,
    // Of a guess nothing is known but what was seen.
    value: value !== undefined && (isSeen(lookingDeg) || !guessed) ? rounded(value) : undefined,
  });
  const side = sight((lay + 90) % 360, lean && -(inMetres ? lean.aheadM : lean.aheadDeg));
  const behind = sight(lay, lean && (inMetres ? lean.rightM : lean.rightDeg));

  function look(at: Sight, value: number): void {
    const other = at === side ? behind : side;
    const view = (lookingDeg: number, v: number) =>
      inMetres ? { lookingDeg, leanDeg: 0, topM: v } : { lookingDeg, leanDeg: v };
    const kept = other.value === undefined ? [] : [view(other.lookingDeg, other.value)];
    setMember("readings.leanViews", [view(at.lookingDeg, value), ...kept]);
  }

  return (
    <Group title="Lean, off the lay">
      <LeanSide
        sight={side}
        from="from the side"
        words={["back", "fore"]}
        metres={inMetres}
        onLook={(value) => {
          look(side, value);
        }}
      />
      <LeanSide
        sight={behind}
        from="from behind"
        words={["left", "right"]}
        metres={inMetres}
        onLook={(value) => {
          look(behind, value);
        }}
      />
      <p className="flex justify-end gap-3 text-xs">
        {(["metres", "degrees"] as const).map((way) => (
          <button
            key={way}
            type="button"
            tabIndex={-1}
            aria-pressed={leanIn === way}
            className={`min-h-6 coarse:min-h-11 ${leanIn === way ? "font-semibold" : "text-pencil underline"}`}
            onClick={() => {
              setLeanIn(way);
            }}
          >
            {way === "metres" ? "how far the top stands out" : "in degrees"}
          </button>
        ))}
      </p>
      {views.length === 1 && <Note>Seen from one side only: a guess until somebody looks from the other.</Note>}
      <Refused>{problem}</Refused>
    </Group>
  );
}

interface Sight {
  lookingDeg: number;
  /** To the viewer's right; unknown while nobody has looked. */
  value: number | undefined;
}

/** What one looks at from one place: how far, and which of two ways. */
function LeanSide({
  sight,
  from,
  words,
  metres,
  onLook,
}: {
  sight: Sight;
  from: string;
  /** The way to the viewer's right from the side; from behind the way to the left stands first. */
  words: [string, string];
  metres: boolean;
  onLook: (value: number) => void;
}) {
  const first = words[0] === "back" ? 1 : -1;
  const [chosen, setChosen] = useState(first);
  const sign = sight.value === undefined || sight.value === 0 ? chosen : Math.sign(sight.value);
  return (
    <div className="flex items-start gap-2">
      <div role="group" aria-label={`Leans, ${from}`} className="flex shrink-0 gap-2 pt-1">
        {words.map((word, i) => {
          const own = i === 0 ? first : -first;
          return (
            <button
              key={word}
              type="button"
              tabIndex={-1}
              aria-pressed={sign === own}
              className={`min-h-6 font-tight text-sm coarse:min-h-11 ${sign === own ? "font-semibold underline" : "text-pencil"}`}
              onClick={() => {
                setChosen(own);
                if (sight.value !== undefined) onLook(Math.abs(sight.value) * own);
              }}
            >
              {word}
            </button>
          );
        })}
      </div>
      <div className="min-w-0 flex-1">
        <NumberField
          label={from}
          value={sight.value === undefined ? undefined : Math.abs(sight.value)}
          quantity={metres ? "length" : "angle"}
          step={metres ? 0.1 : 0.5}
          path={`lean ${from}`}
          unknown="?"
          onChange={(value) => {
            if (value !== undefined) onLook(value * sign);
          }}
        />
      </div>
    </div>
  );
}

const rounded = (value: number): number => Math.round(value * 100) / 100;

type Anchor = Line["anchor"];

/** What the line ends at: a tree by its species, or something else; how far, and how stout. */
function AnchorMeasure({ catalogue }: { catalogue: Catalogue }) {
  const anchor = useMember("lines[0].anchor") as Anchor;
  const starts = useStarts();
  const edit = useSheet((s) => s.edit);
  const kept = (useSets().data ?? []).flatMap((set) => (set.anchor ? [{ set, anchor: set.anchor }] : []));
  const trees = catalogue.species
    .filter((s) => !s.own)
    .map((s) => ({ value: `tree ${s.species.id}`, name: s.species.name, note: "a standing tree" }));
  const taken = anchor.kind === "tree" ? `tree ${anchor.tree?.speciesId ?? "any"}` : anchor.kind;

  function choose(next: string): void {
    const [kind, species] = next.split(" ") as [Anchor["kind"], string | undefined];
    const changed = anchorOf(kind, anchor, starts);
    if (changed.tree) {
      changed.tree = { ...changed.tree, speciesId: species };
      if (species === "any") delete changed.tree.speciesId;
    }
    startMember("lines[0].anchor", changed);
  }

  return (
    <Group title="Anchor">
      <Search
        label={labelOf("lines[0].anchor.kind")}
        value={taken}
        member="lines[0].anchor.kind"
        options={[
          { value: "tree any", name: "A standing tree", note: "an ordinary broadleaf" },
          ...trees,
          ...anchorKinds.filter((k) => k.value !== "tree"),
        ]}
        onChange={choose}
        problem={useProblem("lines[0].anchor.kind")}
      />
      {kept.map(({ set, anchor: as }) => (
        <Button
          key={set.id}
          className="mr-1"
          data-set={set.id}
          onClick={() => {
            edit((d) => ({ ...d, plan: withAnchor(d.plan, 0, as) }));
          }}
        >
          {set.name}, as last time
        </Button>
      ))}
      <Member path="lines[0].anchor.distanceM" />
      {anchor.kind === "tree" && <Member path="lines[0].anchor.tree.dbhM" />}
      {anchor.kind === "rated" && <Member path="lines[0].anchor.capacityN" />}
      {(anchor.kind === "weight" || anchor.kind === "vehicle") && <Member path="lines[0].anchor.weight.massKg" />}
      <SetKeeper
        title="Keep this anchor for other jobs"
        what="What it is, what it holds, and where it stands from the stump."
        of={() => ({ anchor })}
        is={(set) => set.anchor !== undefined}
      />
    </Group>
  );
}
