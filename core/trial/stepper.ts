import { buildNetwork, type Network } from "../chamber";
import { roomTemperature } from "../climate";
import { copyTwoOutlet, countsOf, powerUp, stepTwoOutlet, type Counts, type TwoOutletState } from "../controller";
import { fermentationHeat, startFerment, stepFerment, type FermentState } from "../product";
import { holdsOf, INPUT, type Hold } from "./discretise";
import type { Room } from "../model";
import type { TrialInput } from "./input";
import { padded, paddedVector, takeStep } from "./kernel";
import { memo } from "./memo";

/** The product's heat is held for a minute at a time; it moves over hours. */
const PRODUCT_STEP = 60;

/** Everything that changes in the course of a trial; plain data, so that a trial can go on from any saved moment. */
export interface RunState {
  step: number;
  /** Node temperatures, °C, padded with zeros (kernel.ts). */
  x: Float64Array;
  controllers: TwoOutletState[];
  ferments: FermentState[];
  /** Own heat of each vessel now, W. */
  heat: Float64Array;
}

/** What is computed once for a trial. */
export interface Run {
  input: TrialInput;
  network: Network;
  /** Without and with the compressor. */
  holds: [Hold, Hold];
  steps: number;
  totalHeat: number[];
  /** Room at the middle of each step of a day (of the whole trial where a day is no whole number of steps), °C. */
  rooms: Float64Array;
  state: RunState;
}

/** What a watcher of the trial is shown at every step, before the step is taken. */
export interface Watcher {
  /** @param shown the display, in steps of its resolution */
  sample(state: RunState, shown: number, room: number, heating: boolean, cooling: boolean): void;
}

/** A room repeats itself daily, and a cosine a step would not be free. */
const roomByStep = memo(
  ({ room, dt, startHour, steps }: Pick<TrialInput, "dt" | "startHour"> & { room: Room; steps: number }) => {
    const perDay = Math.round(86_400 / dt);
    const length = Math.abs(perDay * dt - 86_400) < 1e-9 ? perDay : steps;
    return Float64Array.from({ length }, (_, i) => roomTemperature(room, (i + 0.5) * dt, startHour));
  },
  2,
);

/** Sets up a trial: cabinet, lining and devices at the room's temperature, each vessel at its own. */
export function startRun(input: TrialInput): Run {
  const network = buildNetwork(input.chamber);
  const room = roomTemperature(input.chamber.room, 0, input.startHour);
  const n = network.nodes.length;
  const x = paddedVector(n).fill(room, 0, n);
  network.vessels.forEach((node, v) => (x[node] = input.chamber.vessels[v]!.startTemperature));
  const steps = Math.round((input.days * 86_400) / input.dt);
  return {
    input,
    network,
    holds: holdsOf({ network, dt: input.dt }),
    steps,
    rooms: roomByStep({ room: input.chamber.room, dt: input.dt, startHour: input.startHour, steps }),
    totalHeat: input.chamber.vessels.map((v) => fermentationHeat(v.product, v.volume)),
    state: {
      step: 0,
      x,
      controllers: input.controllers.map(powerUp),
      ferments: input.chamber.vessels.map(startFerment),
      heat: new Float64Array(network.vessels.length),
    },
  };
}

/** A copy of a state that the run may go on without. */
export const copyState = (state: RunState): RunState => ({
  step: state.step,
  x: state.x.slice(),
  controllers: state.controllers.map(copyTwoOutlet),
  ferments: state.ferments.map((f) => ({ lag: f.lag, done: f.done })),
  heat: state.heat.slice(),
});

/** Settings in force for a controller at a moment: the last change that has happened by then. */
function countsAt(run: Run, controller: number, seconds: number): Counts {
  const { controllers, happenings, chamber } = run.input;
  let settings = controllers[controller]!.settings;
  for (const h of happenings)
    if (h.kind === "settings" && h.controller === controller && h.at <= seconds) settings = h.settings;
  return countsOf(settings, chamber.unit);
}

/** Step counts at which a controller's settings change, in order. */
const changeSteps = (run: Run): number[] =>
  run.input.happenings.map((h) => Math.ceil(h.at / run.input.dt)).sort((a, b) => a - b);

/** Moves every vessel's fermentation on and says whether any own heat has changed. */
function ferment(run: Run, span: number): boolean {
  const { state, network, input, totalHeat } = run;
  let changed = false;
  for (let v = 0; v < state.heat.length; v++) {
    const { kind } = input.chamber.vessels[v]!.product;
    const fermented = stepFerment(state.ferments[v]!, kind, state.x[network.vessels[v]!]!, span);
    const now = (fermented * totalHeat[v]!) / span;
    changed ||= now !== state.heat[v];
    state.heat[v] = now;
  }
  return changed;
}

