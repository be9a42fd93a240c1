import { useState } from "react";
import type { DayPlan, Plan } from "../api/types";
import { useDay } from "../state/useDay";
import { setMember, useSheet } from "../state/store";
import { idOf } from "../state/roles";
import { clock, minutes, spanOf } from "../state/times";
import { Check } from "../ui/Check";
import { Button, Note } from "../ui/controls";
import { NumberField } from "../ui/NumberField";
import { Refused } from "../ui/Refused";
import { TextField } from "../ui/TextField";
import { Group, Member, useMember, useProblem } from "./fields";
import { labelOf } from "../state/members";

type Work = Plan["work"];
type OwnTask = Work["tasks"][number];

/** The day's tasks with their minutes, the finish with its spread, and what another way would do to it. */
export function DayStation() {
  const work = useMember("work") as Work | undefined;
  const jobId = useSheet((s) => s.jobId);
  const planned = useSheet((s) => s.document?.plannedOn);
  const { day, problems } = useDay();
  const [open, setOpen] = useState<string | null>(null);
  const startProblem = useProblem("work.startsAt");
  if (!work) return null;
  const own = (id: string) => work.tasks.find((t) => t.id === id);
  const keep = (task: OwnTask) => {
    const rest = work.tasks.filter((t) => t.id !== task.id);
    setMember("work.tasks", [...rest, task], `task-${task.id}`);
  };
  const back = (id: string) => {
    setMember(
      "work.tasks",
      work.tasks.filter((t) => t.id !== id),
    );
  };
  const leftOut = work.tasks.filter((t) => t.leftOut);
  return (
    <>
      <TextField
        label={labelOf("work.startsAt")}
        value={work.startsAt}
        problem={startProblem}
        onChange={(value) => {
          setMember("work.startsAt", value, "starts-at");
        }}
      />
      {problems.map((p) => (
        <Refused key={p}>{p}</Refused>
      ))}
      {day && (
        <p className="mt-2 text-[13px] leading-snug" data-day-verdict>
          {day.verdict}
        </p>
      )}
      {day && (
        <div className="mt-2 border-2 border-ink p-2" data-finish>
          <p className="font-tight text-[13px] text-pencil">done by, nine days in ten</p>
          <p className="font-tight text-[22px] font-semibold leading-tight">
            {clock(day.finishMin.low)} – {clock(day.finishMin.high)}
          </p>
          <p className="text-[13px] leading-snug">
            Half of such days by {clock(day.finishMin.nominal)}; the likely times alone say {clock(day.likelyFinishMin)}
            . {day.people} people.
            {day.cost && (
              <>
                {" "}
                {money(day.cost.low, day.money)} to {money(day.cost.high, day.money)}.
              </>
            )}
          </p>
        </div>
      )}
      {day?.warnings.map((w) => (
        <p key={w} className="mt-2 border-l-4 border-ink pl-2 text-[13px] leading-snug" data-day-warning>
          {w}
        </p>
      ))}
      <Group title="Tasks, minutes">
        <ul>
          {day?.tasks.map((task) => (
            <li key={task.id} className="border-b border-rule" data-task={task.id}>
              <button
                type="button"
                aria-expanded={open === task.id}
                className="flex min-h-9 w-full items-baseline gap-2 py-1 text-left hover:bg-tint"
                onClick={() => {
                  setOpen(open === task.id ? null : task.id);
                }}
              >
                <span className="w-11 shrink-0 font-tight text-[13px] text-pencil">{clock(task.beginsMin)}</span>
                <span className={`min-w-0 flex-1 text-[13px] leading-snug ${task.critical ? "font-semibold" : ""}`}>
                  {task.name}
                </span>
                <span className="whitespace-nowrap font-tight text-[13px]">
                  {minutes(task.minutes.low)}–{minutes(task.minutes.nominal)}–{minutes(task.minutes.high)}
                </span>
              </button>
              {open === task.id && (
                <TaskFields
                  task={own(task.id) ?? { id: task.id, leftOut: false }}
                  drawn={task}
                  at={work.tasks.findIndex((t) => t.id === task.id)}
                  others={day.tasks.filter((t) => t.id !== task.id)}
                  onChange={keep}
                  onBack={
                    own(task.id)
                      ? () => {
                          back(task.id);
                        }
                      : undefined
                  }
                />
              )}
            </li>
          ))}
        </ul>
        {leftOut.length > 0 && (
          <p className="mt-1 text-[13px]">
            Left out:{" "}
            {leftOut.map((t) => (
              <button
                key={t.id}
                type="button"
                className="mr-2 min-h-6 underline"
                aria-label={`Put ${t.name ?? t.id} back`}
                onClick={() => {
                  back(t.id);
                }}
              >
                {t.name ?? t.id.replace(/-/g, " ")}
              </button>
            ))}
          </p>
        )}
        <Button
          className="mt-1.5"
          onClick={() => {
            const taken = new Set([...(day?.tasks.map((t) => t.id) ?? []), ...work.tasks.map((t) => t.id)]);
            const id = idOf("own task", taken);
            keep({ id, name: "Something else", lowMin: 5, likelyMin: 10, highMin: 20, people: 1, leftOut: false });
            setOpen(id);
          }}
        >
          Add a task
        </Button>
        <Note>Bold: the finish waits for it. Tap a task to put in the crew&apos;s own minutes.</Note>
      </Group>
      {day && day.alternatives.length > 0 && (
        <Group title="Instead">
          <ul className="mt-1 text-[13px] leading-snug">
            {day.alternatives.map((a) => (
              <li key={a.text} className="flex gap-2 border-b border-rule py-1">
                <span className="flex-1">{a.text}</span>
                <span className="whitespace-nowrap font-tight font-semibold">{spanOf(a.minutes.nominal)}</span>
                <span className="w-[92px] whitespace-nowrap text-right text-pencil">
                  {minutes(a.minutes.low)} to {minutes(a.minutes.high)}
                </span>
              </li>
            ))}
          </ul>
        </Group>
      )}
      <Group title="Cost, and what is moved">
        <Member path="work.wageAnHour" />
        <Member path="work.hire" />
        <TextField
          label={labelOf("work.money")}
          value={work.money}
          onChange={(value) => {
            setMember("work.money", value.slice(0, 8), "money");
          }}
        />
        <Member path="work.loads" />
      </Group>
      {planned ? (
        <a
          className="mt-3 inline-flex min-h-9 items-center border border-ink px-3 font-tight text-sm font-medium hover:bg-tint"
          href={`/api/jobs/${jobId ?? ""}/day.ics`}
          download
        >
          Calendar file
        </a>
      ) : (
        <Note>Set the day of the job, under its name at the top, for daylight, wind and a calendar file.</Note>
      )}
    </>
  );
}

