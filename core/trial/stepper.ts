import { buildNetwork, type Network } from "../chamber";
import { aroundAt, isDaily, seriesTemperature } from "../climate";
import { machinesOf, NO_READING, powerUp, stepUnit } from "../controller";
import { freshDevices, stepCooler, stepFire, stepHeater } from "../device";
import { fermentationHeat, startFerment } from "../product";
import { INPUT } from "./discretise";
import { absorbed, changeIce, settleIce } from "./ice";
import type { TrialInput } from "./input";
import { paddedVector, takeStep } from "./kernel";
import { memo } from "./memo";
import { Modes, type Mode } from "./modes";
import { noiseAt } from "./noise";
import { evaporation, ownHeat } from "./ownHeat";
import type { RunState } from "./state";
import { changeSteps, situationAt } from "./timeline";

/** The product's heat is held for a minute at a time; it moves over hours. */
const PRODUCT_STEP = 60;

/** What is computed once for a trial. */
export interface Run {
  input: TrialInput;
  network: Network;
  modes: Modes;
  steps: number;
  totalHeat: number[];
  /** Room at the middle of each step of a day, or of the whole trial where no day is like the other, °C. */
  rooms: Float64Array;
  state: RunState;
}

/** What a watcher of the trial is shown at every step, before the step is taken. */
export interface Watcher {
  /** @param shown the display, in steps of its resolution, or NO_READING */
  sample(state: RunState, shown: number, room: number, heating: boolean, cooling: boolean): void;
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
  if (network.iceMass > 0) x[network.cold] = chamber.cooler.iceStart;
  const steps = Math.round((input.days * 86_400) / input.dt);
  const modes = new Modes(network, chamber, input.dt);
  const u = new Float64Array(INPUT.vessel + network.vessels.length);
  u[INPUT.constant] = 1;
  return {
    input,
    network,
    modes,
    steps,
    rooms: roomByStep({ ...around, dt: input.dt, startHour: input.startHour, steps }),
    totalHeat: chamber.vessels.map((v) => fermentationHeat(v.product, v.volume)),
    state: {
      step: 0,
      x,
      machines: input.controllers.flatMap(({ settings, unit }) =>
        machinesOf(settings, unit).map(() => powerUp(unit.restAtStart)),
      ),
      devices: freshDevices(chamber.heater.fuel),
      ice: "frozen",
      ferments: chamber.vessels.map(startFerment),
      heat: new Float64Array(network.vessels.length),
      evaporated: new Float64Array(network.vessels.length),
      u,
      inputs: 0,
      mode: modes.of(situationAt(input, 0).conditions, false),
    },
  };
}

/** Moves every vessel's own heat and evaporation on and says whether any has changed. */
function moveProducts(run: Run, span: number): boolean {
  const { state, network, input, totalHeat } = run;
  let changed = false;
  const seconds = state.step * input.dt + span / 2;
  for (let v = 0; v < state.heat.length; v++) {
    const vessel = input.chamber.vessels[v]!;
    const shells = network.shells[v]!;
    const core = state.x[network.vessels[v]!]!;
    const own = ownHeat(vessel, state.ferments[v]!, totalHeat[v]!, core, seconds, span);
    const taken = evaporation(vessel, state.x[shells[shells.length - 1]!.node]!);
    changed ||= own !== state.heat[v] || taken !== state.evaporated[v];
    state.heat[v] = own;
    state.evaporated[v] = taken;
    state.u[INPUT.vessel + v] = own - taken;
  }
  return changed;
}

/** The part of a step that only changes with devices and product: Γ times all inputs but the room. */
function fixedPart(mode: Mode, u: Float64Array, into: Float64Array): void {
  const { n, m, gamma } = mode.hold;
  for (let i = 0; i < n; i++) {
    let sum = 0;
    for (let j = 0; j < m; j++) if (j !== INPUT.room) sum += gamma[i * m + j]! * u[j]!;
    into[i] = sum;
  }
}

/**
 * Advances a run to a step, showing every step to the watcher. The room is sampled at mid-step, the product's heat is
 * held for a minute, controllers read before each step and act over it. The inner loop allocates nothing.
 */
