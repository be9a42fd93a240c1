import { useState } from "react";
import type { NewEntry, PullLine } from "../../api/types";
import { Button, Note } from "../../ui/controls";
import { Modal } from "../../ui/Modal";
import { NumberField } from "../../ui/NumberField";
import { Refused } from "../../ui/Refused";
import type { Quantity } from "../../units/units";

export type Way = "people" | "sideways" | "pluck" | "cell";
type Tension = NonNullable<NewEntry["tension"]>;

const titles: Record<Way, string> = {
  cell: "What the load cell reads",
  people: "People counted through the tackle",
  sideways: "Pull it sideways",
  pluck: "Pluck and count",
};

interface ReadWayProps {
  way: Way;
  line: PullLine;
  /** What the server says of members of a reading that it did not take. */
  errors: Record<string, string>;
  onRead: (tension: Tension) => void;
  onClose: () => void;
}

/** A tension by another way than the live cell: what is measured goes in, the core says what it comes to. */
export function ReadWay({ way, line, errors, onRead, onClose }: ReadWayProps) {
  const [tension, setTension] = useState<Tension>(way === "people" ? { way, people: line.pullerCount } : { way });
  const put = (part: Partial<Tension>) => {
    setTension({ ...tension, ...part });
  };
  const field = (
    member: Exclude<keyof Tension, "way" | "simulated">,
    label: string,
    quantity: Quantity,
    unknown = "",
  ) => (
    <NumberField
      label={label}
      value={tension[member] ?? undefined}
      quantity={quantity}
      unknown={unknown}
      problem={errors[`tension.${member}`]}
      onChange={(value) => {
        put({ [member]: value ?? null });
      }}
    />
  );
  const missing = missingOf(tension);
  const [tried, setTried] = useState(false);
  return (
    <Modal title={titles[way]} onClose={onClose}>
      {way === "cell" && field("readN", "It reads", "force")}
      {way === "people" && (
        <>
          <Note>Everybody hauls evenly and holds. What they keep up goes through the tackle's friction.</Note>
          {field("people", "People hauling", "count")}
          {field("eachN", "Each keeps up", "force", "as planned")}
        </>
      )}
      {way === "sideways" && (
        <>
          <Note>
            Half-way between the held ends, square to the line, with a luggage scale. Stand clear of the line's own way.
          </Note>
          {field("forceN", "Force sideways", "force")}
          {field("givesM", "It gives", "thickness")}
          {field("lengthM", "Between the held ends", "length", "as planned")}
        </>
      )}
      {way === "pluck" && (
        <>
          <Note>Strike the line near its end with a stick and tap each time the wave comes back to your hand.</Note>
          <Taps
            onTaps={(returns, seconds) => {
              put({ returns, seconds });
            }}
          />
          {field("returns", "Returns", "count")}
          {field("seconds", "Seconds for all of them", "ratio")}
          {field("lengthM", "Between the held ends", "length", "as planned")}
        </>
      )}
      {tried && <Refused>{missing ?? errors["tension.way"]}</Refused>}
      <div className="mt-3 flex gap-2">
        <Button
          strong
          className="min-h-12 flex-1"
          onClick={() => {
            setTried(true);
            if (missing === null) onRead(tension);
          }}
        >
          Keep this reading
        </Button>
        <Button className="min-h-12" onClick={onClose}>
          Leave it
        </Button>
      </div>
    </Modal>
  );
}

function missingOf(t: Tension): string | null {
  if (t.way === "cell") return t.readN == null ? "Enter what it reads." : null;
  if (t.way === "people") return t.people == null ? "Say how many haul." : null;
  if (t.way === "sideways")
    return t.forceN == null || t.givesM == null ? "Enter the force and how far it gives." : null;
  return t.returns == null || t.seconds == null ? "Tap at each return, or enter count and time." : null;
}

/** A large button to tap at each return; the time runs from the first tap. */
function Taps({ onTaps }: { onTaps: (returns: number, seconds: number) => void }) {
  const [begun, setBegun] = useState<number | null>(null);
  const [count, setCount] = useState(0);
  const tap = (at: number) => {
    if (begun === null) {
      setBegun(at);
      return;
    }
    const returns = count + 1;
    setCount(returns);
    // A count needs two returns before it is worth a time.
    if (returns >= 2) onTaps(returns, Math.round((at - begun) / 10) / 100);
  };
  return (
    <button
      type="button"
      data-taps={count}
      className="my-2 flex min-h-28 w-full touch-manipulation flex-col items-center justify-center border-2 border-ink bg-tint font-tight text-xl font-semibold select-none"
      onPointerDown={(event) => {
        tap(event.timeStamp);
      }}
      onKeyDown={(event) => {
        if (event.key !== " " && event.key !== "Enter") return;
        event.preventDefault();
        if (!event.repeat) tap(event.timeStamp);
      }}
    >
      {begun === null ? "Tap as you strike" : `${count} ${count === 1 ? "return" : "returns"}: tap at each`}
    </button>
  );
}
