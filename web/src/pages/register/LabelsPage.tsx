import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { useSearchParams } from "react-router";
import { api, sayWhy } from "../../api/client";
import { Button } from "../../ui/controls";
import { useSettings } from "../../ui/settings";
import { TopBar } from "../../ui/TopBar";
import { written } from "../../units/units";
import { kindNames } from "../locker/words";

/** Labels with a square code that opens a piece's page: tap those that are wanted, then print. */
export function LabelsPage() {
  const units = useSettings((s) => s.units);
  const locker = useQuery({ queryKey: ["locker", units], queryFn: () => api.locker(units) });
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  useEffect(() => {
    document.title = "Labels, Draklo";
  }, []);
  const [asked] = useSearchParams();
  const wanted = asked.getAll("id");
  const pieces = (locker.data?.items ?? []).filter((e) =>
    wanted.length > 0 ? wanted.includes(e.item.id) : e.item.state !== "retired",
  );
  return (
    <div className="min-h-full">
      <TopBar>
        <Button
          strong
          onClick={() => {
            window.print();
          }}
        >
          Print
        </Button>
      </TopBar>
      <main className="mx-auto max-w-[1080px] px-6 py-5 print:max-w-none print:p-0">
        <div className="no-print">
          <h1 className="font-tight text-2xl font-semibold">Labels</h1>
          <p className="text-sm text-pencil">
            Each code opens the piece’s page on this server. Tap a label to leave it out. A label never replaces the
            maker’s.
          </p>
        </div>
        {locker.isError && <p role="alert">{sayWhy(locker.error)}</p>}
        <ul className="mt-3 grid grid-cols-3 gap-3 max-md:grid-cols-1 print:grid-cols-3">
          {pieces.map((e) => {
            const out = left.has(e.item.id);
            return (
              <li key={e.item.id} className={out ? "no-print" : "break-inside-avoid"}>
                <button
                  type="button"
                  data-label={e.item.id}
                  aria-pressed={!out}
                  onClick={() => {
                    setLeft((before) => {
                      const next = new Set(before);
                      if (!next.delete(e.item.id)) next.add(e.item.id);
                      return next;
                    });
                  }}
                  className={`flex w-full items-center gap-3 border border-ink bg-sheet p-2 text-left ${out ? "opacity-40" : ""}`}
                >
                  <img src={`/api/locker/items/${e.item.id}/label.svg`} alt="" className="h-[84px] w-[84px] bg-white" />
                  <span className="min-w-0 flex-1">
                    <span className="block font-tight text-lg font-semibold leading-tight">{e.item.id}</span>
                    <span className="block text-[13px] leading-tight">{e.item.name}</span>
                    <span className="block text-[12px] text-pencil">
                      {kindNames[e.item.kind]}
                      {e.item.lengthM !== undefined && `, ${written(e.item.lengthM, "length", units)}`}
                      {e.strength.newtons !== undefined && `, ${written(e.strength.newtons, "force", units)}`}
                    </span>
                    <span className="block text-[12px] text-pencil">{e.item.inServiceOn ?? e.item.madeOn ?? ""}</span>
                  </span>
                </button>
              </li>
            );
          })}
        </ul>
      </main>
    </div>
  );
}
