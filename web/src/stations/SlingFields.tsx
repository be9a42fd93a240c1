import type { PathOf } from "../state/memberPath";
import type { Catalogue, Line } from "../api/types";
import { useStarts } from "../state/starts";
import { setMember } from "../state/store";
import { Choice } from "../ui/Choice";
import { Member, useMember } from "./fields";
import { Piece } from "./Piece";
import { labelOf } from "../state/members";

type Sling = NonNullable<Line["anchor"]["sling"]>;

const hitches = [
  { value: "none", name: "not known" },
  { value: "straight", name: "straight" },
  { value: "choked", name: "choked", note: "keeps 80 %" },
  { value: "basket", name: "basket", note: "both legs carry, by the angle between them" },
  { value: "twoSlings", name: "two slings to one connector", note: "each takes its part by the angle between them" },
];

/** The sling at an anchor or a redirect. */
export function SlingFields({ path, catalogue, name }: { path: PathOf<Sling>; catalogue: Catalogue; name: string }) {
  const sling = useMember(path) as Sling | undefined;
  const starts = useStarts();
  return (
    <>
      <Choice
        label={name}
        member={path}
        value={sling?.hitch ?? "none"}
        options={hitches}
        onChange={(hitch) => {
          setMember(path, hitch === "none" ? undefined : { ...starts.sling, ...sling, hitch });
        }}
      />
      {sling && (
        <>
          <Piece path={path} place="sling" />
          <Member path={`${path}.breakingStrengthN`} />
          {(sling.hitch === "basket" || sling.hitch === "twoSlings") && <Member path={`${path}.halfAngleDeg`} />}
          <Choice
            label={labelOf(`${path}.knotId`)}
            value={sling.knotId ?? "sewn"}
            options={[
              { value: "sewn", name: "sewn or spliced" },
              ...catalogue.knots
                .filter((k) => ["stem-sling", "end-loop"].includes(k.use))
                .map((k) => ({ value: k.id, name: k.name, note: `keeps ${Math.round(k.keepsLow * 100)} %` })),
            ]}
            onChange={(id) => {
              setMember(`${path}.knotId`, id === "sewn" ? undefined : id);
            }}
          />
          {sling.wear && <Wear path={`${path}.wear`} />}
        </>
      )}
    </>
  );
}

/** What age and use have left of a piece. */
export function Wear({ path, wet = false }: { path: PathOf<NonNullable<Sling["wear"]>>; wet?: boolean }) {
  const soaked = (useMember(`${path}.wet`) as boolean | undefined) ?? false;
  return (
    <>
      <Member path={`${path}.ageYears`} />
      <Member path={`${path}.keeps`} />
      {wet && (
        <label className="flex min-h-8 items-center gap-2 font-tight text-sm">
          <input
            type="checkbox"
            checked={soaked}
            onChange={(e) => {
              setMember(`${path}.wet`, e.target.checked);
            }}
            className="h-4 w-4 accent-ink"
          />
          Soaked while it pulls
        </label>
      )}
    </>
  );
}
