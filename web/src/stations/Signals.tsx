import type { Plan } from "../api/types";
import { useStarts } from "../state/starts";
import { setMember } from "../state/store";
import { Button, Note } from "../ui/controls";
import { TextField } from "../ui/TextField";
import { Group, useMember, useProblem } from "./fields";

type Signal = Plan["signals"][number];

/** The signs, what each means and who gives it. */
export function Signals() {
  const usual = useStarts().signals;
  const own = (useMember("signals") as Signal[] | undefined) ?? [];
  const change = (next: Signal[]) => {
    setMember("signals", next);
  };
  return (
    <Group title="Signs">
      {own.length === 0 ? (
        <>
          <ul className="mt-1 text-[13px] leading-snug">
            {usual.map((s) => (
              <li key={s.sign}>
                <b className="font-semibold">{s.sign}</b>: {s.means}, by {s.by ?? "anybody"}
              </li>
            ))}
          </ul>
          <Button
            className="mt-1.5"
            onClick={() => {
              change(usual);
            }}
          >
            Change the signs
          </Button>
        </>
      ) : (
        <>
          {own.map((signal, i) => (
            <One
              key={i}
              signal={signal}
              index={i}
              onChange={(next) => {
                change(own.map((s, n) => (n === i ? next : s)));
              }}
              onRemove={() => {
                change(own.filter((_, n) => n !== i));
              }}
            />
          ))}
          <div className="mt-1.5 flex gap-2">
            {own.length < 8 && (
              <Button
                onClick={() => {
                  change([...own, { sign: "horn, short", means: "look here" }]);
                }}
              >
                Add a sign
              </Button>
            )}
            <Button
              onClick={() => {
                change([]);
              }}
            >
              The usual four
            </Button>
          </div>
        </>
      )}
      <Note>Anybody may give the stop sign. Nobody asks why.</Note>
    </Group>
  );
}

interface OneProps {
  signal: Signal;
  index: number;
  onChange: (next: Signal) => void;
  onRemove: () => void;
}

function One({ signal, index, onChange, onRemove }: OneProps) {
  const problem = useProblem(`signals[${index}].means`);
  return (
    <div className="border-b border-rule py-1">
      <TextField
        label="Sign"
        value={signal.sign}
        onChange={(sign) => {
          onChange({ ...signal, sign });
        }}
      />
      <TextField
        label="Means"
        value={signal.means}
        problem={problem}
        onChange={(means) => {
          onChange({ ...signal, means });
        }}
      />
      <div className="flex items-center gap-2">
        <div className="min-w-0 flex-1">
          <TextField
            label="By"
            value={signal.by ?? ""}
            onChange={(by) => {
              const next = { ...signal };
              if (by === "") delete next.by;
              else next.by = by;
              onChange(next);
            }}
          />
        </div>
        <Button aria-label={`Remove the sign ${signal.sign}`} onClick={onRemove}>
          Remove
        </Button>
      </div>
    </div>
  );
}
