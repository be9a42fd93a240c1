import { useState } from "react";
import { Button, Note } from "../../ui/controls";
import { Modal } from "../../ui/Modal";
import { Refused } from "../../ui/Refused";
import { TextField } from "../../ui/TextField";

interface BecauseProps {
  title: string;
  text: string[];
  button: string;
  onDone: (because: string) => void;
  onClose: () => void;
}

/** What somebody does against the answer, and why: kept with name and time. */
export function Because({ title, text, button, onDone, onClose }: BecauseProps) {
  const [because, setBecause] = useState("");
  const [tried, setTried] = useState(false);
  return (
    <Modal title={title} onClose={onClose}>
      <ul className="list-disc pl-5 text-[15px] leading-snug">
        {text.map((t) => (
          <li key={t}>{t}</li>
        ))}
      </ul>
      <TextField label="Because" value={because} onChange={setBecause} />
      <Refused>{tried && because.trim() === "" ? "Say why: a sentence will do. It is kept." : undefined}</Refused>
      <Note>It is kept with your name and the time.</Note>
      <div className="mt-3 flex gap-2">
        <Button
          strong
          className="min-h-12 flex-1"
          onClick={() => {
            if (because.trim() === "") setTried(true);
            else onDone(because.trim());
          }}
        >
          {button}
        </Button>
        <Button className="min-h-12" onClick={onClose}>
          Leave it
        </Button>
      </div>
    </Modal>
  );
}
