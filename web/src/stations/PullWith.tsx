import type { Catalogue, Line } from "../api/types";
import { useStarts } from "../state/starts";
import { startMember, useSheet } from "../state/store";
import { useKit } from "../state/useKit";
import { Group, useMember } from "./fields";
import { isPulledBy, pullOf, useSets, withPull } from "./sets";
import { SetKeeper } from "./SetKeeper";

const most = 4;

const choice = (taken: boolean): string =>
  `min-h-9 border border-ink px-2.5 text-left font-tight text-sm font-medium leading-tight coarse:min-h-11 ${taken ? "bg-ink text-sheet" : "bg-sheet hover:bg-tint"}`;

/** Hands want a tackle before them; a winch or a machine hauls on the line itself until somebody says otherwise. */
function withKind(line: Line, kind: Line["puller"]["kind"], starts: Catalogue["starts"]): Line {
  const isHands = (k: Line["puller"]["kind"]) => k === "people";
  const { contactId } = line.tackle;
  const machineN = line.puller.machineN ?? (kind === "machine" ? starts.machineN : starts.handWinchN);
  return {
    ...line,
    tackle:
      isHands(kind) === isHands(line.puller.kind)
        ? line.tackle
        : {
            openedM: line.tackle.openedM,
            closedM: line.tackle.closedM,
            systemId: isHands(kind) ? handsTackle : "direct",
            contactId,
          },
    puller: { ...line.puller, kind, ...(isHands(kind) ? {} : { machineN }) },
  };
}

const handsTackle = "three-to-one";

/** What the line is pulled with: a whole set of the crew's in one choice, those on the truck today first, or a kind of puller. */
export function PullWith() {
  const line = useMember("lines[0]") as Line;
  const edit = useSheet((s) => s.edit);
  const starts = useStarts();
  const kit = useKit();
  const onTruck = (id: string | undefined) => id !== undefined && kit.items.has(id);
  const sets = (useSets().data ?? [])
    .flatMap((set) => (set.pull ? [{ set, pull: set.pull, today: onTruck(set.pull.rope.itemId) }] : []))
    .toSorted((a, b) => Number(b.today) - Number(a.today))
    .slice(0, most);
  const taken = sets.find(({ pull }) => isPulledBy(line, pull));
  const kinds = [
    ["people", "people"],
    ["handWinch", "a hand winch"],
    ["machine", "a machine"],
  ] as const;

  return (
    <Group title="Pull with">
      <div role="group" aria-label="Pull with" className="my-1 flex flex-col gap-1">
        {sets.map(({ set, pull, today }) => (
          <button
            key={set.id}
            type="button"
            data-onward-to
            data-set={set.id}
            aria-pressed={set === taken?.set}
            className={choice(set === taken?.set)}
            onClick={() => {
              edit((d) => ({ ...d, plan: withPull(d.plan, 0, pull) }));
            }}
          >
            {set.name}
            {today && <span className="block text-xs font-normal">on the truck today</span>}
          </button>
        ))}
      </div>
      <div role="group" aria-label="Or with" className="flex flex-wrap items-center gap-1">
        <span className="font-tight text-sm">or with</span>
        {kinds.map(([kind, name]) => (
          <button
            key={kind}
            type="button"
            aria-pressed={!taken && line.puller.kind === kind}
            className={choice(!taken && line.puller.kind === kind)}
            onClick={() => {
              startMember("lines[0]", withKind(line, kind, starts));
            }}
          >
            {name}
          </button>
        ))}
      </div>
      <SetKeeper
        title="Keep this rope, tackle and puller as a set"
        what="Rope, knot, tackle, puller and sling of the main line, to be put into other plans with one choice."
        of={() => ({ pull: pullOf(line) })}
        is={(set) => set.pull !== undefined}
      />
    </Group>
  );
}
