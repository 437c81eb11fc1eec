import type { Chamber } from "../model";
import { reckonsMoisture, type Network } from "../chamber";
import { modelOf } from "../product";
import { NO_READING } from "../controller";
import type { Flight } from "./leap";
import { feltFrom, plainReading } from "./reader";
import type { RunState } from "./state";
import { layerNodes, type TraceLayer } from "./traceLayers";

/** The lines of every trace. `reading` is what the display shows, `probe` the true temperature at the probe. */
export const channels = ["product", "probe", "air", "reading", "room"] as const;
export type Channel = (typeof channels)[number];

/** One figure of what is in a vessel, over the bins. */
export interface TraceFigure {
  /** Which vessel. */
  index: number;
  name: string;
  values: Float32Array;
}

/** A trial drawn in bins: lowest and highest of each line and the share of time each device was on, bin by bin. */
export interface Trace {
  bins: number;
  /** Where it begins, and the width of a bin, s. */
  from: number;
  width: number;
  low: Record<Channel, Float32Array>;
  high: Record<Channel, Float32Array>;
  layers: TraceLayer[];
  /** What can be seen of the products: for each vessel each of its figures, at the end of each bin. */
  figures: TraceFigure[];
  /** Relative humidity, 0..1: on average as is usual; lowest and highest over what is estimated. Null: it is as typed. */
  humidity: { usual: Float32Array; low: Float32Array; high: Float32Array } | null;
  /** Shares 0..1. */
  heat: Float32Array;
  cold: Float32Array;
  alarm: Float32Array;
}

/** What a trace is gathered from: the node of each of its first lines, the controller whose display it shows. */
export interface TraceSources {
  product: number;
  probe: number;
  air: number;
  controller: number;
  /** Turns the display's steps into °C. */
  slope: number;
  zero: number;
}

/** Further lines whose extremes are kept between two cuts: nodes, and displays of controllers. */
export interface Tracked {
  nodes: readonly number[];
  displays: readonly number[];
}

const CHANNELS = channels.length;

/** How often room and layers are looked at beside where something switches: so often in each bin, and not within so many s. */
const LOOKS = 12;
const APART = 60;

export const sounds = (c: { lowAlarm: boolean; highAlarm: boolean }): boolean => c.lowAlarm || c.highAlarm;

/** Gathers a trace bin by bin in one pass over a stretch of a trial. */
export class TraceBins {
  readonly trace: Trace;
  private readonly binEnd: number[];
  private readonly layerAt: number[];
  /** The step from which each layer, and each figure, is there: a vessel that is put in later has none before. */
  private readonly layerIn: number[];
  private readonly figureIn: number[];
  private readonly layerEvery: number;
  private readonly read: ((state: RunState) => number)[];
  private bin = 0;
  private binStart: number;
  private heat = 0;
  private cold = 0;
  private alarm = 0;
  private moist = 0;
  private layerNext = 0;
  private on = 0;
  private lastShown = NaN;
  /**
   * Extremes since the last cut, in the order of the channels, then the further nodes, then the further displays; and
   * the steps at which they stood.
   */
  readonly lows: Float64Array;
  readonly highs: Float64Array;
  readonly lowSteps: Int32Array;
  readonly highSteps: Int32Array;
  private readonly nodes: Int32Array;
  private readonly displays: Int32Array;
  private readonly product: number;
  private readonly probe: number;
  private readonly air: number;
  private readonly controller: number;

