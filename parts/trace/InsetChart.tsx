"use client";

import { memo, useMemo } from "react";
import { ComposedChart, XAxis, YAxis } from "recharts";
import { celsius, inScale, printMoment, type Scale } from "@/core/quantity";
import type { Trial } from "@/core/trial";
import { EndLabels } from "./EndLabels";
import { InsetLines } from "./InsetLines";
import { Bands } from "./Bands";
import { axisOf, axisTicks, degrees } from "./axis";

const LEFT = 34;
const RIGHT = 54;
const TOP = 6;
const AXIS = 18;
const LANES = 30;

const MARGIN = { top: TOP, right: RIGHT, bottom: 0, left: 0 };
const TICK = { fill: "currentColor", fontSize: 12 };

interface Props {
  trial: Trial;
  scale: Scale;
  width: number;
  height: number;
  /** What the line of the judged temperature is called. */
  judged?: string;
  /** What of heat and cold there is: what is not has no lane. */
  heats?: boolean;
  cools?: boolean;
}

/** Three hours at the worst moment, at full detail: what seven days in a few hundred pixels would hide. */
export const InsetChart = memo(function InsetChart({ trial, scale, width, height, ...of }: Props) {
  const { judged = "product", heats = true, cools = true } = of;
  const { inset } = trial;
  const show = (t: number) => inScale(celsius(t), scale);
  const [bottom, top] = useMemo(() => axisOf([...inset.product, ...inset.probe, ...inset.air], scale), [inset, scale]);
  const domain = useMemo((): [number, number] => [bottom, top], [bottom, top]);
  const chartHeight = Math.max(50, height - LANES);
  const plotHeight = chartHeight - TOP - AXIS;
  const plot = width - LEFT - RIGHT;
  const end = (line: Float32Array) =>
    TOP + (1 - (show(line.at(-1) ?? 0) - domain[0]) / (domain[1] - domain[0])) * plotHeight;
  // The bands are those of the first thing that is judged.
  const shownBand = inset.judged === trial.stages[0]?.metrics[0]?.judged;
  const rises = useMemo(() => axisTicks(domain, plotHeight / 16), [domain, plotHeight]);
  const { startHour } = trial;
  const hours = useMemo(() => {
    const [from, to] = [inset.from / 3600, inset.to / 3600];
    return {
      ends: [from, to],
      data: [{ hour: from }, { hour: to }],
      ticks: [from, (from + to) / 2, to].map((h) => Math.round(h * 2) / 2),
      say: (h: number) => printMoment(h * 3600, startHour).split(", ")[1] ?? "",
    };
  }, [inset.from, inset.to, startHour]);
  return (
    <div className="relative" style={{ width, height: chartHeight + LANES }}>
      <ComposedChart width={width} height={chartHeight} data={hours.data} margin={MARGIN} accessibilityLayer={false}>
        <XAxis
          dataKey="hour"
          type="number"
          domain={hours.ends}
          allowDataOverflow
          ticks={hours.ticks}
          tickFormatter={hours.say}
          height={AXIS}
          tick={TICK}
          stroke="currentColor"
          interval={0}
        />
        <YAxis
          domain={domain}
          ticks={rises}
          width={LEFT}
          allowDataOverflow
          tick={TICK}
          tickFormatter={degrees}
          stroke="currentColor"
          interval={0}
        />
        <Bands
          bands={trial.bands.filter((b) => shownBand && b.to > inset.from && b.from < inset.to)}
          view={inset}
          {...{ domain, show }}
        />
        <InsetLines inset={inset} scale={scale} domain={domain} />
      </ComposedChart>
      <EndLabels
        left={width - RIGHT + 4}
        from={0}
        to={chartHeight - 8}
        labels={[
          ...(judged === "air" ? [] : [{ text: "air", at: end(inset.air), color: "currentColor" }]),
          { text: "probe", at: end(inset.probe), color: "currentColor" },
          { text: judged, at: end(inset.product), color: "var(--honey)" },
        ]}
      />
      <svg width={width} height={LANES} className="block" aria-hidden>
        {[
          { there: heats, on: inset.heat, fill: "url(#hatch-heat)", color: "var(--heat)", name: "heat" },
          { there: cools, on: inset.cold, fill: "url(#dots-cold)", color: "var(--cold)", name: "cold" },
        ]
          .filter((lane) => lane.there)
          .map(({ on, fill, color, name }, lane) => (
            <g key={name} transform={`translate(${LEFT} ${lane * 14})`}>
              <line x1="0" x2={plot} y1="11" y2="11" stroke="currentColor" strokeOpacity="0.3" />
              <path d={spansPath(on, plot)} fill={fill} stroke={color} strokeWidth="0.7" />
              <text x={plot + 5} y="11" className="text-[12px] font-semibold" fill={color}>
                {name}
              </text>
            </g>
          ))}
      </svg>
    </div>
  );
});

/** Stretches in which a device was on, as one path. */
function spansPath(on: Uint8Array, plot: number): string {
  const step = plot / Math.max(1, on.length);
  let d = "";
  for (let i = 0; i < on.length; i++) {
    if (!on[i]) continue;
    const first = i;
    while (i < on.length && on[i]) i++;
    d += `M${(first * step).toFixed(1)} 1h${((i - first) * step).toFixed(1)}v10H${(first * step).toFixed(1)}z`;
  }
  return d;
}
