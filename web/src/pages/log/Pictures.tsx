import { useState } from "react";
import { api, sayWhy } from "../../api/client";
import type { JobLog } from "../../api/types";
import { FileButton } from "../../ui/FileButton";
import { Refused } from "../../ui/Refused";
import { TextField } from "../../ui/TextField";
import { shrunk } from "./shrink";

const most = 24;

/** Pictures of the job: from the camera or a file, made smaller here, without the notes of place and device. */
export function Pictures({
  pictures,
  onChange,
  problem,
}: {
  pictures: JobLog["pictures"];
  onChange: (change: (pictures: JobLog["pictures"]) => JobLog["pictures"]) => void;
  problem: string | undefined;
}) {
  const [busy, setBusy] = useState(false);
  const [wrong, setWrong] = useState<string | null>(null);

  async function add(file: File): Promise<void> {
    setBusy(true);
    setWrong(null);
    try {
      const kept = await api.keepPicture(await shrunk(file));
      onChange((before) =>
        before.some((p) => p.hash === kept.hash) ? before : [...before, { hash: kept.hash, caption: "" }],
      );
    } catch (error) {
      setWrong(
        error instanceof Error && error.name === "Error"
          ? error.message
          : sayWhy(error, "The picture was not kept: Draklo does not answer."),
      );
    } finally {
      setBusy(false);
    }
  }

  return (
    <div>
      <ul className="grid grid-cols-2 gap-3 max-sm:grid-cols-1">
        {pictures.map((p, i) => (
          <li key={p.hash} data-picture={p.hash} className="border border-ink bg-sheet p-2">
            <a href={`/api/pictures/${p.hash}`} target="_blank" rel="noreferrer">
              <img
                src={`/api/pictures/${p.hash}`}
                alt={p.caption === "" ? `Picture ${i + 1}` : p.caption}
                className="h-36 w-full bg-paper object-contain"
              />
            </a>
            <TextField
              label="Shows"
              value={p.caption}
              onChange={(caption) => {
                onChange((before) => before.map((q) => (q.hash === p.hash ? { ...q, caption } : q)));
              }}
            />
            <button
              type="button"
              className="min-h-9 text-sm underline"
              onClick={() => {
                onChange((before) => before.filter((q) => q.hash !== p.hash));
              }}
            >
              Take this picture off
            </button>
          </li>
        ))}
      </ul>
      {pictures.length < most && (
        <div className="mt-2 flex items-center gap-3">
          <FileButton
            label="Picture of the job"
            accept="image/*"
            onFile={(file) => {
              void add(file);
            }}
          >
            Add a picture
          </FileButton>
          {busy && (
            <p role="status" className="text-[13px] text-pencil">
              Making it smaller.
            </p>
          )}
        </div>
      )}
      <p className="mt-1 text-[13px] leading-snug text-pencil">
        At most {most}. Each is made smaller here, to 1,600 pixels; what the camera noted of place and device stays on
        this device.
      </p>
      <Refused>{wrong ?? problem}</Refused>
    </div>
  );
}
