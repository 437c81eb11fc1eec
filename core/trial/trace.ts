import type { Chamber } from "../model";
import type { Network } from "../chamber";
import { NO_READING } from "../controller";
import type { RunState } from "./state";

/** The lines of every trace. `reading` is what the display shows, `probe` the true temperature at the probe. */
export const channels = ["product", "probe", "air", "reading", "room"] as const;
export type Channel = (typeof channels)[number];

/** A further line that can be laid over the trace. */
export interface Layer {
  kind: "lining" | "heater" | "cold" | "vessel" | "shell" | "watch" | "load";
  /** Which vessel, probe or load. */
  index: number;
  low: Float32Array;
  high: Float32Array;
}

/** A trial drawn in bins: lowest and highest of each line and the share of time each device was on, bin by bin. */
export interface Trace {
  bins: number;
  /** Where it begins, and the width of a bin, s. */
  from: number;
  width: number;
  low: Record<Channel, Float32Array>;
  high: Record<Channel, Float32Array>;
  layers: Layer[];
  /** Shares 0..1. */
  heat: Float32Array;
  cold: Float32Array;
  alarm: Float32Array;
}

/** The nodes behind the further lines of a network. */
function layerNodes(network: Network, chamber: Chamber): (Pick<Layer, "kind" | "index"> & { node: number })[] {
  return [
    ...network.shells.flatMap((parts, index) => [
      ...(index > 0 || chamber.stages[0]!.of === "air"
        ? [{ kind: "vessel" as const, index, node: parts[0]!.node }]
        : []),
      ...(parts.length > 1 ? [{ kind: "shell" as const, index, node: parts.at(-1)!.node }] : []),
    ]),
    ...network.probes.slice(1).map((node, i) => ({ kind: "watch" as const, index: i + 1, node })),
    ...(network.heater >= 0 && network.heater !== network.cold
      ? [{ kind: "heater" as const, index: 0, node: network.heater }]
      : []),
    ...(network.cold >= 0 ? [{ kind: "cold" as const, index: 0, node: network.cold }] : []),
    { kind: "lining" as const, index: 0, node: network.lining },
    ...network.loads.map((node, index) => ({ kind: "load" as const, index, node })),
  ];
}

/** What a further line is called, for people. */
export function layerLabel(
  { kind, index }: Pick<Layer, "kind" | "index">,
  { heater, cooler, cabinet, stages }: Chamber,
): string {
  switch (kind) {
    case "lining":
      return cabinet.kind === "crock" ? "crock" : cabinet.kind === "kettle" ? "steel" : "inner wall";
    case "heater":
      return heater.kind === "charcoal" ? "fire bed" : "heater body";
    case "cold":
      return cooler.kind === "ice" ? "ice" : cooler.kind === "peltier" ? "plate" : "evaporator";
    case "vessel":
      return stages[0]!.of === "air" ? `food ${index + 1}` : `vessel ${index + 1}`;
    case "shell":
      return index === 0 ? "product\u2019s skin" : `skin of vessel ${index + 1}`;
    case "watch":
      return `probe ${index + 1}, watching`;
    case "load":
      return `load ${index + 1}`;
  }
}

const CHANNELS = channels.length;

/** Gathers a trace bin by bin in one pass over a stretch of a trial. */
export class TraceBins {
  readonly trace: Trace;
  private readonly binEnd: number[];
  private readonly layerAt: number[];
  private readonly layerEvery: number;
  private bin = 0;
  private binStart: number;
  private heat = 0;
  private cold = 0;
  private alarm = 0;
  private layerNext = 0;
  private lastShown = NaN;
  /** Extremes since the last cut, in the order of the channels, and the steps at which they stood. */
  readonly lows = new Float64Array(CHANNELS).fill(Infinity);
  readonly highs = new Float64Array(CHANNELS).fill(-Infinity);
  readonly lowSteps = new Int32Array(CHANNELS);
  readonly highSteps = new Int32Array(CHANNELS);

