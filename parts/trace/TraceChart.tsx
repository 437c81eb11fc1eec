"use client";

import { memo, useMemo } from "react";
import { Area, ComposedChart, Line, ReferenceArea, ReferenceLine, Tooltip, XAxis, YAxis } from "recharts";
import { celsius, inScale, printMoment, printTemperature, scaleSign, type Scale } from "@/core/quantity";
import type { Trial } from "@/core/trial";
import { EndLabels } from "./EndLabels";
import { Lanes } from "./Lanes";
import { axisOf, axisTicks, traceRows, type TraceRow } from "./rows";

export const LEFT = 40;
export const RIGHT = 66;
const TOP = 8;
const AXIS_HEIGHT = 22;
const LANES = 36;

interface Props {
  trial: Trial;
  ghost: Trial | null;
  band: { low: number; high: number };
  alarms: { low: number; high: number };
  scale: Scale;
  width: number;
  height: number;
  /** Show only the neighbourhood of the band. */
  near: boolean;
  /** A moment to point at, s. */
  moment: number | null;
}

/** A whole trial: envelopes of lowest and highest, the room, the band, lanes of heat and cold, and the last trial as a ghost. */
export const TraceChart = memo(function TraceChart({
  trial,
  ghost,
  band,
  alarms,
  scale,
  width,
  height,
  near,
  moment,
}: Props) {
  const rows = useMemo(() => traceRows(trial.trace, ghost?.trace ?? null, scale), [trial, ghost, scale]);
  const show = (t: number) => inScale(celsius(t), scale);
  const [low, high] = [show(band.low), show(band.high)];
  const around = scale === "C" ? 2 : 4;
  const domain = useMemo(
    () =>
      near
        ? axisOf([low - around, high + around])
        : axisOf([low, high, ...rows.flatMap((r) => [...r.product, ...r.probe, ...r.air, r.room])]),
    [near, rows, low, high, around],
  );
  const chartHeight = Math.max(60, height - LANES);
  const hours = trial.days * 24;
  const midnights = useMemo(() => dayTicks(trial.days, trial.startHour), [trial.days, trial.startHour]);
  const last = rows.at(-1)!;
  const plotHeight = chartHeight - TOP - AXIS_HEIGHT;
  const y = (value: number) =>
    TOP + (1 - (Math.min(domain[1], Math.max(domain[0], value)) - domain[0]) / (domain[1] - domain[0])) * plotHeight;
  return (
    <div className="relative" style={{ width, height: chartHeight + LANES }}>
      <ComposedChart
        width={width}
        height={chartHeight}
        data={rows}
        margin={{ top: TOP, right: RIGHT, bottom: 0, left: 0 }}
        accessibilityLayer={false}
      >
        <XAxis
          dataKey="hour"
          type="number"
          domain={[0, hours]}
          ticks={midnights}
          tickFormatter={(hour: number) => `day ${Math.floor((hour + trial.startHour) / 24) + 1}`}
          height={AXIS_HEIGHT}
          tick={{ fill: "currentColor", fontSize: 12 }}
          stroke="currentColor"
          tickSize={4}
          interval={0}
        />
        <YAxis
          domain={domain}
          ticks={axisTicks(domain, plotHeight / 18)}
          allowDataOverflow
          width={LEFT}
          tick={{ fill: "currentColor", fontSize: 12 }}
          tickFormatter={(t: number) => `${t}°`.replace("-", "\u2212")}
          stroke="currentColor"
          interval={0}
        />
        <ReferenceArea
          y1={low}
          y2={high}
          fill="url(#lines-honey)"
          fillOpacity={0.35}
          stroke="none"
          ifOverflow="hidden"
        />
        <ReferenceLine y={show(alarms.low)} stroke="currentColor" strokeDasharray="2 4" ifOverflow="hidden" />
        <ReferenceLine y={show(alarms.high)} stroke="currentColor" strokeDasharray="2 4" ifOverflow="hidden" />
        <Line
          dataKey="room"
          stroke="var(--slate)"
          strokeWidth={1.5}
          strokeDasharray="1 3"
          strokeLinecap="round"
          dot={false}
          isAnimationActive={false}
        />
        <Area
          dataKey="air"
          stroke="currentColor"
          strokeOpacity={0.55}
          strokeWidth={0.8}
          fill="currentColor"
          fillOpacity={0.13}
          dot={false}
          activeDot={false}
          isAnimationActive={false}
        />
        <Area
          dataKey="probe"
          stroke="currentColor"
          strokeWidth={1}
          strokeDasharray="5 3"
          fill="currentColor"
          fillOpacity={0.08}
          dot={false}
          activeDot={false}
          isAnimationActive={false}
        />
        {ghost && (
          <Line
            dataKey="ghostLow"
            stroke="currentColor"
            strokeOpacity={0.5}
            strokeWidth={1.2}
            strokeDasharray="1 2.5"
            dot={false}
            activeDot={false}
            isAnimationActive={false}
          />
        )}
        {ghost && (
          <Line
            dataKey="ghostHigh"
            stroke="currentColor"
            strokeOpacity={0.5}
            strokeWidth={1.2}
            strokeDasharray="1 2.5"
            dot={false}
            activeDot={false}
            isAnimationActive={false}
          />
        )}
        <Area
          dataKey="product"
          stroke="var(--honey)"
          strokeWidth={2}
          fill="var(--honey)"
          fillOpacity={0.35}
          dot={false}
          activeDot={false}
          isAnimationActive={false}
        />
        {moment !== null && <ReferenceLine x={moment / 3600} stroke="currentColor" strokeWidth={1.2} />}
        <Tooltip
          isAnimationActive={false}
          cursor={{ stroke: "currentColor", strokeOpacity: 0.5 }}
          content={({ active, payload }) =>
            active && payload?.[0] ? <Reading row={payload[0].payload as TraceRow} trial={trial} scale={scale} /> : null
          }
        />
      </ComposedChart>
      <EndLabels
        left={width - RIGHT + 5}
        from={TOP - 8}
        to={chartHeight - AXIS_HEIGHT + 10}
        labels={[
          { text: "air", at: y(middleOf(last.air)), color: "currentColor" },
          { text: "probe", at: y(middleOf(last.probe)), color: "currentColor" },
          { text: "product", at: y(middleOf(last.product)), color: "var(--honey)" },
          { text: "room", at: y(last.room), color: "var(--slate)" },
        ]}
      />
      <Lanes {...trial.trace} width={width} left={LEFT} right={RIGHT} />
    </div>
  );
});

