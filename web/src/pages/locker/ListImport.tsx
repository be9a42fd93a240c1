import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, Refusal } from "../../api/client";
import type { CsvPreview } from "../../api/types";
import { Button } from "../../ui/controls";
import { Modal } from "../../ui/Modal";
import { useSettings } from "../../ui/settings";

const actions: Record<CsvPreview["rows"][number]["action"], string> = {
  add: "new",
  change: "changes",
  same: "as it is",
  refused: "REFUSED",
};
const mostRows = 200;

/** What a file will do, row by row, before anything is done. */
export function ListImport({ file, onClose }: { file: File; onClose: () => void }) {
  const units = useSettings((s) => s.units);
  const preview = useQuery({
    queryKey: ["list", file.name, file.lastModified, file.size, units],
    queryFn: () => api.previewList(file, units),
    gcTime: 0,
    staleTime: Infinity,
    retry: false,
  });
  const [refused, setRefused] = useState<string | null>(null);
  const [taken, setTaken] = useState<CsvPreview | null>(null);
  const data = preview.data;
  // What is refused is seen first, then what changes.
  const rows = [...(data?.rows ?? [])].sort((a, b) => order(a) - order(b));
  const wrong = refused ?? (preview.error ? sentence(preview.error) : null);

  async function take(): Promise<void> {
    try {
      setTaken(await api.takeList(file, units));
    } catch (error) {
      setRefused(sentence(error));
    }
  }

  return (
    <Modal title={`“${file.name}”`} onClose={onClose} wide>
      {preview.isPending && <p className="text-pencil">Reading the file.</p>}
      {wrong !== null && (
        <p role="alert" className="border-l-4 border-ink pl-2">
          {wrong}
        </p>
      )}
      {taken && (
        <p role="status" className="border-l-4 border-ink pl-2">
          Taken in: {taken.adds} new, {taken.changes} changed, {taken.same} as they were.
        </p>
      )}
      {data && !taken && (
        <>
          <p className="mb-2">
            {data.adds} new, {data.changes} {data.changes === 1 ? "changes" : "change"}, {data.same} as they are
            {data.refused > 0 ? (
              <b className="font-semibold">
                , {data.refused} refused: a file goes in whole or not at all. Mend these rows and choose it again.
              </b>
            ) : (
              "."
            )}
          </p>
          <div className="max-h-[420px] overflow-auto border border-ink">
            <table className="w-full font-tight text-[13px]" data-preview>
              <thead>
                <tr className="border-b border-ink text-left text-pencil">
                  <th className="px-2 py-1 font-normal">line</th>
                  <th className="px-2 font-normal">what</th>
                  <th className="px-2 font-normal">piece</th>
                  <th className="px-2 font-normal">in words</th>
                </tr>
              </thead>
              <tbody>
                {rows.slice(0, mostRows).map((r) => (
                  <tr
                    key={r.line}
                    data-row={r.action}
                    className={`border-b border-rule align-top last:border-b-0 ${r.action === "refused" ? "font-semibold" : ""}`}
                  >
                    <td className="px-2 py-1 text-right">{r.line}</td>
                    <td className="whitespace-nowrap px-2 py-1">{actions[r.action]}</td>
                    <td className="px-2 py-1">{r.name || r.id}</td>
                    <td className="px-2 py-1">{r.text}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
          {rows.length > mostRows && (
            <p className="mt-1 text-[13px] text-pencil">
              {rows.length - mostRows} more rows are not shown; those refused and changed stand first.
            </p>
          )}
        </>
      )}
      <div className="mt-4 flex justify-end gap-2">
        <Button onClick={onClose}>{taken ? "Close" : "Not now"}</Button>
        {data && !taken && (
          <Button
            strong
            disabled={data.refused > 0 || data.adds + data.changes === 0}
            onClick={() => {
              void take();
            }}
          >
            Take it in
          </Button>
        )}
      </div>
    </Modal>
  );
}

const order = (row: CsvPreview["rows"][number]): number => ({ refused: 0, change: 1, add: 2, same: 3 })[row.action];

const sentence = (error: unknown): string =>
  error instanceof Refusal
    ? (error.errors["file"]?.[0] ?? error.message)
    : "Draklo does not answer. Start it again, then choose the file once more.";
