"use client";

import { memo, useMemo } from "react";
import { ComposedChart, ReferenceArea, ReferenceLine, XAxis, YAxis } from "recharts";
import { celsius, inScale, type Scale } from "@/core/quantity";
import type { Channel, Layer, Trace } from "@/core/trial";
import { axisOf, axisTicks, degrees, timeTick, timeTicks } from "./axis";
import { Cursor, type CursorMoves } from "./Cursor";
import { EndLabels } from "./EndLabels";
import { Envelopes, layerLook } from "./Envelopes";
import { Lanes } from "./Lanes";
import type { View } from "./view";

const LEFT = 40;
const RIGHT = 76;
const TOP = 8;
const AXIS_HEIGHT = 22;
const LANES = 36;
/** Room around the band in the near view, K. */
const AROUND = 2;

interface Props extends CursorMoves {
  trace: Trace;
  ghost: Trace | null;
  startHour: number;
  /** What is in sight; the whole trace where nothing else is said. */
  view?: View;
  band: { low: number; high: number };
  alarms: { low: number | null; high: number | null };
  scale: Scale;
  width: number;
  height: number;
  /** Show only the neighbourhood of the band. */
  near: boolean;
  /** A moment to point at, s. */
  moment: number | null;
  shown?: readonly Channel[];
  layers?: readonly (Layer & { label: string })[];
  /** Moments of happenings, s, with the ends of those that last. */
  happenings?: readonly { at: number; to: number | null }[];
  /** What the line of the judged temperature is called. */
  judged?: string;
}

const usual: readonly Channel[] = ["product", "probe", "air", "room"];
const NONE: readonly never[] = [];

/** A trial or a stretch of it: envelopes of lowest and highest, the room, the band, lanes of heat and cold, a ghost. */
export const TraceChart = memo(function TraceChart(props: Props) {
  const { trace, ghost, startHour, band, alarms, scale, width, height, near, moment } = props;
  const { shown = usual, layers = NONE, happenings = NONE, judged = "product" } = props;
  const end = trace.from + trace.bins * trace.width;
  const view = useMemo(() => props.view ?? { from: trace.from, to: end }, [props.view, trace.from, end]);
  const show = (t: number) => inScale(celsius(t), scale);
  const domain = useMemo(() => {
    if (near) return axisOf([band.low - AROUND, band.high + AROUND], scale);
    const lines = [...shown.flatMap((c) => [trace.low[c], trace.high[c]]), ...layers.flatMap((l) => [l.low, l.high])];
    const seen: number[] = [band.low, band.high];
    for (const line of lines)
      for (let i = 0; i < line.length; i++) {
        const at = trace.from + (i + 0.5) * trace.width;
        if (at >= view.from && at <= view.to && Number.isFinite(line[i])) seen.push(line[i]!);
      }
    return axisOf(seen, scale);
  }, [near, trace, band.low, band.high, scale, shown, layers, view]);
  const chartHeight = Math.max(60, height - LANES);
  const plotHeight = chartHeight - TOP - AXIS_HEIGHT;
  const plotWidth = width - LEFT - RIGHT;
  const y = (t: number) =>
    TOP + (1 - (Math.min(domain[1], Math.max(domain[0], show(t))) - domain[0]) / (domain[1] - domain[0])) * plotHeight;
  const last = Math.min(trace.bins - 1, Math.max(0, Math.floor((view.to - trace.from) / trace.width - 1e-6)));
  const ends = (low: Float32Array, high: Float32Array) => y((low[last]! + high[last]!) / 2);
  const hours = { from: view.from / 3600, to: view.to / 3600 };
  const labels = [
    ...shown.map((c) => ({
      text: c === "product" ? judged : c === "reading" ? "display" : c,
      at: ends(trace.low[c], trace.high[c]),
      color: c === "product" ? "var(--honey)" : c === "room" ? "var(--slate)" : "currentColor",
    })),
    ...layers.map((l) => ({ text: l.label, at: ends(l.low, l.high), color: layerLook(l).stroke })),
  ].filter((l) => Number.isFinite(l.at));
  const inView = (t: number) => t >= view.from && t <= view.to;
  return (
    <div className="relative" style={{ width, height: chartHeight + LANES }}>
      <ComposedChart
        width={width}
        height={chartHeight}
        data={[{ hour: hours.from }, { hour: hours.to }]}
        margin={{ top: TOP, right: RIGHT, bottom: 0, left: 0 }}
        accessibilityLayer={false}
      >
        <XAxis
          dataKey="hour"
          type="number"
          domain={[hours.from, hours.to]}
          allowDataOverflow
          ticks={timeTicks(hours.from, hours.to, startHour, plotWidth)}
          tickFormatter={(hour: number) => timeTick(hour, startHour, hours.to - hours.from)}
          height={AXIS_HEIGHT}
          tick={{ fill: "currentColor", fontSize: 12 }}
          stroke="currentColor"
          tickSize={4}
          interval={0}
        />
        <YAxis
          domain={domain}
          allowDataOverflow
          ticks={axisTicks(domain, plotHeight / 18)}
          tickFormatter={degrees}
          width={LEFT}
          tick={{ fill: "currentColor", fontSize: 12 }}
          stroke="currentColor"
          interval={0}
        />
        <ReferenceArea
          y1={show(band.low)}
          y2={show(band.high)}
          fill="url(#lines-honey)"
          fillOpacity={0.35}
          stroke="none"
          ifOverflow="hidden"
        />
        {[alarms.low, alarms.high].map((t, i) =>
          t === null ? null : (
            <ReferenceLine key={i} y={show(t)} stroke="currentColor" strokeDasharray="2 4" ifOverflow="hidden" />
          ),
        )}
        <Envelopes {...{ trace, ghost, scale, domain, view, shown, layers }} />
        {moment !== null && inView(moment) && (
          <ReferenceLine x={moment / 3600} stroke="currentColor" strokeWidth={1.2} />
        )}
      </ComposedChart>
      <svg className="pointer-events-none absolute top-0 left-0" width={width} height={chartHeight} aria-hidden>
        {happenings.map(({ at, to }, i) => {
          const x = (t: number) => LEFT + Math.min(1, Math.max(0, (t - view.from) / (view.to - view.from))) * plotWidth;
          const [a, b] = [x(at), x(to ?? at)];
          return (
            <g key={i} stroke="var(--color-error)">
              {b - a > 1 && (
                <rect
                  x={a}
                  y={TOP}
                  width={b - a}
                  height={plotHeight}
                  fill="var(--color-error)"
                  fillOpacity="0.07"
                  stroke="none"
                />
              )}
              {inView(at) && <path d={`M ${a} ${TOP} v ${plotHeight}`} strokeWidth="1.2" strokeDasharray="4 2" />}
              {inView(at) && <path d={`M ${a} ${TOP} l 5 4 l -5 4 z`} fill="var(--color-error)" />}
            </g>
          );
        })}
      </svg>
      <EndLabels left={width - RIGHT + 5} from={TOP - 8} to={chartHeight - AXIS_HEIGHT + 10} labels={labels} />
      <Lanes {...trace} view={view} total={width} left={LEFT} right={RIGHT} />
      <Cursor
        {...{ trace, view, scale, startHour, shown, layers, judged, end: props.end ?? end }}
        left={LEFT}
        top={TOP}
        width={plotWidth}
        height={plotHeight}
        onView={props.onView}
        onPick={props.onPick}
        at={props.at}
        onAt={props.onAt}
      />
    </div>
  );
});
