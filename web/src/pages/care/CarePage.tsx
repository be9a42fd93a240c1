import { useQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { api } from "../../api/client";
import { Button, Note } from "../../ui/controls";
import { TextField } from "../../ui/TextField";
import { TopBar } from "../../ui/TopBar";
import { useSettings } from "../../ui/settings";
import { BackupList } from "./BackupList";
import { DamagedRows } from "./DamagedRows";
import { HistoryList } from "./HistoryList";
import { momentOf } from "../../state/words";
import { useDoing } from "./useDoing";

/** Looking after what is kept: backups, what is damaged, who changed what. */
export function CarePage() {
  const who = useSettings((s) => s.who);
  const setWho = useSettings((s) => s.setWho);
  const care = useQuery({ queryKey: ["care"], queryFn: api.care });
  const check = useDoing(api.checkData);
  useEffect(() => {
    document.title = "Upkeep · Draklo";
  }, []);
  return (
    <div className="min-h-full">
      <TopBar />
      <main className="mx-auto max-w-[1080px] px-6 py-5">
        <h1 className="font-tight text-2xl font-semibold">Upkeep</h1>
        <div className="mt-3 grid gap-x-10 gap-y-6 md:grid-cols-2">
          <section>
            <h2 className="font-tight text-[17px] font-semibold">The data file</h2>
            {care.isError && <p role="alert">Draklo does not answer.</p>}
            {care.data && (
              <p className="mt-1 leading-snug" data-file-health>
                {care.data.faults.length > 0
                  ? `Damaged: ${care.data.faults[0] ?? ""}. Restore a backup below.`
                  : care.data.checkedAt === undefined
                    ? "Not looked at yet since the start."
                    : `The file is whole and ${care.data.damaged === 0 ? "every row can be read" : `${care.data.damaged} of its rows cannot be read`}, as looked at ${momentOf(care.data.checkedAt)}.`}
              </p>
            )}
            <div className="mt-2">
              <Button
                onClick={() => {
                  check.run(undefined);
                }}
                disabled={check.busy}
              >
                Look at it now
              </Button>
            </div>
            <Note>It is looked at when Draklo starts and once a day.</Note>
            {care.data && (
              <p className="mt-2 text-[13px] text-pencil" data-version>
                Draklo {care.data.version}
              </p>
            )}
          </section>
          <section>
            <h2 className="font-tight text-[17px] font-semibold">Who works at this screen</h2>
            <TextField label="Your name" value={who} onChange={setWho} />
            <Note>Stands beside the changes that are made here. It stays in this browser until you change it.</Note>
          </section>
        </div>
        <DamagedRows />
        <BackupList />
        <HistoryList />
      </main>
    </div>
  );
}
