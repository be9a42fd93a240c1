import type { PathOf } from "../state/memberPath";
import type { Catalogue, Line } from "../api/types";
import { useStarts } from "../state/starts";
import { setMember } from "../state/store";
import { Choice } from "../ui/Choice";
import { Note, Segments } from "../ui/controls";
import { figure } from "../units/units";
import { useSettings } from "../ui/settings";
import { Member, useMember, useProblem } from "./fields";
import { KnotHolds } from "./KnotHolds";
import { Piece } from "./Piece";
import { schools } from "./schools";
import { Wear } from "./SlingFields";
import { labelOf } from "../state/members";

/** What takes the tackle on the line: a grip with its cord, or a loop in the line, and the connector between. */
export function JoinFields({ at, catalogue }: { at: number; catalogue: Catalogue }) {
  const path = `lines[${at}].tackle` as const;
  const tackle = useMember(path) as Line["tackle"];
  const problem = useProblem(`${path}.joinKnotId`);
  const { grip } = tackle;
  const starts = useStarts();
  return (
    <>
      <Segments
        label="Tackle to line"
        value={grip ? "grip" : "loop"}
        onChange={(v) => {
          setMember(`${path}.grip`, v === "grip" ? starts.grip : undefined);
        }}
        choices={[
          { value: "grip", text: "Friction hitch" },
          { value: "loop", text: "Midline loop" },
        ]}
      />
      <Note>{schools.join[grip ? "grip" : "loop"]}</Note>
      {grip ? (
        <GripFields path={`${path}.grip`} catalogue={catalogue} />
      ) : (
        <Choice
          label={labelOf(`${path}.joinKnotId`)}
          value={tackle.joinKnotId ?? "none"}
          problem={problem}
          options={[
            { value: "none", name: "not known" },
            ...catalogue.knots
              .filter((k) => k.midline && k.use === "midline-loop")
              .map((k) => ({
                value: k.id,
                name: k.name,
                note: `keeps ${Math.round(k.keepsLow * 100)} %; ${k.loads.toLowerCase().replace(/\.$/, "")}; ${k.after === "jams" ? "may need tools after a hard pull" : `comes undone ${k.after === "easy" ? "easily" : "stiffly"}`}`,
              })),
          ]}
          onChange={(id) => {
            setMember(`${path}.joinKnotId`, id === "none" ? undefined : id);
          }}
        />
      )}
      {!grip && <KnotHolds at={at} kind="tackleKnot" knot={tackle.joinKnotId} />}
      <Segments
        label="Connectors at the hitch or loop"
        value={tackle.connector ? (tackle.connector.count === 2 ? "two" : "one") : "none"}
        onChange={(v) => {
          setMember(
            `${path}.connector`,
            v === "none" ? undefined : { ...starts.connector, ...tackle.connector, count: v === "two" ? 2 : 1 },
          );
        }}
        choices={[
          { value: "none", text: "Not said" },
          { value: "one", text: "One connector" },
          { value: "two", text: "Two" },
        ]}
      />
      {tackle.connector && (
        <>
          <Piece path={`${path}.connector`} place="connector" />
          <Member path={`${path}.connector.strengthN`} />
        </>
      )}
    </>
  );
}

/** A grip on the line with its cord. */
export function GripFields({
  path,
  catalogue,
}: {
  path: PathOf<NonNullable<Line["tackle"]["grip"]>>;
  catalogue: Catalogue;
}) {
  const units = useSettings((s) => s.units);
  const grip = useMember(path) as NonNullable<Line["tackle"]["grip"]>;
  const problem = useProblem(`${path}.gripId`);
  return (
    <>
      <Piece path={path} place="grip" />
      <Choice
        label={labelOf(`${path}.gripId`)}
        value={grip.gripId}
        problem={problem}
        options={catalogue.grips.map((g) => ({
          value: g.id,
          name: g.name,
          note: `${g.wraps} wraps, ${g.legs} legs; creeps from about ${figure(g.slipLowN, "force", units)} ${units === "us" ? "lbf" : "kN"}`,
        }))}
        onChange={(id) => {
          setMember(`${path}.gripId`, id);
        }}
      />
      <Member path={`${path}.slipN`} />
      <Member path={`${path}.cordStrengthN`} />
      <Member path={`${path}.cordDiameterM`} />
      <Choice
        label={labelOf(`${path}.endKnotId`)}
        value={grip.endKnotId}
        options={catalogue.knots
          .filter((k) => ["joins-ends", "end-loop"].includes(k.use))
          .map((k) => ({ value: k.id, name: k.name, note: `keeps ${Math.round(k.keepsLow * 100)} %` }))}
        onChange={(id) => {
          setMember(`${path}.endKnotId`, id);
        }}
      />
      {grip.wear && <Wear path={`${path}.wear`} />}
    </>
  );
}
