import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api } from "../../api/client";
import type { DamagedRow } from "../../api/types";
import { Button, Note } from "../../ui/controls";
import { Refused } from "../../ui/Refused";
import { kinds } from "./words";
import { useDoing } from "./useDoing";

/** Rows that cannot be read; nothing without any. */
export function DamagedRows() {
  const damaged = useQuery({ queryKey: ["damaged"], queryFn: api.damaged });
  const [open, setOpen] = useState<string | null>(null);
  if (!damaged.data || damaged.data.length === 0) return null;
  return (
    <section className="mt-8" data-damaged>
      <h2 className="font-tight text-[17px] font-semibold">Damaged rows</h2>
      <Note>
        They stay as they are and are left out of everything else. Take the text out, mend it, or restore a backup from
        before.
      </Note>
      <ul className="mt-2">
        {damaged.data.map((row) => {
          const key = `${row.kind}/${row.id}`;
          return (
            <li key={key} className="border-t border-ink py-2 last:border-b">
              <p className="font-tight text-[15px] font-semibold">
                {kinds[row.kind]} “{row.name}”
              </p>
              <p className="text-sm leading-snug">{row.why}</p>
              <p className="mt-1 flex flex-wrap gap-4 text-sm">
                <a className="min-h-6 underline" href={`/api/damaged/${key}`} download={`${row.kind}-${row.id}.txt`}>
                  Take the text out
                </a>
                <button
                  type="button"
                  className="min-h-6 underline"
                  aria-expanded={open === key}
                  onClick={() => {
                    setOpen(open === key ? null : key);
                  }}
                >
                  Mend it here
                </button>
              </p>
              {open === key && <Mending row={row} />}
            </li>
          );
        })}
      </ul>
    </section>
  );
}

function Mending({ row }: { row: DamagedRow }) {
  const text = useQuery({
    queryKey: ["damaged-text", row.kind, row.id],
    queryFn: () => api.damagedText(row.kind, row.id),
    staleTime: Infinity,
  });
  const [typed, setTyped] = useState<string | null>(null);
  const mend = useDoing((mended: string) => api.mend(row.kind, row.id, mended));
  const shown = typed ?? text.data;
  if (shown === undefined) return null;
  return (
    <div className="mt-2">
      <label className="block font-tight text-[13px] text-pencil">
        Text of the row, JSON
        <textarea
          value={shown}
          rows={10}
          spellCheck={false}
          onChange={(e) => {
            setTyped(e.target.value);
          }}
          className="mt-1 block w-full border border-ink bg-sheet p-2 font-mono text-[13px] text-ink"
        />
      </label>
      <Refused>{mend.problem}</Refused>
      <div className="mt-2">
        <Button
          disabled={mend.busy}
          onClick={() => {
            mend.run(shown);
          }}
        >
          Put it back
        </Button>
      </div>
    </div>
  );
}
