import { useState } from "react";
import { api, Refusal, sayWhy } from "../../api/client";
import type { Trial, TrialAnswer } from "../../api/types";
import { Check } from "../../ui/Check";
import { Button, Note } from "../../ui/controls";
import { Modal } from "../../ui/Modal";
import { NumberField } from "../../ui/NumberField";
import { Refused } from "../../ui/Refused";
import { useSettings } from "../../ui/settings";
import { TextField } from "../../ui/TextField";
import { type Quantity, written } from "../../units/units";
import { changed } from "../locker/words";
import { TrialSetting } from "./TrialSetting";
import { stepWords, trialNames } from "./words";

type Reading = Trial["readings"][number];

const how: Record<Trial["kind"], string> = {
  hinge:
    "Everybody guesses first. Let the tree down on its line a little at a time, everybody out of its reach; at each stop read the lean and count the cracks. The lean at which it breaks is what counts.",
  friction:
    "Hang a weight that hands can hold on one end. Pull the other end up slowly past a luggage scale and read it; then let it down as slowly and read again. The weight itself need not be known.",
  grip: "Load the hitch as it is tied on the job, slowly, past a load cell; read where it begins to creep.",
  pull: "Two good footholds, gloves, the scale in the rope: what is kept up for ten seconds counts, not the first heave.",
  throw: "Aim at a union whose height is known. Count the tries until the line sits where it should.",
};

const guessed: Record<Trial["kind"], Quantity> = {
  hinge: "degrees",
  friction: "percent",
  grip: "force",
  pull: "force",
  throw: "length",
};

