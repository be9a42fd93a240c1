import { useState } from "react";
import type { Plan, Target } from "../api/types";
import {
  cleared,
  runsOf,
  kindWords,
  placeAt,
  tenth,
  turnedTo,
  usualTarget,
  withAnchorAlong,
} from "../drawing/sitePlan";
import { finishDraft } from "../drawing/draft";
import { useRose } from "../drawing/useRose";
import { useFeed } from "../state/feed";
import { setMember, useSheet } from "../state/store";
import { useView } from "../state/view";
import { stateHatch } from "../state/words";
import { saidTarget } from "../drawing/saidTarget";
import { Choice } from "../ui/Choice";
import { Button, Note, Segments } from "../ui/controls";
import { useSettings } from "../ui/settings";
import { TextField } from "../ui/TextField";
import { written } from "../units/units";
import { Group, Member } from "./fields";
import { EscapeRoutes } from "./EscapeRoutes";
import { TargetBySide } from "./TargetBySide";
import { TargetFields } from "./TargetFields";
import { SiteFiles } from "./SiteFiles";
import { Ground } from "./GroundFields";

const kinds = Object.entries(kindWords).map(([value, name]) => ({ value, name }));

/** Where the tree should fall, and what stands about. */
export function Lay() {
  const plan = useSheet((s) => s.document?.plan);
  const taken = useView((s) => s.target);
  if (!plan) return null;
  const index = plan.site.targets.findIndex((t) => t.id === taken);
  return (
    <>
      <Note>Choose the strip to fell into, with a mark everyone can see. Draw what stands around on the plan.</Note>
      <Member path="lay.bearingDeg" />
      <Member path="site.aimErrorDeg" />
      <AnchorAlong plan={plan} />
      <MarkFields plan={plan} />
      {index >= 0 ? <TargetFields index={index} plan={plan} /> : <AddTarget plan={plan} />}
      <TargetList />
      <EscapeRoutes plan={plan} />
      <Directions plan={plan} />
      <Ground />
      <SiteFiles plan={plan} />
    </>
  );
}

/** A line that stands off the lay can be brought along; what its anchor is there has to be looked at again. */
function AnchorAlong({ plan }: { plan: Plan }) {
  const first = plan.lines[0]?.redirects[0]?.at ?? plan.lines[0]?.anchor;
  if (!first) return null;
  const off = ((first.bearingDeg - plan.lay.bearingDeg + 540) % 360) - 180;
  if (plan.lines.length > 1 || Math.abs(off) < 15) return null;
  return (
    <div className="flex items-center gap-2 py-1" data-anchor-along>
      <p className="flex-1 font-tight text-sm">
        The line runs {Math.abs(Math.round(off))}° {off > 0 ? "right" : "left"} of the lay
      </p>
      <Button
        onClick={() => {
          useSheet.getState().edit((d) => ({ ...d, plan: withAnchorAlong(d.plan) }));
        }}
      >
        Bring the anchor along
      </Button>
    </div>
  );
}

function MarkFields({ plan }: { plan: Plan }) {
  const mark = plan.site.mark;
  return (
    <div className="flex items-center gap-2 py-1">
      <p className="flex-1 font-tight text-sm">Lay mark{mark ? "" : ": none"}</p>
      <Button
        onClick={() => {
          const at = placeAt(plan.tree.heightM * 0.9, plan.lay.bearingDeg);
          setMember("site.mark", { eastM: tenth(at.eastM), northM: tenth(at.northM) });
        }}
      >
        {mark ? "Set it on the lay" : "Set one on the lay"}
      </Button>
      {mark && (
        <Button
          onClick={() => {
            setMember("site.mark", undefined);
          }}
        >
          Remove
        </Button>
      )}
    </div>
  );
}

function AddTarget({ plan }: { plan: Plan }) {
  const [kind, setKind] = useState<Target["kind"]>("building");
  const [bySide, setBySide] = useState(false);
  const draft = useView((s) => s.draft);
  const set = useView((s) => s.set);
  if (draft) {
    return (
      <Group title={`Drawing: ${kindWords[draft.kind].toLowerCase()}`}>
        <Note>Click its points on the plan, one after another. {draft.points.length} so far.</Note>
        <div className="mt-1 flex gap-2">
          <Button
            strong
            disabled={draft.points.length === 0}
            onClick={() => {
              finishDraft(plan);
            }}
          >
            Done
          </Button>
          <Button
            onClick={() => {
              set({ draft: null });
            }}
          >
            Forget it
          </Button>
        </div>
      </Group>
    );
  }
  return (
    <Group title="What stands about">
      <Said plan={plan} kind={kind} />
      <Choice
        label="Kind"
        value={kind}
        options={kinds}
        onChange={(k) => {
          setKind(k as Target["kind"]);
        }}
      />
      {bySide ? (
        <TargetBySide
          key={kind}
          kind={kind}
          plan={plan}
          onDone={() => {
            setBySide(false);
          }}
        />
      ) : (
        <Button
          className="mt-1 w-full"
          onClick={() => {
            set({ drawing: "plan", target: null });
            setBySide(true);
          }}
        >
          By distance and side
        </Button>
      )}
      <div className="mt-1 flex gap-2">
        <Button
          onClick={() => {
            set({ drawing: "plan", target: null, draft: { kind, points: [] } });
          }}
        >
          Draw it
        </Button>
        <Button
          onClick={() => {
            const added = usualTarget(kind, plan);
            setMember("site.targets", [...plan.site.targets, added]);
            set({ drawing: "plan", target: added.id });
          }}
        >
          Put one in
        </Button>
      </div>
    </Group>
  );
}

