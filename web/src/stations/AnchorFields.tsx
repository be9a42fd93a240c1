import type { PathOf } from "../state/memberPath";
import type { Analysis, Catalogue, Clearing, Line } from "../api/types";
import { useFeed } from "../state/feed";
import { useStarts } from "../state/starts";
import { setMember, startMember } from "../state/store";
import { Choice } from "../ui/Choice";
import { Note, Segments } from "../ui/controls";
import { useSettings } from "../ui/settings";
import { range, written } from "../units/units";
import { anchorKinds, anchorOf } from "./anchorKinds";
import { Member, useMember, useProblem } from "./fields";
import { labelOf } from "../state/members";

type Anchor = Line["anchor"];
type SectionPoint = NonNullable<Clearing["low"]>;
type Strength = NonNullable<Analysis["anchors"][number]>;

/** The anchor by its kind: what it is made of, and what that holds. */
export function AnchorFields({
  path,
  catalogue,
  holds,
  load,
}: {
  path: PathOf<Anchor> | PathOf<SectionPoint>;
  catalogue: Catalogue;
  /** What it holds, where the pull's analysis says so. */
  holds?: (analysis: Analysis) => Strength | null | undefined;
  /** What it is asked to hold, newtons. */
  load?: (analysis: Analysis) => number | undefined;
}) {
  const kind = (useMember(`${path}.kind`) as Anchor["kind"] | undefined) ?? "rated";
  const anchor = useMember(path) as Anchor;
  const starts = useStarts();
  const ground = (member: "tree" | "post" | "weight", of: string) => (
    <Choice
      label={of === "soil" ? "Soil" : "Ground"}
      value={
        (member === "tree"
          ? anchor.tree?.groundId
          : member === "post"
            ? anchor.post?.groundId
            : anchor.weight?.groundId) ?? ""
      }
      options={catalogue.anchors.filter((a) => a.kind === of).map((a) => ({ value: a.id, name: a.name }))}
      onChange={(id) => {
        setMember(`${path}.${member}.groundId`, id);
      }}
    />
  );

  return (
    <>
      <Choice
        label={labelOf(`${path}.kind`)}
        value={kind}
        options={anchorKinds}
        onChange={(k) => {
          startMember(path, anchorOf(k as Anchor["kind"], anchor, starts));
        }}
        problem={useProblem(`${path}.kind`)}
      />
      {kind === "rated" && <Member path={`${path}.capacityN`} />}
      {kind === "tree" && anchor.tree && (
        <>
          <Choice
            label={labelOf(`${path}.tree.speciesId`)}
            value={anchor.tree.speciesId ?? "any"}
            options={[
              { value: "any", name: "an ordinary broadleaf" },
              ...catalogue.species.filter((s) => !s.own).map((s) => ({ value: s.species.id, name: s.species.name })),
            ]}
            onChange={(id) => {
              setMember(`${path}.tree.speciesId`, id === "any" ? undefined : id);
            }}
          />
          <Member path={`${path}.tree.dbhM`} />
          <Member path={`${path}.tree.heightM`} />
          <Member path={`${path}.tree.soundness`} />
          {ground("tree", "roots")}
        </>
      )}
      {kind === "post" && anchor.post && (
        <>
          <Member path={`${path}.post.diameterM`} />
          <Member path={`${path}.post.depthM`} />
          {ground("post", "soil")}
        </>
      )}
      {kind === "pickets" && anchor.pickets && (
        <>
          <Choice
            label={labelOf(`${path}.pickets.arrangementId`)}
            value={anchor.pickets.arrangementId}
            options={catalogue.anchors.filter((a) => a.kind === "pickets").map((a) => ({ value: a.id, name: a.name }))}
            onChange={(id) => {
              setMember(`${path}.pickets.arrangementId`, id);
            }}
          />
          <Segments
            label={labelOf(`${path}.pickets.ground`)}
            value={anchor.pickets.ground}
            onChange={(v) => {
              setMember(`${path}.pickets.ground`, v);
            }}
            choices={[
              { value: "firmLoam", text: "Firm loam" },
              { value: "clayOrGravel", text: "Clay, gravel" },
              { value: "wet", text: "Wet" },
            ]}
          />
        </>
      )}
      {(kind === "weight" || kind === "vehicle") && anchor.weight && (
        <>
          <Member path={`${path}.weight.massKg`} />
          {kind === "vehicle" && <Member path={`${path}.weight.brakedShare`} />}
          <Member path={`${path}.weight.slopeDeg`} />
          {ground("weight", "grip")}
        </>
      )}
      {holds && load && <Holds of={holds} load={load} />}
    </>
  );
}

/** What it holds, how far that may be off, and what to watch. */
function Holds({
  of,
  load,
}: {
  of: (analysis: Analysis) => Strength | null | undefined;
  load: (analysis: Analysis) => number | undefined;
}) {
  const units = useSettings((s) => s.units);
  const strength = useFeed((s) => (s.analysis ? of(s.analysis) : null));
  const asked = useFeed((s) => (s.analysis ? load(s.analysis) : undefined));
  if (!strength) return null;
  const { low, nominal, high } = strength.force;
  const far = asked !== undefined && nominal > 10 * asked;
  return (
    <div data-anchor-holds className="border-l-2 border-rule pl-2">
      {high > low && far && <p className="py-1 font-tight text-sm">Holds far more than this line asks.</p>}
      {high > low && !far && (
        <p className="py-1 font-tight text-sm">
          Gives at about <b className="font-semibold">{written(nominal, "force", units)}</b> (
          {range(low, high, "force", units)}): {strength.limit}.
        </p>
      )}
      <Note>{strength.watch}</Note>
    </div>
  );
}
