import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, sayWhy } from "../api/client";
import type { PlanSet } from "../api/types";
import { Button, Note } from "../ui/controls";
import { Modal } from "../ui/Modal";
import { TextField } from "../ui/TextField";
import { idOf } from "./compose";
import { useSets } from "./sets";

interface Kind {
  /** What is kept, as it stands in the plan. */
  of: () => Omit<PlanSet, "id" | "name">;
  /** Which of the crew's sets are of this kind. */
  is: (set: PlanSet) => boolean;
  title: string;
  what: string;
}

/** Keeps a part of the plan under a name, to be put into other plans with one choice; and drops one again. */
export function SetKeeper({ of, is, title, what }: Kind) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <button
        type="button"
        className="min-h-6 text-xs underline coarse:min-h-11"
        onClick={() => {
          setOpen(true);
        }}
      >
        {title}
      </button>
      {open && (
        <Keep
          of={of}
          is={is}
          title={title}
          what={what}
          onClose={() => {
            setOpen(false);
          }}
        />
      )}
    </>
  );
}

function Keep({ of, is, title, what, onClose }: Kind & { onClose: () => void }) {
  const [name, setName] = useState("");
  const [problem, setProblem] = useState<string | undefined>();
  const queries = useQueryClient();
  const kept = (useSets().data ?? []).filter(is);

  async function change(how: () => Promise<unknown>): Promise<boolean> {
    try {
      await how();
      await queries.invalidateQueries({ queryKey: ["sets"] });
      return true;
    } catch (error) {
      setProblem(sayWhy(error));
      return false;
    }
  }

  return (
    <Modal title={title} onClose={onClose}>
      <Note>{what} One of the same name is replaced; plans carry their own copy and do not change.</Note>
      <TextField label="Name" value={name} onChange={setName} problem={problem} />
      <div className="mt-3 flex justify-end gap-2">
        <Button onClick={onClose}>Not now</Button>
        <Button
          strong
          disabled={name.trim() === ""}
          onClick={() => {
            void change(() => api.keepSet({ id: idOf(name), name: name.trim(), ...of() })).then((done) => {
              if (done) onClose();
            });
          }}
        >
          Keep it
        </Button>
      </div>
      {kept.length > 0 && (
        <ul className="mt-3 border-t border-rule">
          {kept.map((set) => (
            <li key={set.id} className="flex min-h-9 items-center gap-2 border-b border-rule">
              <span className="min-w-0 flex-1">{set.name}</span>
              <button
                type="button"
                className="min-h-9 px-2 text-[13px] underline coarse:min-h-11"
                aria-label={`Drop ${set.name}`}
                onClick={() => {
                  void change(() => api.dropSet(set.id));
                }}
              >
                Drop
              </button>
            </li>
          ))}
        </ul>
      )}
    </Modal>
  );
}
