"use client";

import { LEFT, RIGHT } from "./margins";
import { memo, useMemo } from "react";
import { ComposedChart, XAxis, YAxis } from "recharts";
import { celsius, inScale, type Scale } from "@/core/quantity";
import type { BandSpan, Channel, TraceLayer, Trace } from "@/core/trial";
import { Bands } from "./Bands";
import { axisOf, axisTicks, degrees, timeTick, timeTicks } from "./axis";
import { Cursor, type CursorMoves } from "./Cursor";
import { EndLabels } from "./EndLabels";
import { Envelopes, layerLook } from "./Envelopes";
import { Lanes } from "./Lanes";
import { ROOM_LANE, RoomLane } from "./RoomLane";
import { StageMarks } from "./StageMarks";
import type { View } from "./view";

const TOP = 8;
const AXIS_HEIGHT = 22;
const LANES = 40;
/** Room around the band in the near view, K. */
const AROUND = 2;

interface Props extends CursorMoves {
  trace: Trace;
  ghost: Trace | null;
  startHour: number;
  /** What is in sight; the whole trace where nothing else is said. */
  view?: View;
  /** The bands over time of what the trace shows as product. */
  bands: readonly BandSpan[];
  /** Names of the stages, by their number; nothing is written where there is one. */
  stageNames?: readonly string[];
  /** Of one unit in one stage; `from` and `to` are that stage's. */
  alarms: { low: number | null; high: number | null; from?: number; to?: number };
  scale: Scale;
  width: number;
  height: number;
  /** Show only the neighbourhood of the band, and of the product once it has arrived there. */
  near: boolean;
  /** When it arrives, s; null: never, and then all of its way is shown. */
  arrival?: number | null;
  /** Local date and time at which the trial begins, or empty where nobody has said. */
  startsAt?: string;
  /** A moment to point at, s. */
  moment: number | null;
  shown?: readonly Channel[];
  layers?: readonly (TraceLayer & { label: string })[];
  /** Moments of happenings, s, with the ends of those that last. */
  happenings?: readonly { at: number; to: number | null }[];
  /** What the line of the judged temperature is called. */
  judged?: string;
  /** What of heat and cold there is: what is not has no lane. */
  heats?: boolean;
  cools?: boolean;
}

// The chart's own store takes whatever is new for changed, and lays its axes out again: what has not changed is the same.
const MARGIN = { top: TOP, right: RIGHT, bottom: 0, left: 0 };
const TICK = { fill: "currentColor", fontSize: 12 };
const usual: readonly Channel[] = ["product", "probe", "air", "room"];
const NONE: readonly never[] = [];
/** What lies within a view, and what of it is there. */
const within = <T extends { from: number; to: number }>(list: readonly T[], view: View): T[] =>
  list.filter((b) => b.to > view.from && b.from < view.to);

