import type { Line } from "../api/types";
import { Figure } from "./Figure";
import { useFeed } from "../state/feed";
import { useStarts } from "../state/starts";
import { withValue } from "../state/paths";
import { setMember, useSheet } from "../state/store";
import { Choice } from "../ui/Choice";
import { Note, Segments } from "../ui/controls";
import { useSettings } from "../ui/settings";
import { written } from "../units/units";
import { Group, Member, useMember, useProblem } from "./fields";
import { Refused } from "../ui/Refused";
import { schools } from "./schools";
import { labelOf } from "../state/members";

/** What the line sits on and how it is tied. */
export function SeatFields({ at }: { at: number }) {
  const path = `lines[${at}]` as const;
  const on = useMember(`${path}.seat.on`) as Line["seat"]["on"];
  const limb = useMember(`${path}.seat.limb`) as Line["seat"]["limb"];
  const starts = useStarts();
  const tie = useMember(`${path}.tie`) as Line["tie"];
  const problem = useProblem(`${path}.seat.limb`);
  return (
    <>
      <p className="pt-1 font-tight text-sm">It sits on</p>
      <Segments
        label="The seat is on"
        value={on}
        onChange={(next) => {
          useSheet.getState().edit((d) => {
            const grown = withValue(d.plan, `${path}.seat.on`, next);
            return {
              ...d,
              plan:
                next === "stem"
                  ? grown
                  : withValue(grown, `${path}.seat.limb`, limb ?? (next === "limb" ? starts.limb : starts.union)),
            };
          });
        }}
        choices={[
          { value: "stem", text: "Stem" },
          { value: "union", text: "Union" },
          { value: "limb", text: "Limb" },
        ]}
      />
      {on !== "stem" && limb && (
        <>
          <Member path={`${path}.seat.limb.diameterM`} />
          <Member path={`${path}.seat.limb.leverM`} empty={on === "union" ? "one diameter" : "at the stem"} />
          <Member path={`${path}.seat.limb.bearingDeg`} />
          <Member path={`${path}.seat.limb.riseDeg`} />
          <Member path={`${path}.seat.limb.sharedBy`} />
        </>
      )}
      <Refused>{problem}</Refused>
      <Segments
        label={labelOf(`${path}.tie`)}
        value={tie}
        onChange={(v) => {
          setMember(`${path}.tie`, v);
        }}
        choices={[
          { value: "tip", text: "Tip tie" },
          { value: "base", text: "Base tie" },
        ]}
      />
      <Note>{schools.tie[tie]}</Note>
      {tie === "base" && <UnionForce at={at} />}
    </>
  );
}

function UnionForce({ at }: { at: number }) {
  const id = useMember(`lines[${at}].id`) as string;
  const force = useFeed((s) => s.analysis?.pull.lines[at]);
  return force ? (
    <Figure
      label="Force on the union"
      value={force.seatForceN}
      quantity="force"
      working={`${id}.seat-force`}
      note={`${(force.seatForceN / force.tensionN).toFixed(2)} times the line`}
    />
  ) : null;
}

const ways = [
  { value: "none", name: "not said" },
  { value: "hand", name: "thrown with one hand", note: "minutes, to seats of 9 to 15 m" },
  { value: "twoHands", name: "thrown with two hands", note: "minutes, to seats of 15 to 24 m" },
  { value: "catapult", name: "by catapult", note: "minutes, to any seat" },
  { value: "pole", name: "with a long pole", note: "for a low seat, and exact" },
  { value: "climber", name: "by a climber", note: "an hour, and somebody in a tree that leans" },
];

/** How the line gets up there: height against reach, twigs to clear, bed test. */
export function SettingFields({ at }: { at: number }) {
  const path = `lines[${at}].setting` as const;
  const setting = useMember(path) as Line["setting"];
  const starts = useStarts();
  const problem = useProblem(`${path}.way`);
  return (
    <Group title="Setting the line">
      <Choice
        label="Set"
        value={setting?.way ?? "none"}
        options={ways}
        problem={problem}
        onChange={(way) => {
          setMember(path, way === "none" ? undefined : { ...starts.setting, ...setting, way });
        }}
      />
      {setting && setting.way !== "climber" && <Member path={`${path}.standOffM`} />}
      {setting && setting.way !== "climber" && <Member path={`${path}.bestM`} />}
      {setting && <Throw at={at} />}
      {setting && <Member path={`${path}.twigsLeft`} />}
      {setting && <BedTest at={at} done={setting.bedded} />}
    </Group>
  );
}

function Throw({ at }: { at: number }) {
  const units = useSettings((s) => s.units);
  const id = useMember(`lines[${at}].id`) as string;
  const thrown = useFeed((s) => s.analysis?.pull.lines[at]?.setting);
  if (!thrown?.reachM) return null;
  return (
    <div data-throw>
      <Figure label="Launch speed to clear it" value={thrown.speedMps} quantity="speed" working={`${id}.throw`} />
      <Note>
        Reaches seats up to about {written(thrown.reachM.nominal, "length", units)} from there (
        {written(thrown.reachM.low, "length", units)} to {written(thrown.reachM.high, "length", units)})
        {thrown.reached ? "." : ": not this one."}
      </Note>
    </div>
  );
}

function BedTest({ at, done }: { at: number; done: boolean | undefined }) {
  const units = useSettings((s) => s.units);
  const force = useFeed((s) => s.analysis?.pull.lines[at]?.setting?.bedTestN);
  if (force === undefined) return null;
  return (
    <>
      <Segments
        label={labelOf("lines[0].setting.bedded")}
        value={done === undefined ? "untried" : done ? "lies" : "off"}
        onChange={(v) => {
          setMember(`lines[${at}].setting.bedded`, v === "untried" ? undefined : v === "lies");
        }}
        choices={[
          { value: "untried", text: "Not tried yet" },
          { value: "lies", text: "It lies" },
          { value: "off", text: "Held off" },
        ]}
      />
      <Note>
        With {written(force, "force", units)} on the line, while somebody watches the seat. The day asks for it.
      </Note>
    </>
  );
}
