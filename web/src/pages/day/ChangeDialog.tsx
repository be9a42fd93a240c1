import { useState } from "react";
import { useQueryClient } from "@tanstack/react-query";
import { api, sayWhy } from "../../api/client";
import type { ChangeAnswer, PullDay, PullLine, TheChange } from "../../api/types";
import { newKey } from "../../state/dayQueue";
import { stateHatch } from "../../state/words";
import { Button, Note, Segments } from "../../ui/controls";
import { Modal } from "../../ui/Modal";
import { NumberField } from "../../ui/NumberField";
import { Refused } from "../../ui/Refused";
import { useSettings } from "../../ui/settings";

export type What = TheChange["what"];

interface ChangeDialogProps {
  jobId: string;
  day: PullDay;
  line: PullLine;
  first: What;
  by: string;
  onClose: () => void;
}

/** Something is no longer as planned: worked out again on the spot, then put in the plan by somebody. */
export function ChangeDialog({ jobId, day, line, first, by, onClose }: ChangeDialogProps) {
  const units = useSettings((s) => s.units);
  const queries = useQueryClient();
  const [what, setWhat] = useState<What>(first);
  const [figures, setFigures] = useState<Partial<TheChange>>({});
  const [answer, setAnswer] = useState<ChangeAnswer | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const put = (part: Partial<TheChange>) => {
    setFigures({ ...figures, ...part });
    setAnswer(null);
  };

  async function ask(apply: boolean): Promise<void> {
    setBusy(true);
    setWrong(null);
    try {
      const found = await api.changeOnTheDay(
        jobId,
        { ...figures, what, by, lineId: line.id, key: newKey(), apply },
        units,
      );
      if (apply) {
        if (found.day) queries.setQueryData(["pulling", jobId, units], found.day);
        onClose();
      } else setAnswer(found);
    } catch (error) {
      setWrong(sayWhy(error));
    } finally {
      setBusy(false);
    }
  }

  return (
    <Modal title="Something changed" onClose={onClose} wide>
      <Segments
        label="What changed"
        value={what}
        onChange={(v) => {
          setWhat(v);
          setAnswer(null);
          setWrong(null);
        }}
        choices={[
          { value: "seatDropped", text: "The seat dropped" },
          ...(line.puller === "people" ? [{ value: "haulers" as const, text: "Other haulers" }] : []),
          { value: "wind", text: "Wind" },
        ]}
      />
      {what === "seatDropped" && (
        <NumberField
          label="The seat is now at, above ground"
          value={figures.seatHeightM ?? undefined}
          quantity="length"
          unknown=""
          onChange={(v) => {
            put({ seatHeightM: v ?? null });
          }}
        />
      )}
      {what === "haulers" && (
        <NumberField
          label="People hauling now"
          value={figures.people ?? undefined}
          quantity="count"
          unknown=""
          onChange={(v) => {
            put({ people: v ?? null });
          }}
        />
      )}
      {what === "wind" && (
        <>
          <NumberField
            label="Wind"
            value={figures.windMps ?? undefined}
            quantity="speed"
            unknown="as it was"
            onChange={(v) => {
              put({ windMps: v ?? null });
            }}
          />
          <NumberField
            label="Gusts"
            value={figures.gustMps ?? undefined}
            quantity="speed"
            unknown="as it was"
            onChange={(v) => {
              put({ gustMps: v ?? null });
            }}
          />
          <NumberField
            label="From"
            value={figures.windFromDeg ?? undefined}
            quantity="degrees"
            unknown="as it was"
            onChange={(v) => {
              put({ windFromDeg: v ?? null });
            }}
          />
        </>
      )}
      <Refused>{wrong}</Refused>
      {answer && <Answer answer={answer} />}
      <div className="mt-3 flex flex-wrap gap-2">
        {answer ? (
          <Button
            strong
            className="min-h-12 flex-1"
            disabled={busy}
            onClick={() => {
              void ask(true);
            }}
          >
            {answer.voids ? "Put it in the plan; the brief is signed again" : "Put it in the plan"}
          </Button>
        ) : (
          <Button
            strong
            className="min-h-12 flex-1"
            disabled={busy}
            onClick={() => {
              void ask(false);
            }}
          >
            Work it out
          </Button>
        )}
        <Button className="min-h-12" onClick={onClose}>
          Leave it
        </Button>
      </div>
      {day.now === "pull" && <Note>The pull goes on meanwhile: hold it first, on the grip or the brake.</Note>}
    </Modal>
  );
}

function Answer({ answer }: { answer: ChangeAnswer }) {
  return (
    <div className="mt-3 border-t-2 border-ink pt-2" role="status">
      <p className="text-[15px] leading-snug">{answer.words}</p>
      <p className="mt-1 flex gap-2 text-[17px] leading-snug">
        <span aria-hidden className={`mt-1 h-5 w-3 shrink-0 border border-ink ${stateHatch[answer.state]}`} />
        <span>{answer.summary}</span>
      </p>
      {answer.moves.length > 0 && (
        <ul className="mt-2 max-h-44 overflow-auto text-[15px]">
          {answer.moves.map((m) => (
            <li key={m.id} className="flex justify-between gap-3 border-b border-rule py-0.5">
              <span>{m.name}</span>
              <span className="text-right font-tight">
                {m.was ?? "–"} → <b className="font-semibold">{m.is ?? "–"}</b>
              </span>
            </li>
          ))}
        </ul>
      )}
      {answer.do.length > 0 && (
        <>
          <h3 className="mt-2 font-tight font-semibold">What would help</h3>
          <ul className="list-disc pl-5 text-[15px] leading-snug">
            {answer.do.map((d) => (
              <li key={d}>{d}</li>
            ))}
          </ul>
        </>
      )}
    </div>
  );
}