const middleOf = ([a, b]: [number, number]) => (a + b) / 2;

/** Midnights within the trial, thinned so that labels have room, in hours from the start. */
export function dayTicks(days: number, startHour: number): number[] {
  const every = days > 14 ? 5 : days > 7 ? 2 : 1;
  const ticks: number[] = [];
  for (let hour = 24 - startHour; hour <= days * 24; hour += 24 * every) ticks.push(hour);
  return ticks;
}

/** All values at the cursor, in words. */
function Reading({ row, trial, scale }: { row: TraceRow; trial: Trial; scale: Scale }) {
  const span = ([a, b]: [number, number]) =>
    Math.abs(b - a) < 0.05 ? a.toFixed(1) : `${a.toFixed(1)} to ${b.toFixed(1)}`;
  return (
    <div className="bg-base-100 border-base-content/50 rounded border px-2 py-1 text-[13px] leading-snug">
      <div className="font-semibold">{printMoment(row.hour * 3600, trial.startHour)}</div>
      {(["product", "probe", "air"] as const).map((name) => (
        <div key={name}>
          {name} {span(row[name])} {scaleSign(scale)}
        </div>
      ))}
      <div>
        room {row.room.toFixed(1)} {scaleSign(scale)}
      </div>
    </div>
  );
}

/** The same in one sentence, for those who do not see the chart. */
export const sayTrial = (trial: Trial, scale: Scale): string => {
  const { arrived, settled } = trial.metrics;
  const range = settled?.product ?? arrived?.product;
  return range
    ? `${trial.days} days: product from ${printTemperature(celsius(range.low), scale)} to ${printTemperature(celsius(range.high), scale)}`
    : `${trial.days} days: the product does not reach its band`;
};
