import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { api } from "../api/client";
import type { CrewMember, JobRole, Person, Plan } from "../api/types";
import { useFeed } from "../state/feed";
import { roles } from "../state/roles";
import { setMember, useSheet } from "../state/store";
import { useSettings } from "../ui/settings";
import { Choice } from "../ui/Choice";
import { Button, Note } from "../ui/controls";
import { Check } from "../ui/Check";
import { TextField } from "../ui/TextField";
import { written } from "../units/units";
import { Group, useMember, useProblem } from "./fields";
import { placesInWords } from "./places";
import { crewOf, useSets, withCrew } from "./sets";
import { SetKeeper } from "./SetKeeper";
import { Signals } from "./Signals";
import { labelOf } from "../state/members";

/** Who does what on this job, where each stands, the signs, and what to do if it goes wrong. */
export function People() {
  const crew = (useMember("crew") as CrewMember[] | undefined) ?? [];
  const lines = (useMember("lines") as Plan["lines"] | undefined) ?? [];
  const mark = useMember("site.markName") as string | undefined;
  const book = useQuery({ queryKey: ["people"], queryFn: api.people });
  const edit = useSheet((s) => s.edit);
  const crews = (useSets().data ?? []).flatMap((set) => (set.crew ? [{ set, people: set.crew }] : []));
  const change = (next: CrewMember[]) => {
    setMember("crew", next);
  };
  const free = (book.data ?? []).filter((p) => !crew.some((c) => c.personId === p.id || c.name === p.name));
  return (
    <>
      <Note>
        Everybody on site is named, with a place on the plan: drag the letters there. Nobody stands in the footprint, in
        a line&apos;s band or inside a turn.
      </Note>
      {crew.map((person, index) => (
        <Row
          key={index}
          person={person}
          index={index}
          lines={lines}
          onChange={(next) => {
            change(crew.map((c, i) => (i === index ? next : c)));
          }}
          onRemove={() => {
            change(crew.filter((_, i) => i !== index));
          }}
        />
      ))}
      <Group title="Put on this job">
        {crews.length > 0 && (
          <div role="group" aria-label="As usual" className="mt-1 flex flex-wrap gap-1.5" data-member="crew">
            {crews.map(({ set, people }) => (
              <Button
                key={set.id}
                data-set={set.id}
                strong={crew.length === 0}
                onClick={() => {
                  edit((d) => ({ ...d, plan: withCrew(d.plan, people) }));
                }}
              >
                {set.name}
              </Button>
            ))}
          </div>
        )}
        <div className="mt-1 flex flex-wrap gap-1.5" data-member="crew">
          {free.map((person) => (
            <Button
              key={person.id}
              data-add={person.id}
              onClick={(event) => {
                // Their button goes: the next one is in hand, for whoever comes along.
                const next = event.currentTarget.nextElementSibling;
                if (next instanceof HTMLElement) next.focus();
                change([...crew, memberOf(person, crew)]);
              }}
            >
              {person.name}
            </Button>
          ))}
          <Button
            onClick={() => {
              change([
                ...crew,
                { name: unnamed(crew), role: "hauler", helpsAtStump: false, canClimb: false, firstAid: false },
              ]);
            }}
          >
            Somebody else
          </Button>
        </div>
        {crew.length > 0 && (
          <SetKeeper
            title="Keep these people as a set"
            what="Who does what, their signs, who calls for help and where the kit is."
            of={() => ({ crew: crewOf(useSheet.getState().document?.plan as Plan) })}
            is={(set) => set.crew !== undefined}
          />
        )}
        {book.data?.length === 0 && (
          <Note>
            The crew&apos;s book is empty: <Link to="/crew">put everybody in once</Link>, with what they do.
          </Note>
        )}
      </Group>
      <Signals />
      <Group title="If it goes wrong">
        <Help member="meetAt" label="Meet at" />
        <Help member="nearestRoad" label="Nearest road" />
        <Help member="caller" label="Calls for help" />
        <Help member="number" label="Number" />
        <Help member="kitAt" label="First aid kit" />
      </Group>
      <Group title="The lay">
        <TextField
          label={labelOf("site.markName")}
          member="site.markName"
          value={mark ?? ""}
          onChange={(value) => {
            setMember("site.markName", value === "" ? undefined : value, "mark-name");
          }}
        />
      </Group>
    </>
  );
}

