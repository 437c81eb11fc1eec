import { noOutput, NO_READING, onOffFamily, powerUp } from "../controller";
import { watch, type Look } from "../program";
import { ROOM } from "./discretise";
import { deskOf, stepHindered, type Desk } from "./hindered";
import { filmNow } from "./filmNow";
import { absorbed, settleIce, turnIce } from "./ice";
import { paddedVector, takeStep } from "./kernel";
import { cutSpans, cutWater, knotsOf, moveOn, untilMove, type Knots, type Moved } from "./knots";
import { Leaper } from "./leaper";
import { keepToGround } from "./leftGround";
import { nextLeg, setReaders, type Leg } from "./leg";
import { openMoist } from "./moistAir";
import type { Mode } from "./modes";
import { noiseAt } from "./noise";
import { readerOf, type Reader } from "./reader";
import type { Run, Watcher } from "./run";
import { lookInto, mayBeSo } from "./waits";

/**
 * Advances a run to a step, showing every step to the watcher. The room is sampled at mid-step, the product's heat is
 * held for some minutes, controllers read before each step and act over it, the program looks at every step. Steps
 * in which nothing can switch are leapt over where the network allows it (leaper.ts); all others are taken one by one.
 */
export function advance(run: Run, untilStep: number, watcher: Watcher): void {
  const stepper = new Stepper(run, watcher);
  while (run.state.step < untilStep) stepper.take(untilStep);
}

/** Bits of devices from a list: the heaters, then the coolers. */
const bitsOf = (devices: readonly number[], from: number): Int32Array =>
  Int32Array.from(devices, (d) => 1 << (from + d));

/** What one step of a run is made of: read, decide, act, observe, move. */
class Stepper {
  private readonly desk: Desk;
  private readonly readers: Reader[];
  private readonly knots: Knots;
  private readonly look: Look;
  private readonly leaper: Leaper;
  private readonly out = noOutput();
  private readonly moved: Moved = { inputs: false, films: false };
  private readonly hasIce: boolean;
  /** The devices that an outlet feeds: their outlets, and a bit for each. */
  private readonly heaterFed: Int32Array;
  private readonly coolerFed: Int32Array;
  private readonly heaterBits: Int32Array;
  private readonly coolerBits: Int32Array;
  private readonly powers: Float64Array;
  private leg!: Leg;
  /** Γ times all inputs but the room, and scratch space for a state. */
  private readonly fixed: Float64Array;
  private readonly next: Float64Array;
  private readonly taken: Float64Array;
  /** Modes by which coolers cool, under the present conditions. */
  private byMask: (Mode | undefined)[] = [];
  private failing = 0;
  private on = 0;
  private cooled = 0;
  private wasOn = -1;
  private maskWas = -1;
  /** Some input has changed that `fixed` does not know of. */
  private stale = true;
  private roomAt: number;

  constructor(
    private readonly run: Run,
    private readonly watcher: Watcher,
  ) {
    const { network, input, state, rooms } = run;
    const n = network.nodes.length;
    this.desk = deskOf(run);
    this.readers = state.controls.map((_, c) => readerOf(input.chamber, network, c));
    this.knots = knotsOf(run);
    this.look = lookInto(run);
    this.leaper = new Leaper(run, this.desk, this.readers, this.knots, this.look, watcher.lines ?? 0);
    this.hasIce = network.coolers.some((c) => c.iceMass > 0);
    const { heaterFeeds, coolerFeeds } = this.desk;
    this.powers = Float64Array.from(network.heaters, (h) => h.power);
    const heaters = [...heaterFeeds.keys()].filter((h) => heaterFeeds[h]! >= 0 && this.powers[h]! > 0);
    const coolers = [...coolerFeeds.keys()].filter((c) => coolerFeeds[c]! >= 0 && network.coolers[c]!.law.power > 0);
    this.heaterFed = Int32Array.from(heaters, (h) => heaterFeeds[h]!);
    this.coolerFed = Int32Array.from(coolers, (c) => coolerFeeds[c]!);
    this.heaterBits = bitsOf(heaters, 0);
    this.coolerBits = bitsOf(coolers, network.heaters.length);
    this.fixed = new Float64Array(n);
    this.next = paddedVector(n);
    this.taken = new Float64Array(network.coolers.length);
    this.roomAt = state.step % rooms.length;
  }