/** The part of a step that only changes when a device or the product does: Γ times constant, heater and own heat. */
function fixedPart(run: Run, hold: Hold, heating: boolean, into: Float64Array): void {
  const { n, m, gamma } = hold;
  const { heat } = run.state;
  const { constant, heater, vessel } = INPUT;
  const power = heating ? run.network.heaterPower : 0;
  for (let i = 0; i < n; i++) {
    let sum = gamma[i * m + constant]! + gamma[i * m + heater]! * power;
    for (let v = 0; v < heat.length; v++) sum += gamma[i * m + vessel + v]! * heat[v]!;
    into[i] = sum;
  }
}

/**
 * Advances a run to a step, showing every step to the watcher. The room is sampled at mid-step, the product's heat is
 * held for a minute, controllers read before each step and act over it. The inner loop allocates nothing.
 */
export function advance(run: Run, untilStep: number, watcher: Watcher): void {
  const { input, network, holds, rooms, state } = run;
  const { chamber, dt } = input;
  const { unit } = chamber;
  const n = network.nodes.length;
  const { x } = state;
  const next = paddedVector(n);
  const fixed = new Float64Array(n);
  const phis = [padded(holds[0].phi, n), padded(holds[1].phi, n)] as const;
  const roomGains = [columnOf(holds[0], INPUT.room), columnOf(holds[1], INPUT.room)] as const;
  const productEvery = Math.max(1, Math.round(PRODUCT_STEP / dt));
  const perStep = unit.scale === "C" ? 1 / unit.resolution : 1.8 / unit.resolution;
  const changes = changeSteps(run);
  const stepUnit = stepTwoOutlet;
  const take = takeStep;

  const controller = state.controllers[0]!;
  const probe = input.controllers[0]!.probe;
  const probeNode = network.probes[probe]!;
  // floor(… + ½) rounds halves up, as stepsOf does; the tail keeps binary fractions from falling short.
  const shift = chamber.probes[probe]!.error * perStep + (unit.scale === "C" ? 0 : 32 / unit.resolution) + 0.5 + 1e-9;
  const hasHeater = network.heaterPower > 0;
  const hasCooler = network.coolerPower > 0;
  let counts = countsAt(run, 0, state.step * dt);
  let mode: 0 | 1 = 0;
  let heatWas = false;
  let stale = true;
  let change = changes.findIndex((at) => at > state.step);
  let untilProduct = (productEvery - (state.step % productEvery)) % productEvery;
  let roomAt = state.step % rooms.length;

  for (let step = state.step; step < untilStep; step++) {
    if (change >= 0 && changes[change]! <= step) {
      counts = countsAt(run, 0, step * dt);
      change = change + 1 < changes.length ? change + 1 : -1;
    }
    if (untilProduct === 0) {
      if (ferment(run, productEvery * dt)) stale = true;
      untilProduct = productEvery;
    }
    untilProduct--;
    const shown = Math.floor(x[probeNode]! * perStep + shift) + counts.offset;
    stepUnit(controller, counts, shown, step === 0 ? 0 : dt);
    const heating = hasHeater && controller.heating;
    const cooling = hasCooler && controller.compressor;
    const room = rooms[roomAt]!;
    if (++roomAt === rooms.length) roomAt = 0;

    state.step = step;
    watcher.sample(state, shown, room, heating, cooling);

    const nextMode = cooling ? 1 : 0;
    if (stale || nextMode !== mode || heating !== heatWas) {
      mode = nextMode;
      heatWas = heating;
      stale = false;
      fixedPart(run, holds[mode], heating, fixed);
    }
    const phi = phis[mode];
    const gain = roomGains[mode];
    take(phi, x, next, fixed, gain, room);
  }
  state.step = untilStep;
}

function columnOf(hold: Hold, input: number): Float64Array {
  return Float64Array.from({ length: hold.n }, (_, i) => hold.gamma[i * hold.m + input]!);
}

/** The temperature of a display, °C, from its steps: `shown · slope + zero`. */
export function displayScale(run: Run): { slope: number; zero: number } {
  const { scale, resolution } = run.input.chamber.unit;
  return scale === "C" ? { slope: resolution, zero: 0 } : { slope: resolution / 1.8, zero: -32 / 1.8 };
}
