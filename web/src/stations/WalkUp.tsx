import { useState } from "react";
import type { Plan } from "../api/types";
import { setMember, useClearsAlone } from "../state/store";
import { timeOf } from "../state/words";
import { Button, Note } from "../ui/controls";
import { Check } from "../ui/Check";
import { TextField } from "../ui/TextField";
import { useSettings } from "../ui/settings";
import type { Catalogue } from "../api/types";
import { Group, useMember } from "./fields";

type Item = Plan["walkUp"][number];

/** What to look at before anything is measured or cut: ticked by name and time. */
export function WalkUp({ catalogue }: { catalogue: Catalogue }) {
  const list = (useMember("walkUp") as Item[] | undefined) ?? [];
  const { who, setWho } = useSettings();
  const [editing, setEditing] = useState(false);
  const alone = useClearsAlone();
  const change = (next: Item[]) => {
    setMember("walkUp", next);
  };
  const replace = (index: number, item: Item) => {
    change(list.map((w, i) => (i === index ? item : w)));
  };

  function tick(index: number, item: Item, on: boolean): void {
    const ticked: Item = { id: item.id, text: item.text, must: item.must };
    replace(index, on ? { ...ticked, tickedBy: who.trim() || "somebody", tickedAt: new Date().toISOString() } : ticked);
  }

  if (list.length === 0) {
    return (
      <>
        <Note>
          This job has no list yet. A list says what to check first
          {alone ? ". A clearing is not held by it." : "; the plan stays at check until that is done."}
        </Note>
        <Button
          className="mt-3"
          onClick={() => {
            change(catalogue.walkUp);
          }}
        >
          Begin the usual list
        </Button>
      </>
    );
  }
  // The usual list's points are musts whatever this one says; its own come on top.
  const usual = new Set(catalogue.walkUp.map((w) => w.id));
  const mustBe = (item: Item) => item.must || usual.has(item.id);
  const lacking = catalogue.walkUp.filter((w) => !list.some((l) => l.id === w.id));
  const open = list.filter((w) => mustBe(w) && w.tickedAt === undefined).length + lacking.length;
  return (
    <>
      <Note>
        Walk all round: a lean looks different from each side.{" "}
        {open === 0
          ? "Every must-have is ticked."
          : `${open} must-have${open === 1 ? "" : "s"} open: the plan stays at check.`}
      </Note>
      <TextField label="Ticked by" value={who} onChange={setWho} />
      <Group title="Before anything is cut">
        {list.map((item, index) =>
          editing ? (
            <div key={item.id} className="border-b border-rule py-1.5">
              <TextField
                label={`Point ${index + 1}`}
                value={item.text}
                problem={item.text.trim() === "" ? "Say what to look at, or remove the point." : undefined}
                onChange={(text) => {
                  replace(index, { ...item, text });
                }}
              />
              <div className="flex items-center gap-2">
                <div className="flex-1">
                  {usual.has(item.id) ? (
                    <Note>Of the usual list: it must be ticked.</Note>
                  ) : (
                    <Check
                      label="must be ticked"
                      checked={item.must}
                      onChange={(must) => {
                        replace(index, { ...item, must });
                      }}
                    />
                  )}
                </div>
                <Button
                  onClick={() => {
                    change(list.filter((_, i) => i !== index));
                  }}
                  aria-label={`Remove point ${index + 1}`}
                >
                  Remove
                </Button>
              </div>
            </div>
          ) : (
            <div key={item.id} data-walk={item.id} className="border-b border-rule">
              <Check
                label={item.text}
                member={`walkUp[${index}].id`}
                checked={item.tickedAt !== undefined}
                onChange={(on) => {
                  tick(index, item, on);
                }}
                note={
                  item.tickedAt === undefined
                    ? mustBe(item)
                      ? "must be ticked"
                      : undefined
                    : `${item.tickedBy ?? "somebody"}, ${timeOf(item.tickedAt)}`
                }
              />
            </div>
          ),
        )}
      </Group>
      {lacking.length > 0 && (
        <div className="mt-3">
          <Note>
            Not on this list: {lacking.map((w) => w.text.charAt(0).toLowerCase() + w.text.slice(1)).join("; ")}.
          </Note>
          <Button
            className="mt-2"
            onClick={() => {
              change([...list, ...lacking]);
            }}
          >
            Put {lacking.length === 1 ? "it" : "them"} back
          </Button>
        </div>
      )}
      <div className="mt-3 flex gap-2">
        {editing && (
          <Button
            onClick={() => {
              change([...list, { id: freeId(list), text: "Look at …", must: false }]);
            }}
          >
            Add a point
          </Button>
        )}
        <Button
          onClick={() => {
            setEditing(!editing);
          }}
        >
          {editing ? "Done" : "Change the list"}
        </Button>
      </div>
    </>
  );
}

function freeId(list: Item[]): string {
  const taken = new Set(list.map((w) => w.id));
  for (let n = list.length + 1; ; n++) if (!taken.has(`point-${n}`)) return `point-${n}`;
}
