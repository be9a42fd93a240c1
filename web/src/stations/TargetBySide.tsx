import { useState } from "react";
import type { Plan, Target } from "../api/types";
import { kindWords, shapeOf, targetBySide, type BySide } from "../drawing/sitePlan";
import { setMember } from "../state/store";
import { useView } from "../state/view";
import { Button, Note } from "../ui/controls";
import { NumberField } from "../ui/NumberField";
import { TextField } from "../ui/TextField";

const usual: Record<"area" | "line" | "place", BySide> = {
  area: { outM: 12, rightM: 6, wideM: 4, deepM: 3 },
  line: { outM: 12, rightM: 0, wideM: 30, deepM: 0 },
  place: { outM: 12, rightM: 6, wideM: 0, deepM: 0 },
};

/** A target by its distance and side, as one says it beside the tree: a shed, 6 m left of the lay, 12 m out, 4 by 3. */
export function TargetBySide({ kind, plan, onDone }: { kind: Target["kind"]; plan: Plan; onDone: () => void }) {
  const shape = shapeOf[kind];
  const [name, setName] = useState("");
  const [place, setPlace] = useState(usual[shape]);
  const [left, setLeft] = useState(false);
  const change = (part: Partial<BySide>) => {
    setPlace({ ...place, ...part });
  };

  function put(): void {
    const target = targetBySide(kind, plan, { ...place, rightM: place.rightM * (left ? -1 : 1) });
    setMember("site.targets", [...plan.site.targets, name.trim() === "" ? target : { ...target, name: name.trim() }]);
    useView.getState().set({ drawing: "plan", target: null });
    onDone();
  }

  const side = (word: string, toLeft: boolean) => (
    <button
      type="button"
      aria-pressed={left === toLeft}
      className={`min-h-7 font-tight text-sm coarse:min-h-11 ${left === toLeft ? "font-semibold underline" : "text-pencil"}`}
      onClick={() => {
        setLeft(toLeft);
      }}
    >
      {word}
    </button>
  );

  return (
    // eslint-disable-next-line jsx-a11y/no-static-element-interactions -- Enter goes from field to field and then puts it in
    <div
      data-by-side
      className="border-l-2 border-rule pl-2"
      onKeyDown={(event) => {
        if (event.key !== "Enter" || !(event.target instanceof HTMLInputElement)) return;
        event.preventDefault();
        const fields = [...event.currentTarget.querySelectorAll("input")];
        const next = fields[fields.indexOf(event.target) + 1];
        if (next) next.focus();
        else event.currentTarget.querySelector<HTMLButtonElement>("[data-put]")?.focus();
      }}
    >
      <Note>From the stump to its middle, along the lay and to the side of it.</Note>
      <TextField label="Name" value={name} onChange={setName} />
      <Metres label="Out along the lay, behind is −" value={place.outM} onChange={(outM) => change({ outM })} />
      <Metres label="To the side" value={place.rightM} onChange={(rightM) => change({ rightM })} />
      <p className="flex justify-end gap-3">
        {side("left", true)}
        {side("right", false)}
      </p>
      {shape !== "place" && (
        <Metres
          label={shape === "line" ? "Runs, across the lay" : "Wide, across the lay"}
          value={place.wideM}
          onChange={(wideM) => change({ wideM })}
        />
      )}
      {shape !== "place" && (
        <Metres
          label={shape === "line" ? "Runs, along the lay" : "Deep, along the lay"}
          value={place.deepM}
          onChange={(deepM) => change({ deepM })}
        />
      )}
      <div className="mt-1 flex gap-2">
        <Button strong data-put onClick={put}>
          Put in the {kindWords[kind].toLowerCase()}
        </Button>
        <Button onClick={onDone}>Leave it</Button>
      </div>
    </div>
  );
}

function Metres({ label, value, onChange }: { label: string; value: number; onChange: (value: number) => void }) {
  return (
    <NumberField
      label={label}
      value={value}
      quantity="length"
      step={0.5}
      onChange={(next) => {
        if (next !== undefined) onChange(next);
      }}
    />
  );
}
