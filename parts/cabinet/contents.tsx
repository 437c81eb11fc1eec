import { AIRLOCK_HEIGHT, hasAirlock, isVesselItself, vesselSize } from "@/core/chamber";
import type { Chamber, LoadedVessel } from "@/core/model";
import type { Space } from "./shells";

interface Placed {
  vessel: LoadedVessel;
  /** Middle and bottom, px. */
  x: number;
  y: number;
  width: number;
  height: number;
}

/** Most that are drawn; more of them say nothing more. */
const MOST = 9;

/** Vessels side by side from the left, in rows from the floor up, the first one in the middle where it is alone. */
export function placeAll(chamber: Chamber, space: Space, metre: number): Placed[] {
  if (isVesselItself(chamber.cabinet.kind)) return [];
  // Every entry shows, however many there are of another.
  const each = Math.max(1, Math.floor(MOST / chamber.vessels.length));
  const all = chamber.vessels.flatMap((vessel) => Array.from({ length: Math.min(vessel.count, each) }, () => vessel));
  const hang = chamber.cabinet.kind === "brick" || chamber.cabinet.kind === "wine";
  const placed: Placed[] = [];
  const room = space.right - space.left;
  let row: Placed[] = [];
  let y = space.floor;
  let used = 0;
  const close = () => {
    let x = space.left + (room - used) / 2;
    for (const p of row) {
      p.x = x + p.width / 2;
      x += p.width + 3;
    }
    placed.push(...row);
    y -= Math.max(0, ...row.map((p) => p.height)) + 3;
    row = [];
    used = 0;
  };
  for (const vessel of all.slice(0, MOST)) {
    const size = vesselSize(vessel);
    const width = Math.min(size.diameter * metre, room - 4);
    const height = hang && vessel.form === "piece" ? Math.max(12, width * 0.8) : Math.max(4, size.height * metre);
    if (used > 0 && used + width > room) close();
    row.push({ vessel, x: 0, y, width: hang && vessel.form === "piece" ? width * 0.75 : width, height });
    used += width + 3;
  }
  close();
  return placed;
}

const line = { stroke: "currentColor", strokeWidth: 1.6, fill: "none" } as const;

function One({
  placed: { vessel, x, y, width, height },
  belt,
  metre,
}: {
  placed: Placed;
  belt: boolean;
  metre: number;
}) {
  const r = width / 2;
  const honey = { fill: "var(--honey)", opacity: 0.85 };
  const jacket = vessel.jacket > 0 && (
    <rect
      x={-r - 3}
      y={-height * 0.9}
      width={width + 6}
      height={height * 0.88}
      rx="3"
      {...line}
      strokeWidth={1}
      strokeDasharray="2 2"
    />
  );
  const strap = belt && (
    <rect x={-r - 1} y={-height * 0.34} width={width + 2} height="5" fill="url(#hatch-heat)" stroke="var(--heat)" />
  );
  return (
    <g transform={`translate(${x} ${y})`}>
      {vessel.form === "tray" || vessel.form === "piece" ? (
        <>
          <rect
            x={-r}
            y={-height}
            width={width}
            height={height}
            rx={vessel.form === "piece" ? Math.min(7, height / 2) : 1}
            {...honey}
          />
          <rect
            x={-r}
            y={-height}
            width={width}
            height={height}
            rx={vessel.form === "piece" ? Math.min(7, height / 2) : 1}
            {...line}
            strokeWidth={1.1}
          />
        </>
      ) : vessel.form === "carboy" ? (
        <>
          <path
            d={`M ${-r} ${-height * 0.78} Q ${-r} ${-height * 0.9} ${-r * 0.3} ${-height * 0.94} V ${-height} H ${r * 0.3} V ${-height * 0.94} Q ${r} ${-height * 0.9} ${r} ${-height * 0.78} V 0 H ${-r} Z`}
            {...honey}
          />
          <path
            d={`M ${-r} ${-height * 0.78} Q ${-r} ${-height * 0.9} ${-r * 0.3} ${-height * 0.94} V ${-height} H ${r * 0.3} V ${-height * 0.94} Q ${r} ${-height * 0.9} ${r} ${-height * 0.78} V 0 H ${-r} Z`}
            {...line}
          />
        </>
      ) : (
        <>
          <path d={`M ${-r} ${-height * 0.87} H ${r} L ${r * 0.92} 0 H ${-r * 0.92} Z`} {...honey} />
          <path d={`M ${-r} ${-height} L ${-r * 0.92} 0 H ${r * 0.92} L ${r} ${-height}`} {...line} />
          <path d={`M ${-r - 2} ${-height} H ${r + 2}`} stroke="currentColor" strokeWidth="3" />
        </>
      )}
      {hasAirlock(vessel) && (
        <path d={`M 0 ${-height} v ${-AIRLOCK_HEIGHT * metre} m -4 0 h 8`} stroke="currentColor" strokeWidth="1.4" />
      )}
      {jacket}
      {strap}
    </g>
  );
}

/** What stands in the box. */
export function Contents({ chamber, placed, metre }: { chamber: Chamber; placed: Placed[]; metre: number }) {
  return (
    <>
      {placed.map((p, i) => (
        <One
          key={i}
          placed={p}
          belt={chamber.heaters.some((h) => h.kind === "belt" && h.at === p.vessel.id)}
          metre={metre}
        />
      ))}
    </>
  );
}

/** Where a probe sits, px. */
export function probeSpot(
  chamber: Chamber,
  space: Space,
  placed: Placed[],
  index: number,
  metre: number,
): [number, number] {
  const { place, in: seat } = chamber.probes[index]!;
  const first = placed.find((p) => p.vessel.id === seat) ?? placed[0];
  if (place === "room") return [chamber.cabinet.width * metre + 5, space.top + 20];
  const middle = (space.left + space.right) / 2;
  if (!first || place === "air" || place === "waterBottle") {
    if (space.liquid !== null)
      return [middle + (place === "air" ? (space.right - middle) * 0.55 : 0), (space.liquid + space.floor) / 2];
    if (place === "waterBottle") return [space.right - 10, space.floor - 12];
    return [space.right - 12, Math.max(space.top + 14, (first ? first.y - first.height : space.floor) - 14)];
  }
  const mid = first.y - first.height * 0.5;
  return place === "strapped" || place === "bare" ? [first.x + first.width / 2, mid] : [first.x, mid];
}
