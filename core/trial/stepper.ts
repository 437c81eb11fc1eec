import { buildNetwork, type Network } from "../chamber";
import { aroundAt, isDaily, seriesTemperature } from "../climate";
import {
  freshOutlet,
  NO_READING,
  noOutput,
  onOffFamily,
  outletOf,
  powerUp,
  stepOutlet,
  type OnOffNumbers,
} from "../controller";
import { freshCooler, freshHeater, stepCooler, stepFire, stepHeater } from "../device";
import type { Chamber, Observable, Unit } from "../model";
import { evaporationHeat, modelOf, productObservable } from "../product";
import { isWatchful, nextMoment, startProgram, takeDue, waitsFor, watch, type ProgramPlan } from "../program";
import { inputsOf, ROOM, type Inputs } from "./discretise";
import { absorbed, changeIce, settleIce } from "./ice";
import type { TrialInput } from "./input";
import { paddedVector, takeStep } from "./kernel";
import { memo } from "./memo";
import { Modes, type Mode } from "./modes";
import { noiseAt } from "./noise";
import type { RunState } from "./state";
import { changeSteps, numbersNow, situationAt, type Situation } from "./timeline";

/** The product's heat is held for a minute at a time; it moves over hours. */
const PRODUCT_STEP = 60;
/** Probes do not share their noise: each begins elsewhere in the table. */
const NOISE_APART = 977;

/** What is computed once for a trial. */
export interface Run {
  input: TrialInput;
  network: Network;
  at: Inputs;
  modes: Modes;
  plan: ProgramPlan;
  steps: number;
  /** Room at the middle of each step of a day, or of the whole trial where no day is like the other, °C. */
  rooms: Float64Array;
  state: RunState;
}

/** What a watcher of the trial is shown at every step, before the step is taken. */
export interface Watcher {
  sample(state: RunState, room: number): void;
}

type Around = Pick<TrialInput, "dt" | "startHour"> &
  Pick<TrialInput["chamber"], "room" | "roomSeries" | "happenings"> & { steps: number };

/** A room mostly repeats itself daily, and a cosine a step would not be free. */
const roomByStep = memo((around: Around) => {
  const { dt, startHour, steps } = around;
  const perDay = Math.round(86_400 / dt);
  const daily = isDaily(around) && Math.abs(perDay * dt - 86_400) < 1e-9;
  return Float64Array.from({ length: daily ? Math.min(perDay, steps) : steps }, (_, i) =>
    aroundAt(around, (i + 0.5) * dt, startHour),
  );
}, 4);

/** Sets up a trial: box and devices at the room's temperature, each vessel, load and the ice at their own. */
export function startRun(input: TrialInput): Run {
  const { chamber } = input;
  const network = buildNetwork(chamber);
  const { room, roomSeries } = chamber;
  const weather = chamber.happenings.filter((h) => h.kind === "weather");
  const around = { room, roomSeries, happenings: weather };
  const start = roomSeries ? seriesTemperature(roomSeries, 0) : aroundAt(around, 0, input.startHour);
  const n = network.nodes.length;
  const x = paddedVector(n).fill(start, 0, n);
  network.shells.forEach((parts, v) => parts.forEach(({ node }) => (x[node] = chamber.vessels[v]!.startTemperature)));
  if (chamber.cabinet.kind === "kettle") x[network.air] = chamber.vessels[0]!.startTemperature;
  chamber.happenings
    .filter((h) => h.kind === "loadIn")
    .sort((a, b) => a.at - b.at)
    .forEach((h, i) => (x[network.loads[i]!] = h.temperature));
  network.coolers.forEach(({ node, iceMass }, i) => {
    if (iceMass > 0) x[node] = chamber.coolers[i]!.iceStart;
  });
  const steps = Math.round((input.days * 86_400) / input.dt);
  const modes = new Modes(network, chamber, input.dt);
  const at = inputsOf(network);
  const u = new Float64Array(at.count);
  u[at.constant] = 1;
  const plan: ProgramPlan = { stages: chamber.stages, program: chamber.program };
  const coolers = chamber.coolers.map(freshCooler);
  return {
    input,
    network,
    at,
    modes,
    plan,
    steps,
    rooms: roomByStep({ ...around, dt: input.dt, startHour: input.startHour, steps }),
    state: {
      step: 0,
      x,
      controls: chamber.controllers.map(({ unit }) => powerUp(unit.restAtStart)),
      outlets: chamber.controllers.flatMap(() => [freshOutlet(), freshOutlet()]),
      shown: new Float64Array(chamber.controllers.length).fill(NO_READING),
      heaters: chamber.heaters.map((h) => freshHeater(h.fuel)),
      coolers,
      products: chamber.vessels.map((v) => modelOf(v.product).start(v.product, v.volume)),
      program: startProgram(plan),
      heat: new Float64Array(network.vessels.length),
      evaporated: new Float64Array(network.vessels.length),
      u,
      inputs: 0,
      mode: modes.of({ ...situationAt(input, 0).conditions, ice: coolers.map((c) => c.ice) }, 0),
      on: 0,
      heating: false,
      cooling: false,
    },
  };
}

