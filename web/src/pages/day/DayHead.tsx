import { Link } from "react-router";
import { useHome } from "../../api/home";
import { useEffect, useState } from "react";
import type { Pulling } from "../../api/types";
import type { DayDesk } from "../../state/useDayDesk";
import { timeOf } from "../../state/words";
import { JobPlaces } from "../../ui/JobPlaces";
import { Button } from "../../ui/controls";
import { useSettings } from "../../ui/settings";
import { TextField } from "../../ui/TextField";
import { written } from "../../units/units";

interface DayHeadProps {
  jobId: string;
  pulling: Pulling;
  clears: boolean;
  onStop: () => void;
}

/** Which job it is, under which brief and in what wind; its five places, and the stop. */
export function DayHead({ jobId, pulling, clears, onStop }: DayHeadProps) {
  return (
    <header className="flex flex-wrap items-center gap-3 bg-sheet px-5 py-3 max-sm:px-3 short:sticky short:top-0 short:z-10 short:py-1">
      <div className="min-w-0 flex-1">
        <h1 className="truncate font-tight text-xl font-semibold">{pulling.name}</h1>
        <p className="font-tight text-[15px] text-pencil">
          <Link to={`/jobs/${jobId}/brief`} className="underline">
            {pulling.briefWords}
          </Link>
          {!clears && <Wind pulling={pulling} />} · <Clock />
        </p>
        <p className="truncate text-[13px] max-sm:hidden" data-day-verdict>
          {pulling.day.verdict}
        </p>
      </div>
      <JobPlaces jobId={jobId} here="day" className="max-md:hidden" />
      <Link
        to={clears ? `/jobs/${jobId}/clear` : `/jobs/${jobId}`}
        className="inline-flex min-h-12 items-center px-2 font-tight underline md:hidden"
      >
        {clears ? "clearing" : "sheet"}
      </Link>
      <button type="button" className="bg-ink px-6 font-tight text-xl font-semibold text-sheet" onClick={onStop}>
        Stop all
      </button>
    </header>
  );
}

function Wind({ pulling }: { pulling: Pulling }) {
  const units = useSettings((s) => s.units);
  const { windMps, standsMps } = pulling;
  return (
    <>
      {" · "}
      {windMps == null ? "wind not looked at" : `wind ${written(windMps, "speed", units)}`}
      {standsMps == null ? "" : `, stands ${written(standsMps, "speed", units)}`}
    </>
  );
}

function Clock() {
  const [now, setNow] = useState(() => new Date());
  useEffect(() => {
    const timer = setInterval(() => {
      setNow(new Date());
    }, 5000);
    return () => {
      clearInterval(timer);
    };
  }, []);
  return <time>{timeOf(now)}</time>;
}

export function WhoAreYou({ people }: { people: string[] }) {
  const who = useSettings((s) => s.who);
  const setWho = useSettings((s) => s.setWho);
  return (
    <section aria-label="Who are you?" className="border-b border-ink bg-tint px-5 py-3 max-sm:px-3">
      <p className="font-tight text-[17px]">Who holds this tablet? Every reading is kept with a name.</p>
      <div className="flex flex-wrap gap-2 py-1">
        {people.map((name) => (
          <Button
            key={name}
            className="text-[17px]"
            onClick={() => {
              setWho(name);
            }}
          >
            {name}
          </Button>
        ))}
      </div>
      {people.length === 0 && <TextField label="Your name" value={who} onChange={setWho} />}
    </section>
  );
}

/** What the last entry met: refused, where no field says so, or waiting for Draklo. */
export function Told({ desk, atField }: { desk: DayDesk; atField: boolean }) {
  const away = useHome((s) => s.away);
  if (desk.refused !== null && !atField)
    return (
      <div role="alert" className="flex items-center gap-3 border-b border-ink bg-tint px-5 py-2 text-[17px]">
        <span className="flex-1">{desk.refused.text}</span>
        <Button onClick={desk.clearRefused}>Seen</Button>
      </div>
    );
  if (desk.stopWaits)
    return (
      <div role="alert" className="border-b border-ink bg-ink px-5 py-2 text-[17px] font-semibold text-sheet">
        {away
          ? "Stop stands on this device. The others do not know of it yet: call it out."
          : "Stop is called. The others are being told."}
      </div>
    );
  if (desk.waitsFor !== null)
    return (
      <div role="status" className="border-b border-ink bg-tint px-5 py-2 text-[17px]">
        {desk.waiting === 1 ? "One entry waits" : `${desk.waiting} entries wait`} on this device until{" "}
        {desk.waitsFor === "" ? "somebody who may signs in" : `${desk.waitsFor} signs in`}. Nothing of it is lost.
      </div>
    );
  // Offline the line over every page says so.
  if (desk.error && !away)
    return (
      <div role="status" className="border-b border-ink bg-tint px-5 py-2 text-[17px]">
        Draklo does not answer; it is tried again.
        {desk.waiting > 0 && ` ${desk.waiting} ${desk.waiting === 1 ? "entry waits" : "entries wait"} at this tablet.`}
        {!desk.stored && desk.waiting > 0 && " It stores nothing: leave this page open until they are kept."}
      </div>
    );
  return desk.waiting > 1 ? (
    <div role="status" className="px-5 py-1 text-[15px] text-pencil">
      {desk.waiting} entries on their way.
    </div>
  ) : null;
}
