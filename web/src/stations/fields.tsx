import type { MemberPath } from "../state/memberPath";
import { NumberField, stepOf } from "../ui/NumberField";
import { useClearing, useFeed } from "../state/feed";
import { factsOf } from "../state/members";
import { valueAt } from "../state/paths";
import { isFollowing, isGuess, provenanceOf, setMember, toggleGuess, useSheet } from "../state/store";

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
  /** Which of several it belongs to, as in "section 2". */
  of?: string | undefined;
  /** What its empty field says, where that hangs on another choice. */
  empty?: string;
}

/** A number of the plan, by its path: label, unit, step and what an empty field says are the member's own. */
export function Member({ path, of, empty }: MemberProps) {
  const facts = factsOf(path);
  const { label, quantity, step, canBeMeasured } = facts;
  const unknown = empty ?? facts.empty;
  const value = useMember(path) as number | undefined;
  const from = useSheet((s) => (s.document ? provenanceOf(s.document.plan, path) : "given"));
  const guess = useSheet((s) => (s.document ? isGuess(s.document.plan, path) : false));
  const follows = useSheet((s) => (s.document ? isFollowing(s.document.plan, path) : false));
  const problem = useProblem(path);
  return (
    <NumberField
      label={of === undefined ? label : `${label}, ${of}`}
      value={value}
      quantity={quantity}
      step={step ?? stepOf(quantity)}
      problem={problem}
      onChange={(next) => {
        setMember(path, next);
      }}
      guess={guess}
      from={follows && from !== "measured" ? "follows" : from}
      path={path}
      {...(canBeMeasured || guess || follows
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
