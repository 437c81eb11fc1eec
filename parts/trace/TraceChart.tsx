"use client";

import { memo, useMemo } from "react";
import { ComposedChart, ReferenceArea, ReferenceLine, XAxis, YAxis } from "recharts";
import { celsius, inScale, type Scale } from "@/core/quantity";
import type { Channel, Trial } from "@/core/trial";
import { axisOf, axisTicks, dayTicks, degrees } from "./axis";
import { Cursor } from "./Cursor";
import { EndLabels } from "./EndLabels";
import { Envelopes } from "./Envelopes";
import { Lanes } from "./Lanes";

const LEFT = 40;
const RIGHT = 66;
const TOP = 8;
const AXIS_HEIGHT = 22;
const LANES = 36;
/** Room around the band in the near view, K. */
const AROUND = 2;

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

const lines: Channel[] = ["product", "probe", "air", "room"];

/** A whole trial: envelopes of lowest and highest, the room, the band, lanes of heat and cold, and the last trial as a ghost. */
export const TraceChart = memo(function TraceChart(props: Props) {
  const { trial, ghost, band, alarms, scale, width, height, near, moment } = props;
  const { trace, days, startHour } = trial;
  const show = (t: number) => inScale(celsius(t), scale);
  const domain = useMemo(
    () =>
      axisOf(
        near
          ? [band.low - AROUND, band.high + AROUND]
          : [band.low, band.high, ...lines.flatMap((l) => [...trace.low[l], ...trace.high[l]])],
        scale,
      ),
    [near, trace, band.low, band.high, scale],
  );
  const chartHeight = Math.max(60, height - LANES);
  const plotHeight = chartHeight - TOP - AXIS_HEIGHT;
  const y = (t: number) =>
    TOP + (1 - (Math.min(domain[1], Math.max(domain[0], show(t))) - domain[0]) / (domain[1] - domain[0])) * plotHeight;
  const end = (channel: Channel) => y((trace.low[channel].at(-1)! + trace.high[channel].at(-1)!) / 2);
  return (
    <div className="relative" style={{ width, height: chartHeight + LANES }}>
      <ComposedChart
        width={width}
        height={chartHeight}
        data={[{ hour: 0 }, { hour: days * 24 }]}
        margin={{ top: TOP, right: RIGHT, bottom: 0, left: 0 }}
        accessibilityLayer={false}
      >
        <XAxis
          dataKey="hour"
          type="number"
          domain={[0, days * 24]}
          allowDataOverflow
          ticks={dayTicks(days, startHour)}
          tickFormatter={(hour: number) => `day ${Math.floor((hour + startHour) / 24) + 1}`}
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
        <ReferenceLine y={show(alarms.low)} stroke="currentColor" strokeDasharray="2 4" ifOverflow="hidden" />
        <ReferenceLine y={show(alarms.high)} stroke="currentColor" strokeDasharray="2 4" ifOverflow="hidden" />
        <Envelopes trace={trace} ghost={ghost?.trace ?? null} scale={scale} domain={domain} />
        {moment !== null && <ReferenceLine x={moment / 3600} stroke="currentColor" strokeWidth={1.2} />}
      </ComposedChart>
      <EndLabels
        left={width - RIGHT + 5}
        from={TOP - 8}
        to={chartHeight - AXIS_HEIGHT + 10}
        labels={[
          { text: "air", at: end("air"), color: "currentColor" },
          { text: "probe", at: end("probe"), color: "currentColor" },
          { text: "product", at: end("product"), color: "var(--honey)" },
          { text: "room", at: end("room"), color: "var(--slate)" },
        ]}
      />
      <Lanes {...trace} total={width} left={LEFT} right={RIGHT} />
      <Cursor trial={trial} scale={scale} left={LEFT} top={TOP} width={width - LEFT - RIGHT} height={plotHeight} />
    </div>
  );
});