  /**
   * @param fromStep first step that is looked at
   * @param toStep the step after the last
   */
  constructor(
    chamber: Chamber,
    network: Network,
    private readonly sources: TraceSources,
    bins: number,
    fromStep: number,
    toStep: number,
    dt: number,
    tracked: Tracked = { nodes: [], displays: [] },
  ) {
    ({ product: this.product, probe: this.probe, air: this.air, controller: this.controller } = sources);
    this.nodes = Int32Array.from(tracked.nodes);
    this.displays = Int32Array.from(tracked.displays);
    const lines = CHANNELS + this.nodes.length + this.displays.length;
    this.lows = new Float64Array(lines).fill(Infinity);
    this.highs = new Float64Array(lines).fill(-Infinity);
    this.lowSteps = new Int32Array(lines);
    this.highSteps = new Int32Array(lines);
    const line = (value: number) => new Float32Array(bins).fill(value);
    const all = (value: number) =>
      Object.fromEntries(channels.map((c) => [c, line(value)])) as Record<Channel, Float32Array>;
    const layers = layerNodes(network, chamber, sources.product, sources.probe);
    this.layerAt = layers.map((l) => l.node);
    const stepIn = (v: number) => Math.ceil(chamber.vessels[v]!.putIn / dt);
    this.layerIn = layers.map(({ kind, index }) => (kind === "vessel" || kind === "shell" ? stepIn(index) : 0));
    this.trace = {
      bins,
      from: fromStep * dt,
      width: ((toStep - fromStep) * dt) / bins,
      low: all(Infinity),
      high: all(-Infinity),
      layers: layers.map(({ kind, index }) => ({ kind, index, low: line(Infinity), high: line(-Infinity) })),
      figures: chamber.vessels.flatMap(({ product }, index) =>
        modelOf(product).observables.map(({ name }) => ({ index, name, values: line(NaN) })),
      ),
      humidity: reckonsMoisture(chamber) ? { usual: line(0), low: line(Infinity), high: line(-Infinity) } : null,
      heat: line(0),
      cold: line(0),
      alarm: line(0),
    };
    this.figureIn = this.trace.figures.map(({ index }) => stepIn(index));
    this.read = chamber.vessels.flatMap(({ product }, index) =>
      modelOf(product).observables.map(
        ({ of }) =>
          (state: RunState) =>
            of(state.products[index]!, product),
      ),
    );
    this.binStart = fromStep;
    this.binEnd = Array.from({ length: bins }, (_, i) => fromStep + Math.ceil(((i + 1) * (toStep - fromStep)) / bins));
    const wide = (toStep - fromStep) / bins;
    this.layerEvery = Math.max(
      1,
      Math.min(Math.max(Math.round(APART / dt), Math.floor(wide / LOOKS)), Math.floor(wide)),
    );
  }

  /** Takes in one step; the bin before has to be closed first where `ends(step)`. */
  add(state: RunState, room: number, alarm: boolean): void {
    const { x, step } = state;
    const { lows, highs } = this;
    // Most values lie between the extremes already seen: only the others are worth a call.
    const product = x[this.product]!;
    if (product < lows[0]! || product > highs[0]!) this.widen(0, product, step);
    const probe = x[this.probe]!;
    if (probe < lows[1]! || probe > highs[1]!) this.widen(1, probe, step);
    const air = x[this.air]!;
    if (air < lows[2]! || air > highs[2]!) this.widen(2, air, step);
    const shown = state.shown[this.controller]!;
    if (shown !== this.lastShown) {
      if (shown !== NO_READING) this.widen(3, shown, step);
      this.lastShown = shown;
    }
    const { nodes, displays } = this;
    for (let k = 0; k < nodes.length; k++) {
      const t = x[nodes[k]!]!;
      if (t < lows[CHANNELS + k]! || t > highs[CHANNELS + k]!) this.widen(CHANNELS + k, t, step);
    }
    for (let k = 0; k < displays.length; k++) {
      const display = state.shown[displays[k]!]!;
      if (display !== NO_READING) this.widen(CHANNELS + nodes.length + k, display, step);
    }
    if (step >= this.layerNext || state.on !== this.on) this.addSlow(state, room, step, (node) => x[node]!);
    if (state.heating) this.heat++;
    if (state.cooling) this.cold++;
    if (alarm) this.alarm++;
  }

  /** Takes in steps of a flight that no bin ends among. */
  addLeap(state: RunState, flight: Flight, from: number, to: number): void {
    this.widenOver(0, this.product, flight, from, to);
    this.widenOver(1, this.probe, flight, from, to);
    this.widenOver(2, this.air, flight, from, to);
    this.readOver(3, this.controller, flight, from, to);
    const { nodes, displays } = this;
    for (let k = 0; k < nodes.length; k++) this.widenOver(CHANNELS + k, nodes[k]!, flight, from, to);
    for (let d = 0; d < displays.length; d++)
      this.readOver(CHANNELS + nodes.length + d, displays[d]!, flight, from, to);
    const { start } = flight;
    for (let j = Math.max(from, this.layerNext - start); j < to; j = Math.max(j + 1, this.layerNext - start))
      this.addSlow(state, flight.roomSum(j, j + 1), start + j, (node) => flight.at(node, j));
    const count = to - from;
    if (state.heating) this.heat += count;
    if (state.cooling) this.cold += count;
    if (state.controls.some(sounds)) this.alarm += count;
  }

  private widenOver(line: number, node: number, flight: Flight, from: number, to: number): void {
    const { lows, highs } = this;
    if (!flight.widens(node, from, to, lows[line]!, highs[line]!)) return;
    if (flight.low < lows[line]!) {
      lows[line] = flight.low;
      this.lowSteps[line] = flight.start + flight.lowAt;
    }
    if (flight.high > highs[line]!) {
      highs[line] = flight.high;
      this.highSteps[line] = flight.start + flight.highAt;
    }
  }

