import type { JobRole } from "../api/types";

/** What people do on a job, in the order in which they are usually named. */
export const roles: { value: JobRole; name: string; note: string }[] = [
  { value: "lead", name: "Lead", note: "decides, gives the signs, issues the brief" },
  { value: "faller", name: "Faller", note: "cuts" },
  { value: "hauler", name: "Hauler", note: "on the rope" },
  { value: "machine", name: "Machine", note: "works the winch, machine or vehicle" },
  { value: "watcher", name: "Watcher", note: "sees the top and says what it does" },
  { value: "climber", name: "Climber", note: "sets the line, or stands by for a rescue" },
  { value: "road", name: "Road", note: "keeps a road or a path closed" },
  { value: "learner", name: "Learner", note: "beside somebody who has done it" },
];

const named = new Map(roles.map((r) => [r.value, r.name]));

export const roleName = (role: JobRole): string => named.get(role) ?? role;

/** A short id made of a name, not among those that are taken. */
export function idOf(name: string, taken: ReadonlySet<string>): string {
  const plain =
    name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, "-")
      .replace(/^-+|-+$/g, "")
      .slice(0, 28) || "one";
  for (let n = 1; ; n++) {
    const id = n === 1 ? plain : `${plain}-${n}`;
    if (!taken.has(id)) return id;
  }
}
