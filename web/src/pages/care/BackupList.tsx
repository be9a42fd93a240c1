import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api } from "../../api/client";
import type { Backup } from "../../api/types";
import { Button, Note } from "../../ui/controls";
import { FileButton } from "../../ui/FileButton";
import { Modal } from "../../ui/Modal";
import { Refused } from "../../ui/Refused";
import { reasons, size } from "./words";
import { momentOf } from "../../state/words";
import { useDoing } from "./useDoing";

const cell = "border-t border-rule py-1.5 pr-4 align-baseline";

/** Backups: made at a press, taken in from a file, restored. */
export function BackupList() {
  const backups = useQuery({ queryKey: ["backups"], queryFn: api.backups });
  const make = useDoing(api.makeBackup);
  const take = useDoing(api.takeInBackup);
  const drop = useDoing(api.dropBackup);
  const restore = useDoing(api.restoreBackup);
  const [asked, setAsked] = useState<Backup | null>(null);
  return (
    <section className="mt-8" data-backups>
      <h2 className="font-tight text-[17px] font-semibold">Backups</h2>
      <div className="mt-2 flex flex-wrap gap-2">
        <Button
          strong
          disabled={make.busy}
          onClick={() => {
            make.run(undefined);
          }}
        >
          {make.busy ? "Backing up" : "Back up now"}
        </Button>
        <FileButton label="Backup file" accept=".zip,application/zip" onFile={take.run}>
          Take in a backup file
        </FileButton>
      </div>
      <Refused>{make.problem ?? take.problem ?? drop.problem ?? restore.problem}</Refused>
      {restore.done && (
        <p role="status" className="mt-2 border-l-4 border-ink pl-2">
          Restored. What was there before is the backup of {momentOf(restore.done.aside.madeAt)}.
        </p>
      )}
      <Note>
        One is made every day; the last of 7 days, 4 weeks and 12 months stay. Those asked for, and those made before an
        upgrade or a restore, stay until you delete them. Each is read back when it is made. Keep a copy on another
        disk.
      </Note>
      {backups.data?.length === 0 && <p className="mt-2">None yet.</p>}
      {backups.data && backups.data.length > 0 && (
        <div className="mt-3 overflow-x-auto" tabIndex={0} role="region" aria-label="Backups">
          <table className="w-full text-left text-sm">
            <thead className="font-tight text-[13px] text-pencil">
              <tr>
                <th className="pr-4 font-medium">Made</th>
                <th className="pr-4 font-medium">Why</th>
                <th className="pr-4 font-medium">Holds</th>
                <th className="pr-4 font-medium">Size</th>
                <th />
              </tr>
            </thead>
            <tbody>
              {backups.data.map((b) => (
                <tr key={b.name} data-backup={b.name}>
                  <td className={`${cell} whitespace-nowrap`}>{momentOf(b.madeAt)}</td>
                  <td className={cell}>{reasons[b.reason]}</td>
                  <td className={cell}>
                    {b.jobs} jobs, {b.gear} pieces of gear{b.pictures > 0 ? `, ${b.pictures} pictures` : ""}
                  </td>
                  <td className={`${cell} whitespace-nowrap`}>{size(b.bytes)}</td>
                  <td className={`${cell} whitespace-nowrap text-right`}>
                    <a className="mr-4 inline-block min-h-6 underline" href={`/api/backups/${b.name}.zip`} download>
                      Download
                    </a>
                    <button
                      type="button"
                      className="mr-4 min-h-6 underline"
                      onClick={() => {
                        setAsked(b);
                      }}
                    >
                      Restore
                    </button>
                    <button
                      type="button"
                      className="min-h-6 underline"
                      onClick={() => {
                        drop.run(b.name);
                      }}
                    >
                      Delete
                    </button>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      {asked && (
        <Modal
          title="Restore this backup?"
          onClose={() => {
            setAsked(null);
          }}
        >
          <p className="leading-snug">
            All jobs, gear and settings go back to {momentOf(asked.madeAt)}: {asked.jobs} jobs, {asked.gear} pieces.
            Your present data is backed up first, so you can undo this. Others who work just now lose what they have not
            saved.
          </p>
          <div className="mt-4 flex gap-2">
            <Button
              strong
              onClick={() => {
                restore.run(asked.name);
                setAsked(null);
              }}
            >
              Restore
            </Button>
            <Button
              onClick={() => {
                setAsked(null);
              }}
            >
              Leave it
            </Button>
          </div>
        </Modal>
      )}
    </section>
  );
}
