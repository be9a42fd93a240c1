import { Choice } from "../../ui/Choice";
import { Segments } from "../../ui/controls";
import { dateLanguages, useSettings } from "../../ui/settings";
import { TextField } from "../../ui/TextField";
import { UnitChoice } from "../../ui/UnitChoice";
import { dayOf, today } from "../../state/words";

/** How this screen speaks to its reader: nothing of it is the job's. */
export function Settings() {
  const s = useSettings();
  return (
    <section aria-label="Settings" className="mt-4 border-t border-ink pt-2">
      <h2 className="font-tight text-lg font-semibold">Settings of this screen</h2>
      <div className="mt-1 grid max-w-[560px] gap-y-1">
        <TextField label="Your name, for ticks and entries" value={s.who} onChange={s.setWho} />
        <Row text="Units">
          <UnitChoice />
        </Row>
        <Row text="A stem is measured by">
          <Segments
            label="A stem is measured by"
            value={s.stemBy}
            onChange={s.setStemBy}
            choices={[
              { value: "diameter", text: "Diameter" },
              { value: "girth", text: "Girth" },
            ]}
          />
        </Row>
        <Row text="A lean is told in">
          <Segments
            label="A lean is told in"
            value={s.leanIn}
            onChange={s.setLeanIn}
            choices={[
              { value: "metres", text: "Length at the top" },
              { value: "degrees", text: "Degrees" },
            ]}
          />
        </Row>
        <Row text="Theme">
          <Segments
            label="Theme"
            value={s.sun ? "sun" : "usual"}
            onChange={(theme) => {
              s.setSun(theme === "sun");
            }}
            choices={[
              { value: "usual", text: "Usual" },
              { value: "sun", text: "Bright sun" },
            ]}
          />
        </Row>
        <Row text="Paper">
          <Segments
            label="Paper"
            value={s.paper}
            onChange={s.setPaper}
            choices={[
              { value: "printer", text: "The printer’s" },
              { value: "a4", text: "A4" },
              { value: "letter", text: "Letter" },
            ]}
          />
        </Row>
        <Choice label="Days are written in" value={s.dates} options={dateLanguages} onChange={s.setDates} />
        <p className="text-right text-[13px] text-pencil">
          Today is {dayOf(today())}. A field for a day shows it as this device does.
        </p>
      </div>
    </section>
  );
}

function Row({ text, children }: { text: string; children: React.ReactNode }) {
  return (
    <div className="flex flex-wrap items-center gap-x-3">
      <span className="flex-1 font-tight text-sm">{text}</span>
      {children}
    </div>
  );
}