interface TaskFieldsProps {
  task: OwnTask;
  drawn: DayPlan["tasks"][number];
  /** Its number among the crew's own; −1 while it has none. */
  at: number;
  others: DayPlan["tasks"];
  onChange: (task: OwnTask) => void;
  onBack: (() => void) | undefined;
}

function TaskFields({ task, drawn, at, others, onChange, onBack }: TaskFieldsProps) {
  const path = `work.tasks[${Math.max(at, 0)}]` as const;
  const minutesProblem = useProblem(`${path}.likelyMin`, `${path}.lowMin`, `${path}.highMin`);
  const peopleProblem = useProblem(`${path}.people`);
  const after = task.after ?? drawn.after;
  return (
    <div className="mb-2 ml-3 border-l border-ink pl-3">
      <TextField
        label="What is done"
        value={task.name ?? drawn.name}
        onChange={(name) => {
          onChange({ ...task, name });
        }}
      />
      {(
        [
          ["At least", "lowMin", drawn.minutes.low],
          ["Likely", "likelyMin", drawn.minutes.nominal],
          ["At most", "highMin", drawn.minutes.high],
        ] as const
      ).map(([label, member, value]) => (
        <NumberField
          key={member}
          label={label}
          value={Math.round(value)}
          quantity="count"
          problem={member === "likelyMin" && at >= 0 ? minutesProblem : undefined}
          onChange={(next) => {
            if (next !== undefined) onChange({ ...task, [member]: next });
          }}
        />
      ))}
      <NumberField
        label="People"
        value={task.people ?? drawn.people}
        quantity="count"
        problem={at >= 0 ? peopleProblem : undefined}
        onChange={(people) => {
          if (people !== undefined) onChange({ ...task, people: Math.round(people) });
        }}
      />
      <details>
        <summary className="min-h-6 cursor-pointer font-tight text-sm">Comes after</summary>
        {others.map((t) => (
          <Check
            key={t.id}
            label={t.name}
            checked={after.includes(t.id)}
            onChange={(on) => {
              onChange({ ...task, after: on ? [...after, t.id] : after.filter((id) => id !== t.id) });
            }}
          />
        ))}
      </details>
      <div className="flex gap-2">
        <div className="flex-1">
          <Check
            label="Not on this job"
            checked={task.leftOut}
            onChange={(leftOut) => {
              onChange({ ...task, name: task.name ?? drawn.name, leftOut });
            }}
          />
        </div>
        {onBack && <Button onClick={onBack}>As drawn up</Button>}
      </div>
    </div>
  );
}

const money = (value: number, unit: string): string =>
  `${Math.round(value).toLocaleString("en-GB")}${unit === "" ? "" : ` ${unit}`}`;