  /** A display follows its probe in whole steps: only past the extremes already seen is it read. */
  private readOver(line: number, controller: number, flight: Flight, from: number, to: number): void {
    const { lows, highs } = this;
    const reader = flight.readers[controller]!;
    const { node } = reader;
    const below = feltFrom(reader, lows[line]!);
    const above = feltFrom(reader, highs[line]! + 1);
    if (!flight.widens(node, from, to, below, above)) return;
    const { start, low, high } = flight;
    const read = (felt: number) => {
      const reading = plainReading(reader, felt);
      if (reading >= lows[line]! && reading <= highs[line]!) return;
      // It stood there from the first step on that comes so far.
      const [least, most] =
        reading > highs[line]! ? [-Infinity, feltFrom(reader, reading)] : [feltFrom(reader, reading + 1), Infinity];
      this.widen(line, reading, start + Math.min(to - 1, flight.leaves(node, from, to, least, most)));
    };
    if (low < below) read(low);
    if (high > above) read(high);
  }

  /** The step from which on the present bin is over. */
  get binEnds(): number {
    return this.binEnd[this.bin]!;
  }

  private addSlow(state: RunState, room: number, step: number, at: (node: number) => number): void {
    // Room and layers turn where something switches, and move slowly between: some minutes are enough for their lines.
    this.on = state.on;
    this.widen(4, room, step);
    const { layers, figures } = this.trace;
    // Of figures only the last look into a bin is kept.
    if (step + this.layerEvery >= this.binEnds)
      for (let f = 0; f < figures.length; f++)
        if (step >= this.figureIn[f]!) figures[f]!.values[this.bin] = this.read[f]!(state);
    const { humidity } = this.trace;
    if (humidity && state.moisture) {
      const now = state.moisture.humidity;
      // The mean is one over time: what is looked at because something switches has no share in it.
      if (step >= this.layerNext || this.moist === 0) {
        humidity.usual[this.bin]! += now[0]!;
        this.moist++;
      }
      for (let k = 0; k < now.length; k++) {
        if (now[k]! < humidity.low[this.bin]!) humidity.low[this.bin] = now[k]!;
        if (now[k]! > humidity.high[this.bin]!) humidity.high[this.bin] = now[k]!;
      }
    }
    for (let l = 0; l < layers.length; l++) {
      if (step < this.layerIn[l]!) continue;
      const t = at(this.layerAt[l]!);
      const { low, high } = layers[l]!;
      if (t < low[this.bin]!) low[this.bin] = t;
      if (t > high[this.bin]!) high[this.bin] = t;
    }
    if (step >= this.layerNext) this.layerNext = step + this.layerEvery;
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

  /**
   * Hands the extremes since the last cut to the present bin and begins anew; the caller reads them before.
   * @param slow the slow lines are looked at again at once
   */
  cut(slow = true): void {
    const { trace, bin, lows, highs } = this;
    for (let c = 0; c < CHANNELS; c++) {
      if (lows[c]! > highs[c]!) continue; // nothing was seen since the last cut
      const channel = channels[c]!;
      const reading = channel === "reading";
      const low = reading ? lows[c]! * this.sources.slope + this.sources.zero : lows[c]!;
      const high = reading ? highs[c]! * this.sources.slope + this.sources.zero : highs[c]!;
      trace.low[channel][bin] = Math.min(trace.low[channel][bin]!, low);
      trace.high[channel][bin] = Math.max(trace.high[channel][bin]!, high);
    }
    lows.fill(Infinity);
    highs.fill(-Infinity);
    this.lastShown = NaN;
    if (slow) this.layerNext = 0;
  }

  closeBin(step: number): void {
    this.cut();
    const { trace, bin } = this;
    const steps = Math.max(1, step - this.binStart);
    trace.heat[bin] = this.heat / steps;
    trace.cold[bin] = this.cold / steps;
    trace.alarm[bin] = this.alarm / steps;
    if (trace.humidity) trace.humidity.usual[bin]! /= Math.max(1, this.moist);
    this.moist = 0;
    this.binStart = step;
    this.heat = this.cold = this.alarm = 0;
    this.bin++;
  }

  /** Closes the last bin; lines that saw nothing (no reading all through) are left empty as NaN. */
  finish(step: number): void {
    if (step > this.binStart) this.closeBin(step);
    const { low, high, layers, bins } = this.trace;
    const lines = [...channels.map((c) => ({ low: low[c], high: high[c] })), ...layers];
    for (const line of lines)
      for (let i = 0; i < bins; i++) if (line.low[i]! > line.high[i]!) line.low[i] = line.high[i] = NaN;
  }
}