export function advance(run: Run, untilStep: number, watcher: Watcher): void {
  const { input, network, rooms, state } = run;
  const { chamber, dt } = input;
  const { x, u, machines, devices } = state;
  const { heater, cooler } = chamber;
  const n = network.nodes.length;
  const next = paddedVector(n);
  const fixed = new Float64Array(n);
  const { unit, probe } = input.controllers[0]!;
  const sensor = chamber.probes[probe]!;
  const probeNode = network.probes[probe]!;
  const perStep = unit.scale === "C" ? 1 / unit.resolution : 1.8 / unit.resolution;
  // floor(… + ½) rounds halves up, as stepsOf does; the tail keeps binary fractions from falling short.
  const shift = sensor.error * perStep + (unit.scale === "C" ? 0 : 32 / unit.resolution) + 0.5 + 1e-9;
  const noise = sensor.noise * perStep;
  const sensorStep = sensor.step;
  const changes = changeSteps(input);
  const productEvery = Math.max(1, Math.round(PRODUCT_STEP / dt));
  const isFire = heater.kind === "charcoal" && network.heaterPower > 0;
  const { heaterPower, iceMass } = network;
  const heaterNode = network.heater >= 0 ? network.heater : network.air;
  const airNode = network.air;
  const canHeat = heaterPower > 0;
  const canCool = network.law.power > 0;
  const step1 = stepUnit;
  // Held here, the inner loop asks no module and no global for them.
  const none = NO_READING;
  const { floor, round } = Math;
  const take = takeStep;

  const blind = unit.atFault === "blind";
  const second = unit.kind === "pair" && unit.ownProbe ? (network.probes[1] ?? -1) : -1;
  const secondShift = second < 0 ? 0 : shift + (chamber.probes[1]!.error - sensor.error) * perStep;
  let wattsWas = u[INPUT.heater]!;
  let defrostWas = u[INPUT.cold]!;
  let untilProduct = (productEvery - (state.step % productEvery)) % productEvery;
  let roomAt = state.step % rooms.length;

  while (state.step < untilStep) {
    const first = state.step;
    const change = changes.find((at) => at > first) ?? Infinity;
    const last = Math.min(untilStep, change);
    const now = situationAt(input, first);
    const { counts, power, coldFails } = now;
    const { offset } = counts[0]!;
    const staysOff = heater.staysOff || now.heaterStaysOff;
    const unhindered =
      !staysOff && !heater.ownThermostat && heater.timer === 0 && !isFire && !now.heaterCutOut && now.heatStuck === "";
    const freeCold = !cooler.ownThermostat && !cooler.staysOff && cooler.defrostEvery === 0 && now.coldStuck === "";
    const conditions = now.conditions;
    let ice = state.ice;
    conditions.ice = ice;
    let off = run.modes.of(conditions, false);
    let on = canCool ? run.modes.of(conditions, true) : off;
    u[INPUT.air] = power ? off.network.fanHeat : 0;
    let drift = now.drifted * perStep;
    const driftStep = now.driftRate * dt * perStep;
    let stale = true;
    let mode = state.mode;
    if (!power) for (let c = 0; c < machines.length; c++) machines[c] = powerUp(unit.restAtStart);

    const { fault } = now;
    const single = machines.length === 1;
    const machine0 = machines[0]!;
    const counts0 = counts[0]!;
    let { phi, gain } = mode;
    let pinned = mode.absorb.length > 0;

    for (let step = first; step < last; step++) {
      if (untilProduct === 0) {
        state.step = step;
        if (moveProducts(run, productEvery * dt)) stale = true;
        untilProduct = productEvery;
      }
      untilProduct--;

      let shown = none;
      if (fault === 0) {
        let felt = x[probeNode]!;
        if (sensorStep > 0) felt = round(felt / sensorStep) * sensorStep;
        shown = floor(felt * perStep + shift + drift + (noise > 0 ? noise * noiseAt(step) : 0)) + offset;
      } else if (blind) shown = fault === 1 ? -1e6 : 1e6;
      drift += driftStep;

      let heatOut = false;
      let coldOut = false;
      if (power) {
        const span = step === 0 ? 0 : dt;
        if (single) {
          step1(machine0, counts0, shown, span);
          heatOut = machine0.heating;
          coldOut = machine0.compressor;
        } else
          for (let c = 0; c < machines.length; c++) {
            const machine = machines[c]!;
            const own = c > 0 && second >= 0;
            const reading = own ? floor(x[second]! * perStep + secondShift) + offset : shown;
            step1(machine, counts[c]!, reading, span);
            if (machine.heating) heatOut = true;
            if (machine.compressor) coldOut = true;
          }
      }

      let heating = heatOut && canHeat;
      let watts = heating ? heaterPower : 0;
      if (!unhindered) {
        if (now.heatStuck !== "") heatOut = now.heatStuck === "on";
        const fed = power && heatOut && canHeat && !now.heaterCutOut;
        heating = stepHeater(devices, heater, fed, x[heaterNode]!, staysOff, dt);
        watts = heating ? heaterPower : 0;
        if (isFire) {
          watts = now.fuelOut ? 0 : stepFire(devices, heater, heating, dt);
          if (watts <= 0) heating = false;
        }
      }
      let cooling = coldOut && canCool;
      let defrost = 0;
      if (!freeCold) {
        if (now.coldStuck !== "") coldOut = now.coldStuck === "on";
        const fed = power && coldOut && canCool;
        cooling = stepCooler(devices, cooler, fed, x[airNode]!, dt);
        defrost = fed && devices.defrostLeft > 0 ? cooler.defrostPower : 0;
      }
      if (watts !== wattsWas || defrost !== defrostWas) {
        u[INPUT.heater] = wattsWas = watts;
        u[INPUT.cold] = defrostWas = defrost;
        stale = true;
      }

      const room = rooms[roomAt]!;
      if (++roomAt === rooms.length) roomAt = 0;
      if (iceMass > 0) {
        devices.iceAge += dt;
        if (cooler.iceEvery > 0 && devices.iceAge >= cooler.iceEvery && !now.iceForgotten)
          changeIce(state, network, cooler.iceStart);
        if (state.ice !== ice) {
          ice = conditions.ice = state.ice;
          off = run.modes.of(conditions, false);
          on = canCool ? run.modes.of(conditions, true) : off;
        }
      }
      const nextMode = cooling && !coldFails ? on : off;
      if (nextMode !== mode || stale) {
        mode = state.mode = nextMode;
        phi = mode.phi;
        gain = mode.gain;
        pinned = mode.absorb.length > 0;
        stale = false;
        state.inputs++;
        fixedPart(mode, u, fixed);
      }

      state.step = step;
      watcher.sample(state, shown, room, heating, cooling);

      const taken = pinned ? absorbed(mode, x, u, room) : 0;
      take(phi, x, next, fixed, gain, room);
      if (iceMass > 0) settleIce(state, network.cold, iceMass, taken);
    }
    state.step = last;
  }
}

/** The temperature of a display, °C, from its steps: `shown · slope + zero`. */
export function displayScale(run: Run): { slope: number; zero: number } {
  const { scale, resolution } = run.input.controllers[0]!.unit;
  return scale === "C" ? { slope: resolution, zero: 0 } : { slope: resolution / 1.8, zero: -32 / 1.8 };
}
