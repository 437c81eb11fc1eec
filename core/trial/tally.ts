import { judgedOf } from "../chamber";
import { productObservable } from "../product";
import { EnergySums } from "./energy";
import type { Range } from "./range";
import { isProgrammed } from "../program";
import { REVERSAL_WITHIN, SwitchLog } from "./events";
import { displayOf } from "./reader";
import type { Flight } from "./leap";
import type { Run, Watcher } from "./run";
import { servingController } from "./serving";
import { JudgedTally, settlingOf, type BandSpan, type Flows, type StageTally } from "./stageTally";
import type { RunState } from "./state";
import { channels, sounds, TraceBins, type Trace } from "./trace";

/** So near to the edge of its band it is in it, K: what begins just there is not out by a last digit. */
const ON_THE_EDGE = 1e-9;

/** Gathers trace, switchings, ranges and exact energy in one pass over a trial, stage by stage. */
export class TrialTally implements Watcher {
  readonly heat = new SwitchLog();
  readonly cold = new SwitchLog();
  /** The heaters, then the coolers. */
  readonly devices: SwitchLog[];
  readonly energy: EnergySums;
  readonly stages: StageTally[] = [];
  /** Bands of the first thing that each stage's band is for. */
  readonly bands: BandSpan[] = [];
  /** Moment at which a fire's fuel was used up, and at which the first ice was, s. */
  fuelOutAt: number | null = null;
  iceGoneAt: number | null = null;
  private readonly bins: TraceBins;
  private readonly dt: number;
  private readonly settling: number;
  /** More than one stage, or one that ends: else no step asks for it. */
  private readonly programmed: boolean;
  private readonly fires: number[];
  private readonly ices: number[];
  private readonly probes: number[];
  private readonly nodes: number[];
  private readonly displays: number[];
  private now!: StageTally;
  /** The next step at which something that is judged is put in. */
  private nextIn = Infinity;
  private end: Flows | null = null;
  private shift = 0;
  private on = 0;
  private lastStop: "heat" | "cold" | null = null;
  private stopAt = 0;
  private readonly stopProbes: Float64Array;
  private wasHeating = false;
  private wasCooling = false;
  readonly lines: number;
  private readonly first: { product: number; probe: number; controller: number };

  constructor(
    private readonly run: Run,
    bins: number,
  ) {
    const { network, input } = run;
    const { chamber } = input;
    this.energy = new EnergySums(run);
    this.dt = input.dt;
    this.programmed = isProgrammed(run.plan);
    this.settling = settlingOf(chamber.cabinet.kind);
    const numbers = (list: readonly unknown[], so: (i: number) => boolean) => list.map((_, i) => i).filter(so);
    this.fires = numbers(
      chamber.heaters,
      (h) => chamber.heaters[h]!.kind === "charcoal" && network.heaters[h]!.power > 0,
    );
    this.ices = numbers(network.coolers, (c) => network.coolers[c]!.iceMass > 0);
    this.devices = [...chamber.heaters, ...chamber.coolers].map(() => new SwitchLog());
    this.probes = chamber.controllers.map(
      ({ probes }) => network.probes[chamber.probes.findIndex((p) => p.id === probes[0])]!,
    );
    this.stopProbes = new Float64Array(this.probes.length);
    const [judged] = judgedOf(network, chamber, chamber.stages[0]!);
    const controller = servingController(chamber, judged!);
    this.first = { product: judged!.node, probe: this.probes[controller]!, controller };
    const known = [this.first.product, this.first.probe, network.air];
    const wanted = [...chamber.stages.flatMap((s) => judgedOf(network, chamber, s).map((j) => j.node)), ...this.probes];
    this.nodes = [...new Set(wanted)].filter((node) => !known.includes(node));
    this.lines = known.length + this.nodes.length + this.probes.length;
    this.displays = chamber.controllers.map((_, c) => c).filter((c) => c !== controller);
    const { slope, zero } = displayOf(chamber.controllers[controller]!.unit);
    const sources = { ...this.first, air: network.air, slope, zero };
    const tracked = { nodes: this.nodes, displays: this.displays };
    this.bins = new TraceBins(chamber, network, sources, bins, 0, run.steps, input.dt, tracked);
    this.begin(0, run.state);
  }

  get trace(): Trace {
    return this.bins.trace;
  }

  /** Where a node's extremes stand. */
  private lineOf(node: number): number {
    const { product, probe } = this.first;
    if (node === product) return 0;
    if (node === probe) return 1;
    if (node === this.run.network.air) return 2;
    return channels.length + this.nodes.indexOf(node);
  }

