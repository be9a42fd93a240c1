import type { Pulling, PullLine } from "../../api/types";
import { boundsOf, fit, flatten, pathOf, toPixels } from "../../drawing/projection";
import { useSettings } from "../../ui/settings";
import { written } from "../../units/units";

const width = 360;
const height = 390;

/** The tree with the movement of its seat drawn larger: slack dashed, expected dotted, seen solid. */
export function TopPicture({ pulling, line }: { pulling: Pulling; line: PullLine }) {
  const units = useSettings((s) => s.units);
  const { figure } = pulling;
  const drawn = figure.lines.find((l) => l.id === line.id);
  const scale = fit(boundsOf(figure), width, height, { top: 56, right: 20, bottom: 44, left: 20 });
  const stem = figure.stem.map((p) => flatten(p, figure.viewDeg));
  const seat = drawn && flatten(drawn.seat, figure.viewDeg);
  const anchor = drawn && flatten(drawn.anchor, figure.viewDeg);
  const largest = Math.max(Math.abs(line.cameM ?? 0), line.expectedM ?? 0);
  const times = magnification(largest, (stem.at(-1)?.y ?? 20) * 0.12);
  const toward = seat && anchor && anchor.x < seat.x ? -1 : 1;
  const moved = (metres: number) =>
    stem.map((p) => ({
      x: p.x + toward * metres * times * Math.min(2.5, (Math.max(0, p.y) / Math.max(seat?.y ?? 10, 1)) ** 1.6),
      y: p.y,
    }));
  const path = (points: { x: number; y: number }[]) => pathOf(points.map((p) => toPixels(scale, p)));
  const shown = line.cameM ?? null;
  const at = seat && toPixels(scale, { x: seat.x + toward * (shown ?? 0) * times, y: seat.y });
  const end = anchor && toPixels(scale, anchor);
  const ground = toPixels(scale, { x: 0, y: figure.groundUpM }).y;
  const said = (metres: number) => written(metres, "thickness", units);
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={`The seat${shown === null ? "" : ` came ${said(shown)}`}${line.expectedM == null ? "" : `, ${said(line.expectedM)} expected`}`}
      className="block h-auto max-h-[46vh] w-full border border-rule bg-sheet"
    >
      <text x={14} y={26} fill="var(--pencil)" className="font-tight text-[15px]">
        the seat, drawn {times} times its way
      </text>
      <path d={`M0 ${ground}H${width}`} stroke="var(--ink)" strokeWidth={2} />
      <path d={path(stem)} fill="none" stroke="var(--bark)" strokeWidth={1.5} strokeDasharray="7 5" />
      {line.expectedM != null && (
        <path d={path(moved(line.expectedM))} fill="none" stroke="var(--bark)" strokeWidth={2} strokeDasharray="2 4" />
      )}
      <path d={path(moved(shown ?? 0))} fill="none" stroke="var(--bark)" strokeWidth={shown === null ? 0 : 6} />
      {at && end && (
        <>
          <path
            d={`M${at.x} ${at.y}L${end.x} ${end.y}`}
            stroke={line.readN == null ? "var(--pencil)" : "var(--loaded)"}
            strokeWidth={line.readN == null ? 1.5 : 3.5}
          />
          <rect
            x={end.x - 8}
            y={end.y - 8}
            width={16}
            height={16}
            fill="var(--sheet)"
            stroke="var(--ink)"
            strokeWidth={2.5}
          />
          <circle cx={at.x} cy={at.y} r={7} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={2.5} />
          <text
            x={width - 14}
            y={54}
            textAnchor="end"
            fill="var(--ink)"
            className="halo font-tight text-[18px] font-semibold"
          >
            {shown === null ? "not looked at yet" : `came ${said(shown)}`}
          </text>
          {line.expectedM != null && (
            <>
              <text x={width - 14} y={76} textAnchor="end" fill="var(--pencil)" className="halo font-tight text-[15px]">
                {said(line.expectedM)} expected here
              </text>
              <text x={width - 14} y={96} textAnchor="end" fill="var(--pencil)" className="halo font-tight text-[15px]">
                {said(2 * line.expectedM)}: stop and look
              </text>
            </>
          )}
        </>
      )}
      <text x={14} y={height - 14} fill="var(--pencil)" className="font-tight text-[14px]">
        dashed: slack · dotted: expected{shown === null ? "" : " · solid: seen"}
      </text>
    </svg>
  );
}

/** How much larger a movement is drawn so that it can be seen: a round number. */
export function magnification(movementM: number, roomM: number): number {
  if (movementM <= 0) return 10;
  const most = roomM / movementM;
  return [50, 20, 10, 5, 2, 1].find((times) => times <= most) ?? 1;
}
