"use client";

import { usePlotArea } from "recharts";
import { celsius, inScale, type Scale } from "@/core/quantity";
import type { Channel, TraceLayer, Trace } from "@/core/trial";
import type { View } from "./view";

interface Props {
  trace: Trace;
  ghost: Trace | null;
  scale: Scale;
  domain: [number, number];
  view: View;
  /** Lines on show. */
  shown: readonly Channel[];
  layers: readonly TraceLayer[];
}

const looks = {
  room: { stroke: "var(--slate)", strokeWidth: 1.5, strokeDasharray: "1 3", strokeLinecap: "round", fill: "none" },
  air: { stroke: "currentColor", strokeOpacity: 0.55, strokeWidth: 0.8, fill: "currentColor", fillOpacity: 0.13 },
  reading: { stroke: "currentColor", strokeWidth: 0.9, strokeDasharray: "8 2 2 2", fill: "none" },
  probe: { stroke: "currentColor", strokeWidth: 1, strokeDasharray: "5 3", fill: "currentColor", fillOpacity: 0.08 },
  before: { stroke: "currentColor", strokeOpacity: 0.6, strokeWidth: 1.3, strokeDasharray: "1 2.5", fill: "none" },
  product: { stroke: "var(--honey)", strokeWidth: 2, fill: "var(--honey)", fillOpacity: 0.35 },
} as const;

/** Glaze and dash of a further line. */
export function layerLook({ kind, index }: Pick<TraceLayer, "kind" | "index">) {
  const dash = `${3 + (index % 3) * 3} 2`;
  const color =
    kind === "heater"
      ? "var(--heat)"
      : kind === "cold"
        ? "var(--cold)"
        : kind === "vessel" || kind === "shell"
          ? "var(--honey)"
          : kind === "lining"
            ? "var(--slate)"
            : "currentColor";
  return { stroke: color, strokeWidth: 1.2, strokeDasharray: dash, fill: color, fillOpacity: 0.1 };
}

/**
 * Envelopes of lowest and highest as one path each, inside the chart's plot. The chart's own areas copy every point
 * several times at every change; a hand on a handle would feel that.
 */
export function Envelopes({ trace, ghost, scale, domain: [low, high], view, shown, layers }: Props) {
  const plot = usePlotArea();
  if (!plot) return null;
  const edge = (of: Trace, temperatures: Float32Array): string[] => {
    const points: string[] = [];
    for (let i = 0; i < temperatures.length; i++) {
      const t = temperatures[i]!;
      if (!Number.isFinite(t)) continue;
      const at = of.from + (i + 0.5) * of.width;
      const x = plot.x + ((at - view.from) / (view.to - view.from)) * plot.width;
      const y = plot.y + ((high - inScale(celsius(t), scale)) / (high - low)) * plot.height;
      points.push(`${x.toFixed(1)} ${y.toFixed(1)}`);
    }
    return points;
  };
  const envelope = (of: Trace, lows: Float32Array, highs: Float32Array): string => {
    const points = [...edge(of, highs), ...edge(of, lows).reverse()];
    return points.length ? `M${points.join("L")}Z` : "";
  };
  const of = (channel: Channel) => envelope(trace, trace.low[channel], trace.high[channel]);
  const has = (channel: Channel) => shown.includes(channel);
  const { x, y, width, height } = plot;
  const room = has("room") ? edge(trace, trace.high.room) : [];
  return (
    <svg x={x} y={y} width={width} height={height} viewBox={`${x} ${y} ${width} ${height}`}>
      {room.length > 0 && <path d={`M${room.join("L")}`} {...looks.room} />}
      {has("air") && <path d={of("air")} {...looks.air} />}
      {layers.map((layer) => (
        <path key={layer.kind + layer.index} d={envelope(trace, layer.low, layer.high)} {...layerLook(layer)} />
      ))}
      {has("probe") && <path d={of("probe")} {...looks.probe} />}
      {has("reading") && <path d={of("reading")} {...looks.reading} />}
      {ghost && has("product") && <path d={envelope(ghost, ghost.low.product, ghost.high.product)} {...looks.before} />}
      {has("product") && <path d={of("product")} {...looks.product} />}
    </svg>
  );
}