  private displayLine(controller: number): number {
    return controller === this.first.controller
      ? 3
      : channels.length + this.nodes.length + this.displays.indexOf(controller);
  }

  private begin(stage: number, state: RunState): void {
    const { network, input } = this.run;
    const { chamber } = input;
    const judged = judgedOf(network, chamber, chamber.stages[stage]!).map((j) => {
      const controller = servingController(chamber, j);
      const inStep = j.vessel < 0 ? 0 : Math.ceil(chamber.vessels[j.vessel]!.putIn / this.dt);
      return new JudgedTally(j, inStep, controller, {
        product: this.lineOf(j.node),
        probe: this.lineOf(this.probes[controller]!),
        shown: this.displayLine(controller),
      });
    });
    this.now = {
      stage,
      from: state.step,
      to: this.run.steps,
      dueAt: null,
      endedBy: null,
      judged,
      controls: chamber.controllers.map(() => ({
        low: 0,
        high: 0,
        lowSettled: 0,
        highSettled: 0,
        runOn: { heat: 0, cold: 0 },
      })),
      progress: chamber.vessels.map(
        ({ product }, v) => productObservable(product, "progress")?.of(state.products[v]!, product) ?? null,
      ),
      before: this.flowsBy(state),
    };
    this.stages.push(this.now);
    this.letIn(state.step);
    this.place(state);
  }

  /** Judges from a step on what is put in at it, and looks for what comes next. */
  private letIn(step: number): void {
    this.nextIn = Infinity;
    for (const tally of this.now.judged) {
      tally.out = tally.inStep > step;
      if (tally.out) this.nextIn = Math.min(this.nextIn, tally.inStep);
    }
  }

  /** Sets the bands as they stand on the way into the stage. */
  private place(state: RunState): void {
    const { shift } = state.program;
    this.shift = shift;
    const stage = this.run.input.chamber.stages[this.now.stage]!;
    const bandOf = ({ judged: { own } }: JudgedTally): { low: number; high: number } =>
      own ?? { low: stage.low + shift, high: stage.high + shift };
    for (const tally of this.now.judged) {
      const { low, high } = bandOf(tally);
      tally.low = low - ON_THE_EDGE;
      tally.high = high + ON_THE_EDGE;
    }
    const last = this.bands.at(-1);
    const from = state.step * this.dt;
    if (last) last.to = from;
    this.bands.push({
      stage: this.now.stage,
      from,
      to: this.run.steps * this.dt,
      low: bandOf(this.now.judged[0]!).low,
      high: bandOf(this.now.judged[0]!).high,
    });
  }

  sample(state: RunState, room: number): void {
    const { x, step } = state;
    if (this.bins.ends(step)) {
      this.share();
      this.bins.closeBin(step);
    }
    if (this.programmed && this.isOver(state)) {
      this.bins.add(state, room, state.controls.some(sounds));
      this.energy.add(state, room);
      if (state.on !== this.on) this.switched(state);
      return;
    }
    if (step >= this.nextIn) {
      this.share();
      this.bins.cut();
      this.letIn(step);
    }
    const { judged, controls } = this.now;
    let low = false;
    let high = false;
    for (let c = 0; c < controls.length; c++) {
      const control = state.controls[c]!;
      low ||= control.lowAlarm;
      high ||= control.highAlarm;
    }
    for (let j = 0; j < judged.length; j++) {
      const tally = judged[j]!;
      if (tally.out) continue;
      const product = x[tally.node]!;
      const inBand = product >= tally.low && product <= tally.high;
      if (inBand !== tally.wasIn) {
        tally.wasIn = inBand;
        tally.crossings.push(step);
        tally.byCold.push(product < tally.low ? 1 : 0);
        if (inBand && tally.phase === tally.onTheWay) {
          this.share();
          this.bins.cut(j === 0);
          tally.arrivedAt = step * this.dt;
          tally.settledFrom = tally.arrivedAt + this.settling;
          tally.phase = tally.arriving;
        }
      } else if (tally.phase === tally.arriving && step * this.dt >= tally.settledFrom) {
        this.share();
        this.bins.cut(j === 0);
        tally.phase = tally.settled;
      }
      const { phase } = tally;
      phase.steps++;
      phase.productSum += product;
      if (inBand) phase.inBand++;
      if (low) phase.lowAlarm++;
      if (high) phase.highAlarm++;
    }
    if (low || high)
      for (let c = 0; c < controls.length; c++) {
        const tally = controls[c]!;
        const { lowAlarm, highAlarm } = state.controls[c]!;
        const settled = this.heldBy(c).every((j) => j.phase === j.settled);
        if (lowAlarm) tally.low++;
        if (highAlarm) tally.high++;
        if (lowAlarm && settled) tally.lowSettled++;
        if (highAlarm && settled) tally.highSettled++;
      }
    this.bins.add(state, room, low || high);
    this.energy.add(state, room);
    if (state.on !== this.on) this.switched(state);
    else if (this.lastStop !== null) this.followRunOn(step * this.dt, x);
    if (this.fires.length > 0 && this.fuelOutAt === null && step > 0)
      for (const h of this.fires) if (state.u[this.run.at.heater + h] === 0) this.fuelOutAt = step * this.dt;
    if (this.ices.length > 0 && this.iceGoneAt === null)
      for (const c of this.ices) if (state.coolers[c]!.ice === "water") this.iceGoneAt = step * this.dt;
  }

