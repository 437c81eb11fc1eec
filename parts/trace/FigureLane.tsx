import { meets, type ProductLimit } from "@/core/product";
import type { View } from "./view";

interface Props {
  /** Its course over the bins, and where they lie, s. */
  values: Float32Array;
  from: number;
  width: number;
  view: View;
  limit: ProductLimit | null;
  /** Between what nine of ten lie, in bins of their own; null: not worked out. */
  spread: { low: Float32Array; high: Float32Array; from: number; width: number } | null;
  /** What has been read of it, s from the start. */
  readings?: readonly { id: string; at: number; value: number }[];
  label: string;
  print: (value: number) => string;
  /** px of the whole lane; the plot leaves room at both sides as the trace above does. */
  total: number;
  left: number;
  right: number;
}

const HEIGHT = 62;
const TOP = 22;
const BOTTOM = 56;

/** One figure of a product over the time of the trace, with its limit: what it is at the end stands beside it. */
export function FigureLane(props: Props) {
  const { values, from, width, view, limit, spread, readings = [], label, print, total, left, right } = props;
  const plot = Math.max(10, total - left - right);
  const known = [...values].filter(Number.isFinite);
  if (known.length === 0) return null;
  const within = (values: Float32Array, start: number, bin: number) =>
    [...values].filter((v, i) => {
      const at = start + (i + 0.5) * bin;
      return Number.isFinite(v) && at >= view.from && at <= view.to;
    });
  const around = spread ? [spread.low, spread.high].flatMap((s) => within(s, spread.from, spread.width)) : [];
  const ends = [...known, ...around, ...readings.map((r) => r.value), ...(limit ? [limit.value] : [])];
  const [low, high] = [Math.min(...ends), Math.max(...ends)];
  const y = (v: number) => BOTTOM - ((v - low) / (high - low || 1)) * (BOTTOM - TOP);
  const x = (at: number) => left + ((at - view.from) / (view.to - view.from)) * plot;
  const pointsOf = (of: Float32Array, start: number, bin: number): string[] =>
    [...of].flatMap((v, i) => {
      const at = start + (i + 0.5) * bin;
      return Number.isFinite(v) && at >= view.from && at <= view.to ? [`${x(at).toFixed(1)} ${y(v).toFixed(1)}`] : [];
    });
  const points = pointsOf(values, from, width);
  const area = spread
    ? [
        ...pointsOf(spread.low, spread.from, spread.width),
        ...pointsOf(spread.high, spread.from, spread.width).reverse(),
      ]
    : [];
  const last = known.at(-1)!;
  const met = limit && ((v: number) => meets(v, limit));
  const turned = met && limit.aim ? values.findIndex((v) => Number.isFinite(v) && met(v)) : -1;
  const readyAt = turned > 0 ? from + turned * width : null;
  const passed = met && !limit.aim && known.some((v) => !met(v));
  return (
    <svg
      width={total}
      height={HEIGHT}
      className="block text-[12px]"
      fill="currentColor"
      role="img"
      aria-label={`${label}: from ${print(known[0]!)} to ${print(last)}${limit ? `; ${limit.aim ? "wanted" : "limit"} ${print(limit.value)}${passed ? ", passed" : ""}` : ""}${readings.length ? `; ${readings.length} read` : ""}`}
    >
      <text x={left} y="12">
        {label}
        {limit && (
          <tspan opacity="0.75">
            {" "}
            · {limit.aim ? "wanted" : "limit"} {limit.side === "atLeast" ? "at least" : "at most"} {print(limit.value)}
          </tspan>
        )}
      </text>
      {area.length > 3 && <path d={`M${area.join("L")}Z`} fill="currentColor" opacity="0.16" />}
      {limit && (
        <line
          x1={left}
          x2={left + plot}
          y1={y(limit.value)}
          y2={y(limit.value)}
          stroke={passed ? "var(--heat)" : "currentColor"}
          strokeDasharray={limit.aim ? "6 4" : undefined}
          opacity={passed ? 1 : 0.6}
        />
      )}
      {points.length > 1 && <path d={`M${points.join("L")}`} fill="none" stroke="currentColor" strokeWidth="2" />}
      {readyAt !== null && readyAt >= view.from && readyAt <= view.to && (
        <line x1={x(readyAt)} x2={x(readyAt)} y1={TOP - 4} y2={BOTTOM} stroke="currentColor" strokeWidth="3" />
      )}
      {readings
        .filter((r) => r.at >= view.from && r.at <= view.to)
        .map((r) => (
          <path
            key={r.id}
            d={`M ${x(r.at)} ${y(r.value) - 6} l 5 6 l -5 6 l -5 -6 Z`}
            fill="var(--color-base-100)"
            stroke="currentColor"
            strokeWidth="2"
          />
        ))}
      <text x={left + plot + 6} y={Math.max(TOP, Math.min(BOTTOM, y(last))) + 4}>
        {print(last)}
      </text>
    </svg>
  );
}
