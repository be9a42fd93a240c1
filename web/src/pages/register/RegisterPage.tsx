import { useQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { api, sayWhy } from "../../api/client";
import { dayOf, today } from "../../state/words";
import { Button } from "../../ui/controls";
import { useSettings } from "../../ui/settings";
import { TopBar } from "../../ui/TopBar";
import { written } from "../../units/units";
import { kindNames, outcomeNames, stateNames } from "../locker/words";

/** The register of the gear, for an inspector: to print, or as CSV. */
export function RegisterPage() {
  const units = useSettings((s) => s.units);
  const register = useQuery({ queryKey: ["register", units], queryFn: () => api.register(units), gcTime: 0 });
  useEffect(() => {
    document.title = "Gear register, Draklo";
  }, []);
  return (
    <div className="min-h-full">
      <TopBar>
        <a
          href="/api/locker/register.csv"
          className="inline-flex min-h-9 items-center border border-ink bg-sheet px-3 font-tight text-sm font-medium hover:bg-tint"
        >
          As CSV
        </a>
        <Button
          strong
          onClick={() => {
            window.print();
          }}
        >
          Print
        </Button>
      </TopBar>
      <main className="mx-auto max-w-[1180px] px-6 py-5 print:max-w-none print:p-0">
        <h1 className="font-tight text-2xl font-semibold">Gear register</h1>
        <p className="text-[13px] text-pencil">Drawn up {dayOf(today())}. The makers’ own rules come before these.</p>
        {register.isError && <p role="alert">{sayWhy(register.error)}</p>}
        <section
          className="overflow-x-auto"
          aria-label="Every piece"
          tabIndex={0} // eslint-disable-line jsx-a11y/no-noninteractive-tabindex -- arrow keys scroll it
        >
          <table className="mt-3 w-full border-collapse text-[13px] leading-snug">
            <thead>
              <tr className="border-b-2 border-ink text-left font-tight">
                {[
                  "Piece",
                  "Kind",
                  "Marks",
                  "Breaks at",
                  "Made",
                  "State",
                  "Last looked at",
                  "Next by",
                  "Uses",
                  "Peak",
                ].map((name) => (
                  <th key={name} scope="col" className="py-1 pr-3 font-semibold">
                    {name}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {register.data?.map((r) => (
                <tr
                  key={r.gear.item.id}
                  data-register={r.gear.item.id}
                  className="break-inside-avoid border-b border-rule align-top"
                >
                  <td className="py-1 pr-3 font-medium">
                    {r.gear.item.name}
                    {r.gear.item.count > 1 && `, ${r.gear.item.count} alike`}
                    {r.gear.flags.map((f) => (
                      <span key={f.kind} className="block border-l-2 border-ink pl-1.5 font-normal">
                        {f.text}
                      </span>
                    ))}
                  </td>
                  <td className="py-1 pr-3">{kindNames[r.gear.item.kind]}</td>
                  <td className="py-1 pr-3">{r.gear.item.marks ?? ""}</td>
                  <td className="whitespace-nowrap py-1 pr-3 tabular-nums">
                    {r.gear.strength.newtons === undefined
                      ? "not known"
                      : written(r.gear.strength.newtons, "force", units)}
                  </td>
                  <td className="whitespace-nowrap py-1 pr-3">{r.gear.item.madeOn ?? ""}</td>
                  <td className="py-1 pr-3">{stateNames[r.gear.item.state]}</td>
                  <td className="py-1 pr-3">
                    {r.inspectedOn === undefined
                      ? "never"
                      : `${r.inspectedOn}, ${r.inspectedBy ?? ""}: ${r.outcome === undefined ? "" : outcomeNames[r.outcome]}`}
                  </td>
                  <td className="whitespace-nowrap py-1 pr-3">{r.nextBy ?? ""}</td>
                  <td className="whitespace-nowrap py-1 pr-3 tabular-nums">{r.uses}</td>
                  <td className="whitespace-nowrap py-1 tabular-nums">
                    {r.peakN === undefined ? "" : written(r.peakN, "force", units)}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
        <p className="mt-6 grid grid-cols-2 gap-8 text-[13px]">
          <span className="border-t border-ink pt-1">Inspector, day</span>
          <span className="border-t border-ink pt-1">For the crew, day</span>
        </p>
      </main>
    </div>
  );
}
