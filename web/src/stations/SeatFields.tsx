import type { Line } from "../api/types";
import { Figure } from "./Figure";
import { useFeed } from "../state/feed";
import { useStarts } from "../state/starts";
import { setMember } from "../state/store";
import { Check } from "../ui/Check";
import { Choice } from "../ui/Choice";
import { Note, Segments } from "../ui/controls";
import { useSettings } from "../ui/settings";
import { written } from "../units/units";
import { Group, Member, useMember, useProblem } from "./fields";
import { schools } from "./schools";

/** What the line sits on and how it is tied. */
export function SeatFields({ at }: { at: number }) {
  const path = `lines[${at}]`;
  const seat = useMember(`${path}.seat`) as Line["seat"];
  const starts = useStarts();
  const tie = useMember(`${path}.tie`) as Line["tie"];
  const id = useMember(`${path}.id`) as string;
  const force = useFeed((s) => s.analysis?.pull.lines[at]);
  const problem = useProblem(`${path}.seat.limb`);
  return (
    <>
      <p className="pt-1 font-tight text-sm">It sits on</p>
      <Segments
        label="The seat is on"
        value={seat.on}
        onChange={(on) => {
          setMember(`${path}.seat`, {
            ...seat,
            on,
            ...(on === "stem"
              ? {}
              : {
                  limb: seat.limb ?? (on === "limb" ? starts.limb : starts.union),
                }),
          });
        }}
        choices={[
          { value: "stem", text: "Stem" },
          { value: "union", text: "Union" },
          { value: "limb", text: "Limb" },
        ]}
      />
      {seat.on !== "stem" && seat.limb && (
        <>
          <Member path={`${path}.seat.limb.diameterM`} label="Limb at its union" quantity="thickness" measured />
          <Member
            path={`${path}.seat.limb.leverM`}
            label="Line lies out from the stem"
            quantity="length"
            measured
            unknown={seat.on === "union" ? "one diameter" : "at the stem"}
          />
          <Member path={`${path}.seat.limb.bearingDeg`} label="Limb grows toward" quantity="angle" step={5} />
          <Member path={`${path}.seat.limb.riseDeg`} label="Limb rises" quantity="angle" step={5} />
          <Member path={`${path}.seat.limb.sharedBy`} label="Unions that share it" quantity="count" />
        </>
      )}
      {problem && (
        <p role="alert" className="border-l-4 border-ink pl-2 text-[13px]">
          {problem}
        </p>
      )}
      <Segments
        label="Tie"
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
      {tie === "base" && force && (
        <Figure
          label="Force on the union"
          value={force.seatForceN}
          quantity="force"
          working={`${id}.seat-force`}
          note={`${(force.seatForceN / force.tensionN).toFixed(2)} times the line`}
        />
      )}
    </>
  );
}

const ways = [
  { value: "none", name: "not said" },
  { value: "hand", name: "thrown by hand", note: "minutes, to a low seat" },
  { value: "catapult", name: "by catapult", note: "minutes, to any seat" },
  { value: "pole", name: "with a long pole", note: "for a low seat, and exact" },
  { value: "climber", name: "by a climber", note: "an hour, and somebody in a tree that leans" },
];

/** How the line gets up there: height against reach, twigs to clear, bed test. */
export function SettingFields({ at }: { at: number }) {
  const path = `lines[${at}].setting`;
  const units = useSettings((s) => s.units);
  const setting = useMember(path) as Line["setting"];
  const starts = useStarts();
  const id = useMember(`lines[${at}].id`) as string;
  const thrown = useFeed((s) => s.analysis?.pull.lines[at]?.setting);
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
      {setting && setting.way !== "climber" && (
        <Member path={`${path}.standOffM`} label="Thrown from, level" quantity="length" step={0.5} />
      )}
      {setting && thrown?.reachM && (
        <div data-throw>
          <Figure label="Launch speed to clear it" value={thrown.speedMps} quantity="speed" working={`${id}.throw`} />
          <Note>
            Reaches seats up to about {written(thrown.reachM.nominal, "length", units)} from there (
            {written(thrown.reachM.low, "length", units)} to {written(thrown.reachM.high, "length", units)})
            {thrown.reached ? "." : ": not this one."}
          </Note>
        </div>
      )}
      {setting && <Member path={`${path}.twigsLeft`} label="Twigs under the line" quantity="count" />}
      {setting && thrown && (
        <Check
          label={`Bed test done: ${written(thrown.bedTestN, "force", units)} on the line`}
          note="Somebody watched the seat: the line lies against the stem, nothing small holds it off."
          checked={setting.bedded}
          onChange={(v) => {
            setMember(`${path}.bedded`, v);
          }}
        />
      )}
    </Group>
  );
}
