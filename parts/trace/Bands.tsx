"use client";

import { usePlotArea } from "recharts";
import type { BandSpan } from "@/core/trial";
import type { View } from "./view";

interface Props {
  bands: readonly BandSpan[];
  /** What is in sight, s. */
  view: View;
  /** Ends of the axis, in the scale on show. */
  domain: readonly [number, number];
  /** °C in the scale on show. */
  show: (t: number) => number;
  /** Alarms over a stretch, s and °C. */
  alarms?: readonly { from: number; to: number; at: number }[];
  /** A moment to point at, s. */
  moment?: number | null;
}

/** Bands as they stand over a stretch of a trial, hatched, with alarms and a moment: paths of our own within the plot. */
export function Bands({ bands, view, domain: [low, high], show, alarms = [], moment = null }: Props) {
  const plot = usePlotArea();
  if (!plot) return null;
  const { x: left, y: top, width, height } = plot;
  const x = (t: number) => left + ((t - view.from) / (view.to - view.from)) * width;
  const y = (t: number) => top + ((high - show(t)) / (high - low)) * height;
  return (
    <svg x={left} y={top} width={width} height={height} viewBox={`${left} ${top} ${width} ${height}`}>
      {bands.map((b) => (
        <path
          key={b.from}
          d={`M${x(Math.max(b.from, view.from))} ${y(b.high)}H${x(Math.min(b.to, view.to))}V${y(b.low)}H${x(Math.max(b.from, view.from))}z`}
          fill="url(#lines-honey)"
          fillOpacity={0.35}
        />
      ))}
      {alarms.map(({ from, to, at }) => (
        <path
          key={at}
          d={`M${x(Math.max(from, view.from))} ${y(at)}H${x(Math.min(to, view.to))}`}
          stroke="currentColor"
          strokeDasharray="2 4"
        />
      ))}
      {moment !== null && moment >= view.from && moment <= view.to && (
        <path d={`M${x(moment)} ${top}v${height}`} stroke="currentColor" strokeWidth={1.2} />
      )}
    </svg>
  );
}
