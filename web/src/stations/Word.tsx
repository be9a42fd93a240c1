import { momentOf } from "../state/words";
import { useState } from "react";
import type { Target } from "../api/types";
import type { PathOf } from "../state/memberPath";
import { setMember } from "../state/store";
import { Button } from "../ui/controls";
import { Refused } from "../ui/Refused";
import { TextField } from "../ui/TextField";
import { useMember } from "./fields";

type Given = NonNullable<Target["utilityWord"]>;

export const words = {
  utility: {
    title: "The utility's word",
    by: "Who at the utility",
    says: "What they said",
    button: "The utility has spoken",
    missing: "Say who at the utility it was.",
  },
  closing: {
    title: "Kept closed",
    by: "Who keeps it closed",
    says: "How, and from when to when",
    button: "Closing it is arranged",
    missing: "Say who keeps it closed.",
  },
};

interface WordProps {
  path: PathOf<Given>;
  title: string;
  by: string;
  says: string;
  button: string;
  missing: string;
}

/** What somebody said or arranged, with the name and the time. */
export function Word({ path, title, by, says, button, missing }: WordProps) {
  const word = useMember(path) as Given | undefined;
  const [name, setName] = useState("");
  const [text, setText] = useState("");
  const [wrong, setWrong] = useState<string | null>(null);
  return (
    <div className="my-1 border-l-2 border-rule pl-2" data-word={path}>
      <p className="font-tight text-sm font-semibold">{title}</p>
      {word ? (
        <>
          <p className="text-[13px] leading-snug">
            {word.by}, {momentOf(word.at)}
            {word.says === undefined ? "" : `: ${word.says}`}
          </p>
          <button
            type="button"
            className="min-h-6 text-xs underline"
            onClick={() => {
              setMember(path, undefined);
            }}
          >
            No longer valid
          </button>
        </>
      ) : (
        <>
          <TextField label={by} value={name} onChange={setName} />
          <TextField label={says} value={text} onChange={setText} />
          <Refused>{wrong}</Refused>
          <Button
            className="mt-1"
            onClick={() => {
              if (name.trim() === "") {
                setWrong(missing);
                return;
              }
              setWrong(null);
              setMember(path, {
                by: name.trim(),
                at: new Date().toISOString(),
                ...(text.trim() === "" ? {} : { says: text.trim() }),
              });
            }}
          >
            {button}
          </Button>
        </>
      )}
    </div>
  );
}
