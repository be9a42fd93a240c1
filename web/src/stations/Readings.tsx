import type { MemberPath } from "../state/memberPath";
import { useState } from "react";
import { api, sayWhy } from "../api/client";
import type { Plan, Sight } from "../api/types";
import { useFeed } from "../state/feed";
import { useStarts } from "../state/starts";
import { valueAt } from "../state/paths";
import { isFollowing, isGuess, setFrom, setMember, startMember, takeReading, useSheet } from "../state/store";
import { openWorking } from "../state/view";
import { Button, Note, Segments } from "../ui/controls";
import { NumberField } from "../ui/NumberField";
import { useSettings } from "../ui/settings";
import { written, type Quantity } from "../units/units";
import { Member, useMember, useProblem } from "./fields";
import { GirthSketch, HeightSketch, LeanSketch } from "./sketches";
import { labelOf } from "../state/members";

type HeightReading = NonNullable<Plan["readings"]["height"]>;
type LeanView = Plan["readings"]["leanViews"][number];

/** Height from two angles or a stick; the reading stays with the plan. */
export function HeightReadings() {
  const reading = useMember("readings.height") as HeightReading | undefined;
  const result = useFeed((s) => s.analysis?.measured.heightM);
  const problem = useProblem("readings.height.upDeg", "readings.height.distanceM");
  const starts = useStarts();
  if (!reading) {
    return (
      <Button
        onClick={() => {
          startMember("readings.height", starts.heightReading);
        }}
      >
        Measure the height
      </Button>
    );
  }
  const stick = reading.method === "stick";
  return (
    <div className="border-l-2 border-rule pl-2">
      <Segments
        label={labelOf("readings.height.method")}
        value={reading.method}
        onChange={(v) => {
          setMember("readings.height.method", v);
        }}
        choices={[
          { value: "angles", text: "Level" },
          { value: "slope", text: "On a slope" },
          { value: "stick", text: "Stick" },
        ]}
      />
      <HeightSketch
        method={reading.method}
        upDeg={reading.upDeg}
        downDeg={reading.downDeg}
        slopeDeg={reading.slopeDeg}
      />
      <Member path="readings.height.distanceM" />
      <Instrument sight="distance" path="readings.height.distanceM" name="range finder" />
      {reading.method === "slope" && <Member path="readings.height.slopeDeg" />}
      {stick ? (
        <>
          <Member path="readings.height.stickM" />
          <Member path="readings.height.armM" />
        </>
      ) : (
        <>
          <Member path="readings.height.upDeg" />
          <Instrument sight="top" path="readings.height.upDeg" name="angle gauge" />
          <Member path="readings.height.downDeg" />
          <Instrument sight="foot" path="readings.height.downDeg" name="angle gauge" />
        </>
      )}
      <Result
        label="Height by these"
        value={problem ? undefined : result}
        quantity="length"
        working="measured-height"
        takes="tree.heightM"
        readings="readings.height"
      />
      <button
        type="button"
        className="min-h-6 text-xs underline"
        onClick={() => {
          setMember("readings.height", undefined);
        }}
      >
        Forget this reading
      </button>
    </div>
  );
}

/** Diameter from a tape round the stem. */
export function GirthReading() {
  const girth = useMember("readings.girthM") as number | undefined;
  const result = useFeed((s) => s.analysis?.measured.dbhM);
  return (
    <>
      {girth !== undefined && <GirthSketch />}
      <Member path="readings.girthM" />
      {girth !== undefined && (
        <Result
          label="Diameter by it"
          value={result}
          quantity="thickness"
          working="measured-diameter"
          takes="tree.dbhM"
          readings="readings.girthM"
        />
      )}
    </>
  );
}

