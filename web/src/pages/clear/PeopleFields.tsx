import type { Clearing } from "../../api/types";
import { useStarts } from "../../state/starts";
import { setMember, startMember } from "../../state/store";
import { Group, Member } from "../../stations/fields";
import { Button, Note, Segments } from "../../ui/controls";
import { Name } from "./NameField";

/** Who stands where while loads move, and what the climber hangs on. */
export function PeopleFields({ clearing }: { clearing: Clearing }) {
  const starts = useStarts();
  return (
    <>
      <Note>Places are along the section and to its side, as seen from above: the tab shows where nobody stands.</Note>
      {clearing.people.map((p, i) => (
        <Group key={i} title={p.name}>
          <Name path={`clearing.people[${i}].name`} label="Name" />
          <Name path={`clearing.people[${i}].task`} label="Does" />
          <Member path={`clearing.people[${i}].atM`} />
          <Member path={`clearing.people[${i}].offM`} />
          <Button
            className="mt-1"
            onClick={() => {
              setMember(
                "clearing.people",
                clearing.people.filter((_, at) => at !== i),
              );
            }}
          >
            Not on this job
          </Button>
        </Group>
      ))}
      <Button
        className="mt-2"
        onClick={() => {
          startMember("clearing.people", [
            ...clearing.people,
            { ...starts.clearing.person, name: `Person ${clearing.people.length + 1}` },
          ]);
        }}
      >
        Add somebody
      </Button>
      <Group title="The climber's own rope hangs on">
        <Segments
          label="The climber's own rope hangs on"
          value={clearing.climber}
          onChange={(on) => {
            setMember("clearing.climber", on);
          }}
          choices={[
            { value: "none", text: "Nobody climbs" },
            { value: "own", text: "Its own point" },
            { value: "rigging", text: "The rigging" },
          ]}
        />
      </Group>
    </>
  );
}