  /** Takes the steps of one leg, or those of it that come before a step. */
  take(untilStep: number): void {
    const { run, readers, watcher, hasIce } = this;
    const { state, plan, rooms } = run;
    const { dt } = run.input;
    this.leg = nextLeg(run, this.desk, readers, untilStep);
    const { leg } = this;
    const { waits, last } = leg;
    const { every } = this.knots;
    this.begin();
    const leaps = leg.calm && !hasIce;
    for (let step = leg.first; step < last;) {
      state.step = step;
      if (waits.length > 0 && mayBeSo(waits, state.program.heldSince, state.x))
        if (watch(plan, state.program, this.look, step * dt)) return;
      if (step % every === 0) this.knot();
      this.read(step);
      this.act();
      this.turn();
      const room = rooms[this.roomAt]!;
      watcher.sample(state, room);
      const leapt = leaps ? this.leaper.leap(leg, Math.min(untilMove(state), last - step), watcher) : 0;
      if (leapt === 0) this.move(room);
      step += this.pass(leapt || 1);
    }
    state.step = last;
  }

  /** Sets up what holds over the leg. */
  private begin(): void {
    const { run, desk, leg } = this;
    const { state, at, input } = run;
    const { now, first, last } = leg;
    const { conditions, power } = now;
    conditions.ice = state.coolers.map((c) => c.ice);
    conditions.film = state.film;
    if (conditions.open) openMoist(state.moisture, first * input.dt, last * input.dt);
    if (leg.fresh) cutSpans(state, this.knots);
    this.byMask = [];
    this.failing = now.coolers.reduce((bits, c, i) => (c.fails ? bits | (1 << i) : bits), 0);
    desk.loadWatts = 0;
    state.u[at.air] = power ? this.modeOf(0).network.fanHeat : 0;
    setReaders(this.readers, leg, input.dt);
    if (!power) input.chamber.controllers.forEach(({ unit }, c) => (state.controls[c] = powerUp(unit.restAtStart)));
    // Asks anew what each heater gets, whatever it got before.
    this.wasOn = this.maskWas = -1;
    this.stale = true;
  }

  private modeOf(mask: number): Mode {
    return (this.byMask[mask] ??= this.run.modes.of(this.leg.now.conditions, mask));
  }

  private knot(): void {
    const { run, moved, leg, knots } = this;
    moveOn(run, knots, leg, this.look, moved);
    if (moved.inputs) this.stale = true;
    if (moved.films) {
      this.byMask = [];
      // Own thermostats reckon with what is in force now.
      run.state.mode = this.modeOf(run.state.mode.cooling);
      this.stale = true;
    }
  }

  /** Each controller reads its probe and decides, unless what its outlets do is known. */
  private read(step: number): void {
    const { readers, out, leg, run, desk } = this;
    const { numbers, now, outs: given } = leg;
    const { x, controls, shown } = run.state;
    const { outs } = desk;
    const dt = step === 0 ? 0 : run.input.dt;
    for (let c = 0; c < readers.length; c++) {
      const reader = readers[c]!;
      let reading = NO_READING;
      if (reader.fault === 0) {
        let felt = x[reader.node]!;
        if (reader.sensorStep > 0) felt = Math.round(felt / reader.sensorStep) * reader.sensorStep;
        const wobble = reader.noise > 0 ? reader.noise * noiseAt(step + reader.noiseFrom) : 0;
        reading = Math.floor(felt * reader.perStep + reader.shift + reader.drift + wobble) + reader.offset;
      } else if (reader.blind) reading = reader.fault === 1 ? -1e6 : 1e6;
      reader.drift += reader.driftStep;
      shown[c] = reading;
      if (given) {
        outs[2 * c] = now.power ? given[2 * c]! : 0;
        outs[2 * c + 1] = now.power ? given[2 * c + 1]! : 0;
      } else if (now.power) {
        onOffFamily.step(controls[c]!, numbers[c]!, reading, dt, out);
        outs[2 * c] = out.heat;
        outs[2 * c + 1] = out.cold;
      } else {
        outs[2 * c] = 0;
        outs[2 * c + 1] = 0;
      }
    }
  }