/** A trial or a stretch of it: envelopes of lowest and highest, the room, the band, lanes of heat and cold, a ghost. */
export const TraceChart = memo(function TraceChart(props: Props) {
  const { trace, ghost, startHour, bands, stageNames = NONE, alarms, scale, width, height, near, moment } = props;
  const { arrival = null, startsAt } = props;
  const { shown = usual, layers = NONE, happenings = NONE, judged = "product", heats = true, cools = true } = props;
  const end = trace.from + trace.bins * trace.width;
  const view = useMemo(() => props.view ?? { from: trace.from, to: end }, [props.view, trace.from, end]);
  const show = (t: number) => inScale(celsius(t), scale);
  const seenBands = useMemo(() => within(bands, view), [bands, view]);
  const [bottom, top] = useMemo(() => {
    const ends = seenBands.flatMap((b) => [b.low, b.high]);
    const all = [...shown.flatMap((c) => [trace.low[c], trace.high[c]]), ...layers.flatMap((l) => [l.low, l.high])];
    const lines = near ? [trace.low.product, trace.high.product] : all;
    const seen: number[] = near ? [Math.min(...ends) - AROUND, Math.max(...ends) + AROUND] : [...ends];
    const since = near ? (arrival ?? 0) : 0;
    for (const line of lines)
      for (let i = 0; i < line.length; i++) {
        const at = trace.from + (i + 0.5) * trace.width;
        if (at >= Math.max(since, view.from) && at <= view.to && Number.isFinite(line[i])) seen.push(line[i]!);
      }
    return axisOf(seen, scale);
  }, [near, arrival, trace, seenBands, scale, shown, layers, view]);
  const domain = useMemo((): [number, number] => [bottom, top], [bottom, top]);
  const out = (t: number) => t < bottom || t > top;
  // Far from what is shown the room has a lane of its own instead of being cut off at the edge.
  const apart = near && shown.includes("room") && [...trace.low.room, ...trace.high.room].some((t) => out(show(t)));
  const lines = apart ? shown.filter((c) => c !== "room") : shown;
  const lanes = LANES + (apart ? ROOM_LANE : 0);
  const chartHeight = Math.max(60, height - lanes);
  const plotHeight = chartHeight - TOP - AXIS_HEIGHT;
  const plotWidth = width - LEFT - RIGHT;
  const y = (t: number) =>
    TOP + (1 - (Math.min(domain[1], Math.max(domain[0], show(t))) - domain[0]) / (domain[1] - domain[0])) * plotHeight;
  const last = Math.min(trace.bins - 1, Math.max(0, Math.floor((view.to - trace.from) / trace.width - 1e-6)));
  const ends = (low: Float32Array, high: Float32Array) => y((low[last]! + high[last]!) / 2);
  const rises = useMemo(() => axisTicks(domain, plotHeight / 18), [domain, plotHeight]);
  const hours = useMemo(() => {
    const [from, to] = [view.from / 3600, view.to / 3600];
    return {
      ends: [from, to],
      data: [{ hour: from }, { hour: to }],
      ticks: timeTicks(from, to, startHour, plotWidth),
      say: (hour: number) => timeTick(hour, startHour, to - from, startsAt),
    };
  }, [view.from, view.to, startHour, startsAt, plotWidth]);
  const labels = [
    ...lines.map((c) => ({
      text: c === "product" ? judged : c === "reading" ? "display" : c,
      at: ends(trace.low[c], trace.high[c]),
      color: c === "product" ? "var(--honey)" : c === "room" ? "var(--slate)" : "currentColor",
    })),
    ...layers.map((l) => ({ text: l.label, at: ends(l.low, l.high), color: layerLook(l).stroke })),
  ].filter((l) => Number.isFinite(l.at));
  const alarmLines = [alarms.low, alarms.high].flatMap((at) =>
    at === null || (alarms.to ?? end) <= view.from || (alarms.from ?? 0) >= view.to
      ? []
      : [{ at, from: alarms.from ?? view.from, to: alarms.to ?? view.to }],
  );
  const inView = (t: number) => t >= view.from && t <= view.to;
  return (
    <div className="relative" style={{ width, height: chartHeight + lanes }}>
      <ComposedChart width={width} height={chartHeight} data={hours.data} margin={MARGIN} accessibilityLayer={false}>
        <XAxis
          dataKey="hour"
          type="number"
          domain={hours.ends}
          allowDataOverflow
          ticks={hours.ticks}
          tickFormatter={hours.say}
          height={AXIS_HEIGHT}
          tick={TICK}
          stroke="currentColor"
          tickSize={4}
          interval={0}
        />
        <YAxis
          domain={domain}
          allowDataOverflow
          ticks={rises}
          tickFormatter={degrees}
          width={LEFT}
          tick={TICK}
          stroke="currentColor"
          interval={0}
        />
        <Bands bands={seenBands} alarms={alarmLines} {...{ view, domain, show, moment }} />
        <Envelopes {...{ trace, ghost, scale, domain, view, layers }} shown={lines} />
      </ComposedChart>
      <svg className="pointer-events-none absolute top-0 left-0" width={width} height={chartHeight} aria-hidden>
        <StageMarks
          names={stageNames}
          bands={seenBands}
          view={view}
          left={LEFT}
          top={TOP}
          width={plotWidth}
          height={plotHeight}
        />
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
      {apart && <RoomLane {...{ trace, view, scale, width }} left={LEFT} right={RIGHT} />}
      <Lanes {...trace} {...{ view, heats, cools }} total={width} left={LEFT} right={RIGHT} />
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
