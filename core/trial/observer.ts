import { judgedNode } from "../chamber";
import { EnergySums } from "./energy";
import { isQuick } from "./input";
import { REVERSAL_WITHIN, SwitchLog } from "./events";
import { displayScale, type Run, type Watcher } from "./stepper";
import type { RunState } from "./state";
import { TraceBins, type Trace } from "./trace";

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
/** The same for pots, kettles and smokers. */
const QUICK_SETTLING = 3600;

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
  readonly heat = new SwitchLog();
  readonly cold = new SwitchLog();
  readonly energy: EnergySums;
  readonly onTheWay = new Phase();
  readonly arriving = new Phase();
  readonly settled = new Phase();
  arrivedAt = Infinity;
  /** Furthest that the probe ran on after a device stopped, before any device started again, K. */
  runOn = { heat: 0, cold: 0 };
  /** Moments at which the product left its band and came back into it, in turn, s; it begins outside. */
  readonly crossings: number[] = [];
  /** Moment at which the fuel was used up, and at which the ice first was, s. */
  fuelOutAt: number | null = null;
  iceGoneAt: number | null = null;

  private readonly bins: TraceBins;
  private phase = this.onTheWay;
  private wasIn = false;
  private readonly dt: number;
  private readonly nodes: readonly [product: number, probe: number, air: number];
  private readonly settling: number;
  private readonly burns: boolean;
  private readonly hasIce: boolean;
  private settledFrom = Infinity;
  private lastStop: "heat" | "cold" | null = null;
  private stopAt = 0;
  private stopProbe = 0;
  private wasHeating = false;
  private wasCooling = false;

  constructor(
    private readonly run: Run,
    bins: number,
    private readonly band: { low: number; high: number },
  ) {
    const { network, input } = run;
    this.energy = new EnergySums(run);
    this.dt = input.dt;
    this.nodes = [
      judgedNode(network, input.chamber.stages[0]!),
      network.probes[input.controllers[0]!.probe]!,
      network.air,
    ];
    const { slope, zero } = displayScale(run);
    this.bins = new TraceBins(input.chamber, network, this.nodes, bins, 0, run.steps, input.dt, slope, zero);
    this.settling = isQuick(input.chamber.cabinet.kind) ? QUICK_SETTLING : SETTLING;
    this.burns = input.chamber.heater.kind === "charcoal" && network.heaterPower > 0;
    this.hasIce = network.iceMass > 0;
  }

  get trace(): Trace {
    return this.bins.trace;
  }

  sample(state: RunState, shown: number, room: number, heating: boolean, cooling: boolean): void {
    const { x, step } = state;
    const product = x[this.nodes[0]]!;
    const probe = x[this.nodes[1]]!;
    if (this.bins.ends(step)) {
      this.share();
      this.bins.closeBin(step);
    }

    const inBand = product >= this.band.low && product <= this.band.high;
    if (inBand !== this.wasIn) {
      this.wasIn = inBand;
      this.crossings.push(step * this.dt);
      if (inBand && this.phase === this.onTheWay) {
        this.share();
        this.bins.cut();
        this.arrivedAt = step * this.dt;
        this.settledFrom = this.arrivedAt + this.settling;
        this.phase = this.arriving;
      }
    } else if (this.phase === this.arriving && step * this.dt >= this.settledFrom) {
      this.share();
      this.bins.cut();
      this.phase = this.settled;
    }

    let low = false;
    let high = false;
    for (let c = 0; c < state.machines.length; c++) {
      const machine = state.machines[c]!;
      low ||= machine.lowAlarm;
      high ||= machine.highAlarm;
    }
    this.bins.add(state, shown, room, heating, cooling, low || high);
    this.energy.add(state, room, cooling);

    const { phase } = this;
    phase.steps++;
    phase.productSum += product;
    if (inBand) phase.inBand++;
    if (low) phase.lowAlarm++;
    if (high) phase.highAlarm++;

    if (heating !== this.wasHeating || cooling !== this.wasCooling)
      this.switched(step * this.dt, probe, heating, cooling);
    else if (this.lastStop !== null) this.followRunOn(step * this.dt, probe);
    if (this.burns && this.fuelOutAt === null && step > 0 && state.u[2] === 0) this.fuelOutAt = step * this.dt;
    if (this.hasIce && this.iceGoneAt === null && state.ice === "water") this.iceGoneAt = step * this.dt;
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

  /** Hands the extremes since the last cut to the present phase. */
  private share(): void {
    const { bins, phase, dt } = this;
    const ranges = [phase.product, phase.probe, phase.air, phase.shown];
    ranges.forEach((range, c) => {
      const low = bins.lows[c]!;
      const high = bins.highs[c]!;
      if (low > high) return; // nothing was seen since the last cut
      range.add(low, bins.lowSteps[c]! * dt);
      range.add(high, bins.highSteps[c]! * dt);
    });
  }

  /** Closes the last bin. */
  finish(): void {
    this.share();
    this.bins.finish(this.run.state.step);
  }
}
