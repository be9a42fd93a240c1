import type { JobLog } from "../../api/types";
import { Button } from "../../ui/controls";
import { TextField } from "../../ui/TextField";
import { changed } from "../locker/words";
import { Question } from "./Question";

type Miss = JobLog["nearMisses"][number];

/** Near misses: what could have hurt somebody, and what is done about it. */
export function NearMisses({
  misses,
  errors,
  onChange,
}: {
  misses: Miss[];
  errors: Record<string, string | undefined>;
  onChange: (misses: Miss[]) => void;
}) {
  const put = (i: number, part: { [K in keyof Miss]?: Miss[K] | undefined }) => {
    onChange(misses.map((m, at) => (at === i ? { ...changed(m, part), what: part.what ?? m.what } : m)));
  };
  return (
    <Question title="A near miss?" note="Nobody is blamed. They are kept on a list of their own, for the next crew.">
      {misses.map((m, i) => (
        <div key={i} data-near-miss className="mb-2 border-l-2 border-ink pl-3">
          <TextField
            label="What happened"
            value={m.what}
            onChange={(what) => {
              put(i, { what });
            }}
            problem={errors[`nearMisses[${i}].what`]}
          />
          <TextField
            label="While"
            value={m.while ?? ""}
            onChange={(v) => {
              put(i, { while: v });
            }}
            problem={errors[`nearMisses[${i}].while`]}
          />
          <TextField
            label="What we do about it"
            value={m.then ?? ""}
            onChange={(then) => {
              put(i, { then });
            }}
            problem={errors[`nearMisses[${i}].then`]}
          />
          <button
            type="button"
            className="min-h-9 text-sm underline"
            onClick={() => {
              onChange(misses.filter((_, at) => at !== i));
            }}
          >
            Take it away
          </button>
        </div>
      ))}
      <Button
        onClick={() => {
          onChange([...misses, { what: "" }]);
        }}
      >
        Add a near miss
      </Button>
    </Question>
  );
}
