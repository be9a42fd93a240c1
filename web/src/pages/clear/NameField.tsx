import { setMember } from "../../state/store";
import { useMember } from "../../stations/fields";
import { TextField } from "../../ui/TextField";

type Named =
  | `clearing.pieces[${number}].name`
  | `clearing.ground.obstacles[${number}].name`
  | `clearing.ground.obstacles[${number}].arrangedBy`
  | `clearing.people[${number}].name`
  | `clearing.people[${number}].task`
  | "clearing.ground.leftName"
  | "clearing.ground.rightName";

/** A few words of the plan. */
export function Name({ path, label }: { path: Named; label: string }) {
  const value = useMember(path) as string | undefined;
  return (
    <TextField
      label={label}
      value={value ?? ""}
      onChange={(text) => {
        setMember(path, text === "" && path.endsWith("arrangedBy") ? undefined : text);
      }}
    />
  );
}
