"use client";

import { celsius, inScale, type Scale } from "@/core/quantity";
import type { Envelope } from "@/core/series";
import { axisOf, axisTicks, degrees, timeTick, timeTicks } from "./axis";

const LEFT = 36;
const RIGHT = 10;
const TOP = 8;
const BOTTOM = 22;

interface Props {
  envelope: Envelope;
  scale: Scale;
  width: number;
  height: number;
  /** Clock hour at which it begins. */
  startHour: number;
  /** How far a trial reaches, s: what lies behind stands pale. */
  reach: number;
  label: string;
}

/** One line of readings over time, each column of pixels from its lowest to its highest. */
export function SpanChart({ envelope, scale, width, height, startHour, reach, label }: Props) {
  const { from, to, low, high } = envelope;
  const [bottom, top] = axisOf(
    [...low, ...high].filter((t) => Number.isFinite(t)),
    scale,
  );
  const [right, under] = [width - RIGHT, height - BOTTOM];
  const x = (s: number) => LEFT + ((s - from) / (to - from)) * (right - LEFT);
  const y = (t: number) => TOP + ((top - t) / (top - bottom)) * (under - TOP);
  const edge = (values: Float32Array): string[] => {
    const points: string[] = [];
    values.forEach((t, i) => {
      const at = from + ((i + 0.5) * (to - from)) / values.length;
      if (Number.isFinite(t)) points.push(`${x(at).toFixed(1)} ${y(inScale(celsius(t), scale)).toFixed(1)}`);
    });
    return points;
  };
  const hours: [number, number] = [from / 3600, to / 3600];
  return (
    <svg width={width} height={height} role="img" aria-label={label} className="block text-[12px]" fill="currentColor">
      {axisTicks([bottom, top], 5).map((t) => (
        <g key={t}>
          <line x1={LEFT} x2={right} y1={y(t)} y2={y(t)} stroke="currentColor" strokeOpacity={0.15} />
          <text x={LEFT - 6} y={y(t) + 4} textAnchor="end">
            {degrees(t)}
          </text>
        </g>
      ))}
      {timeTicks(...hours, startHour, right - LEFT).map((h) => (
        <g key={h}>
          <line x1={x(h * 3600)} x2={x(h * 3600)} y1={TOP} y2={under} stroke="currentColor" strokeOpacity={0.15} />
          <text x={x(h * 3600)} y={height - 6} textAnchor={x(h * 3600) > right - 24 ? "end" : "middle"}>
            {timeTick(h, startHour, hours[1] - hours[0])}
          </text>
        </g>
      ))}
      <path
        d={`M${[...edge(high), ...edge(low).reverse()].join("L")}Z`}
        fill="var(--slate)"
        fillOpacity={0.4}
        stroke="var(--slate)"
        strokeWidth={1.2}
        strokeLinejoin="round"
      />
      {reach < to && (
        <>
          <rect
            x={x(Math.max(reach, from))}
            y={TOP}
            width={right - x(Math.max(reach, from))}
            height={under - TOP}
            fill="var(--color-base-100)"
            fillOpacity={0.6}
          />
          <line x1={x(reach)} x2={x(reach)} y1={TOP} y2={under} stroke="currentColor" strokeDasharray="4 3" />
        </>
      )}
    </svg>
  );
}