const produced = { watts: 0 };

/** Moves every vessel's own heat and evaporation on and says whether any has changed. */
function moveProducts(run: Run, span: number): boolean {
  const { state, network, input, at } = run;
  let changed = false;
  const seconds = state.step * input.dt + span / 2;
  for (let v = 0; v < state.heat.length; v++) {
    const vessel = input.chamber.vessels[v]!;
    const shells = network.shells[v]!;
    const core = state.x[network.vessels[v]!]!;
    modelOf(vessel.product).step(state.products[v]!, vessel.product, core, seconds, span, produced);
    const own = vessel.count * produced.watts;
    const taken = evaporationHeat(vessel, state.x[shells[shells.length - 1]!.node]!);
    changed ||= own !== state.heat[v] || taken !== state.evaporated[v];
    state.heat[v] = own;
    state.evaporated[v] = taken;
    state.u[at.vessel + v] = own - taken;
  }
  return changed;
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

/** The temperature of a display, °C, from its steps: `shown · slope + zero`. */
export const displayOf = ({
  scale,
  resolution,
}: Pick<Unit, "scale" | "resolution">): { slope: number; zero: number } =>
  scale === "C" ? { slope: resolution, zero: 0 } : { slope: resolution / 1.8, zero: -32 / 1.8 };

/** How a controller reads its probe: all in steps of its own display, whatever its neighbours do. */
interface Reader {
  node: number;
  probe: number;
  perStep: number;
  shift: number;
  noise: number;
  noiseFrom: number;
  sensorStep: number;
  blind: boolean;
  /** 0: none; 1: open; 2: short. */
  fault: number;
  /** How far the probe has drifted, and further at each step; the offset that is keyed in. */
  drift: number;
  driftStep: number;
  offset: number;
}

function readerOf(chamber: Chamber, network: Network, index: number): Reader {
  const { unit, probes } = chamber.controllers[index]!;
  const probe = chamber.probes.findIndex((p) => p.id === probes[0]);
  const sensor = chamber.probes[probe]!;
  const perStep = unit.scale === "C" ? 1 / unit.resolution : 1.8 / unit.resolution;
  return {
    node: network.probes[probe]!,
    probe,
    perStep,
    // floor(… + ½) rounds halves up, as stepsOf does; the tail keeps binary fractions from falling short.
    shift: sensor.error * perStep + (unit.scale === "C" ? 0 : 32 / unit.resolution) + 0.5 + 1e-9,
    noise: sensor.noise * perStep,
    noiseFrom: probe * NOISE_APART,
    sensorStep: sensor.step,
    blind: unit.atFault === "blind",
    fault: 0,
    drift: 0,
    driftStep: 0,
    offset: 0,
  };
}

/** Which outlet feeds each device: two a controller, heat and cold; −1: none. */
const feedsOf = ({ controllers }: Chamber, devices: readonly { id: string }[]): Int32Array =>
  Int32Array.from(devices, ({ id }) =>
    controllers.reduce((at, c, i) => (c.heat.includes(id) ? 2 * i : c.cold.includes(id) ? 2 * i + 1 : at), -1),
  );

/** Reads what a stage waits for from a run's present state. */
export function lookInto(run: Run): (what: Observable) => number {
  const { input, network, state, rooms } = run;
  const { chamber } = input;
  return ({ of, id, name }) => {
    switch (of) {
      case "air":
        return state.x[network.air]!;
      case "room":
        return rooms[state.step % rooms.length]!;
      case "probe":
        return state.x[network.probes[chamber.probes.findIndex((p) => p.id === id)]!]!;
      case "controller": {
        const at = chamber.controllers.findIndex((c) => c.id === id);
        const shown = state.shown[at]!;
        const { slope, zero } = displayOf(chamber.controllers[at]!.unit);
        return shown === NO_READING ? NaN : shown * slope + zero;
      }
      case "vessel": {
        const at = chamber.vessels.findIndex((v) => v.id === id);
        if (name === "temperature") return state.x[network.vessels[at]!]!;
        const { product } = chamber.vessels[at]!;
        return productObservable(product, name)?.of(state.products[at]!, product) ?? NaN;
      }
    }
  };
}

/** What is measured at a node can be waited for without a call: −1 for everything else. */
function nodeOf({ of, id, name }: Observable, chamber: Chamber, network: Network): number {
  if (of === "air") return network.air;
  if (of === "probe") return network.probes[chamber.probes.findIndex((p) => p.id === id)] ?? -1;
  if (of === "vessel" && name === "temperature")
    return network.vessels[chamber.vessels.findIndex((v) => v.id === id)] ?? -1;
  return -1;
}

/** What the inner loop hands to the slower way of stepping devices, and gets back from it. */
interface Desk {
  outs: Float64Array;
  heaterFeeds: Int32Array;
  coolerFeeds: Int32Array;
  loadFeeds: Int32Array;
  loadPowers: Float64Array;
  fans: number;
  fires: boolean[];
  canCool: boolean[];
  freeHeat: boolean[];
  freeCold: boolean[];
  shares: boolean;
  /** W into each heater, each defrost heater and the loads, as they stand. */
  watts: Float64Array;
  defrosts: Float64Array;
  loadWatts: number;
  on: number;
  cooled: number;
  stirs: boolean;
  stale: boolean;
}

const relay = outletOf("relay");

/**
 * Devices that do not simply follow their outlet: with a thermostat, a timer, a switch or a fire of their own, behind a
 * relay that sticks, switched by shares; and fans and lights.
 */
function stepHindered(
  desk: Desk,
  { state, network, input, at }: Run,
  now: Situation,
  power: boolean,
  dt: number,
): void {
  const { chamber } = input;
  const { outs, watts, defrosts } = desk;
  const { u, x, heaters, coolers, outlets } = state;
  desk.on = desk.cooled = 0;
  desk.stale = false;
  now.controllers.forEach(({ heatStuck, coldStuck }, c) => {
    if (desk.shares) for (let o = 2 * c; o <= 2 * c + 1; o++) outs[o] = stepOutlet(outlets[o]!, outs[o]!, relay, dt);
    if (heatStuck !== "") outs[2 * c] = heatStuck === "on" && power ? 1 : 0;
    if (coldStuck !== "") outs[2 * c + 1] = coldStuck === "on" && power ? 1 : 0;
  });
  for (let h = 0; h < heaters.length; h++) {
    const heater = chamber.heaters[h]!;
    const { node, power: full } = network.heaters[h]!;
    const feed = desk.heaterFeeds[h]!;
    const share = feed >= 0 && full > 0 ? outs[feed]! : 0;
    let gives = share * full;
    let runs = gives > 0;
    if (!desk.freeHeat[h]) {
      const { staysOff, cutOut, fuelOut } = now.heaters[h]!;
      const body = x[node >= 0 ? node : network.air]!;
      runs = stepHeater(heaters[h]!, heater, share > 0 && !cutOut, body, heater.staysOff || staysOff, dt);
      gives = runs ? share * full : 0;
      if (desk.fires[h]) {
        gives = fuelOut ? 0 : stepFire(heaters[h]!, heater, runs, dt);
        if (gives <= 0) runs = false;
      }
    }
    if (runs) desk.on |= 1 << h;
    if (gives !== watts[h]) {
      u[at.heater + h] = watts[h] = gives;
      desk.stale = true;
    }
  }
  for (let c = 0; c < coolers.length; c++) {
    const cooler = chamber.coolers[c]!;
    const feed = desk.coolerFeeds[c]!;
    const fed = feed >= 0 && desk.canCool[c]! && outs[feed]! > 0;
    let runs = fed;
    let defrost = 0;
    if (!desk.freeCold[c]) {
      runs = stepCooler(coolers[c]!, cooler, fed, x[network.air]!, dt);
      defrost = fed && coolers[c]!.defrostLeft > 0 ? cooler.defrostPower : 0;
    }
    if (runs) {
      desk.on |= 1 << (heaters.length + c);
      desk.cooled |= 1 << c;
    }
    if (defrost !== defrosts[c]) {
      u[at.cold + c] = defrosts[c] = defrost;
      desk.stale = true;
    }
  }
  let loads = 0;
  desk.stirs = false;
  for (let l = 0; l < desk.loadFeeds.length; l++) {
    const feed = desk.loadFeeds[l]!;
    // What hangs on no outlet has its own plug.
    if (!power || (feed >= 0 && outs[feed]! <= 0)) continue;
    loads += desk.loadPowers[l]!;
    if (l < desk.fans) desk.stirs = true;
  }
  if (loads !== desk.loadWatts) {
    u[at.air]! += loads - desk.loadWatts;
    desk.loadWatts = loads;
    desk.stale = true;
  }
}

/** Fresh ice where it is time, and which phase each is in; says whether any has changed. */
function turnIce(run: Run, now: Situation): boolean {
  const { network, input, state } = run;
  const { conditions } = now;
  let changed = false;
  for (let c = 0; c < state.coolers.length; c++) {
    if (network.coolers[c]!.iceMass === 0) continue;
    const { iceEvery, iceStart } = input.chamber.coolers[c]!;
    const cooler = state.coolers[c]!;
    cooler.iceAge += input.dt;
    if (iceEvery > 0 && cooler.iceAge >= iceEvery && !now.coolers[c]!.iceForgotten)
      changeIce(state, network, c, iceStart);
    if (cooler.ice === conditions.ice[c]) continue;
    conditions.ice[c] = cooler.ice;
    changed = true;
  }
  return changed;
}

/** Whether anything that a stage waits for may be so: only then is it looked at closely. */
function mayBeSo(watches: readonly Wait[], held: readonly number[], x: Float64Array): boolean {
  for (let w = 0; w < watches.length; w++) {
    const { node, least, value, index } = watches[w]!;
    if (node < 0 || held[index]! >= 0 || (least ? x[node]! >= value : x[node]! <= value)) return true;
  }
  return false;
}

interface Wait {
  node: number;
  least: boolean;
  value: number;
  index: number;
}

/**
 * Advances a run to a step, showing every step to the watcher. The room is sampled at mid-step, the product's heat is
 * held for a minute, controllers read before each step and act over it, the program looks at every step. The inner loop
 * allocates nothing.
 */
export function advance(run: Run, untilStep: number, watcher: Watcher): void {
  const { input, network, rooms, state, at, plan } = run;
  const { chamber, dt } = input;
  const { x, u, controls, heaters, coolers, shown, program } = state;
  const n = network.nodes.length;
  const next = paddedVector(n);
  const fixed = new Float64Array(n);
  const count = controls.length;
  const readers = controls.map((_, c) => readerOf(chamber, network, c));
  const heaterFeeds = feedsOf(chamber, chamber.heaters);
  const coolerFeeds = feedsOf(chamber, chamber.coolers);
  const loads = [...chamber.fans, ...chamber.lights];
  const outs = new Float64Array(2 * count);
  const heaterCount = heaters.length;
  const coolerCount = coolers.length;
  const heaterPowers = Float64Array.from(network.heaters, (h) => h.power);
  // The devices that an outlet feeds, with their bits.
  const fed = (feeds: Int32Array, can: (i: number) => boolean) =>
    [...feeds.keys()].filter((i) => feeds[i]! >= 0 && can(i));
  const fedHeaters = fed(heaterFeeds, (h) => heaterPowers[h]! > 0);
  const fedCoolers = fed(coolerFeeds, (c) => network.coolers[c]!.law.power > 0);
  const heaterFed = Int32Array.from(fedHeaters, (h) => heaterFeeds[h]!);
  const coolerFed = Int32Array.from(fedCoolers, (c) => coolerFeeds[c]!);
  const heaterBits = Int32Array.from(fedHeaters, (h) => 1 << h);
  const coolerBits = Int32Array.from(fedCoolers, (c) => 1 << (heaterCount + c));
  // What hangs on the first controller's outlets, for the loop of one controller alone.
  const bitsOn = (feed: number) =>
    fedHeaters.reduce((bits, h) => (heaterFeeds[h] === feed ? bits | (1 << h) : bits), 0) |
    fedCoolers.reduce((bits, c) => (coolerFeeds[c] === feed ? bits | (1 << (heaterCount + c)) : bits), 0);
  const onHeat = bitsOn(0);
  const onCold = bitsOn(1);
  const heatersFed = heaterFed.length;
  const coolersFed = coolerFed.length;
  const hasIce = network.coolers.some((c) => c.iceMass > 0);
  const changes = changeSteps(input);
  const productEvery = Math.max(1, Math.round(PRODUCT_STEP / dt));
  const out = noOutput();
  const look = lookInto(run);
  const programmed = plan.stages.length > 1 || plan.stages[0]!.ends.length > 0 || plan.stages[0]!.latest > 0;
  const watchful = isWatchful(plan);
  // Held here, the inner loop asks no module and no global for them.
  const none = NO_READING;
  const { floor, round } = Math;
  const take = takeStep;
  const step1 = onOffFamily.step;
  const noise = noiseAt;
  const wattsWas = Float64Array.from({ length: heaterCount }, (_, h) => u[at.heater + h]!);
  const desk: Desk = {
    outs,
    heaterFeeds,
    coolerFeeds,
    loadFeeds: feedsOf(chamber, loads),
    loadPowers: Float64Array.from(loads, (l) => l.power),
    fans: chamber.fans.length,
    fires: chamber.heaters.map((h) => h.kind === "charcoal" && h.power > 0),
    canCool: network.coolers.map((c) => c.law.power > 0),
    freeHeat: [],
    freeCold: chamber.coolers.map((c) => !(c.ownThermostat || c.staysOff || c.defrostEvery > 0)),
    shares: onOffFamily.shares,
    watts: wattsWas,
    defrosts: Float64Array.from({ length: coolerCount }, (_, c) => u[at.cold + c]!),
    loadWatts: 0,
    on: 0,
    cooled: 0,
    stirs: false,
    stale: false,
  };
  let untilProduct = (productEvery - (state.step % productEvery)) % productEvery;
  let roomAt = state.step % rooms.length;

  while (state.step < untilStep) {
    const first = state.step;
    if (programmed) takeDue(plan, program, first * dt);
    const change = changes.find((s) => s > first) ?? Infinity;
    const programChange = programmed ? Math.max(first + 1, Math.ceil(nextMoment(plan, program) / dt - 1e-9)) : Infinity;
    const last = Math.min(untilStep, change, programChange);
    const now = situationAt(input, first);
    const numbers: OnOffNumbers[] = numbersNow(input, now, program);
    const { power, conditions } = now;
    // Devices that only their outlet decides over need no further questions.
    desk.freeHeat = chamber.heaters.map((h, i) => {
      const { staysOff, cutOut } = now.heaters[i]!;
      return !(h.staysOff || staysOff || h.ownThermostat || h.timer > 0 || desk.fires[i] || cutOut);
    });
    const stuck = now.controllers.some((c) => c.heatStuck !== "" || c.coldStuck !== "");
    const allFree =
      !desk.shares && !stuck && desk.freeHeat.every(Boolean) && desk.freeCold.every(Boolean) && loads.length === 0;
    conditions.ice = coolers.map((c) => c.ice);
    let byMask: (Mode | undefined)[] = [];
    const modeOf = (mask: number): Mode => (byMask[mask] ??= run.modes.of(conditions, mask));
    const failing = now.coolers.reduce((bits, c, i) => (c.fails ? bits | (1 << i) : bits), 0);
    desk.loadWatts = 0;
    u[at.air] = power ? modeOf(0).network.fanHeat : 0;
    for (let c = 0; c < count; c++) {
      const reader = readers[c]!;
      const feels = now.probes[reader.probe]!;
      reader.fault = feels.fault;
      reader.drift = feels.drifted * reader.perStep;
      reader.driftStep = feels.driftRate * dt * reader.perStep;
      reader.offset = numbers[c]!.offset;
      if (!power) controls[c] = powerUp(chamber.controllers[c]!.unit.restAtStart);
    }
    const [reader0] = readers;
    const plain =
      count === 1 &&
      power &&
      reader0!.fault === 0 &&
      reader0!.noise === 0 &&
      reader0!.sensorStep === 0 &&
      reader0!.drift === 0 &&
      reader0!.driftStep === 0;
    const { node: plainNode, perStep: plainPerStep, shift: plainShift, offset: plainOffset } = reader0!;
    const direct = plain && allFree;
    const control0 = controls[0]!;
    const numbers0 = numbers[0]!;
    // Asks anew what each heater gets, whatever it got before.
    let wasOn = -1;
    let maskWas = -1;
    let stale = true;
    let mode = state.mode;
    let { phi, gain } = mode;
    let melts = mode.melts;
    const waiting = watchful ? waitsFor(plan.stages[program.stage]!) : [];
    const watches = waiting.map((i): Wait => {
      const end = plan.stages[program.stage]!.ends[i]!;
      if (end.kind !== "reaches") return { node: -1, least: true, value: 0, index: i };
      const node = nodeOf(end.observable, chamber, network);
      return { node, least: end.comparison === "atLeast", value: end.value, index: i };
    });
    const waits = watches.length > 0 && program.dueAt < 0 && program.finishedAt < 0;

    for (let step = first; step < last; step++) {
      if (waits && mayBeSo(watches, program.heldSince, x)) {
        state.step = step;
        if (watch(plan, program, look, step * dt)) break;
      }
      if (untilProduct === 0) {
        state.step = step;
        if (moveProducts(run, productEvery * dt)) stale = true;
        untilProduct = productEvery;
      }
      untilProduct--;

      // One controller that reads plainly, as most are: everything stands in locals.
      if (plain) {
        const reading = floor(x[plainNode]! * plainPerStep + plainShift) + plainOffset;
        shown[0] = reading;
        step1(control0, numbers0, reading, step === 0 ? 0 : dt, out);
        if (!direct) {
          outs[0] = out.heat;
          outs[1] = out.cold;
        }
      } else
        for (let c = 0; c < count; c++) {
          const reader = readers[c]!;
          let reading = none;
          if (reader.fault === 0) {
            let felt = x[reader.node]!;
            if (reader.sensorStep > 0) felt = round(felt / reader.sensorStep) * reader.sensorStep;
            const wobble = reader.noise > 0 ? reader.noise * noise(step + reader.noiseFrom) : 0;
            reading = floor(felt * reader.perStep + reader.shift + reader.drift + wobble) + reader.offset;
          } else if (reader.blind) reading = reader.fault === 1 ? -1e6 : 1e6;
          reader.drift += reader.driftStep;
          shown[c] = reading;
          if (power) {
            step1(controls[c]!, numbers[c]!, reading, step === 0 ? 0 : dt, out);
            outs[2 * c] = out.heat;
            outs[2 * c + 1] = out.cold;
          } else {
            outs[2 * c] = 0;
            outs[2 * c + 1] = 0;
          }
        }

      let on = 0;
      let cooled = 0;
      if (allFree) {
        if (direct) on = (out.heat > 0 ? onHeat : 0) | (out.cold > 0 ? onCold : 0);
        else {
          for (let h = 0; h < heatersFed; h++) if (outs[heaterFed[h]!]! > 0) on |= heaterBits[h]!;
          for (let c = 0; c < coolersFed; c++) if (outs[coolerFed[c]!]! > 0) on |= coolerBits[c]!;
        }
        cooled = on >> heaterCount;
        if (on !== wasOn) {
          for (let h = 0; h < heaterCount; h++) {
            const watts = on & (1 << h) ? heaterPowers[h]! : 0;
            if (watts === wattsWas[h]) continue;
            u[at.heater + h] = wattsWas[h] = watts;
            stale = true;
          }
          wasOn = on;
        }
      } else {
        state.step = step;
        stepHindered(desk, run, now, power, dt);
        on = desk.on;
        cooled = desk.cooled;
        if (desk.stale) stale = true;
        if (desk.stirs !== conditions.stirred) {
          conditions.stirred = desk.stirs;
          byMask = [];
          maskWas = -1;
        }
      }

      const room = rooms[roomAt]!;
      if (++roomAt === rooms.length) roomAt = 0;
      if (hasIce && turnIce(run, now)) {
        byMask = [];
        maskWas = -1;
      }
      const mask = cooled & ~failing;
      if (mask !== maskWas || stale) {
        maskWas = mask;
        const nextMode = modeOf(mask);
        if (nextMode !== mode || stale) {
          mode = state.mode = nextMode;
          phi = mode.phi;
          gain = mode.gain;
          melts = mode.melts;
          stale = false;
          state.inputs++;
          fixedPart(mode, u, fixed);
        }
      }
      state.step = step;
      state.on = on;
      state.heating = (on & ((1 << heaterCount) - 1)) !== 0;
      state.cooling = cooled !== 0;
      watcher.sample(state, room);
      if (melts)
        for (let c = 0; c < coolerCount; c++) {
          const weights = mode.absorb[c];
          takenBy[c] = weights ? absorbed(weights, mode, x, u, room) : 0;
        }
      take(phi, x, next, fixed, gain, room);
      if (hasIce)
        for (let c = 0; c < coolerCount; c++)
          if (network.coolers[c]!.iceMass > 0) settleIce(state, network, c, melts ? takenBy[c]! : 0);
      if (step + 1 === last) state.step = last;
    }
  }
}

/** Heat that each ice takes over a step, J: more coolers than a chamber can have. */
const takenBy = new Float64Array(16);
