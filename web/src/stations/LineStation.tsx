import { lazy, Suspense } from "react";
import type { Catalogue } from "../api/types";
import { Figure } from "./Figure";
import { useFeed } from "../state/feed";
import { setMember, useSheet } from "../state/store";
import { Note } from "../ui/controls";
import { Choice } from "../ui/Choice";
import { figure } from "../units/units";
import { Group, Member, useMember, useProblem } from "./fields";
import { LinePicker, useLine } from "./LinePicker";
import { KnotHolds } from "./KnotHolds";
import { RopeFields } from "./RopeFields";
import { schools } from "./schools";
import { SeatFields, SettingFields } from "./SeatFields";
import { labelOf } from "../state/members";

const SeatChart = lazy(() => import("../drawing/SeatChart").then((m) => ({ default: m.SeatChart })));

/** Where the line sits in the tree and what rope it is. */
export function LineStation({ catalogue }: { catalogue: Catalogue }) {
  const at = useLine();
  const path = `lines[${at}]` as const;
  const many = useSheet((s) => (s.document?.plan.lines.length ?? 1) > 1);
  const knot = (useMember(`${path}.knotId`) as string | undefined) ?? "";
  const knots = catalogue.knots.filter((k) => ["noose", "end-loop", "midline-loop", "stem-sling"].includes(k.use));
  return (
    <>
      <Note>A high seat has more leverage but thinner wood. Tug twigs off until the line lies against the stem.</Note>
      <LinePicker />
      <Note>{schools.lines[many ? "several" : "one"]}</Note>
      <Member path={`${path}.seat.heightM`} />
      <Suspense>
        <SeatChart at={at} />
      </Suspense>
      <SeatFields at={at} />
      {at > 0 && <Member path={`${path}.share`} />}
      <Choice
        label={labelOf(`${path}.knotId`)}
        value={knot}
        options={knots.map((k) => ({
          value: k.id,
          name: k.name,
          note: `keeps ${figure(k.keepsLow, "percent", "metric")} % of the rope`,
        }))}
        onChange={(id) => {
          setMember(`${path}.knotId`, id);
        }}
        problem={useProblem(`${path}.knotId`)}
      />
      <KnotHolds at={at} kind="seatKnot" knot={knot} />
      <RopeFields at={at} catalogue={catalogue} />
      <SettingFields at={at} />
      <Results at={at} />
    </>
  );
}

/** Apart from the fields, so that they are not drawn again with every figure of a drag. */
function Results({ at }: { at: number }) {
  const analysis = useFeed((s) => s.analysis);
  const result = analysis?.pull.lines[at];
  if (!analysis || !result) return null;
  return (
    <Group title="What follows">
      <Figure
        label="Needed in the main line"
        value={analysis.pull.neededTensionN}
        quantity="force"
        working="needed-tension"
        note={`${analysis.pull.neededAtDeg < 0.05 ? "at rest" : `at ${analysis.pull.neededAtDeg.toFixed(1)}°`}; the largest on the way to commit`}
      />
      <Figure
        label={at === 0 ? "Planned" : "Planned in this line"}
        value={result.tensionN}
        quantity="force"
        working={at === 0 ? "planned-tension" : `${result.id}.tension`}
        note="needed times the reserve"
      />
      <Figure
        label="Commit"
        value={analysis.pull.commitDeg}
        quantity="angle"
        working="commit"
        note="from there gravity brings it over"
      />
      <Figure label="Forward arm" value={result.forwardArmM} quantity="length" working={`${result.id}.forward-arm`} />
      <Figure
        label="Runs down at"
        value={result.angleBelowHorizontalDeg}
        quantity="angle"
        working={`${result.id}.angle`}
        note={`${Math.round(result.tipsFraction * 100)} % of the pull tips the tree`}
      />
      <Figure
        label="Rope needed"
        value={result.ropeNeededM}
        quantity="length"
        working={`${result.id}.rope-needed`}
        note="up to the seat, tie, run, tackle in the line, tail"
      />
      {result.endTensionN > result.tensionN * 1.001 && (
        <Figure
          label="At the tackle"
          value={result.endTensionN}
          quantity="force"
          working={`link.${result.id}.rope`}
          note="more than at the tree: redirects take their part"
        />
      )}
      <Figure
        label="Take-up"
        value={result.takeUpM}
        quantity="length"
        working={`${result.id}.take-up`}
        note="line to bring in until commit, stretch included"
      />
      <Figure
        label="Seat moves"
        value={analysis.stem.seatMovementM}
        quantity="thickness"
        working="seat-movement"
        note="twice that: stop, the tree is not this plan"
      />
    </Group>
  );
}
