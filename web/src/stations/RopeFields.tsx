import type { PathOf } from "../state/memberPath";
import { useStarts } from "../state/starts";
import type { Catalogue, Line } from "../api/types";
import { setMember, startMember } from "../state/store";
import { Choice } from "../ui/Choice";
import { Button, Note } from "../ui/controls";
import { useFeed } from "../state/feed";
import { useSettings } from "../ui/settings";
import { written } from "../units/units";
import { Group, Member, useMember, useProblem } from "./fields";
import { KnotHolds } from "./KnotHolds";
import { Piece } from "./Piece";
import { Wear } from "./SlingFields";
import { labelOf } from "../state/members";

/** The pull line's rope, and a second one tied to it where it is too short. */
export function RopeFields({ at, catalogue }: { at: number; catalogue: Catalogue }) {
  const path = `lines[${at}]` as const;
  const units = useSettings((s) => s.units);
  const rope = useMember(`${path}.rope`) as Line["rope"];
  const starts = useStarts();
  const joined = useMember(`${path}.joined`) as Line["joined"];
  const joint = useFeed((s) => s.analysis?.pull.lines[at]?.jointAtM);
  const problem = useProblem(`${path}.joined.knotId`);
  return (
    <Group title="Rope">
      <OneRope path={`${path}.rope`} place="rope" catalogue={catalogue} />
      {joined ? (
        <div className="mt-2 border-l-2 border-rule pl-2" data-joined>
          <Choice
            label="Joined by"
            value={joined.knotId}
            problem={problem}
            options={catalogue.knots
              .filter((k) => k.use === "joins-ropes" || k.id === joined.knotId)
              .map((k) => ({
                value: k.id,
                name: k.name,
                note: `keeps ${Math.round(k.keepsLow * 100)} %; ${k.after === "jams" ? "jams" : `comes undone ${k.after === "easy" ? "easily" : "stiffly"}`}`,
              }))}
            onChange={(id) => {
              setMember(`${path}.joined.knotId`, id);
            }}
          />
          <KnotHolds at={at} kind="joiningKnot" knot={joined.knotId} />
          {joint !== undefined && (
            <Note>
              The knot lies {written(Math.max(0, joint), "length", units)} from the seat along the line. It cannot pass
              a block or a union.
            </Note>
          )}
          <OneRope path={`${path}.joined.rope`} place="joined" catalogue={catalogue} />
          <Button
            className="mt-1"
            onClick={() => {
              setMember(`${path}.joined`, undefined);
            }}
          >
            Take the second rope off
          </Button>
        </div>
      ) : (
        <Button
          className="mt-1"
          onClick={() => {
            startMember(`${path}.joined`, {
              knotId: starts.joinKnotId,
              rope: {
                breakingStrengthN: rope.breakingStrengthN,
                lengthM: starts.joinedLengthM,
                diameterM: rope.diameterM,
                stretchAtTenPercent: rope.stretchAtTenPercent,
              },
            });
          }}
        >
          Join a second rope
        </Button>
      )}
    </Group>
  );
}

/** One rope: which piece, how strong, how long, how it is made, how worn. */
export function OneRope({
  path,
  place,
  catalogue,
  inTree = true,
}: {
  path: PathOf<Line["rope"]>;
  place: "rope" | "joined";
  /** Whether it matters which of its ends goes up. */
  inTree?: boolean;
  catalogue: Catalogue;
}) {
  const rope = useMember(path) as Line["rope"];
  return (
    <>
      <Piece path={path} place={place} />
      <Member path={`${path}.breakingStrengthN`} />
      <Member path={`${path}.lengthM`} />
      <Member path={`${path}.diameterM`} />
      <Member path={`${path}.stretchAtTenPercent`} />
      <Choice
        label={labelOf(`${path}.constructionId`)}
        value={rope.constructionId ?? "none"}
        options={[
          { value: "none", name: "not known" },
          ...catalogue.constructions.map((c) => ({ value: c.id, name: c.name, note: c.notes })),
        ]}
        onChange={(id) => {
          setMember(`${path}.constructionId`, id === "none" ? undefined : id);
        }}
      />
      {inTree && rope.itemId !== undefined && (
        <Choice
          label={labelOf(`${path}.endInTree`)}
          value={rope.endInTree ?? "none"}
          options={[
            { value: "none", name: "not said" },
            { value: "a", name: "end a" },
            { value: "b", name: "end b" },
          ]}
          onChange={(end) => {
            setMember(`${path}.endInTree`, end === "none" ? undefined : (end as "a" | "b"));
          }}
        />
      )}
      <Wear path={`${path}.wear`} wet />
    </>
  );
}