/** One line that puts a target in: what, how far out, how far to its side, how large. */
function Said({ plan, kind }: { plan: Plan; kind: Target["kind"] }) {
  const units = useSettings((s) => s.units);
  const [text, setText] = useState("");
  const [problem, setProblem] = useState<string>();

  function put(): void {
    if (text.trim() === "") return;
    const said = saidTarget(text, plan, units, kind);
    if ("problem" in said) {
      setProblem(said.problem);
      return;
    }
    setMember("site.targets", [...plan.site.targets, said.target]);
    useView.getState().set({ drawing: "plan", target: null });
    setText("");
    setProblem(undefined);
  }

  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        put();
      }}
    >
      <TextField
        label="Say it"
        member="site.targets"
        value={text}
        problem={problem}
        onChange={(next) => {
          setText(next);
          setProblem(undefined);
        }}
      />
      <Note>“Shed, 6 m left, 12 m out, 4 × 3”, then Enter. Out is along the lay; a road runs across it.</Note>
    </form>
  );
}

/** Every target with its clearance, the worst first; one is taken in hand by its button. */
function TargetList() {
  const units = useSettings((s) => s.units);
  const analysis = useFeed((s) => s.analysis);
  const target = useView((s) => s.target);
  const set = useView((s) => s.set);
  if (!analysis || analysis.site.targets.length === 0) return null;
  const order = { stop: 0, check: 1, ready: 2 } as const;
  const sorted = [...analysis.site.targets].sort(
    (a, b) => order[a.state] - order[b.state] || a.clearanceM - b.clearanceM,
  );
  return (
    <ul aria-label="Targets" className="mt-2 border-t border-rule">
      {sorted.map((t) => (
        <li key={t.id}>
          <button
            type="button"
            aria-pressed={t.id === target}
            data-target-row={t.id}
            onClick={() => {
              set({ target: t.id === target ? null : t.id, drawing: "plan" });
            }}
            className="flex w-full items-center gap-2 border-b border-rule py-1.5 text-left hover:bg-tint"
          >
            <span aria-hidden className={`${stateHatch[t.state]} h-4 w-4 shrink-0 border border-ink`} />
            <span className="min-w-0 flex-1 truncate font-tight text-sm first-letter:uppercase">{t.name}</span>
            <span className="whitespace-nowrap font-tight text-sm font-semibold">
              {t.overlaps ? (t.state === "ready" ? "may be hit" : "HIT") : `clears ${cleared(t.clearanceM, units)}`}
            </span>
          </button>
        </li>
      ))}
    </ul>
  );
}

/** The lay rose in words: each run of open lays with the easiest of them, to be chosen by a button. */
function Directions({ plan }: { plan: Plan }) {
  const units = useSettings((s) => s.units);
  const shown = useView((s) => s.rose);
  const set = useView((s) => s.set);
  const rose = useRose(plan, shown);
  const runs = rose ? runsOf(rose.bearings) : [];
  return (
    <Group title="All round the compass">
      <Segments
        label="Lay rose"
        value={shown ? "on" : "off"}
        onChange={(v) => {
          set({ rose: v === "on", drawing: "plan" });
        }}
        choices={[
          { value: "off", text: "Rose off" },
          { value: "on", text: "Rose on" },
        ]}
      />
      {shown && (
        <Note>
          Each direction with a line straight ahead, seat and distance as planned. Long: open. Short and hatched: tight.
          Solid rim: closed. If you turn the lay more than 60° from an anchor, the anchor turns too. Check it on site.
        </Note>
      )}
      {shown && rose && !runs.some((r) => r.state === "open") && (
        <p className="py-1 text-sm font-semibold">
          No direction is open. The hatched ones are tight; click one to see why.
        </p>
      )}
      {shown &&
        runs
          .filter((r) => r.state !== "closed")
          .map((run) => (
            <button
              key={`${run.state}-${run.fromDeg}`}
              type="button"
              data-open-lay={run.state}
              onClick={() => {
                useSheet.getState().edit((d) => ({ ...d, plan: turnedTo(d.plan, run.best.bearingDeg) }));
              }}
              className="flex w-full items-baseline gap-2 border-b border-rule py-1.5 text-left hover:bg-tint"
            >
              <span className="min-w-0 flex-1">
                <span className="block font-tight text-sm">
                  {run.fromDeg === run.toDeg ? `${run.fromDeg}°` : `${run.fromDeg}°–${run.toDeg}°`} {run.state}
                </span>
                <span className="block text-xs text-pencil">
                  {run.state === "tight" ? run.best.why : `easiest at ${run.best.bearingDeg}°`}
                  {run.best.clearanceM == null ? "" : `, clears ${cleared(run.best.clearanceM, units)}`}
                </span>
              </span>
              <span className="font-tight text-sm font-semibold">
                {run.best.neededTensionN == null ? "–" : written(run.best.neededTensionN, "force", units)}
              </span>
            </button>
          ))}
    </Group>
  );
}
