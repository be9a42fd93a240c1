import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api } from "../api/client";
import { Figure } from "./Figure";
import { useFeed } from "../state/feed";
import { setFrom, setMember, useSheet } from "../state/store";
import { dayOf } from "../state/words";
import { Button, Segments } from "../ui/controls";
import { useSettings } from "../ui/settings";
import { figure, unitOf, written } from "../units/units";
import { Group, Member, useMember } from "./fields";
import { labelOf } from "../state/members";

/** Wind now, the day's forecast, and the gust that uses up the reserve. */
export function WindFields() {
  const inLeaf = useMember("wind.inLeaf") as boolean;
  const gust = useFeed((s) => s.analysis?.gust);
  const wind = useFeed((s) => s.analysis?.wind);
  const [open, setOpen] = useState(false);
  return (
    <Group title="Wind">
      <Member path="wind.speedMps" />
      <Member path="wind.gustMps" />
      <Member path="wind.fromDeg" />
      <Segments
        label={labelOf("wind.inLeaf")}
        value={inLeaf ? "leaf" : "bare"}
        onChange={(v) => {
          setMember("wind.inLeaf", v === "leaf");
        }}
        choices={[
          { value: "leaf", text: "In leaf" },
          { value: "bare", text: "Bare" },
        ]}
      />
      {wind && wind.forceN > 0 && (
        <>
          <Figure
            label={wind.moment.forwardNm < 0 ? "It pushes back" : "It pushes forward"}
            value={Math.abs(wind.moment.forwardNm)}
            quantity="moment"
            working="wind-moment"
          />
          <Figure
            label={wind.moment.rightNm < 0 ? "and to the left" : "and to the right"}
            value={Math.abs(wind.moment.rightNm)}
            quantity="moment"
            working="wind-moment-right"
          />
        </>
      )}
      {gust && (
        <Figure
          label="Gust that uses up the reserve"
          value={gust.speedMps}
          quantity="speed"
          working="gust"
          toward="down"
          note={gust.fromAhead ? "from ahead, against the lay" : "from the side, on the hinge"}
        />
      )}
      {open ? (
        <Forecast />
      ) : (
        <Button
          className="mt-1"
          onClick={() => {
            setOpen(true);
          }}
        >
          The day's forecast
        </Button>
      )}
    </Group>
  );
}

function Forecast() {
  const units = useSettings((s) => s.units);
  const planned = useSheet((s) => s.document?.plannedOn);
  const day = planned ?? new Date().toISOString().slice(0, 10);
  const forecast = useQuery({ queryKey: ["forecast", day], queryFn: () => api.forecast(day), staleTime: Infinity });
  const gust = useFeed((s) => s.analysis?.gust?.speedMps);
  if (forecast.isError)
    return (
      <p role="alert" className="text-sm">
        No answer from the forecast.
      </p>
    );
  if (!forecast.data) return <p className="text-sm text-pencil">Asking for the forecast.</p>;
  return (
    <div className="mt-1">
      <p className="text-xs text-pencil">
        {forecast.data.source}. {dayOf(day)}. Choose an hour to put it into the plan.
      </p>
      <table className="w-full border-collapse text-right font-tight text-sm">
        <thead>
          <tr className="border-b border-ink text-xs text-pencil">
            <th className="py-0.5 text-left font-normal">hour</th>
            <th className="font-normal">wind</th>
            <th className="font-normal">gusts, {unitOf("speed", units).name}</th>
            <th className="font-normal">from</th>
          </tr>
        </thead>
        <tbody>
          {forecast.data.hours.map((h) => {
            const over = gust !== undefined && h.gustMps > gust;
            return (
              <tr key={h.hour} className={`border-b border-rule ${over ? "font-semibold" : ""}`}>
                <td className="text-left">
                  <button
                    type="button"
                    className="min-h-6 underline"
                    aria-label={`${String(h.hour).padStart(2, "0")}:00, take its wind`}
                    onClick={() => {
                      setFrom("given", [
                        ["wind.speedMps", h.windMps],
                        ["wind.gustMps", h.gustMps],
                        ["wind.fromDeg", h.fromDeg],
                      ]);
                    }}
                  >
                    {String(h.hour).padStart(2, "0")}:00
                  </button>
                </td>
                <td>{figure(h.windMps, "speed", units)}</td>
                <td>
                  {figure(h.gustMps, "speed", units)}
                  {over ? " over" : ""}
                </td>
                <td>{written(h.fromDeg, "angle", units)}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}
