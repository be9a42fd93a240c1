import type { JobLog, LogStart } from "../../api/types";
import { NumberField } from "../../ui/NumberField";
import { Refused } from "../../ui/Refused";
import { Button } from "../../ui/controls";
import { Question } from "./Question";

type Said = JobLog["minutes"][number];

/** Minutes by task, beside what the plan drew up. */
export function MinutesQuestion({
  tasks,
  minutes,
  problem,
  onChange,
}: {
  tasks: LogStart["tasks"];
  minutes: Said[];
  problem: string | undefined;
  onChange: (minutes: Said[]) => void;
}) {
  if (tasks.length === 0) return null;
  const of = (id: string) => minutes.find((m) => m.taskId === id);
  const put = (id: string, value: number | undefined, people: number) => {
    const others = minutes.filter((m) => m.taskId !== id);
    onChange(value === undefined ? others : [...others, { taskId: id, minutes: value, people }]);
  };
  return (
    <Question title="How long did it take?" note="Minutes; what was planned stands beside each.">
      {tasks.map((t) => (
        <NumberField
          key={t.id}
          label={`${t.name} (${Math.round(t.likelyMin)} planned)`}
          value={of(t.id)?.minutes}
          quantity="count"
          step={5}
          unknown="not told"
          onChange={(value) => {
            put(t.id, value, of(t.id)?.people ?? t.people);
          }}
        />
      ))}
      <div className="mt-1.5">
        <Button
          onClick={() => {
            onChange([
              ...minutes,
              ...tasks
                .filter((t) => !of(t.id))
                .map((t) => ({ taskId: t.id, minutes: Math.round(t.likelyMin), people: t.people })),
            ]);
          }}
        >
          The others as planned
        </Button>
      </div>
      <Refused>{problem}</Refused>
    </Question>
  );
}
