import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { Link } from "react-router";
import { api, Refusal, sayWhy } from "../../api/client";
import type { JobRole, Person } from "../../api/types";
import { idOf, roleName, roles } from "../../state/roles";
import { Check } from "../../ui/Check";
import { Button, Note } from "../../ui/controls";
import { Modal } from "../../ui/Modal";
import { NumberField } from "../../ui/NumberField";
import { Refused } from "../../ui/Refused";
import { TextField } from "../../ui/TextField";
import { TopBar } from "../../ui/TopBar";
import { PinForm } from "./PinForm";

const empty: Person = { id: "", name: "", roles: [], canClimb: false, firstAid: false };

/** The crew's book: who there is, what they do, and whether they can sign. */
export function CrewPage() {
  const queries = useQueryClient();
  const people = useQuery({ queryKey: ["people"], queryFn: api.people });
  const pins = useQuery({ queryKey: ["pins"], queryFn: api.peopleWithPin });
  const [open, setOpen] = useState<Person | null>(null);
  const [pin, setPin] = useState<Person | null>(null);
  const [gone, setGone] = useState<Person | null>(null);
  const refresh = () => queries.invalidateQueries({ queryKey: ["people"] });
  const drop = useMutation({
    mutationFn: (person: Person) => api.dropPerson(person.id),
    onSuccess: (_, person) => {
      setGone(person);
      setOpen(null);
      return refresh();
    },
  });
  const bring = useMutation({
    mutationFn: api.keepPerson,
    onSuccess: () => {
      setGone(null);
      return refresh();
    },
  });
  useEffect(() => {
    document.title = "Crew · Draklo";
  }, []);
  return (
    <div className="min-h-full">
      <TopBar>
        <Link
          to="/sharing"
          className="inline-flex min-h-9 items-center border border-ink bg-sheet px-3 font-tight text-sm font-medium hover:bg-tint coarse:min-h-11"
        >
          Their devices
        </Link>
        <Button
          strong
          onClick={() => {
            setOpen(empty);
          }}
        >
          New person
        </Button>
      </TopBar>
      <main className="mx-auto max-w-[900px] px-6 py-5 max-md:px-4">
        <h1 className="font-tight text-xl font-semibold">Crew</h1>
        <Note>
          First names only. Who has a PIN signs a brief with it; for who has none the lead signs. Jobs carry their own
          copy of a name and a role.
        </Note>
        {gone && (
          <p role="status" className="mt-3 flex items-center gap-3 border-l-4 border-ink pl-3">
            {gone.name} is off the list.
            <Button
              onClick={() => {
                bring.mutate(gone);
              }}
            >
              Bring back
            </Button>
          </p>
        )}
        <Refused>{people.isError ? sayWhy(people.error) : null}</Refused>
        {people.data?.length === 0 && (
          <p className="mt-6 max-w-[56ch]">
            Nobody is in the book yet. Put in everybody who stands on a job with you: the brief names them, with their
            place and what they do.
          </p>
        )}
        <ul className="mt-4 border-t border-ink">
          {people.data?.map((person) => {
            const signs = pins.data?.includes(person.id) ?? false;
            return (
              <li
                key={person.id}
                data-person={person.id}
                className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-rule py-2"
              >
                <span className="w-[110px] font-tight text-[16px] font-semibold">{person.name}</span>
                <span className="min-w-[180px] flex-1 text-sm">
                  {[
                    ...person.roles.map((r) => roleName(r).toLowerCase()),
                    ...(person.canClimb ? ["can climb"] : []),
                    ...(person.firstAid ? ["first aid"] : []),
                  ].join(", ") || "no role said"}
                </span>
                <Button
                  aria-label={`${signs ? "Change" : "Set"} PIN of ${person.name}`}
                  onClick={() => {
                    setPin(person);
                  }}
                >
                  {signs ? "Change PIN" : "Set PIN"}
                </Button>
                <Button
                  aria-label={`Change ${person.name}`}
                  onClick={() => {
                    setOpen(person);
                  }}
                >
                  Change
                </Button>
              </li>
            );
          })}
        </ul>
      </main>
      {open && (
        <PersonForm
          person={open}
          taken={new Set(people.data?.map((p) => p.id))}
          onClose={() => {
            setOpen(null);
          }}
          onDone={() => {
            setOpen(null);
            void refresh();
          }}
          onDrop={
            open.id === ""
              ? undefined
              : () => {
                  drop.mutate(open);
                }
          }
        />
      )}
      {pin && (
        <PinForm
          person={pin}
          hasOne={pins.data?.includes(pin.id) ?? false}
          onClose={() => {
            setPin(null);
          }}
          onDone={() => {
            setPin(null);
            void queries.invalidateQueries({ queryKey: ["pins"] });
          }}
        />
      )}
    </div>
  );
}

interface PersonFormProps {
  person: Person;
  taken: ReadonlySet<string>;
  onClose: () => void;
  onDone: () => void;
  onDrop: (() => void) | undefined;
}

function PersonForm({ person, taken, onClose, onDone, onDrop }: PersonFormProps) {
  const [form, setForm] = useState(person);
  const keep = useMutation({
    mutationFn: () => api.keepPerson({ ...form, name: form.name.trim(), id: form.id || idOf(form.name, taken) }),
    onSuccess: onDone,
  });
  const errors = keep.error instanceof Refusal ? keep.error.errors : {};
  const turn = (role: JobRole, on: boolean) => {
    setForm({ ...form, roles: on ? [...form.roles, role] : form.roles.filter((r) => r !== role) });
  };
  return (
    <Modal title={person.id === "" ? "New person" : person.name} onClose={onClose}>
      <TextField
        label="First name"
        value={form.name}
        problem={errors["name"]?.[0]}
        onChange={(name) => {
          setForm({ ...form, name });
        }}
      />
      <fieldset className="mt-2">
        <legend className="font-tight text-sm font-semibold">What they do, the usual first</legend>
        <div className="grid grid-cols-2 gap-x-4">
          {roles.map((r) => (
            <Check
              key={r.value}
              label={r.name}
              checked={form.roles.includes(r.value)}
              note={form.roles[0] === r.value ? "usual" : undefined}
              onChange={(on) => {
                turn(r.value, on);
              }}
            />
          ))}
        </div>
      </fieldset>
      <Check
        label="Can climb"
        checked={form.canClimb}
        onChange={(canClimb) => {
          setForm({ ...form, canClimb });
        }}
      />
      <Check
        label="Trained in first aid"
        checked={form.firstAid}
        onChange={(firstAid) => {
          setForm({ ...form, firstAid });
        }}
      />
      <NumberField
        label="Steady pull on a rope"
        value={form.effortN}
        quantity="force"
        unknown="not tried"
        problem={errors["effortN"]?.[0]}
        onChange={(effortN) => {
          setForm({ ...form, effortN });
        }}
      />
      <Refused>{keep.isError && Object.keys(errors).length === 0 ? sayWhy(keep.error) : null}</Refused>
      <div className="mt-3 flex gap-2">
        <Button
          strong
          disabled={keep.isPending}
          onClick={() => {
            keep.mutate();
          }}
        >
          Keep
        </Button>
        <Button onClick={onClose}>Leave it</Button>
        {onDrop && (
          <Button className="ml-auto" onClick={onDrop}>
            Take off the list
          </Button>
        )}
      </div>
    </Modal>
  );
}