  /** What the devices do with what the outlets give them. */
  private act(): void {
    const { run, desk, leg, powers } = this;
    const { state, at } = run;
    const heaters = powers.length;
    if (!leg.free) {
      stepHindered(desk, run, leg.now, leg.now.power, run.input.dt);
      this.on = desk.on;
      this.cooled = desk.cooled;
      if (desk.stale) this.stale = true;
      const { conditions } = leg.now;
      if (desk.stirs !== conditions.stirred) {
        conditions.stirred = desk.stirs;
        // Air that is no longer stirred moves by itself at once, as its differences make it.
        if (this.knots.films) state.film = conditions.film = filmNow(run, conditions, state.step * run.input.dt);
        this.byMask = [];
        this.maskWas = -1;
      }
      return;
    }
    const { outs, watts } = desk;
    const { heaterFed, coolerFed, heaterBits, coolerBits } = this;
    let on = 0;
    for (let h = 0; h < heaterFed.length; h++) if (outs[heaterFed[h]!]! > 0) on |= heaterBits[h]!;
    for (let c = 0; c < coolerFed.length; c++) if (outs[coolerFed[c]!]! > 0) on |= coolerBits[c]!;
    this.on = on;
    this.cooled = on >> heaters;
    if (on === this.wasOn) return;
    this.wasOn = on;
    for (let h = 0; h < heaters; h++) {
      const gives = on & (1 << h) ? powers[h]! : 0;
      if (gives === watts[h]) continue;
      state.u[at.heater + h] = watts[h] = gives;
      this.stale = true;
    }
  }

  /** Puts the network into the mode that follows from what runs. */
  private turn(): void {
    const { run, on, cooled } = this;
    const { state } = run;
    if (this.hasIce && turnIce(run, this.leg.now)) {
      this.byMask = [];
      this.maskWas = -1;
    }
    const mask = cooled & ~this.failing;
    if (mask !== this.maskWas || this.stale) {
      this.maskWas = mask;
      const mode = this.modeOf(mask);
      if (mode !== state.mode || this.stale) {
        // Light bodies turn where something switches: what has got too hot by then is not missed between two knots.
        keepToGround(run);
        state.mode = mode;
        this.stale = false;
        state.inputs++;
        fixedPart(mode, state.u, this.fixed);
      }
    }
    if (state.on !== on) cutWater(state, this.knots);
    state.on = on;
    state.heating = (on & ((1 << this.powers.length) - 1)) !== 0;
    state.cooling = cooled !== 0;
  }

  /** Moves the network on by one step. */
  private move(room: number): void {
    const { run, hasIce, taken } = this;
    const { state, network } = run;
    const { x, u, mode } = state;
    if (mode.melts)
      for (let c = 0; c < taken.length; c++) {
        const weights = mode.absorb[c];
        taken[c] = weights ? absorbed(weights, mode, x, u, room) : 0;
      }
    takeStep(mode.phi, x, 0, x, 0, this.next, this.fixed, mode.gain, room);
    if (hasIce)
      for (let c = 0; c < taken.length; c++)
        if (network.coolers[c]!.iceMass > 0) settleIce(state, network, c, mode.melts ? taken[c]! : 0);
  }

  /** Lets so many steps pass: where the room's table stands. */
  private pass(steps: number): number {
    this.roomAt += steps;
    const { length } = this.run.rooms;
    while (this.roomAt >= length) this.roomAt -= length;
    return steps;
  }
}

/** The part of a step that only changes with devices and product: Γ times all inputs but the room. */
function fixedPart(mode: Mode, u: Float64Array, into: Float64Array): void {
  const { n, m, gamma } = mode.hold;
  for (let i = 0; i < n; i++) {
    let sum = 0;
    for (let j = 0; j < m; j++) if (j !== ROOM) sum += gamma[i * m + j]! * u[j]!;
    into[i] = sum;
  }
}
