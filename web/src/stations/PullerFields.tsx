import type { Line } from "../api/types";
import { useFeed } from "../sheet/feed";
import { setMember } from "../sheet/store";
import { Button, Note, Segments } from "../ui/controls";
import { useSettings } from "../ui/settings";
import { figure, unitOf } from "../units/units";
import { Group, Member, useMember } from "./fields";
import { Piece } from "./Piece";
import { schools } from "./schools";

/** Who or what hauls, and turns on a drum that slip before something breaks. */
export function PullerFields({ at }: { at: number }) {
  const path = `lines[${at}]`;
  const puller = useMember(`${path}.puller`) as Line["puller"];
  const limiter = useMember(`${path}.limiter`) as Line["limiter"];
  return (
    <Group title="Haulers">
      <Segments
        label="Who hauls" value={puller.kind}
        onChange={(kind) => { setMember(`${path}.puller`, { ...puller, kind, ...(kind === "machine" && puller.machineN === undefined ? { machineN: 10000 } : {}) }); }}
        choices={[{ value: "people", text: "People" }, { value: "machine", text: "Machine" }]}
      />
      <Note>{schools.power[puller.kind]}</Note>
      {puller.kind === "people" ? (
        <>
          <Member path={`${path}.puller.count`} label="People" quantity="count" />
          <Member path={`${path}.puller.effortEachN`} label="Each keeps up" quantity="force" step={0.01} measured />
        </>
      ) : (
        <Member path={`${path}.puller.machineN`} label="It keeps up" quantity="force" step={1} measured />
      )}
      {limiter ? (
        <div className="mt-1 border-l-2 border-rule pl-2" data-limiter>
          <p className="font-tight text-sm font-semibold">Turns on a drum</p>
          <Piece path={`${path}.limiter`} place="drum" />
          <Member path={`${path}.limiter.turns`} label="Turns" quantity="count" />
          <Member path={`${path}.limiter.friction`} label="Friction, as tried" quantity="ratio" step={0.01} measured />
          <Member path={`${path}.limiter.frictionLow`} label="at least" quantity="ratio" step={0.01} />
          <Member path={`${path}.limiter.frictionHigh`} label="at most" quantity="ratio" step={0.01} />
          <Member path={`${path}.limiter.holdN`} label="Hand on the tail holds" quantity="force" step={0.01} measured />
          <Member path={`${path}.limiter.holdLowN`} label="light" quantity="force" step={0.01} />
          <Member path={`${path}.limiter.holdHighN`} label="firm" quantity="force" step={0.01} />
          <Turns at={at} />
          <Button className="mt-1" onClick={() => { setMember(`${path}.limiter`, undefined); }}>Take the drum away</Button>
        </div>
      ) : (
        <Button className="my-1" onClick={() => { setMember(`${path}.limiter`, { turns: 2, frictionLow: 0.12, friction: 0.2, frictionHigh: 0.25, holdLowN: 80, holdN: 150, holdHighN: 250 }); }}>Put turns on a drum before it</Button>
      )}
    </Group>
  );
}

/** Every number of turns: where it slips, and whether that is over the need and under the weakest link. */
function Turns({ at }: { at: number }) {
  const units = useSettings((s) => s.units);
  const limiter = useFeed((s) => s.analysis?.pull.lines[at]?.limiter);
  const turns = useMember(`lines[${at}].limiter.turns`) as number;
  if (!limiter) return null;
  const shown = limiter.choices.filter((c) => c.turns <= Math.max(5, turns));
  return (
    <>
      <table className="my-1 w-full border border-ink font-tight text-[13px]" data-turns>
        <caption className="sr-only">Where each number of turns slips</caption>
        <thead>
          <tr className="border-b border-ink text-left text-pencil">
            <th className="px-1.5 py-0.5 font-normal">turns</th>
            <th className="px-1.5 text-right font-normal">at least</th>
            <th className="px-1.5 text-right font-normal">slips at, {unitOf("force", units).name}</th>
            <th className="px-1.5 text-right font-normal">at most</th>
          </tr>
        </thead>
        <tbody>
          {shown.map((c) => (
            <tr key={c.turns} className={c.turns === turns ? "bg-tint font-semibold" : ""}>
              <td className="px-1.5 py-0.5">{c.turns}{c.fits ? ", fits" : ""}</td>
              <td className="px-1.5 text-right">{figure(c.slipLowN, "force", units)}</td>
              <td className="px-1.5 text-right">{figure(c.slipN, "force", units)}</td>
              <td className="px-1.5 text-right">{figure(c.slipHighN, "force", units)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <Note>{limiter.text}</Note>
    </>
  );
}
