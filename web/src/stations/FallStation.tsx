import { useFall } from "../state/useFall";
import { useSheet } from "../state/store";
import { useView } from "../state/view";
import { Note } from "../ui/controls";
import { NumberField } from "../ui/NumberField";
import { Refused } from "../ui/Refused";
import { useSettings } from "../ui/settings";
import { written } from "../units/units";
import { Group } from "./fields";

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
        square to the lay; an aim off it is not in these figures yet.
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
            <dl className="text-sm leading-snug" data-fall-figures>
              <Figure name="Goes by itself at" value={angle(fall.commitDeg)} />
              <Figure name="Line slack at" value={angle(fall.lineSlackDeg)} />
              <Figure name="Hinge lets go at" value={angle(fall.hingeLetsGoDeg)} />
              <Figure name="Time" value={seconds(fall.secondsFromCommit)} />
              {spread && (
                <Figure
                  name="Nine in ten"
                  value={`${seconds(spread.secondsFromCommit.low)} to ${seconds(spread.secondsFromCommit.high)}`}
                />
              )}
              <Figure name="Tip at the ground" value={written(fall.tipSpeedMps, "speed", units)} />
            </dl>
          </Group>
          <Group title="Where the tip lands">
            <dl className="text-sm leading-snug">
              <Figure name="Out" value={length(fall.tip.forwardM)} />
              <Figure name="Off the lay" value={side(fall.tip.rightM)} />
              {spread && (
                <Figure name="Nine in ten" value={`${side(spread.rightM.low)} to ${side(spread.rightM.high)}`} />
              )}
              {fall.torn && (
                <Figure name="Hinge torn" value={`${side(fall.torn.rightM)}, ${length(fall.torn.forwardM)} out`} />
              )}
              {fall.butt && (
                <Figure
                  name="Butt pushes"
                  value={`${fall.butt.backward ? "back" : "forward"} from ${angle(fall.butt.deg)}`}
                />
              )}
            </dl>
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

function Figure({ name, value }: { name: string; value: string }) {
  return (
    <div className="flex justify-between gap-3 border-b border-rule py-0.5">
      <dt>{name}</dt>
      <dd className="whitespace-nowrap text-right font-tight font-semibold">{value}</dd>
    </div>
  );
}

const seconds = (value: number): string => `${Math.round(value * 10) / 10} s`;
