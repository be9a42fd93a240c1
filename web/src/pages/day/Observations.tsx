import type { PullDay, PullLine, PullStep, NewEntry } from "../../api/types";
import { useSettings } from "../../ui/settings";
import { NumberField } from "../../ui/NumberField";
import { unitOf, written } from "../../units/units";

type Seen = NonNullable<NewEntry["seen"]>;

interface ObservationsProps {
  day: PullDay;
  line: PullLine;
  /** What the server says of members that it did not take. */
  errors: Record<string, string>;
  onSeen: (seen: Seen) => void;
}

/** What a step asks, answered as it should be; the anchor's mark stays where it was told. */
function allIsWell(now: PullStep, anchorMovedM: number): Seen | null {
  switch (now) {
    case "bedTest":
    case "floor":
    case "hold":
    case "planned":
      return { bedded: true, woodBroke: false, footLifted: false, anchorMovedM };
    case "notch":
      return { movedAside: false, rubs: false };
    case "backCut":
      return { movedAside: false, hingeCracked: false, rubs: false, anchorMovedM };
    default:
      return null;
  }
}

/** What is watched at this step, as switches large enough for a glove. */
export function Observations({ day, line, errors, onSeen }: ObservationsProps) {
  const { now, seenHere: here, seen } = day;
  const well = allIsWell(now, seen.anchorMovedM ?? 0);
  const early = now === "bedTest" || now === "floor" || now === "hold" || now === "planned";
  const cutting = now === "notch" || now === "backCut" || now === "pull";
  return (
    <div className="border-t-2 border-ink">
      {well && (
        <button
          type="button"
          className="my-1.5 min-h-12 w-full border-2 border-ink bg-sheet font-tight text-[17px] font-semibold"
          onClick={() => {
            onSeen(well);
          }}
        >
          Looked at it all: as it should be
        </button>
      )}
      {now === "slackOut" && (
        <Switch
          label="Legs not crossed, stopper tied"
          value={here.rigged}
          onChange={(rigged) => {
            onSeen({ rigged });
          }}
        />
      )}
      {early && (
        <>
          <Switch
            label="Line bedded on the stem"
            value={here.bedded}
            onChange={(bedded) => {
              onSeen({ bedded });
            }}
          />
          <Switch
            label="Small wood broke"
            value={here.woodBroke}
            onChange={(woodBroke) => {
              onSeen({ woodBroke });
            }}
          />
          <Switch
            label="Foot lifted"
            value={here.footLifted}
            onChange={(footLifted) => {
              onSeen({ footLifted });
            }}
          />
          <NumberField
            label="The seat came, since slack"
            value={line.cameM}
            quantity="thickness"
            step={1}
            unknown="not looked at"
            problem={errors["seen.cameM"]}
            onChange={(cameM) => {
              if (cameM !== undefined) onSeen({ cameM });
            }}
          />
        </>
      )}
      {cutting && (
        <>
          <Switch
            label="Moves aside"
            value={here.movedAside}
            onChange={(movedAside) => {
              onSeen({ movedAside });
            }}
          />
          <Switch
            label="Hinge cracks"
            value={here.hingeCracked}
            onChange={(hingeCracked) => {
              onSeen({ hingeCracked });
            }}
          />
          <Switch
            label="A line rubs"
            value={here.rubs}
            onChange={(rubs) => {
              onSeen({ rubs });
            }}
          />
        </>
      )}
      {(now === "backCut" || now === "pull") && (
        <Switch
          label="The faller is out"
          value={seen.fallerOut}
          onChange={(fallerOut) => {
            onSeen({ fallerOut });
          }}
        />
      )}
      {now === "clear" && (
        <Switch
          label="A line rubs"
          value={here.rubs}
          onChange={(rubs) => {
            onSeen({ rubs });
          }}
        />
      )}
      {now === "pull" && (
        <>
          <NumberField
            label="Lean now"
            value={seen.leanDeg}
            quantity="angle"
            step={1}
            unknown="call it"
            problem={errors["seen.leanDeg"]}
            onChange={(leanDeg) => {
              if (leanDeg !== undefined) onSeen({ leanDeg });
            }}
          />
          <NumberField
            label="Rope hauled"
            value={seen.hauledM}
            quantity="length"
            step={0.5}
            unknown="not counted"
            problem={errors["seen.hauledM"]}
            onChange={(hauledM) => {
              if (hauledM !== undefined) onSeen({ hauledM });
            }}
          />
        </>
      )}
      {(early || cutting || now === "clear") && (
        <>
          <Stepper
            label="Anchor mark moved"
            value={seen.anchorMovedM ?? 0}
            onChange={(anchorMovedM) => {
              onSeen({ anchorMovedM });
            }}
          />
        </>
      )}
      {(early || cutting) && day.lines.some((l) => l.hasGrip) && (
        <>
          <Stepper
            label="Grip crept"
            value={seen.gripCreptM ?? 0}
            onChange={(gripCreptM) => {
              onSeen({ gripCreptM });
            }}
          />
        </>
      )}
    </div>
  );
}

interface SwitchProps {
  label: string;
  value: boolean | undefined;
  onChange: (value: boolean) => void;
}

function Switch({ label, value, onChange }: SwitchProps) {
  const side = (on: boolean) =>
    `min-h-12 w-[62px] border-2 border-ink font-tight text-[17px] ${on ? "bg-ink font-semibold text-sheet" : "bg-sheet"}`;
  return (
    <div role="group" aria-label={label} className="flex items-center gap-1 border-b border-rule py-1.5">
      <span className="min-w-0 flex-1 font-tight text-[17px] leading-tight">{label}</span>
      <button
        type="button"
        aria-pressed={value === true}
        className={side(value === true)}
        onClick={() => {
          onChange(true);
        }}
      >
        yes
      </button>
      <button
        type="button"
        aria-pressed={value === false}
        className={side(value === false)}
        onClick={() => {
          onChange(false);
        }}
      >
        no
      </button>
    </div>
  );
}

/** Small distances by one step: millimetres, or eighths of an inch. */
function Stepper({ label, value, onChange }: { label: string; value: number; onChange: (value: number) => void }) {
  const units = useSettings((s) => s.units);
  const step = units === "us" ? unitOf("thickness", "us").si / 8 : 0.002;
  const set = (next: number) => {
    onChange(Math.round(Math.max(0, next) * 1e5) / 1e5);
  };
  return (
    <div role="group" aria-label={label} className="flex items-center gap-1 border-b border-rule py-1.5">
      <span className="min-w-0 flex-1 font-tight text-[17px] leading-tight">{label}</span>
      <button
        type="button"
        aria-label={`${label}, less`}
        className="min-h-12 w-12 border-2 border-ink text-xl"
        disabled={value <= 0}
        onClick={() => {
          set(value - step);
        }}
      >
        −
      </button>
      <output className="w-[74px] text-center font-tight text-[17px] font-semibold">
        {units === "us" ? written(value, "thickness", units) : `${Math.round(value * 1000)} mm`}
      </output>
      <button
        type="button"
        aria-label={`${label}, more`}
        className="min-h-12 w-12 border-2 border-ink text-xl"
        onClick={() => {
          set(value + step);
        }}
      >
        +
      </button>
    </div>
  );
}
