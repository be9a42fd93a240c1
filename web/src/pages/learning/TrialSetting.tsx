import { useQuery } from "@tanstack/react-query";
import { api } from "../../api/client";
import type { Trial } from "../../api/types";
import { Check } from "../../ui/Check";
import { Choice, Search } from "../../ui/Choice";
import { NumberField } from "../../ui/NumberField";
import { TextField } from "../../ui/TextField";

const choose = { value: "", name: "choose" };

const named = (rows: { id: string; name: string }[] = []) => [
  choose,
  ...rows.map(({ id, name }) => ({ value: id, name })),
];

const ways = [
  choose,
  { value: "hand", name: "one hand" },
  { value: "twoHands", name: "both hands" },
  { value: "catapult", name: "catapult" },
  { value: "pole", name: "pole" },
];

/** When a trial was, who led it, and what was tried. */
export function TrialSetting({
  draft,
  put,
  errors,
}: {
  draft: Trial;
  put: (part: { [K in keyof Trial]?: Trial[K] | undefined }) => void;
  /** By member. */
  errors: Record<string, string | undefined>;
}) {
  const catalogue = useQuery({ queryKey: ["catalogue"], queryFn: api.catalogue, staleTime: Infinity });
  const drum = draft.drumTurns !== undefined;
  return (
    <>
      <TextField
        label="Day"
        type="date"
        value={draft.on}
        onChange={(on) => {
          put({ on });
        }}
        problem={errors["on"]}
      />
      <TextField
        label="Led by"
        value={draft.by}
        onChange={(by) => {
          put({ by });
        }}
        problem={errors["by"]}
      />
      {draft.kind === "hinge" && (
        <>
          <Search
            label="Species"
            value={draft.speciesId ?? ""}
            options={(catalogue.data?.species ?? []).map(({ species }) => ({
              value: species.id,
              name: species.name,
              note: species.latin,
            }))}
            onChange={(speciesId) => {
              put({ speciesId });
            }}
            problem={errors["speciesId"]}
          />
          <NumberField
            label="Notch opens"
            value={draft.notchDeg}
            quantity="degrees"
            unknown="not told"
            onChange={(notchDeg) => {
              put({ notchDeg });
            }}
            problem={errors["notchDeg"]}
          />
          <NumberField
            label="Hinge thickness"
            value={draft.hingeThicknessM}
            quantity="thickness"
            unknown="not told"
            onChange={(hingeThicknessM) => {
              put({ hingeThicknessM });
            }}
            problem={errors["hingeThicknessM"]}
          />
        </>
      )}
      {draft.kind === "friction" && (
        <>
          <Check
            label="Round a drum"
            checked={drum}
            onChange={(on) => {
              put(on ? { drumTurns: 1, contactId: undefined } : { drumTurns: undefined });
            }}
          />
          {drum ? (
            <NumberField
              label="Turns on the drum"
              value={draft.drumTurns}
              quantity="ratio"
              step={0.5}
              onChange={(v) => {
                if (v !== undefined) put({ drumTurns: v });
              }}
              problem={errors["drumTurns"]}
            />
          ) : (
            <>
              <Choice
                label="Turns round"
                value={draft.contactId ?? ""}
                options={named(catalogue.data?.contacts)}
                onChange={(contactId) => {
                  put({ contactId });
                }}
                problem={errors["contactId"]}
              />
              <NumberField
                label="Turned through"
                value={draft.turnedDeg}
                quantity="degrees"
                onChange={(v) => {
                  if (v !== undefined) put({ turnedDeg: v });
                }}
                problem={errors["turnedDeg"]}
              />
            </>
          )}
        </>
      )}
      {draft.kind === "grip" && (
        <Choice
          label="Hitch"
          value={draft.gripId ?? ""}
          options={named(catalogue.data?.grips)}
          onChange={(gripId) => {
            put({ gripId });
          }}
          problem={errors["gripId"]}
        />
      )}
      {draft.kind === "throw" && (
        <Choice
          label="Thrown by"
          value={draft.way ?? ""}
          options={ways}
          onChange={(way) => {
            put({ way: (way === "" ? undefined : way) as Trial["way"] | undefined });
          }}
          problem={errors["way"]}
        />
      )}
      {(draft.kind === "pull" || draft.kind === "throw") && (
        <TextField
          label="Person"
          value={draft.person ?? ""}
          onChange={(person) => {
            put({ person });
          }}
          problem={errors["person"]}
        />
      )}
    </>
  );
}