  leap(state: RunState, flight: Flight): void {
    for (let from = 1; from < flight.steps;) {
      const to = this.end ? flight.steps : this.untilNews(flight, from);
      if (to > from) this.addLeap(state, flight, from, to);
      from = to;
      if (from === flight.steps) break;
      // Here a band is crossed, or something counts as settled: looked at as every step is.
      flight.show(state, from);
      this.sample(state, flight.roomSum(from, from + 1));
      flight.back(state);
      from++;
    }
  }

  /** The next step of a flight at which anything that is judged leaves or enters its band, or has settled. */
  private untilNews(flight: Flight, from: number): number {
    let to = flight.steps;
    for (const { phase, arriving, settledFrom, wasIn, low, high, node, out } of this.now.judged) {
      if (out) continue;
      if (phase === arriving) to = Math.min(to, Math.max(from, Math.ceil(settledFrom / this.dt) - flight.start));
      if (to === from) break;
      if (wasIn) to = flight.first(node, from, to, low, high);
      else if (flight.at(node, from) < low) to = flight.first(node, from, to, -Infinity, below(low));
      else to = flight.first(node, from, to, above(high), Infinity);
    }
    return to;
  }

  /** Steps of a flight among which nothing that is judged changes. */
  private addLeap(state: RunState, flight: Flight, from: number, to: number): void {
    const { bins, now, end } = this;
    const { start } = flight;
    for (let begin = from; begin < to;) {
      if (bins.ends(start + begin)) {
        this.share();
        bins.closeBin(start + begin);
      }
      const until = Math.min(to, bins.binEnds - start);
      bins.addLeap(state, flight, begin, until);
      begin = until;
    }
    this.energy.addLeap(flight, from, to);
    if (end) return;
    const count = to - from;
    let low = 0;
    let high = 0;
    state.controls.forEach(({ lowAlarm, highAlarm }, c) => {
      const tally = now.controls[c]!;
      if (lowAlarm) low = count;
      if (highAlarm) high = count;
      if (!lowAlarm && !highAlarm) return;
      const settled = this.heldBy(c).every((j) => j.phase === j.settled);
      if (lowAlarm) tally.low += count;
      if (highAlarm) tally.high += count;
      if (lowAlarm && settled) tally.lowSettled += count;
      if (highAlarm && settled) tally.highSettled += count;
    });
    for (const { phase, node, wasIn, out } of now.judged) {
      if (out) continue;
      phase.steps += count;
      phase.productSum += flight.sum(node, from, to);
      if (wasIn) phase.inBand += count;
      phase.lowAlarm += low;
      phase.highAlarm += high;
    }
    if (this.lastStop !== null) this.followRunOnOver(flight, from, to);
  }

  /** Follows the program to its present stage and says whether it has ended: what comes after is no longer judged. */
  private isOver(state: RunState): boolean {
    const { step, program } = state;
    if (program.stage !== this.now.stage) {
      this.share();
      this.bins.cut();
      this.now.to = step;
      this.now.dueAt = program.endedAt;
      this.now.endedBy = program.endedBy;
      this.begin(program.stage, state);
    } else if (program.shift !== this.shift) this.place(state);
    if (program.dueAt >= 0 && this.now.dueAt === null) {
      this.now.dueAt = program.dueAt;
      this.now.endedBy = program.dueBy;
    }
    if (program.finishedAt < 0) return false;
    this.close(state);
    return true;
  }

  private close(state: RunState): void {
    if (this.end) return;
    this.share();
    this.bins.cut();
    this.now.to = state.step;
    this.end = this.flowsBy(state);
  }