/** A trial, step by step. Every step is kept as it is made, so it can be left and taken up again. */
export function TrialForm({
  trial,
  onKept,
  onClose,
}: {
  trial: Trial;
  onKept: (kept: TrialAnswer) => void;
  onClose: () => void;
}) {
  const units = useSettings((s) => s.units);
  const [draft, setDraft] = useState(trial);
  const [next, setNext] = useState<Reading>({ broke: false });
  const [guess, setGuess] = useState<{ name: string; value: number | undefined }>({ name: "", value: undefined });
  const [why, setWhy] = useState<string | null>(null);
  const [errors, setErrors] = useState<Record<string, string | undefined>>({});
  const [found, setFound] = useState<TrialAnswer["result"] | null>(null);
  const put = (part: { [K in keyof Trial]?: Trial[K] | undefined }) => {
    setDraft((d) => ({ ...changed(d, part), by: part.by ?? d.by }));
  };
  const quantity: Quantity = draft.drumTurns === undefined ? guessed[draft.kind] : "ratio";

  /** Keeps the trial as it then stands; what is refused stays on the form. */
  async function keep(as: Trial): Promise<boolean> {
    try {
      const kept = await api.keepTrial(as, units);
      setDraft(kept.trial as Trial);
      setFound(kept.result);
      setErrors({});
      onKept(kept);
      return true;
    } catch (error) {
      setErrors(
        error instanceof Refusal && Object.keys(error.errors).length > 0
          ? Object.fromEntries(Object.entries(error.errors).map(([path, s]) => [path, s[0]]))
          : { "": sayWhy(error) },
      );
      return false;
    }
  }

  async function addReading(): Promise<void> {
    if (await keep({ ...draft, readings: [...draft.readings, next] })) setNext({ broke: false });
  }

  async function addGuess(): Promise<void> {
    if (guess.value === undefined) {
      setErrors({ [`guesses[${draft.guesses.length}].value`]: "Give the guess as a number." });
      return;
    }
    if (await keep({ ...draft, guesses: [...draft.guesses, { name: guess.name, value: guess.value }] }))
      setGuess({ name: "", value: undefined });
  }

  const last = `readings[${draft.readings.length}]`;
  const wrong = (member: string) => errors[`${last}.${member}`];
  const number = (
    member: keyof Reading & ("leanDeg" | "cracks" | "upN" | "downN" | "readN" | "heightM" | "tries"),
    label: string,
    of: Quantity,
  ) => (
    <NumberField
      label={label}
      value={next[member]}
      quantity={of}
      unknown="not read"
      onChange={(v) => {
        setNext((r) => ({ ...changed(r, { [member]: v }), broke: r.broke }));
      }}
      problem={wrong(member)}
    />
  );
  return (
    <Modal title={trialNames[draft.kind]} onClose={onClose} wide>
      <Note>{how[draft.kind]}</Note>
      <div className="mt-2 grid grid-cols-2 gap-x-8 max-sm:grid-cols-1">
        <div>
          <TrialSetting draft={draft} put={put} errors={errors} />
        </div>
        <div>
          <h3 className="font-tight text-sm font-semibold">Everybody’s guess, before it begins</h3>
          {draft.guesses.map((g) => (
            <p key={g.name} className="flex border-b border-rule py-0.5 text-sm">
              <span className="flex-1">{g.name}</span>
              <span className="font-tight tabular-nums">{written(g.value, quantity, units)}</span>
            </p>
          ))}
          {draft.readings.length === 0 && !draft.finished ? (
            <>
              <TextField
                label="Name"
                value={guess.name}
                onChange={(name) => {
                  setGuess({ ...guess, name });
                }}
                problem={errors[`guesses[${draft.guesses.length}].name`]}
              />
              <NumberField
                label="Guess"
                value={guess.value}
                quantity={quantity}
                unknown="?"
                onChange={(value) => {
                  setGuess({ ...guess, value });
                }}
                problem={errors[`guesses[${draft.guesses.length}].value`]}
              />
              <Button
                onClick={() => {
                  void addGuess();
                }}
              >
                Add this guess
              </Button>
            </>
          ) : (
            <Note>The first step is made: guesses are closed.</Note>
          )}
        </div>
      </div>
      <h3 className="mt-4 border-t border-ink pt-2 font-tight text-sm font-semibold">Steps</h3>
      {draft.readings.map((r, i) => (
        <p key={i} data-step className="flex gap-4 border-b border-rule py-1 text-sm">
          <span className="w-6 text-pencil">{i + 1}</span>
          <span className="flex-1">{stepWords(r, units)}</span>
          {!draft.finished && (
            <button
              type="button"
              className="underline"
              onClick={() => {
                void keep({ ...draft, readings: draft.readings.filter((_, at) => at !== i) });
              }}
            >
              take back
            </button>
          )}
        </p>
      ))}
      {!draft.finished && draft.givenUp === undefined && (
        <div className="mt-2 grid grid-cols-[minmax(0,1fr)_auto] items-end gap-4">
          <div>
            {draft.kind === "hinge" && (
              <>
                {number("leanDeg", "Turned so far", "degrees")}
                {number("cracks", "Cracks heard since", "count")}
                <Check
                  label="It broke here"
                  checked={next.broke}
                  onChange={(broke) => {
                    setNext({ ...next, broke });
                  }}
                />
              </>
            )}
            {draft.kind === "friction" && (
              <>
                {number("upN", "Scale, pulling up", "force")}
                {number("downN", "Scale, letting down", "force")}
              </>
            )}
            {draft.kind === "grip" && number("readN", "Began to creep at", "force")}
            {draft.kind === "pull" && number("readN", "Kept up for ten seconds", "force")}
            {draft.kind === "throw" && (
              <>
                {number("heightM", "Union at", "length")}
                {number("tries", "Tries", "count")}
              </>
            )}
          </div>
          <Button
            onClick={() => {
              void addReading();
            }}
          >
            Keep this step
          </Button>
        </div>
      )}
      <Refused>{errors["readings"] ?? errors[last] ?? errors[""]}</Refused>
      {(found ?? draft.finished) && (
        <p role="status" data-found className="mt-2 border-l-4 border-ink pl-2 text-sm">
          {found?.words ?? "Finished."} {found && found.nearest !== "" && `Nearest guess: ${found.nearest}.`}
        </p>
      )}
      {why !== null && (
        <TextField label="Why it is given up" value={why} onChange={setWhy} problem={errors["givenUp"]} />
      )}
      <div className="mt-4 flex flex-wrap justify-end gap-2">
        {!draft.finished && draft.givenUp === undefined && (
          <Button
            onClick={() => {
              if (why === null || why.trim() === "") setWhy(why ?? "");
              else
                void keep({ ...draft, givenUp: why }).then((kept) => {
                  if (kept) onClose();
                });
            }}
          >
            Give it up
          </Button>
        )}
        {draft.finished ? (
          <Button
            onClick={() => {
              void keep({ ...draft, finished: false });
            }}
          >
            Open it again
          </Button>
        ) : draft.givenUp !== undefined ? (
          <Button
            onClick={() => {
              const { givenUp, ...rest } = draft;
              void givenUp;
              void keep(rest);
            }}
          >
            Take it up again
          </Button>
        ) : (
          <Button
            strong
            onClick={() => {
              void keep({ ...draft, finished: true });
            }}
          >
            Finish it
          </Button>
        )}
        <Button onClick={onClose}>Close</Button>
      </div>
    </Modal>
  );
}
