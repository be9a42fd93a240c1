import type { MemberPath } from "../state/memberPath";
import type { Quantity } from "../units/units";
import { NumberField, stepOf } from "../ui/NumberField";
import { useClearing, useFeed } from "../state/feed";
import { valueAt } from "../state/paths";
import { isGuess, provenanceOf, setMember, toggleGuess, useSheet } from "../state/store";
import { useView } from "../state/view";

/** The server's sentence about a member, or about the first refused of several. */
export function useProblem(...paths: MemberPath[]): string | undefined {
  const first = (problems: Record<string, string>) =>
    paths.map((path) => problems[path]).find((sentence) => sentence !== undefined);
  const ofPull = useFeed((s) => first(s.problems));
  const ofClearing = useClearing((s) => first(s.problems));
  return ofPull ?? ofClearing;
}

export function useMember(path: MemberPath): unknown {
  return useSheet((s) => valueAt(s.document?.plan, path));
}

interface MemberProps {
  path: MemberPath;
  label: string;
  quantity: Quantity;
  step?: number;
  /** Offer the mark for figures that nobody has measured. */
  measured?: boolean;
  /** What an empty field says, for a figure that may be unknown. */
  unknown?: string;
}

/** A number of the plan, by its path. */
export function Member({ path, label, quantity, step, measured = false, unknown }: MemberProps) {
  const value = useMember(path) as number | undefined;
  const from = useSheet((s) => (s.document ? provenanceOf(s.document.plan, path) : "given"));
  const guess = useSheet((s) => (s.document ? isGuess(s.document.plan, path) : false));
  const asked = useView((s) => s.field === path);
  const problem = useProblem(path);
  return (
    <NumberField
      label={label}
      value={value}
      quantity={quantity}
      step={step ?? stepOf(quantity)}
      problem={problem}
      onChange={(next) => {
        setMember(path, next);
      }}
      guess={guess}
      from={from}
      asked={asked}
      path={path}
      {...(measured || guess
        ? {
            onToggleGuess: () => {
              toggleGuess(path);
            },
          }
        : {})}
      {...(unknown === undefined ? {} : { unknown })}
    />
  );
}

/** A heading over a group of fields. */
export function Group({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <section className="mt-3 border-t border-ink pt-1.5">
      <h3 className="font-tight text-sm font-semibold">{title}</h3>
      {children}
    </section>
  );
}
