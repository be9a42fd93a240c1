import type { Catalogue, Line } from "../api/types";
import { useFeed } from "../state/feed";
import { useStarts } from "../state/starts";
import { setMember, startMember } from "../state/store";
import { Choice } from "../ui/Choice";
import { Button, Note, Segments } from "../ui/controls";
import { useSettings } from "../ui/settings";
import { figure, unitOf, range, written } from "../units/units";
import { AnchorFields } from "./AnchorFields";
import { Group, Member, useMember } from "./fields";
import { Piece } from "./Piece";
import { placesInWords } from "./places";
import { schools } from "./schools";
import { labelOf } from "../state/members";

const kinds = [
  { value: "people", name: "People", note: "by number and footing" },
  { value: "handWinch", name: "Hand winch", note: "by its rating" },
  { value: "machine", name: "Machine", note: "with a pull of its own" },
  { value: "vehicle", name: "Vehicle", note: "by weight, surface and slope" },
];

/** Who or what hauls, and turns on a drum that slip before something breaks. */
export function PullerFields({ at, catalogue }: { at: number; catalogue: Catalogue }) {
  const path = `lines[${at}]` as const;
  const puller = useMember(`${path}.puller`) as Line["puller"];
  const limiter = useMember(`${path}.limiter`) as Line["limiter"];
  const starts = useStarts();
  return (
    <Group title="Haulers">
      <Choice
        label={labelOf(`${path}.puller.kind`)}
        value={puller.kind}
        options={kinds}
        onChange={(kind) => {
          startMember(`${path}.puller`, {
            ...puller,
            kind,
            ...(kind === "vehicle"
              ? { vehicle: puller.vehicle ?? starts.vehicle }
              : kind === "people"
                ? {}
                : { machineN: puller.machineN ?? (kind === "machine" ? starts.machineN : starts.handWinchN) }),
          });
        }}
      />
      <Note>{schools.power[puller.kind === "people" || puller.kind === "handWinch" ? "people" : "machine"]}</Note>
      {puller.kind === "people" && (
        <>
          <Member path={`${path}.puller.count`} />
          <Member path={`${path}.puller.effortEachN`} />
          <Segments
            label={labelOf(`${path}.puller.footing`)}
            value={puller.footing}
            onChange={(footing) => {
              startMember(`${path}.puller`, {
                ...puller,
                footing,
                effortEachN:
                  footing === "leaning"
                    ? starts.leaningEffortN
                    : puller.footing === "leaning"
                      ? starts.effortEachN
                      : puller.effortEachN,
              });
            }}
            choices={[
              { value: "good", text: "Good footing" },
              { value: "poor", text: "Poor" },
              { value: "leaning", text: "Leaning in" },
            ]}
          />
        </>
      )}
      {(puller.kind === "machine" || puller.kind === "handWinch") && <Member path={`${path}.puller.machineN`} />}
      {puller.kind === "vehicle" && puller.vehicle && (
        <>
          <Member path={`${path}.puller.vehicle.massKg`} />
          <Member path={`${path}.puller.vehicle.brakedShare`} />
          <Member path={`${path}.puller.vehicle.slopeDeg`} />
          <Choice
            label={labelOf(`${path}.puller.vehicle.groundId`)}
            value={puller.vehicle.groundId}
            options={catalogue.anchors.filter((a) => a.kind === "grip").map((a) => ({ value: a.id, name: a.name }))}
            onChange={(id) => {
              setMember(`${path}.puller.vehicle.groundId`, id);
            }}
          />
        </>
      )}
      {(puller.kind === "vehicle" || (puller.kind === "machine" && puller.vehicle)) && (
        <Member path={`${path}.puller.arrivesMps`} />
      )}
      {(puller.kind === "machine" || puller.kind === "handWinch") && <OwnAnchor at={at} catalogue={catalogue} />}
      <Gives at={at} />
      {limiter ? (
        <div className="mt-1 border-l-2 border-rule pl-2" data-limiter>
          <p className="font-tight text-sm font-semibold">Turns on a drum</p>
          <Piece path={`${path}.limiter`} place="drum" />
          <Member path={`${path}.limiter.turns`} />
          <Member path={`${path}.limiter.friction`} />
          <Member path={`${path}.limiter.frictionLow`} />
          <Member path={`${path}.limiter.frictionHigh`} />
          <Member path={`${path}.limiter.holdN`} />
          <Member path={`${path}.limiter.holdLowN`} />
          <Member path={`${path}.limiter.holdHighN`} />
          <Turns at={at} />
          <Button
            className="mt-1"
            onClick={() => {
              setMember(`${path}.limiter`, undefined);
            }}
          >
            Take the drum away
          </Button>
        </div>
      ) : (
        <Button
          className="my-1"
          onClick={() => {
            startMember(`${path}.limiter`, starts.limiter);
          }}
        >
          Put turns on a drum before it
        </Button>
      )}
    </Group>
  );
}

