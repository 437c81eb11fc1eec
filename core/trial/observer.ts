import { EnergySums } from "./energy";
import { REVERSAL_WITHIN, SwitchLog } from "./events";
import { displayScale, type Run, type RunState, type Watcher } from "./stepper";
import { channels, emptyTrace, type Trace } from "./trace";

/** Lowest and highest seen, and when. */
export class Range {
  low = Infinity;
  high = -Infinity;
  lowAt = 0;
  highAt = 0;

  add(value: number, time: number): void {
    if (value < this.low) {
      this.low = value;
      this.lowAt = time;
    }
    if (value > this.high) {
      this.high = value;
      this.highAt = time;
    }
  }

  /** What this and another range saw together. */
  with(other: Range): Range {
    const joined = new Range();
    for (const r of [this, other]) {
      if (r.low > r.high) continue; // has seen nothing
      joined.add(r.low, r.lowAt);
      joined.add(r.high, r.highAt);
    }
    return joined;
  }
}

/** Seconds after arrival from which the swing counts as the steady one. */
export const SETTLING = 12 * 3600;

/** All that is gathered in one part of a trial: on the way to the band, just arrived, settled. */
class Phase {
  readonly product = new Range();
  readonly probe = new Range();
  readonly air = new Range();
  /** In steps of the display. */
  readonly shown = new Range();
  steps = 0;
  inBand = 0;
  productSum = 0;
  lowAlarm = 0;
  highAlarm = 0;
}

/** Gathers trace, switchings, ranges and exact energy in one pass over a trial. */
export class Observer implements Watcher {
  readonly trace: Trace;
  readonly heat = new SwitchLog();
  readonly cold = new SwitchLog();
  readonly energy: EnergySums;
  readonly onTheWay = new Phase();
  readonly arriving = new Phase();
  readonly settled = new Phase();
  arrivedAt = Infinity;
  /** Furthest that the probe ran on after a device stopped, before any device started again, K. */
  runOn = { heat: 0, cold: 0 };

  private phase = this.onTheWay;
  private readonly dt: number;
  private readonly nodes: readonly [product: number, probe: number, air: number];
  private readonly slope: number;
  private readonly zero: number;
  private readonly binEnd: number[];
  private bin = 0;
  private binStart = 0;
  private binHeat = 0;
  private binCold = 0;
  private binAlarm = 0;
  /** Extremes since the last cut, in the order of the trace's channels, and the steps at which they stood. */
  private readonly lows = new Float64Array(5).fill(Infinity);
  private readonly highs = new Float64Array(5).fill(-Infinity);
  private readonly lowSteps = new Int32Array(5);
  private readonly highSteps = new Int32Array(5);
  private lastShown = NaN;
  private roomNext = 0;
  private readonly roomEvery: number;
  private settledFrom = Infinity;
  private lastStop: "heat" | "cold" | null = null;
  private stopAt = 0;
  private stopProbe = 0;
  private wasHeating = false;
  private wasCooling = false;

  constructor(
    run: Run,
    bins: number,
    private readonly band: { low: number; high: number },
  ) {
    const { network, input } = run;
    this.trace = emptyTrace(bins, run.steps * input.dt);
    this.energy = new EnergySums(run);
    this.dt = input.dt;
    this.roomEvery = Math.max(1, Math.round(60 / input.dt));
    this.nodes = [network.vessels[0]!, network.probes[input.controllers[0]!.probe]!, network.air];
    ({ slope: this.slope, zero: this.zero } = displayScale(run));
    this.binEnd = Array.from({ length: bins }, (_, i) => Math.ceil(((i + 1) * run.steps) / bins));
  }

