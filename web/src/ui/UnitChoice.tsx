import { Segments } from "./controls";
import { useSettings } from "./settings";

/** Metric or US customary, for every screen. */
export function UnitChoice() {
  const { units, setUnits } = useSettings();
  return (
    <Segments
      label="Units"
      value={units}
      onChange={setUnits}
      choices={[
        { value: "metric", text: "kN · m", name: "kN · m, metric" },
        { value: "us", text: "lbf · ft", name: "lbf · ft, US customary" },
      ]}
    />
  );
}
