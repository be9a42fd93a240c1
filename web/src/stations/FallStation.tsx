import { useFall } from "../state/useFall";
import { useSheet } from "../state/store";
import { useView } from "../state/view";
import { Note } from "../ui/controls";
import { NumberField } from "../ui/NumberField";
import { Refused } from "../ui/Refused";
import { useSettings } from "../ui/settings";
import { written } from "../units/units";
import { Group } from "./fields";
import { Row } from "./Row";

/** What follows from commit: when, how fast, where, and what may go wrong on the way. */
export function FallStation() {
  const units = useSettings((s) => s.units);
  const haulMps = useView((s) => s.haulMps);
  const set = useView((s) => s.set);
  const targets = useSheet((s) => s.document?.plan.site.targets);
  const { fall, problem } = useFall();
  const length = (metres: number) => written(metres, "length", units);
  const angle = (deg: number) => written(deg, "angle", units);
  const side = (metres: number) => `${length(Math.abs(metres))} ${metres >= 0 ? "right" : "left"}`;
  const spread = fall?.spread;
  return (
    <>
      <Note>
        An estimate of how the tree comes down once it goes by itself: nobody sees inside a hinge. The hinge is taken
        square to the aim, as it is cut.
      </Note>
      <NumberField
        label="Hands take in rope at"
        value={haulMps}
        quantity="speed"
        step={0.1}
        onChange={(next) => {
          if (next !== undefined) set({ haulMps: next });
        }}
      />
      <Refused>{problem}</Refused>
      {fall && problem === undefined && (
        <>
          <Group title="From commit to the ground">
            <div className="text-sm leading-snug" data-fall-figures>
              <Row name="Goes by itself at" value={angle(fall.commitDeg)} />
              <Row name="Line slack at" value={angle(fall.lineSlackDeg)} />
              <Row name="Hinge lets go at" value={angle(fall.hingeLetsGoDeg)} />
              <Row name="Time" value={seconds(fall.secondsFromCommit)} />
              {spread && (
                <Row
                  name="Nine in ten"
                  value={`${seconds(spread.secondsFromCommit.low)} to ${seconds(spread.secondsFromCommit.high)}`}
                />
              )}
              <Row name="Tip at the ground" value={written(fall.tipSpeedMps, "speed", units)} />
            </div>
          </Group>
          <Group title="Where the tip lands">
            <div className="text-sm leading-snug">
              <Row name="Out" value={length(fall.tip.forwardM)} />
              <Row name="Off the lay" value={side(fall.tip.rightM)} />
              {spread && <Row name="Nine in ten" value={`${side(spread.rightM.low)} to ${side(spread.rightM.high)}`} />}
              {fall.torn && (
                <Row name="Hinge torn" value={`${side(fall.torn.rightM)}, ${length(fall.torn.forwardM)} out`} />
              )}
              {fall.butt && (
                <Row
                  name="Butt pushes"
                  value={`${fall.butt.backward ? "back" : "forward"} from ${angle(fall.butt.deg)}`}
                />
              )}
            </div>
          </Group>
          {fall.touches.length > 0 && (
            <Group title="Comes down on">
              <ul className="text-sm leading-snug" data-touches>
                {fall.touches.map((t) => (
                  <li key={t.targetId} className="flex justify-between border-b border-rule py-0.5">
                    <span>{targets?.find((x) => x.id === t.targetId)?.name ?? t.targetId}</span>
                    <span className="font-semibold">{Math.max(1, Math.round(t.chance * 100))} of 100</span>
                  </li>
                ))}
              </ul>
            </Group>
          )}
        </>
      )}
    </>
  );
}

const seconds = (value: number): string => `${Math.round(value * 10) / 10} s`;
