import type { Catalogue, Line } from "../api/types";
import { useFeed } from "../state/feed";
import { useStarts } from "../state/starts";
import { setMember } from "../state/store";
import { Choice } from "../ui/Choice";
import { Note, Segments } from "../ui/controls";
import { useSettings } from "../ui/settings";
import { written } from "../units/units";
import { Member, useMember, useProblem } from "./fields";
import { GripFields } from "./JoinFields";
import { Piece } from "./Piece";
import { useComposed } from "../state/useTackle";
import { Refused } from "../ui/Refused";

/** What keeps what has been won: between two heaves in the tackle, and on the line itself while the tackle is opened. */
export function HoldFields({ at, catalogue }: { at: number; catalogue: Catalogue }) {
  const path = `lines[${at}].tackle` as const;
  const units = useSettings((s) => s.units);
  const starts = useStarts();
  const tackle = useMember(path) as Line["tackle"];
  const held = useFeed((s) => s.analysis?.pull.lines[at]?.tackle.capture);
  const made = useComposed(tackle.composed, tackle.contactId);
  const problem = useProblem(`${path}.capture.contact`, `${path}.capture.rope`);
  const holdProblem = useProblem(`${path}.hold`);
  const { capture, hold } = tackle;
  const turns =
    (tackle.composed ? made.data?.turns : catalogue.systems.find((s) => s.id === tackle.systemId)?.turns) ?? [];
  const several = turns.some((t) => t.rope > 0);
  const setCapture = (kind: string) => {
    const first = turns.find((t) => t.rope === 0 && t.contact === 0) ?? turns[0];
    setMember(
      `${path}.capture`,
      kind === "hands" ? undefined : { rope: first?.rope ?? 0, contact: first?.contact ?? 0, ...capture, kind },
    );
  };
  return (
    <div data-hold>
      <p className="mt-1 font-tight text-sm">Between heaves, the rope is held by</p>
      <Segments
        label="Held between heaves by"
        value={capture?.kind ?? "hands"}
        onChange={setCapture}
        choices={[
          { value: "hands", text: "Hands", name: "Hands hold between heaves" },
          { value: "cam", text: "Cam", name: "Cam holds between heaves" },
          { value: "grip", text: "Grip", name: "Grip in the tackle holds between heaves" },
        ]}
      />
      {capture && (
        <>
          <Choice
            label="It sits at"
            value={`${capture.rope}/${capture.contact}`}
            problem={problem}
            options={turns.map((t) => ({
              value: `${t.rope}/${t.contact}`,
              name: `${several ? `rope ${t.rope + 1}, ` : ""}turn ${t.contact + 1}, ${t.point}`,
            }))}
            onChange={(v) => {
              const [rope, contact] = v.split("/").map(Number);
              setMember(`${path}.capture`, { ...capture, rope, contact });
            }}
          />
          <Member path={`${path}.capture.holdsN`} />
          {held && !problem && (
            <Note>
              {written(held.forceN, "force", units)} hangs on it once you let go of the rope,{" "}
              {written(held.heaviestLegN, "force", units)} on the heaviest leg.{" "}
              {held.holdsReset
                ? "It holds the line itself, so the tackle can be opened on it."
                : "It sits in the tackle and lets go of the line when the tackle is opened."}
              {capture.kind === "cam" ? " A cam bites only a rope hauled in line with it; keep fingers out of it." : ""}
            </Note>
          )}
        </>
      )}
      <p className="mt-1 font-tight text-sm">During a reset, the line is held by</p>
      <Segments
        label="Line held while the tackle is opened by"
        value={hold?.grip ? "grip" : hold?.turns ? "turns" : "none"}
        onChange={(v) => {
          setMember(
            `${path}.hold`,
            v === "grip"
              ? { grip: { ...starts.grip, gripId: tackle.grip?.gripId ?? starts.grip.gripId } }
              : v === "turns"
                ? { turns: starts.holdingTurns }
                : undefined,
          );
        }}
        choices={[
          { value: "none", text: "Not said", name: "Nothing said of what holds the line meanwhile" },
          { value: "grip", text: "Second hitch", name: "Second hitch holds the line meanwhile" },
          { value: "turns", text: "Turns", name: "Turns on a drum hold the line meanwhile" },
        ]}
      />
      <Refused>{holdProblem}</Refused>
      {hold?.grip && <GripFields path={`${path}.hold.grip`} catalogue={catalogue} />}
      {hold?.turns && (
        <>
          <Piece path={`${path}.hold.turns`} place="drum" />
          <Member path={`${path}.hold.turns.turns`} />
          <Member path={`${path}.hold.turns.frictionLow`} />
          <Member path={`${path}.hold.turns.holdLowN`} />
        </>
      )}
    </div>
  );
}
