import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { api, Refusal, sayWhy } from "../../api/client";
import type { Person } from "../../api/types";
import { Button, Note } from "../../ui/controls";
import { Modal } from "../../ui/Modal";
import { PinField } from "../../ui/PinField";
import { Refused } from "../../ui/Refused";

interface PinFormProps {
  person: Person;
  hasOne: boolean;
  onClose: () => void;
  onDone: () => void;
}

/** What a person signs with: set once, changed with the old one. */
export function PinForm({ person, hasOne, onClose, onDone }: PinFormProps) {
  const [pin, setPin] = useState("");
  const [again, setAgain] = useState("");
  const [old, setOld] = useState("");
  const [wrong, setWrong] = useState<string | null>(null);
  const keep = useMutation({ mutationFn: () => api.setPin(person.id, pin, old), onSuccess: onDone });
  const errors = keep.error instanceof Refusal ? keep.error.errors : {};
  return (
    <Modal title={`PIN of ${person.name}`} onClose={onClose}>
      <Note>4 to 12 digits, of your own. It is kept as a hash: nobody can read it back, here or in a backup.</Note>
      {hasOne && <PinField label="PIN until now" value={old} onChange={setOld} problem={errors["old"]?.[0]} />}
      <PinField label="New PIN" value={pin} onChange={setPin} problem={errors["pin"]?.[0]} />
      <PinField label="The same again" value={again} onChange={setAgain} problem={wrong ?? undefined} />
      <Refused>{keep.isError && Object.keys(errors).length === 0 ? sayWhy(keep.error) : null}</Refused>
      <div className="mt-3 flex gap-2">
        <Button
          strong
          disabled={keep.isPending}
          onClick={() => {
            if (pin === again) {
              setWrong(null);
              keep.mutate();
            } else setWrong("The two are not the same.");
          }}
        >
          Keep
        </Button>
        <Button onClick={onClose}>Leave it</Button>
      </div>
    </Modal>
  );
}