/** What holds a winch or machine that hauls on a tackle; without a tackle the line's own anchor does. */
function OwnAnchor({ at, catalogue }: { at: number; catalogue: Catalogue }) {
  const path = `lines[${at}].puller` as const;
  const puller = useMember(path) as Line["puller"];
  const system = useMember(`lines[${at}].tackle.systemId`) as string;
  const anchor = useMember(`lines[${at}].anchor`) as Line["anchor"];
  const name = puller.kind === "machine" ? "machine" : "winch";
  if (system === "direct") return <Note>It hauls the line directly: the anchor above is what holds the {name}.</Note>;
  return puller.anchor ? (
    <div className="mt-1 border-l-2 border-rule pl-2">
      <p className="font-tight text-sm font-semibold">What holds the {name}</p>
      <AnchorFields path={`${path}.anchor`} catalogue={catalogue} holds={() => undefined} load={() => undefined} />
      <Button
        onClick={() => {
          setMember(`${path}.anchor`, undefined);
        }}
      >
        Take it away
      </Button>
    </div>
  ) : (
    <Button
      className="my-1"
      onClick={() => {
        setMember(`${path}.anchor`, {
          distanceM: anchor.distanceM,
          bearingDeg: anchor.bearingDeg,
          groundRiseM: anchor.groundRiseM,
          heightM: anchor.heightM,
          kind: "rated",
        });
      }}
    >
      Say what holds the {name}
    </Button>
  );
}

/** What they keep up and what one heave or jerk puts on, with how far that may be off, and where they stand. */
function Gives({ at }: { at: number }) {
  const units = useSettings((s) => s.units);
  const hauler = useFeed((s) => s.analysis?.pull.lines[at]?.hauler);
  const site = useFeed((s) => s.analysis?.site);
  const placed = site?.lines[at];
  if (!hauler || !placed || !site) return null;
  const spread = (s: { low: number; nominal: number; high: number }) =>
    `${written(s.nominal, "force", units)}${s.high > s.low ? ` (${range(s.low, s.high, "force", units)})` : ""}`;
  return (
    <div data-hauler className="border-l-2 border-rule pl-2">
      <p className="py-0.5 font-tight text-sm">
        Keeps up {spread(hauler.steadyN)}, one heave or jerk {spread(hauler.shortN)}.
      </p>
      <Note>
        Stands {written(Math.hypot(placed.crew.eastM, placed.crew.northM), "length", units)} from the stump:{" "}
        {placed.crewClear
          ? "out of the fall, the bands and the stump's reach."
          : `${placesInWords[placed.crewIn].text}${placed.crewShelter === "" ? "" : `, in shelter: ${placed.crewShelter}`}.`}
      </Note>
    </div>
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
              <td className="px-1.5 py-0.5">
                {c.turns}
                {c.fits ? ", fits" : ""}
              </td>
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
