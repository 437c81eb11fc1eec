import { EnergySums } from "./energy";
import { REVERSAL_WITHIN, SwitchLog } from "./events";
import { displayScale, type Run, type RunState, type Watcher } from "./stepper";
import { emptyTrace, type Trace } from "./trace";

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
  private readonly product: number;
  private readonly probe: number;
  private readonly air: number;
  private readonly slope: number;
  private readonly zero: number;
  private readonly binEnd: number[];
  private bin = 0;
  private binSteps = 0;
  private binHeat = 0;
  private binCold = 0;
  private binAlarm = 0;
  private lows = new Float64Array(5).fill(Infinity);
  private highs = new Float64Array(5).fill(-Infinity);
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
    this.product = network.vessels[0]!;
    this.probe = network.probes[input.controllers[0]!.probe]!;
    this.air = network.air;
    ({ slope: this.slope, zero: this.zero } = displayScale(run));
    this.binEnd = Array.from({ length: bins }, (_, i) => Math.ceil(((i + 1) * run.steps) / bins));
  }

  sample(state: RunState, shown: number, room: number, heating: boolean, cooling: boolean): void {
    const { x, step } = state;
    const time = step * this.dt;
    const product = x[this.product]!;
    const probe = x[this.probe]!;
    const air = x[this.air]!;

    if (step >= this.binEnd[this.bin]!) this.closeBin();
    const { lows, highs } = this;
    if (product < lows[0]!) lows[0] = product;
    if (product > highs[0]!) highs[0] = product;
    if (probe < lows[1]!) lows[1] = probe;
    if (probe > highs[1]!) highs[1] = probe;
    if (air < lows[2]!) lows[2] = air;
    if (air > highs[2]!) highs[2] = air;
    if (shown < lows[3]!) lows[3] = shown;
    if (shown > highs[3]!) highs[3] = shown;
    if (room < lows[4]!) lows[4] = room;
    if (room > highs[4]!) highs[4] = room;
    this.binSteps++;
    if (heating) this.binHeat++;
    if (cooling) this.binCold++;

    this.energy.add(room, heating, cooling);

    const inBand = product >= this.band.low && product <= this.band.high;
    if (inBand && this.phase === this.onTheWay) {
      this.arrivedAt = time;
      this.phase = this.arriving;
    } else if (this.phase === this.arriving && time >= this.arrivedAt + SETTLING) this.phase = this.settled;
    const { phase } = this;
    phase.steps++;
    phase.productSum += product;
    if (inBand) phase.inBand++;
    phase.product.add(product, time);
    phase.probe.add(probe, time);
    phase.air.add(air, time);
    phase.shown.add(shown, time);
    const controller = state.controllers[0]!;
    if (controller.lowAlarm || controller.highAlarm) {
      this.binAlarm++;
      if (controller.lowAlarm) phase.lowAlarm++;
      if (controller.highAlarm) phase.highAlarm++;
    }

    if (heating !== this.wasHeating || cooling !== this.wasCooling) this.switched(time, probe, heating, cooling);
    else if (this.lastStop) {
      if (time - this.stopAt > REVERSAL_WITHIN) this.lastStop = null;
      else if (time >= this.arrivedAt) {
        const ran = this.lastStop === "heat" ? probe - this.stopProbe : this.stopProbe - probe;
        if (ran > this.runOn[this.lastStop]) this.runOn[this.lastStop] = ran;
      }
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

  private closeBin(): void {
    const { trace, bin, lows, highs, slope, zero } = this;
    const lines = [trace.low.product, trace.low.probe, trace.low.air, trace.low.reading, trace.low.room];
    const tops = [trace.high.product, trace.high.probe, trace.high.air, trace.high.reading, trace.high.room];
    for (let c = 0; c < 5; c++) {
      const isDisplay = c === 3;
      lines[c]![bin] = isDisplay ? lows[c]! * slope + zero : lows[c]!;
      tops[c]![bin] = isDisplay ? highs[c]! * slope + zero : highs[c]!;
    }
    trace.heat[bin] = this.binHeat / this.binSteps;
    trace.cold[bin] = this.binCold / this.binSteps;
    trace.alarm[bin] = this.binAlarm / this.binSteps;
    lows.fill(Infinity);
    highs.fill(-Infinity);
    this.binSteps = this.binHeat = this.binCold = this.binAlarm = 0;
    this.bin++;
  }

  /** Closes the last bin. */
  finish(): void {
    if (this.binSteps > 0) this.closeBin();
  }
}
