import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, sayWhy } from "../api/client";
import type { Composed } from "../api/types";
import { Button, Note } from "../ui/controls";
import { Modal } from "../ui/Modal";
import { TextField } from "../ui/TextField";
import { idOf } from "./compose";
import { useOwnTackles } from "../state/useTackle";

/** When this one is kept already, it can be dropped again. */
export function Kept({ own }: { own: Composed }) {
  const tackles = useOwnTackles();
  const queries = useQueryClient();
  const kept = tackles.data?.find((t) => t.tackle.name !== undefined && t.tackle.name === own.name);
  if (!kept) return null;
  return (
    <p className="mt-1 text-[13px] leading-snug">
      The crew keeps a tackle of this name.{" "}
      <button
        type="button"
        className="underline underline-offset-2"
        onClick={() => {
          void api.dropTackle(kept.id).then(() => queries.invalidateQueries({ queryKey: ["tackles"] }));
        }}
      >
        Drop it from the crew's list
      </button>
    </p>
  );
}

export function KeepTackle({
  own,
  name: suggested,
  onKept,
  onClose,
}: {
  own: Composed;
  name: string;
  onKept: (name: string) => void;
  onClose: () => void;
}) {
  const [name, setName] = useState(own.name ?? suggested);
  const [problem, setProblem] = useState<string | undefined>();
  const queries = useQueryClient();

  async function keep(): Promise<void> {
    try {
      await api.keepTackle({ id: idOf(name), tackle: { ...own, name } });
      await queries.invalidateQueries({ queryKey: ["tackles"] });
      onKept(name);
      onClose();
    } catch (error) {
      setProblem(sayWhy(error));
    }
  }

  return (
    <Modal title="Keep this tackle" onClose={onClose}>
      <Note>
        Other plans can then use it, and the rig finder tries it. It replaces one of the same name; plans that use that
        one keep their copy.
      </Note>
      <TextField label="Name" value={name} onChange={setName} problem={problem} />
      <div className="mt-3 flex justify-end gap-2">
        <Button onClick={onClose}>Not now</Button>
        <Button
          strong
          onClick={() => {
            void keep();
          }}
        >
          Keep it
        </Button>
      </div>
    </Modal>
  );
}
