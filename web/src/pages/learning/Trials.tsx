import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, sayWhy } from "../../api/client";
import type { Trial, TrialAnswer } from "../../api/types";
import { dayOf, today } from "../../state/words";
import { Button } from "../../ui/controls";
import { Refused } from "../../ui/Refused";
import { useSettings } from "../../ui/settings";
import { TrialForm } from "./TrialForm";
import { trialNames } from "./words";

const kinds: { kind: Trial["kind"]; note: string }[] = [
  { kind: "hinge", note: "a leaning tree let down on its hinge, step by step; everybody guesses first" },
  { kind: "friction", note: "a weight over a redirect or round a drum, past a luggage scale" },
  { kind: "grip", note: "a friction hitch loaded until it creeps" },
  { kind: "pull", note: "what one person keeps up on a rope for ten seconds" },
  { kind: "throw", note: "how high a throw line comes, and in how many tries" },
];

/** Trials at leisure: begun here, kept from the first step on, taken up again where they were left. */
export function Trials() {
  const units = useSettings((s) => s.units);
  const who = useSettings((s) => s.who);
  const queries = useQueryClient();
  const trials = useQuery({ queryKey: ["trials", units], queryFn: () => api.trials(units) });
  const [open, setOpen] = useState<Trial | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const [gone, setGone] = useState<Trial | null>(null);
  const fresh = () => {
    void queries.invalidateQueries({ queryKey: ["trials"] });
    void queries.invalidateQueries({ queryKey: ["learning"] });
  };
  const begin = (kind: Trial["kind"]) => {
    const taken = new Set(trials.data?.map((t) => t.trial.id));
    let n = 1;
    while (taken.has(`${kind}-${today()}-${n}`)) n++;
    setOpen({
      id: `${kind}-${today()}-${n}`,
      kind,
      on: today(),
      by: who,
      finished: false,
      turnedDeg: 180,
      guesses: [],
      readings: [],
    });
  };
  const left = (trials.data ?? []).filter((t) => !t.trial.finished && t.trial.givenUp === undefined);
  const over = (trials.data ?? []).filter((t) => t.trial.finished || t.trial.givenUp !== undefined);
  return (
    <section aria-label="Trials" className="mt-8">
      <h2 className="border-b border-ink font-tight text-[17px] font-semibold">Trials</h2>
      <div className="mt-2 grid grid-cols-5 gap-3 max-lg:grid-cols-2 max-sm:grid-cols-1">
        {kinds.map(({ kind, note }) => (
          <button
            key={kind}
            type="button"
            data-begin={kind}
            onClick={() => {
              begin(kind);
            }}
            className="border border-ink bg-sheet px-3 py-2 text-left hover:bg-tint"
          >
            <span className="block font-tight text-[15px] font-semibold">{trialNames[kind]}</span>
            <span className="block text-[13px] leading-snug text-pencil">{note}</span>
          </button>
        ))}
      </div>
      <Refused>{wrong}</Refused>
      {gone && (
        <p role="status" className="mt-2 flex items-center gap-3 border-l-4 border-ink pl-2 text-sm">
          {trialNames[gone.kind]} of {dayOf(gone.on)} is taken away.
          <Button
            onClick={() => {
              after(api.keepTrial(gone, units), null);
            }}
          >
            Undo
          </Button>
        </p>
      )}
      {left.length > 0 && <h3 className="mt-4 font-tight text-sm font-semibold">Left half done</h3>}
      <Rows trials={left} onOpen={setOpen} onDrop={drop} />
      {over.length > 0 && <h3 className="mt-4 font-tight text-sm font-semibold">Finished</h3>}
      <Rows trials={over} onOpen={setOpen} onDrop={drop} />
      {open && (
        <TrialForm
          trial={open}
          onKept={fresh}
          onClose={() => {
            setOpen(null);
          }}
        />
      )}
    </section>
  );

  function drop(trial: Trial): void {
    after(api.dropTrial(trial.id), trial);
  }

  function after(done: Promise<unknown>, taken: Trial | null): void {
    done.then(
      () => {
        setWrong(null);
        setGone(taken);
        fresh();
      },
      (error: unknown) => {
        setWrong(sayWhy(error));
      },
    );
  }
}

function Rows({
  trials,
  onOpen,
  onDrop,
}: {
  trials: TrialAnswer[];
  onOpen: (trial: Trial) => void;
  onDrop: (trial: Trial) => void;
}) {
  return (
    <ul>
      {trials.map(({ trial, result }) => (
        <li
          key={trial.id}
          data-trial={trial.id}
          className="flex flex-wrap items-center gap-x-4 border-b border-rule py-1.5 text-sm"
        >
          <span className="w-[110px] font-tight font-medium">{trialNames[trial.kind]}</span>
          <span className="w-[190px] text-pencil">
            {dayOf(trial.on)}, {trial.by}
          </span>
          <span className="min-w-0 flex-1">
            {result.subject !== "" && <b className="font-medium">{result.subject}: </b>}
            {result.words}
            {result.nearest !== "" && ` Nearest guess: ${result.nearest}.`}
          </span>
          <Button
            onClick={() => {
              onOpen(trial);
            }}
          >
            {trial.finished || trial.givenUp !== undefined ? "Open" : "Go on"}
          </Button>
          <Button
            aria-label={`Take away ${trial.id}`}
            onClick={() => {
              onDrop(trial);
            }}
          >
            Take away
          </Button>
        </li>
      ))}
    </ul>
  );
}
