import type { View } from "./view";

interface Props {
  /** Shares 0..1 bin by bin. */
  heat: Float32Array;
  cold: Float32Array;
  alarm: Float32Array;
  /** Where the shares begin and how long one is, s; and what is in sight. */
  from: number;
  width: number;
  view: View;
  /** Width of the whole drawing, px. */
  total: number;
  left: number;
  right: number;
  /** What of heat and cold there is. */
  heats: boolean;
  cools: boolean;
}

const LANE = 13;

/** Share of time that each device was on, as lanes under the chart: the fuller, the more. Hatched heat, dotted cold. */
export function Lanes({ heat, cold, alarm, from, width, view, total, left, right, heats, cools }: Props) {
  const plot = Math.max(10, total - left - right);
  const path = (shares: Float32Array, top: number) => {
    const scale = plot / (view.to - view.from);
    let d = "";
    shares.forEach((share, i) => {
      const a = Math.max(0, (from + i * width - view.from) * scale);
      const b = Math.min(plot, (from + (i + 1) * width - view.from) * scale + 0.3);
      if (share <= 0 || b <= a) return;
      const height = Math.max(2.5, share * LANE);
      d += `M${a.toFixed(2)} ${top + LANE}H${b.toFixed(2)}v${-height.toFixed(2)}H${a.toFixed(2)}z`;
    });
    return d;
  };
  const lanes = [
    { name: "heat", there: heats, shares: heat, fill: "url(#hatch-heat)", color: "var(--heat)" },
    { name: "cold", there: cools, shares: cold, fill: "url(#dots-cold)", color: "var(--cold)" },
  ].filter((lane) => lane.there);
  const rings = alarm.some((share) => share > 0);
  return (
    <svg
      width={total}
      height={LANE * 2 + 10}
      role="img"
      aria-label={`When ${lanes.map((l) => l.name).join(" and ") || "an alarm"} was on`}
      className="block"
    >
      <g transform={`translate(${left} 1)`}>
        {lanes.map(({ name, shares, fill, color }, i) => (
          <g key={name}>
            <line x1="0" x2={plot} y1={i * 17 + LANE} y2={i * 17 + LANE} stroke="currentColor" strokeOpacity="0.3" />
            <path d={path(shares, i * 17)} fill={fill} stroke={color} strokeWidth="0.6" />
            <text x={plot + 6} y={i * 17 + 11} fill={color} className="text-[12px] font-semibold">
              {name}
            </text>
          </g>
        ))}
        {rings && (
          <path
            d={path(
              alarm.map((share) => (share > 0 ? 0.2 : 0)),
              LANE + 7,
            )}
            fill="var(--color-error)"
          />
        )}
        {rings && (
          <text
            x={-4}
            y={LANE * 2 + 8}
            textAnchor="end"
            fill="var(--color-error)"
            className="text-[12px] font-semibold"
          >
            alarm
          </text>
        )}
      </g>
    </svg>
  );
}
