import { today } from "../state/words";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, Refusal, sayWhy } from "../api/client";
import type { Plan, Policy } from "../api/types";
import { setMember, useSheet } from "../state/store";
import { Choice } from "../ui/Choice";
import { Button, Note } from "../ui/controls";
import { Modal } from "../ui/Modal";
import { TextField } from "../ui/TextField";
import { Group, Member, useMember } from "./fields";
import { Refused } from "../ui/Refused";

const factors = ["rope", "sling", "hardware", "anchor", "stem", "grip"] as const;

/** How much stronger than its load each class of link shall be, under a name that somebody answers for. */
export function PolicyFields() {
  const policy = useMember("policy") as Plan["policy"];
  const kept = useQuery({ queryKey: ["policies"], queryFn: api.policies, staleTime: 30_000, retry: false });
  const [keeping, setKeeping] = useState(false);
  const same = kept.data?.find((p) => p.members.name === policy.name);
  const changed = same !== undefined && JSON.stringify(factorsOf(same.members)) !== JSON.stringify(factorsOf(policy));
  return (
    <Group title="What this crew asks">
      <Choice
        label="Policy"
        value={same && !changed ? same.id : "own"}
        options={[
          ...(same && !changed
            ? []
            : [
                {
                  value: "own",
                  name:
                    policy.name === undefined
                      ? "of this plan alone"
                      : changed
                        ? `${policy.name}, changed here`
                        : policy.name,
                },
              ]),
          ...(kept.data ?? []).map((p) => ({
            value: p.id,
            name: p.members.name ?? p.id,
            note: `set by ${p.members.setBy ?? "nobody"}${p.members.setOn === undefined ? "" : `, ${p.members.setOn}`}; rope ${p.members.designFactor.rope}, anchor ${p.members.designFactor.anchor}`,
          })),
        ]}
        onChange={(id) => {
          const found = kept.data?.find((p) => p.id === id);
          if (found) setMember("policy", found.members);
        }}
      />
      {policy.setBy !== undefined && (
        <Note>
          Set by {policy.setBy}
          {policy.setOn === undefined ? "" : `, ${policy.setOn}`}
          {changed ? "; changed on this plan since" : ""}.
        </Note>
      )}
      <Member path="policy.loadReserve" />
      {factors.map((key) => (
        <Member key={key} path={`policy.designFactor.${key}`} />
      ))}
      <Button
        className="mt-1"
        onClick={() => {
          setKeeping(true);
        }}
      >
        Keep it as a policy
      </Button>
      {keeping && (
        <KeepDialog
          policy={policy}
          onClose={() => {
            setKeeping(false);
          }}
        />
      )}
    </Group>
  );
}

const factorsOf = (p: Plan["policy"]) => [p.loadReserve, ...factors.map((key) => p.designFactor[key])];

function KeepDialog({ policy, onClose }: { policy: Plan["policy"]; onClose: () => void }) {
  const [name, setName] = useState(policy.name ?? "");
  const [by, setBy] = useState("");
  const [errors, setErrors] = useState<Record<string, string[]>>({});
  const queries = useQueryClient();
  const edit = useSheet((s) => s.edit);

  async function keep(): Promise<void> {
    const id =
      name
        .toLowerCase()
        .replace(/[^a-z0-9]+/g, "-")
        .replace(/^-+|-+$/g, "")
        .slice(0, 32) || "policy";
    const members: Policy["members"] = { ...policy, name, setBy: by, setOn: today() };
    try {
      await api.keepPolicy({ id, members });
      await queries.invalidateQueries({ queryKey: ["policies"] });
      edit((d) => ({ ...d, plan: { ...d.plan, policy: members } }));
      onClose();
    } catch (error) {
      setErrors(
        error instanceof Refusal && Object.keys(error.errors).length > 0 ? error.errors : { "": [sayWhy(error)] },
      );
    }
  }

  return (
    <Modal title="Keep these factors" onClose={onClose}>
      <Note>
        Other plans can then use them. They replace a policy of the same name; plans that use that one keep their copy.
      </Note>
      <TextField label="Name" value={name} onChange={setName} problem={errors["members.name"]?.[0]} />
      <TextField label="Set by" value={by} onChange={setBy} problem={errors["members.setBy"]?.[0]} />
      {errors[""] && <Refused>{errors[""][0]}</Refused>}
      <div className="mt-3 flex justify-end gap-2">
        <Button onClick={onClose}>Not now</Button>
        <Button
          strong
          onClick={() => {
            void keep();
          }}
        >
          Keep them
        </Button>
      </div>
    </Modal>
  );
}