/** The lean from one view or two, from any two sides; each counts as soon as it is read. */
export function LeanReadings() {
  const views = (useMember("readings.leanViews") as LeanView[] | undefined) ?? [];
  const lean = useFeed((s) => s.analysis?.measured.lean);
  const units = useSettings((s) => s.units);
  const [begun, setBegun] = useState<number | null>(null);
  const change = (next: LeanView[]) => {
    setMember("readings.leanViews", next);
  };
  const follows = useSheet((s) => (s.document ? isFollowing(s.document.plan, "tree.lean.angleDeg") : false));

  return (
    <div className="border-l-2 border-rule pl-2">
      {views.map((view, i) => (
        <div key={i} className="border-b border-rule pb-1">
          <LeanSketch lookingDeg={view.lookingDeg} leanDeg={view.leanDeg} />
          <Member path={`readings.leanViews[${i}].lookingDeg`} of={`view ${i + 1}`} />
          {view.topM === undefined ? (
            <Member path={`readings.leanViews[${i}].leanDeg`} of={`view ${i + 1}`} />
          ) : (
            <Member path={`readings.leanViews[${i}].topM`} of={`view ${i + 1}`} />
          )}
          <Instrument
            sight="lean"
            path={`readings.leanViews[${i}].leanDeg`}
            name="angle gauge"
            lookingDeg={view.lookingDeg}
          />
          <button
            type="button"
            className="min-h-6 text-xs underline"
            onClick={() => {
              change(views.filter((_, j) => j !== i));
            }}
          >
            Forget view {i + 1}
          </button>
        </div>
      ))}
      {views.length === 1 && (
        <Note>One view alone: the tree may lean hard toward you or away. Look again a quarter turn round.</Note>
      )}
      {lean && (
        <div className="flex items-center gap-2 py-1">
          <button
            type="button"
            onClick={() => {
              openWorking("measured-lean");
            }}
            className="flex-1 text-left font-tight text-sm hover:underline"
          >
            By {lean.oneView ? "this view" : "both"}:{" "}
            <b className="font-semibold">
              {written(lean.angleDeg, "angle", units)} toward {written(lean.bearingDeg, "angle", units)}
            </b>
            {lean.oneView ? ", a guess" : ""}
          </button>
          {!follows && (
            <Button
              onClick={() => {
                takeReading("readings.leanViews");
              }}
            >
              Take it
            </Button>
          )}
        </div>
      )}
      {begun !== null && (
        // It is no view of the plan before somebody has read what is seen.
        <div className="border-b border-rule pb-1">
          <NumberField
            label={`${labelOf("readings.leanViews[0].lookingDeg")}, view ${views.length + 1}`}
            value={begun}
            quantity="angle"
            step={5}
            onChange={(looking) => {
              setBegun((looking ?? 0) % 360);
            }}
          />
          <NumberField
            label={`${labelOf("readings.leanViews[0].leanDeg")}, view ${views.length + 1}`}
            value={undefined}
            unknown="not read"
            quantity="angle"
            path={`readings.leanViews[${views.length}].leanDeg`}
            onChange={(leanDeg) => {
              if (leanDeg === undefined) return;
              change([...views, { lookingDeg: begun, leanDeg }]);
              setBegun(null);
            }}
          />
          <Instrument
            sight="lean"
            name="angle gauge"
            lookingDeg={begun}
            onRead={(leanDeg) => {
              setFrom("simulated", [["readings.leanViews", [...views, { lookingDeg: begun, leanDeg }]]]);
              setBegun(null);
            }}
          />
        </div>
      )}
      {views.length < 2 && begun === null && (
        <Button
          onClick={() => {
            setBegun(views[0] ? (views[0].lookingDeg + 90) % 360 : 0);
          }}
        >
          {views.length === 0 ? "Look at the lean" : "Add the second view"}
        </Button>
      )}
    </div>
  );
}

interface ResultProps {
  label: string;
  value: number | undefined;
  quantity: Quantity;
  working: string;
  /** The member that takes it. */
  takes: MemberPath;
  /** What it is worked out from. */
  readings: MemberPath;
}

/** What readings come to, to be taken into the plan; says so when the plan already has it. */
function Result({ label, value, quantity, working, takes, readings }: ResultProps) {
  const units = useSettings((s) => s.units);
  const now = useMember(takes) as number | undefined;
  if (value === undefined) return null;
  const rounded = quantity === "length" ? Math.round(value * 10) / 10 : Math.round(value * 1000) / 1000;
  const same = now !== undefined && Math.abs(now - rounded) < 0.01 * rounded;
  return (
    <div className="flex items-center gap-2 py-1">
      <button
        type="button"
        data-measured={takes}
        onClick={() => {
          openWorking(working);
        }}
        className="flex-1 text-left font-tight text-sm hover:underline"
      >
        {label}: <b className="font-semibold">{written(value, quantity, units)}</b>
      </button>
      {same ? (
        <span className="text-xs text-pencil">as in the plan</span>
      ) : (
        <Button
          onClick={() => {
            takeReading(readings);
          }}
        >
          Take it
        </Button>
      )}
    </div>
  );
}

/** Asks an instrument for a reading. */
function Instrument({
  sight,
  path,
  name,
  lookingDeg,
  onRead,
}: {
  sight: Sight;
  /** Takes what it reads; without one, whoever asks for it does. */
  path?: MemberPath;
  name: string;
  lookingDeg?: number;
  onRead?: (value: number) => void;
}) {
  const [said, setSaid] = useState<string | null>(null);
  const [waiting, setWaiting] = useState<number | null>(null);

  /** What a simulated instrument reads is marked so. */
  function put(value: number): void {
    if (path === undefined) onRead?.(value);
    else setFrom("simulated", [[path, value]]);
    setWaiting(null);
  }

  async function read(): Promise<void> {
    const plan = useSheet.getState().document?.plan;
    if (!plan) return;
    try {
      const { instrument, value } = await api.reading(plan, sight, lookingDeg);
      const own = path !== undefined && valueAt(plan, path) !== undefined && !isGuess(plan, path);
      if (own) setWaiting(value);
      else put(value);
      setSaid(instrument);
    } catch (error) {
      setSaid(sayWhy(error));
    }
  }

  return (
    <p className="flex items-baseline justify-end gap-2 text-xs text-pencil">
      <span role="status" className="min-w-0">
        {said}
      </span>
      {waiting !== null && (
        <>
          <span className="min-w-0">It is simulated: replace your own reading?</span>
          <button
            type="button"
            className="min-h-6 shrink-0 underline"
            onClick={() => {
              put(waiting);
            }}
          >
            Replace it
          </button>
          <button
            type="button"
            className="min-h-6 shrink-0 underline"
            onClick={() => {
              setWaiting(null);
            }}
          >
            Keep mine
          </button>
        </>
      )}
      <button
        type="button"
        className="min-h-6 shrink-0 underline"
        aria-label={`read the ${name}: ${sight}`}
        onClick={() => {
          void read();
        }}
      >
        read the {name}
      </button>
    </p>
  );
}