function Help({ member, label }: { member: keyof Plan["help"]; label: string }) {
  const value = useMember(`help.${member}`) as string | undefined;
  const problem = useProblem(`help.${member}`);
  return (
    <TextField
      label={label}
      member={`help.${member}`}
      value={value ?? ""}
      problem={problem}
      onChange={(next) => {
        setMember(`help.${member}`, next === "" ? undefined : next, `help-${member}`);
      }}
    />
  );
}

interface RowProps {
  person: CrewMember;
  index: number;
  lines: Plan["lines"];
  onChange: (next: CrewMember) => void;
  onRemove: () => void;
}

/** One of the crew: name, role, and where they stand as the plan has it. */
function Row({ person, index, lines, onChange, onRemove }: RowProps) {
  const units = useSettings((s) => s.units);
  const placed = useFeed((s) => s.analysis?.site.people[index]);
  const problem = useProblem(`crew[${index}].name`);
  const hauls = person.role === "hauler" || person.role === "machine";
  return (
    <section className="mt-2 border-t border-ink pt-1.5" data-crew={person.name}>
      <div className="flex items-center gap-2">
        <span
          aria-hidden
          className="flex h-7 w-7 shrink-0 items-center justify-center rounded-full bg-ink font-tight text-[13px] font-semibold text-sheet"
        >
          {placed?.letter ?? ""}
        </span>
        <div className="min-w-0 flex-1">
          <TextField
            label="Name"
            member={`crew[${index}].name`}
            value={person.name}
            problem={problem}
            onChange={(name) => {
              onChange({ ...person, name });
            }}
          />
        </div>
        <Button aria-label={`Remove ${person.name} from this job`} onClick={onRemove}>
          Remove
        </Button>
      </div>
      <Choice
        label="Does"
        member={`crew[${index}].role`}
        value={person.role}
        options={roles}
        onChange={(role) => {
          const next = { ...person, role: role as JobRole };
          // Another role stands elsewhere, until somebody says where.
          delete next.place;
          onChange(next);
        }}
      />
      {hauls && lines.length > 1 && (
        <Choice
          label="On"
          value={person.lineId ?? lines[0]?.id ?? ""}
          options={lines.map((l) => ({ value: l.id, name: `${l.id} line` }))}
          onChange={(lineId) => {
            onChange({ ...person, lineId });
          }}
        />
      )}
      {!hauls && person.role !== "faller" && (
        <Check
          label={labelOf("crew[0].helpsAtStump")}
          checked={person.helpsAtStump}
          onChange={(helpsAtStump) => {
            onChange({ ...person, helpsAtStump });
          }}
        />
      )}
      {(hauls || person.shelter !== undefined || (placed && placesInWords[placed.in].bad)) && (
        <TextField
          label={labelOf("crew[0].shelter")}
          member={`crew[${index}].shelter`}
          value={person.shelter ?? ""}
          onChange={(shelter) => {
            const next: CrewMember = { ...person, shelter };
            if (shelter === "") delete next.shelter;
            onChange(next);
          }}
        />
      )}
      {placed && (
        <p className="flex min-h-7 flex-wrap items-center gap-x-2 text-[13px]">
          <span>
            {written(Math.hypot(placed.place.eastM, placed.place.northM), "length", units)} out,{" "}
            {placed.given ? "as given" : "a place worked out"}
          </span>
          <span className={placesInWords[placed.in].bad ? "font-semibold" : "text-pencil"} data-stands={placed.in}>
            {placesInWords[placed.in].text}
          </span>
          {placed.given && (
            <button
              type="button"
              className="ml-auto min-h-6 underline"
              onClick={() => {
                const next = { ...person };
                delete next.place;
                onChange(next);
              }}
            >
              Work it out again
            </button>
          )}
        </p>
      )}
    </section>
  );
}

function memberOf(person: Person, crew: CrewMember[]): CrewMember {
  const taken = new Set(crew.map((c) => c.role));
  // The first of their roles that nobody has yet; there is one lead and one faller, and any number of haulers.
  const role = person.roles.find((r) => r === "hauler" || !taken.has(r)) ?? person.roles[0] ?? "hauler";
  return {
    personId: person.id,
    name: person.name,
    role,
    helpsAtStump: false,
    canClimb: person.canClimb,
    firstAid: person.firstAid,
  };
}

function unnamed(crew: CrewMember[]): string {
  const taken = new Set(crew.map((c) => c.name));
  for (let n = 1; ; n++) if (!taken.has(`Helper ${n}`)) return `Helper ${n}`;
}