  sample(state: RunState, shown: number, room: number, heating: boolean, cooling: boolean): void {
    const { x, step } = state;
    const product = x[this.nodes[0]]!;
    const probe = x[this.nodes[1]]!;
    if (step >= this.binEnd[this.bin]!) this.closeBin(step);

    const inBand = product >= this.band.low && product <= this.band.high;
    if (inBand && this.phase === this.onTheWay) {
      this.cut();
      this.arrivedAt = step * this.dt;
      this.settledFrom = this.arrivedAt + SETTLING;
      this.phase = this.arriving;
    } else if (step * this.dt >= this.settledFrom && this.phase === this.arriving) {
      this.cut();
      this.phase = this.settled;
    }

    this.widen(0, product, step);
    this.widen(1, probe, step);
    this.widen(2, x[this.nodes[2]]!, step);
    if (shown !== this.lastShown) {
      this.widen(3, shown, step);
      this.lastShown = shown;
    }
    // The room moves over hours: once a minute is enough for its line.
    if (step >= this.roomNext) {
      this.widen(4, room, step);
      this.roomNext = step + this.roomEvery;
    }
    if (heating) this.binHeat++;
    if (cooling) this.binCold++;
    this.energy.add(room, heating, cooling);

    const { phase } = this;
    phase.steps++;
    phase.productSum += product;
    if (inBand) phase.inBand++;
    const controller = state.controllers[0]!;
    if (controller.lowAlarm || controller.highAlarm) {
      this.binAlarm++;
      if (controller.lowAlarm) phase.lowAlarm++;
      if (controller.highAlarm) phase.highAlarm++;
    }

    if (heating !== this.wasHeating || cooling !== this.wasCooling)
      this.switched(step * this.dt, probe, heating, cooling);
    else if (this.lastStop !== null) this.followRunOn(step * this.dt, probe);
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

  private followRunOn(time: number, probe: number): void {
    if (time - this.stopAt > REVERSAL_WITHIN) this.lastStop = null;
    else if (this.lastStop && time >= this.arrivedAt) {
      const ran = this.lastStop === "heat" ? probe - this.stopProbe : this.stopProbe - probe;
      if (ran > this.runOn[this.lastStop]) this.runOn[this.lastStop] = ran;
    }
  }

  private switched(time: number, probe: number, heating: boolean, cooling: boolean): void {
    const heatStopped = this.wasHeating && !heating;
    const coldStopped = this.wasCooling && !cooling;
    this.heat.set(heating, time);
    this.cold.set(cooling, time);
    this.wasHeating = heating;
    this.wasCooling = cooling;
    const idle = !heating && !cooling;
    this.lastStop = idle && heatStopped ? "heat" : idle && coldStopped ? "cold" : null;
    this.stopAt = time;
    this.stopProbe = probe;
  }

  /** Hands the extremes since the last cut to the present bin and the present phase, and begins anew. */
  private cut(): void {
    const { trace, bin, lows, highs, phase, dt } = this;
    const ranges = [phase.product, phase.probe, phase.air, phase.shown];
    channels.forEach((channel, c) => {
      const low = lows[c]!;
      const high = highs[c]!;
      if (low > high) return; // nothing was seen since the last cut
      const range = ranges[c];
      range?.add(low, this.lowSteps[c]! * dt);
      range?.add(high, this.highSteps[c]! * dt);
      const [slope, zero] = channel === "reading" ? [this.slope, this.zero] : [1, 0];
      trace.low[channel][bin] = Math.min(trace.low[channel][bin]!, low * slope + zero);
      trace.high[channel][bin] = Math.max(trace.high[channel][bin]!, high * slope + zero);
    });
    lows.fill(Infinity);
    highs.fill(-Infinity);
    this.lastShown = NaN;
    this.roomNext = 0;
  }

  private closeBin(step: number): void {
    this.cut();
    const { trace, bin } = this;
    const steps = Math.max(1, step - this.binStart);
    trace.heat[bin] = this.binHeat / steps;
    trace.cold[bin] = this.binCold / steps;
    trace.alarm[bin] = this.binAlarm / steps;
    this.binStart = step;
    this.binHeat = this.binCold = this.binAlarm = 0;
    this.bin++;
  }

  /** Closes the last bin. */
  finish(step: number): void {
    if (step > this.binStart) this.closeBin(step);
  }
}
