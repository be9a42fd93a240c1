import { useState } from "react";
import { Button } from "./controls";
import { Refused } from "./Refused";
import { useSettings } from "./settings";
import { TextField } from "./TextField";

interface NameAndBecauseProps {
  button: string;
  onDone: (who: string, because: string) => void;
  onLeave: () => void;
}

/** What somebody takes on or gives up: by name, and for a reason. */
export function NameAndBecause({ button, onDone, onLeave }: NameAndBecauseProps) {
  const [because, setBecause] = useState("");
  const [wrong, setWrong] = useState<string | null>(null);
  const who = useSettings((s) => s.who);
  const setWho = useSettings((s) => s.setWho);
  return (
    <>
      <TextField label="Your name" value={who} onChange={setWho} />
      <TextField label="Because" value={because} onChange={setBecause} />
      <Refused>{wrong}</Refused>
      <div className="mt-1 flex gap-2">
        <Button
          strong
          onClick={() => {
            if (who.trim() === "") setWrong("Say who: a name.");
            else if (because.trim() === "") setWrong("Say why: a sentence will do.");
            else onDone(who.trim(), because.trim());
          }}
        >
          {button}
        </Button>
        <Button onClick={onLeave}>Leave it</Button>
      </div>
    </>
  );
}
