import { useShallow } from "zustand/react/shallow";
import { useSheet, withAnotherLine, withoutLine } from "../state/store";
import { useView } from "../state/view";
import { Button, Segments } from "../ui/controls";

/** Which line the station speaks of; lines are added and taken away here. */
export function LinePicker() {
  const ids = useSheet(useShallow((s) => s.document?.plan.lines.map((l) => l.id) ?? []));
  const edit = useSheet((s) => s.edit);
  const at = useView((s) => s.line);
  const set = useView((s) => s.set);
  return (
    <div className="mb-1 mt-2 flex flex-wrap items-center gap-2">
      {ids.length > 1 && (
        <Segments
          label="Line"
          value={String(at)}
          onChange={(v) => {
            set({ line: Number(v) });
          }}
          choices={ids.map((id, i) => ({ value: String(i), text: id }))}
        />
      )}
      {ids.length < 6 && (
        <Button
          onClick={() => {
            edit((d) => ({ ...d, plan: withAnotherLine(d.plan) }));
            set({ line: ids.length });
          }}
        >
          Add line
        </Button>
      )}
      {ids.length > 1 && (
        <Button
          onClick={() => {
            edit((d) => ({ ...d, plan: withoutLine(d.plan, at) }));
            set({ line: 0, link: null });
          }}
        >
          Remove
        </Button>
      )}
    </div>
  );
}

/** Index of the shown line, within the lines there are. */
export function useLine(): number {
  const at = useView((s) => s.line);
  const count = useSheet((s) => s.document?.plan.lines.length ?? 0);
  return Math.min(at, Math.max(0, count - 1));
}