  /**
   * @param fromStep first step that is looked at
   * @param toStep the step after the last
   * @param slope and `zero` turn the display's steps into °C
   */
  constructor(
    chamber: Chamber,
    network: Network,
    private readonly nodes: readonly [product: number, probe: number, air: number],
    bins: number,
    fromStep: number,
    toStep: number,
    dt: number,
    private readonly slope: number,
    private readonly zero: number,
  ) {
    const line = (value: number) => new Float32Array(bins).fill(value);
    const all = (value: number) =>
      Object.fromEntries(channels.map((c) => [c, line(value)])) as Record<Channel, Float32Array>;
    const layers = layerNodes(network, chamber);
    this.layerAt = layers.map((l) => l.node);
    this.trace = {
      bins,
      from: fromStep * dt,
      width: ((toStep - fromStep) * dt) / bins,
      low: all(Infinity),
      high: all(-Infinity),
      layers: layers.map(({ kind, index }) => ({ kind, index, low: line(Infinity), high: line(-Infinity) })),
      heat: line(0),
      cold: line(0),
      alarm: line(0),
    };
    this.binStart = fromStep;
    this.binEnd = Array.from({ length: bins }, (_, i) => fromStep + Math.ceil(((i + 1) * (toStep - fromStep)) / bins));
    this.layerEvery = Math.max(1, Math.min(Math.round(60 / dt), Math.floor((toStep - fromStep) / bins)));
  }

  /** Takes in one step; the bin before has to be closed first where `ends(step)`. */
  add(state: RunState, shown: number, room: number, heating: boolean, cooling: boolean, alarm: boolean): void {
    const { x, step } = state;
    const { lows, highs, nodes } = this;
    // Most values lie between the extremes already seen: only the others are worth a call.
    const product = x[nodes[0]]!;
    if (product < lows[0]! || product > highs[0]!) this.widen(0, product, step);
    const probe = x[nodes[1]]!;
    if (probe < lows[1]! || probe > highs[1]!) this.widen(1, probe, step);
    const air = x[nodes[2]]!;
    if (air < lows[2]! || air > highs[2]!) this.widen(2, air, step);
    if (shown !== this.lastShown) {
      if (shown !== NO_READING) this.widen(3, shown, step);
      this.lastShown = shown;
    }
    if (step >= this.layerNext) this.addSlow(x, room, step);
    if (heating) this.heat++;
    if (cooling) this.cold++;
    if (alarm) this.alarm++;
  }

  private addSlow(x: Float64Array, room: number, step: number): void {
    // Room and layers move slowly: once a minute is enough for their lines.
    this.widen(4, room, step);
    const { layers } = this.trace;
    for (let l = 0; l < layers.length; l++) {
      const t = x[this.layerAt[l]!]!;
      const { low, high } = layers[l]!;
      if (t < low[this.bin]!) low[this.bin] = t;
      if (t > high[this.bin]!) high[this.bin] = t;
    }
    this.layerNext = step + this.layerEvery;
  }

  private widen(channel: number, value: number, step: number): void {
    if (value < this.lows[channel]!) {
      this.lows[channel] = value;
      this.lowSteps[channel] = step;
    }
    if (value > this.highs[channel]!) {
      this.highs[channel] = value;
      this.highSteps[channel] = step;
    }
  }

  ends(step: number): boolean {
    return step >= this.binEnd[this.bin]!;
  }

  /** Hands the extremes since the last cut to the present bin and begins anew; the caller reads them before. */
  cut(): void {
    const { trace, bin, lows, highs } = this;
    for (let c = 0; c < CHANNELS; c++) {
      if (lows[c]! > highs[c]!) continue; // nothing was seen since the last cut
      const channel = channels[c]!;
      const reading = channel === "reading";
      const low = reading ? lows[c]! * this.slope + this.zero : lows[c]!;
      const high = reading ? highs[c]! * this.slope + this.zero : highs[c]!;
      trace.low[channel][bin] = Math.min(trace.low[channel][bin]!, low);
      trace.high[channel][bin] = Math.max(trace.high[channel][bin]!, high);
    }
    lows.fill(Infinity);
    highs.fill(-Infinity);
    this.lastShown = NaN;
    this.layerNext = 0;
  }

  closeBin(step: number): void {
    this.cut();
    const { trace, bin } = this;
    const steps = Math.max(1, step - this.binStart);
    trace.heat[bin] = this.heat / steps;
    trace.cold[bin] = this.cold / steps;
    trace.alarm[bin] = this.alarm / steps;
    this.binStart = step;
    this.heat = this.cold = this.alarm = 0;
    this.bin++;
  }

  /** Closes the last bin; lines that saw nothing (no reading all through) are left empty as NaN. */
  finish(step: number): void {
    if (step > this.binStart) this.closeBin(step);
    for (const channel of channels)
      for (let i = 0; i < this.trace.bins; i++)
        if (this.trace.low[channel][i]! > this.trace.high[channel][i]!)
          this.trace.low[channel][i] = this.trace.high[channel][i] = NaN;
  }
}
