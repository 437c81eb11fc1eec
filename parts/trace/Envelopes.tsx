"use client";

import { usePlotArea } from "recharts";
import { celsius, inScale, type Scale } from "@/core/quantity";
import type { Channel, Trace } from "@/core/trial";

interface Props {
  trace: Trace;
  ghost: Trace | null;
  scale: Scale;
  domain: [number, number];
}

const looks = {
  room: { stroke: "var(--slate)", strokeWidth: 1.5, strokeDasharray: "1 3", strokeLinecap: "round", fill: "none" },
  air: { stroke: "currentColor", strokeOpacity: 0.55, strokeWidth: 0.8, fill: "currentColor", fillOpacity: 0.13 },
  probe: { stroke: "currentColor", strokeWidth: 1, strokeDasharray: "5 3", fill: "currentColor", fillOpacity: 0.08 },
  before: { stroke: "currentColor", strokeOpacity: 0.6, strokeWidth: 1.3, strokeDasharray: "1 2.5", fill: "none" },
  product: { stroke: "var(--honey)", strokeWidth: 2, fill: "var(--honey)", fillOpacity: 0.35 },
} as const;

/**
 * Envelopes of lowest and highest as one path each, inside the chart's plot. The chart's own areas copy every point
 * several times at every change; a hand on a handle would feel that.
 */
export function Envelopes({ trace, ghost, scale, domain: [low, high] }: Props) {
  const plot = usePlotArea();
  if (!plot) return null;
  const edge = (of: Trace, temperatures: Float32Array): string[] =>
    Array.from(temperatures, (t, i) => {
      const x = plot.x + ((i + 0.5) / of.bins) * plot.width;
      const y = plot.y + ((high - inScale(celsius(t), scale)) / (high - low)) * plot.height;
      return `${x.toFixed(1)} ${y.toFixed(1)}`;
    });
  const envelope = (of: Trace, channel: Channel): string =>
    `M${[...edge(of, of.high[channel]), ...edge(of, of.low[channel]).reverse()].join("L")}Z`;
  const { x, y, width, height } = plot;
  return (
    <svg x={x} y={y} width={width} height={height} viewBox={`${x} ${y} ${width} ${height}`}>
      <path d={`M${edge(trace, trace.high.room).join("L")}`} {...looks.room} />
      <path d={envelope(trace, "air")} {...looks.air} />
      <path d={envelope(trace, "probe")} {...looks.probe} />
      {ghost && <path d={envelope(ghost, "product")} {...looks.before} />}
      <path d={envelope(trace, "product")} {...looks.product} />
    </svg>
  );
}
