"use client";

import { celsius, inScale, type Scale } from "@/core/quantity";
import type { Trace } from "@/core/trial";
import { axisOf, axisTicks, degrees, timeTick, timeTicks } from "./axis";
import { dashOf } from "./dashes";
import { EndLabels } from "./EndLabels";

const LEFT = 40;
const RIGHT = 44;
const TOP = 8;
const BOTTOM = 24;

interface Compared {
  /** What it is called at the end of its line: a number. */
  mark: string;
  name: string;
  trace: Trace;
}

interface Props {
  lines: readonly Compared[];
  startHour: number;
  scale: Scale;
  width: number;
  height: number;
}

const middle = ({ low, high }: Trace): Float32Array => low.product.map((t, i) => (t + high.product[i]!) / 2);

/** What is judged in several trials, on one axis of temperature and one of time, each from its lowest to its highest. */
export function CompareChart({ lines, startHour, scale, width, height }: Props) {
  const seen = lines.flatMap(({ trace }) => [...trace.low.product, ...trace.high.product]).filter(Number.isFinite);
  if (seen.length === 0) return null;
  const [bottom, top] = axisOf(seen, scale);
  const end = Math.max(...lines.map(({ trace }) => trace.bins * trace.width));
  const [right, under] = [width - RIGHT, height - BOTTOM];
  const x = (s: number) => LEFT + (s / end) * (right - LEFT);
  const y = (t: number) => TOP + ((top - inScale(celsius(t), scale)) / (top - bottom)) * (under - TOP);
  const edge = ({ from, width: bin }: Trace, values: Float32Array): string[] => {
    const points: string[] = [];
    values.forEach((t, i) => {
      if (Number.isFinite(t)) points.push(`${x(from + (i + 0.5) * bin).toFixed(1)} ${y(t).toFixed(1)}`);
    });
    return points;
  };
  const last = ({ low, high }: Trace) => y(((low.product.at(-1) ?? NaN) + (high.product.at(-1) ?? NaN)) / 2);
  return (
    <div className="relative" style={{ width, height }}>
      <svg
        width={width}
        height={height}
        role="img"
        aria-label={`What is judged in ${lines.map((l) => `${l.mark}, ${l.name}`).join("; ")}, on one axis`}
        className="block text-[12px]"
        fill="currentColor"
      >
        {axisTicks([bottom, top], (under - TOP) / 28).map((t) => {
          const at = TOP + ((top - t) / (top - bottom)) * (under - TOP);
          return (
            <g key={t}>
              <line x1={LEFT} x2={right} y1={at} y2={at} stroke="currentColor" strokeOpacity={0.15} />
              <text x={LEFT - 6} y={at + 4} textAnchor="end">
                {degrees(t)}
              </text>
            </g>
          );
        })}
        {timeTicks(0, end / 3600, startHour, right - LEFT).map((h) => (
          <text key={h} x={x(h * 3600)} y={height - 6} textAnchor={x(h * 3600) > right - 24 ? "end" : "middle"}>
            {timeTick(h, startHour, end / 3600)}
          </text>
        ))}
        {lines.map(({ mark, trace }, i) => (
          <g key={mark}>
            <path
              d={`M${[...edge(trace, trace.high.product), ...edge(trace, trace.low.product).reverse()].join("L")}Z`}
              fill="var(--honey)"
              fillOpacity={0.35}
            />
            <path
              d={`M${edge(trace, middle(trace)).join("L")}`}
              fill="none"
              stroke="currentColor"
              strokeWidth={1.7}
              strokeDasharray={dashOf(i)}
              strokeLinejoin="round"
            />
          </g>
        ))}
      </svg>
      <EndLabels
        left={right + 4}
        from={0}
        to={under + 8}
        labels={lines
          .map(({ mark, trace }) => ({ text: mark, at: last(trace), color: "currentColor" }))
          .filter((l) => Number.isFinite(l.at))}
      />
    </div>
  );
}
