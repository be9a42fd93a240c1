import type { Plan } from "../api/types";
import type { MemberPath } from "../state/memberPath";
import { setMember, startMember } from "../state/store";
import { Check } from "../ui/Check";
import { Button, Note, Segments } from "../ui/controls";
import { Group, Member, useMember } from "./fields";
import { schools } from "./schools";
import { labelOf } from "../state/members";

type Cut = Plan["cut"];

/** Plain or bored, its step, and the strap that a bore leaves. */
export function BackCutFields() {
  const back = useMember("cut.back") as Cut["back"];
  const strap = useMember("cut.strap") as Cut["strap"];
  const diameter = useMember("cut.stumpDiameterM") as number;
  return (
    <Group title="Back cut">
      <Segments
        label="Back cut"
        value={back}
        onChange={(v) => {
          // A bored cut leaves a strap: about a tenth of the stump, until somebody says how much.
          if (v === "bore" && !strap) {
            setMember("cut.strap", { thicknessM: Math.round(diameter * 20) / 200, towardDeg: 180 }, "back-cut");
          }
          startMember("cut.back", v);
        }}
        choices={[
          { value: "plain", text: "From behind" },
          { value: "bore", text: "Bored, with a strap" },
        ]}
      />
      <Note>{schools.back[back]}</Note>
      <Member path="cut.stepM" />
      {back === "bore" && strap && (
        <>
          <Member path="cut.strap.thicknessM" />
          <Member path="cut.strap.towardDeg" />
        </>
      )}
      <Member path="cut.barLengthM" />
    </Group>
  );
}

export function OrderFields() {
  const order = useMember("cut.order") as Cut["order"];
  return (
    <Group title="When the line is tightened">
      <Segments
        label={labelOf("cut.order")}
        value={order}
        onChange={(v) => {
          startMember("cut.order", v);
        }}
        choices={[
          { value: "tightFirst", text: "First", name: "Tight first, then cut" },
          { value: "notchFirst", text: "After the notch", name: "Notch while slack, then tight, then the back cut" },
          { value: "followThePull", text: "As it is cut", name: "A little first, then follow the cut" },
          { value: "presetHinge", text: "At the end", name: "Hinge preset, everybody out, then the pull" },
        ]}
      />
      <Note>{schools.order[order]}</Note>
    </Group>
  );
}

export function WedgeFields() {
  const wedges = useMember("cut.wedges") as Cut["wedges"];
  return (
    <Group title="Wedges">
      <Check
        label="Wedges are put in"
        note="in as soon as there is room, with a line too"
        checked={wedges != null}
        onChange={(on) => {
          startMember("cut.wedges", on ? { count: 1, stacked: 1, liftM: 0.025, fromDeg: 180 } : undefined);
        }}
      />
      {wedges && (
        <>
          <Member path="cut.wedges.count" />
          <Member path="cut.wedges.stacked" />
          <Member path="cut.wedges.liftM" />
          <Member path="cut.wedges.fromDeg" />
          <Member path="cut.wedges.bearsN" />
        </>
      )}
    </Group>
  );
}

export function LashingFields() {
  const lashings = useMember("cut.lashings") as Cut["lashings"];
  const seat = useMember("lines[0].seat.heightM") as number;
  const add = (round: "stem" | "fork") => {
    startMember("cut.lashings", [
      ...lashings,
      round === "stem"
        ? { round, heightM: lashings.length === 0 ? 0.6 : 1.2, breakingStrengthN: 50000 }
        : {
            round,
            heightM: 2,
            unionHeightM: Math.max(0.5, Math.round((seat - 6) * 2) / 2),
            breakingStrengthN: 50000,
          },
    ]);
  };
  return (
    <Group title="Lashings">
      {lashings.length === 0 && <Note>Straps against splitting: round the stem over the cut, or round a fork.</Note>}
      {lashings.map((lashing, i) => (
        <Item
          key={i}
          name={lashing.round === "stem" ? "Round the stem" : "Round the fork"}
          onRemove={() => {
            startMember("cut.lashings", without(lashings, i));
          }}
        >
          {lashing.round === "fork" && <Member path={`cut.lashings[${i}].unionHeightM`} />}
          <Member path={`cut.lashings[${i}].heightM`} />
          <Member path={`cut.lashings[${i}].breakingStrengthN`} />
          <Member path={`cut.lashings[${i}].capacityN`} />
        </Item>
      ))}
      <div className="flex gap-2 pt-1">
        <Button
          onClick={() => {
            add("stem");
          }}
        >
          Lash the stem
        </Button>
        <Button
          onClick={() => {
            add("fork");
          }}
        >
          Lash a fork
        </Button>
      </div>
    </Group>
  );
}

/** Bites, rot and flares by exact figures; the drawing puts them down by finger. */
export function StumpFields() {
  const bites = useMember("cut.bites") as Cut["bites"];
  const rot = useMember("cut.rot") as Cut["rot"];
  const flares = useMember("cut.flares") as Cut["flares"];
  return (
    <Group title="On the stump">
      {bites.length + rot.length + flares.length === 0 && (
        <Note>Rot, root flares and bites of a short bar: put them on the drawing with the buttons above it.</Note>
      )}
      {rot.map((_, i) => (
        <Item key={`rot${i}`} name={`Rot ${i + 1}`} onRemove={remove("cut.rot", rot, i)}>
          <Member path={`cut.rot[${i}].forwardM`} />
          <Member path={`cut.rot[${i}].rightM`} />
          <Member path={`cut.rot[${i}].acrossM`} />
        </Item>
      ))}
      {bites.map((_, i) => (
        <Item key={`bite${i}`} name={`Bite ${i + 1}`} onRemove={remove("cut.bites", bites, i)}>
          <Member path={`cut.bites[${i}].rightM`} />
          <Member path={`cut.bites[${i}].widthM`} />
        </Item>
      ))}
      {flares.map((flare, i) => (
        <Item key={`flare${i}`} name={`Flare ${i + 1}`} onRemove={remove("cut.flares", flares, i)}>
          <Member path={`cut.flares[${i}].towardDeg`} />
          <Member path={`cut.flares[${i}].outM`} />
          <Check
            label="Trimmed off before the notch"
            checked={flare.trimmed}
            onChange={(on) => {
              setMember(`cut.flares[${i}].trimmed`, on);
            }}
          />
        </Item>
      ))}
    </Group>
  );
}

const without = <T,>(list: readonly T[], at: number): T[] => list.filter((_, i) => i !== at);

const remove = (path: MemberPath, list: readonly unknown[], at: number) => () => {
  startMember(path, without(list, at));
};

function Item({ name, onRemove, children }: { name: string; onRemove: () => void; children: React.ReactNode }) {
  return (
    <div className="border-t border-rule pt-1 first:border-t-0">
      <div className="flex items-center justify-between">
        <span className="font-tight text-sm font-medium">{name}</span>
        <button type="button" className="min-h-8 px-1 font-tight text-[13px] underline" onClick={onRemove}>
          Take out
        </button>
      </div>
      {children}
    </div>
  );
}