  /** What a controller holds; one that only watches is asked about everything. */
  private heldBy(controller: number): JudgedTally[] {
    const there = this.now.judged.filter((j) => !j.out);
    const own = there.filter((j) => j.controller === controller);
    return own.length > 0 ? own : there;
  }

  private followRunOn(time: number, x: Float64Array): void {
    const { stopProbes, probes } = this;
    if (this.isRunOnOver(time)) return;
    for (let c = 0; c < probes.length; c++) this.ranOn(c, time, x[probes[c]!]! - stopProbes[c]!);
  }

  /** The same over steps of a flight: only the furthest counts. */
  private followRunOnOver(flight: Flight, from: number, to: number): void {
    const { stopProbes, probes, dt, now } = this;
    const { start } = flight;
    const until = Math.min(to, Math.floor((this.stopAt + REVERSAL_WITHIN) / dt + 1e-9) + 1 - start);
    if (until > from)
      for (let c = 0; c < probes.length; c++) {
        const { runOn } = now.controls[c]!;
        const at = stopProbes[c]!;
        const [low, high] = [at - runOn.cold, at + runOn.heat];
        if (!flight.widens(probes[c]!, from, until, low, high)) continue;
        this.ranOn(c, (start + from) * dt, (this.lastStop === "heat" ? flight.high : flight.low) - at);
      }
    if (until < to) this.isRunOnOver((start + until) * dt);
  }

  /** Nobody asks how far a probe runs on once so much time has gone by. */
  private isRunOnOver(time: number): boolean {
    if (time - this.stopAt > REVERSAL_WITHIN) this.lastStop = null;
    return this.lastStop === null;
  }

  /** Keeps how far a controller's probe has gone since something stopped, K, if it is the furthest. */
  private ranOn(c: number, time: number, by: number): void {
    const { runOn } = this.now.controls[c]!;
    const byHeat = this.lastStop === "heat";
    const ran = byHeat ? by : -by;
    if (ran <= (byHeat ? runOn.heat : runOn.cold) || !this.heldBy(c).every((j) => time >= j.arrivedAt)) return;
    if (byHeat) runOn.heat = ran;
    else runOn.cold = ran;
  }

  private switched({ on, heating, cooling, step, x }: RunState): void {
    const time = step * this.dt;
    for (let d = 0; d < this.devices.length; d++) this.devices[d]!.set((on & (1 << d)) !== 0, time);
    this.on = on;
    if (heating === this.wasHeating && cooling === this.wasCooling) return;
    const heatStopped = this.wasHeating && !heating;
    const coldStopped = this.wasCooling && !cooling;
    this.heat.set(heating, time);
    this.cold.set(cooling, time);
    this.wasHeating = heating;
    this.wasCooling = cooling;
    const idle = !heating && !cooling;
    this.lastStop = idle && heatStopped ? "heat" : idle && coldStopped ? "cold" : null;
    this.stopAt = time;
    for (let c = 0; c < this.probes.length; c++) this.stopProbes[c] = x[this.probes[c]!]!;
  }

  /** Hands the extremes since the last cut to the present phases. */
  private share(): void {
    if (this.end) return;
    const { bins, dt } = this;
    const add = (range: Range, line: number) => {
      const low = bins.lows[line]!;
      const high = bins.highs[line]!;
      if (low > high) return; // nothing was seen since the last cut
      range.add(low, bins.lowSteps[line]! * dt);
      range.add(high, bins.highSteps[line]! * dt);
    };
    for (const { phase, lines, out } of this.now.judged) {
      if (out) continue;
      add(phase.product, lines.product);
      add(phase.probe, lines.probe);
      add(phase.air, 2);
      add(phase.shown, lines.shown);
    }
  }

  /** Closes the last bin and the last stage. */
  finish(): void {
    this.close(this.run.state);
    this.bins.finish(this.run.state.step);
  }

  private flowsBy({ heaters }: RunState): Flows {
    const fuel = this.run.input.chamber.heaters.reduce((all, h, i) => all + h.fuel - heaters[i]!.fuel, 0);
    return { energy: this.energy.total(), fuel };
  }

  /** What has flowed up to the end of what is judged. */
  get judgedFlows(): Flows {
    return this.end ?? this.flowsBy(this.run.state);
  }
}

// A step on the edge of a band is in it: the nearest that is not.
const below = (edge: number): number => edge - Number.EPSILON * Math.max(1, Math.abs(edge));
const above = (edge: number): number => edge + Number.EPSILON * Math.max(1, Math.abs(edge));
