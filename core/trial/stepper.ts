import { NO_READING, noOutput, onOffFamily, powerUp, type OnOffNumbers } from "../controller";
import { isProgrammed, isWatchful, nextMoment, takeDue, watch } from "../program";
import { ROOM } from "./discretise";
import { deskOf, stepHindered } from "./hindered";
import { absorbed, settleIce, turnIce } from "./ice";
import { paddedVector, takeStep } from "./kernel";
import { humidityAhead, moistHold, moveMoisture, openMoist } from "./moistAir";
import type { Mode } from "./modes";
import { noiseAt } from "./noise";
import { filmNow } from "./filmNow";
import { keepToGround } from "./leftGround";
import { heldFor, moveProducts } from "./ownHeat";
import { readerOf } from "./reader";
import { replay, type QuietSteps, type Run, type Watcher } from "./run";
import type { RunState } from "./state";
import { changeSteps, numbersNow, situationAt } from "./timeline";
import { lookInto, mayBeSo, watchesOf } from "./waits";

/** The part of a step that only changes with devices and product: Γ times all inputs but the room. */
function fixedPart(mode: Mode, u: Float64Array, into: Float64Array): void {
  const { n, m, gamma } = mode.hold;
  for (let i = 0; i < n; i++) {
    let sum = 0;
    for (let j = 0; j < m; j++) if (j !== ROOM) sum += gamma[i * m + j]! * u[j]!;
    into[i] = sum;
  }
}

/** How often at least, s. */
const LOOKS_AT_FILMS = 100;

/**
 * Advances a run to a step, showing every step to the watcher. The room is sampled at mid-step, the product's heat is
 * held for a minute or minutes, controllers read before each step and act over it, the program looks at every step. The inner loop
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
  const desk = deskOf(run);
  const { outs, heaterFeeds, coolerFeeds } = desk;
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
  // What hangs on one outlet, for steps in which each device follows its own.
  const bitsOn = (feed: number) =>
    fedHeaters.reduce((bits, h) => (heaterFeeds[h] === feed ? bits | (1 << h) : bits), 0) |
    fedCoolers.reduce((bits, c) => (coolerFeeds[c] === feed ? bits | (1 << (heaterCount + c)) : bits), 0);
  const heatBits = Int32Array.from(controls, (_, c) => bitsOn(2 * c));
  const coldBits = Int32Array.from(controls, (_, c) => bitsOn(2 * c + 1));
  const onHeat = heatBits[0]!;
  const onCold = coldBits[0]!;
  const lowWas = new Uint8Array(count);
  const highWas = new Uint8Array(count);
  const shownNow = new Float64Array(count);
  const heatersFed = heaterFed.length;
  const coolersFed = coolerFed.length;
  const hasIce = network.coolers.some((c) => c.iceMass > 0);
  const changes = changeSteps(input);
  const products = heldFor(chamber);
  const wetHold = run.moist ? moistHold(run, products) : products;
  // Films of still air are looked at more often than slow products move: a compressor's run is a few minutes.
  const together = Math.min(products, wetHold);
  const grows = chamber.thermal.filmGrows > 0;
  const moving = grows ? together / Math.ceil(together / LOOKS_AT_FILMS) : together;
  const moveEvery = Math.max(1, Math.round(moving / dt));
  const everySo = (hold: number) => moveEvery * Math.max(1, Math.round(hold / moving));
  const productEvery = everySo(products);
  const wetEvery = everySo(wetHold);
  const out = noOutput();
  const look = lookInto(run);
  const programmed = isProgrammed(plan);
  const watchful = isWatchful(plan);
  // Held here, the inner loop asks no module and no global for them.
  const none = NO_READING;
  const { floor, round } = Math;
  const take = takeStep;
  const step1 = onOffFamily.step;
  const noise = noiseAt;
  const wattsWas = desk.watts;
  // Steps in which nothing changes are taken in a row and shown at once.
  const stride = x.length;
  const quiet: QuietSteps = {
    from: 0,
    count: 0,
    // A row more than steps: each step is taken from one row to the next.
    x: new Float64Array((moveEvery + 1) * stride),
    stride,
    rooms: new Float64Array(moveEvery),
    shown: new Float64Array(moveEvery * count),
  };
  const { x: quietX, rooms: quietRooms, shown: quietShown } = quiet;
  let untilMove = (moveEvery - (state.step % moveEvery)) % moveEvery;
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
      return !(h.staysOff || staysOff || h.ownThermostat || h.timer > 0 || desk.fires[i] || desk.stirring[i] || cutOut);
    });
    const stuck = now.controllers.some((c) => c.heatStuck !== "" || c.coldStuck !== "");
    const allFree =
      !desk.shares &&
      !stuck &&
      desk.freeHeat.every(Boolean) &&
      desk.freeCold.every(Boolean) &&
      desk.loadPowers.length === 0;
    conditions.ice = coolers.map((c) => c.ice);
    conditions.film = state.film;
    if (conditions.open) openMoist(state.moisture, first * dt, last * dt);
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
    const allPlain =
      power &&
      readers.every((r) => r.fault === 0 && r.noise === 0 && r.sensorStep === 0 && r.drift === 0 && r.driftStep === 0);
    const plain = count === 1 && allPlain;
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
    const watches = watchful ? watchesOf(run) : [];
    const waits = watches.length > 0 && program.dueAt < 0 && program.finishedAt < 0;
    const calm = allPlain && allFree && !waits && !hasIce;
    /** What the controllers have already decided over the step that comes; -1: nothing yet. */
    let decided = -1;

    for (let step = first; step < last; step++) {
      if (waits && mayBeSo(watches, program.heldSince, x)) {
        state.step = step;
        if (watch(plan, program, look, step * dt)) break;
      }
      if (untilMove === 0) {
        state.step = step;
        keepToGround(run);
        if (step % productEvery === 0) {
          const span = productEvery * dt;
          if (moveProducts(run, span, humidityAhead(run, span, power))) stale = true;
        }
        if (step % wetEvery === 0 && moveMoisture(run, wetEvery * dt, power)) stale = true;
        const film = grows ? filmNow(run, conditions, step * dt) : 0;
        if (film !== conditions.film) {
          state.film = conditions.film = film;
          byMask = [];
          // Own thermostats reckon with what is in force now.
          state.mode = modeOf(state.mode.cooling);
          maskWas = -1;
        }
        untilMove = moveEvery;
      }
      untilMove--;

      let on = 0;
      // One controller that reads plainly, as most are: everything stands in locals.
      if (decided >= 0) on = decided;
      else if (plain) {
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

      let cooled = 0;
      if (allFree) {
        if (decided >= 0) decided = -1;
        else if (direct) on = (out.heat > 0 ? onHeat : 0) | (out.cold > 0 ? onCold : 0);
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
      take(phi, x, 0, x, 0, next, fixed, gain, room);
      if (calm) {
        const most = Math.min(untilMove, last - step - 1);
        const { lowAlarm, highAlarm } = control0;
        for (let c = 1; c < count; c++) {
          lowWas[c] = controls[c]!.lowAlarm ? 1 : 0;
          highWas[c] = controls[c]!.highAlarm ? 1 : 0;
        }
        for (let i = 0; i < n; i++) quietX[i] = x[i]!;
        let k = 0;
        for (let row = 0; k < most; k++, row += stride) {
          const reading = floor(quietX[row + plainNode]! * plainPerStep + plainShift) + plainOffset;
          shown[0] = reading;
          step1(control0, numbers0, reading, dt, out);
          let wants = (out.heat > 0 ? onHeat : 0) | (out.cold > 0 ? onCold : 0);
          let turns = control0.lowAlarm !== lowAlarm || control0.highAlarm !== highAlarm;
          for (let c = 1; c < count; c++) {
            const reader = readers[c]!;
            const control = controls[c]!;
            const felt = floor(quietX[row + reader.node]! * reader.perStep + reader.shift) + reader.offset;
            shown[c] = felt;
            step1(control, numbers[c]!, felt, dt, out);
            wants |= (out.heat > 0 ? heatBits[c]! : 0) | (out.cold > 0 ? coldBits[c]! : 0);
            turns ||= control.lowAlarm !== (lowWas[c] === 1) || control.highAlarm !== (highWas[c] === 1);
          }
          if (wants !== on || turns) {
            decided = wants;
            break;
          }
          const around = rooms[roomAt]!;
          if (++roomAt === rooms.length) roomAt = 0;
          quietRooms[k] = around;
          for (let c = 0; c < count; c++) quietShown[k * count + c] = shown[c]!;
          take(phi, quietX, row, quietX, row + stride, next, fixed, gain, around);
        }
        if (k > 0) {
          for (let i = 0, row = k * stride; i < n; i++) x[i] = quietX[row + i]!;
          quiet.from = step + 1;
          quiet.count = k;
          shownNow.set(shown);
          step += k;
          untilMove -= k;
          state.step = step;
          for (let c = 0; c < count; c++) shown[c] = quietShown[(k - 1) * count + c]!;
          // An alarm that changes with the step that comes was not so yet.
          lowWas[0] = lowAlarm ? 1 : 0;
          highWas[0] = highAlarm ? 1 : 0;
          changeAlarms(controls, lowWas, highWas);
          if (watcher.quiet) watcher.quiet(state, quiet);
          else replay(watcher, state, quiet);
          changeAlarms(controls, lowWas, highWas);
          shown.set(shownNow);
        }
      }
      if (hasIce)
        for (let c = 0; c < coolerCount; c++)
          if (network.coolers[c]!.iceMass > 0) settleIce(state, network, c, melts ? takenBy[c]! : 0);
      if (step + 1 === last) state.step = last;
    }
  }
}

/** Puts other alarms in the place of the controllers' own, and theirs in their place. */
function changeAlarms(controls: RunState["controls"], low: Uint8Array, high: Uint8Array): void {
  for (let c = 0; c < controls.length; c++) {
    const control = controls[c]!;
    const { lowAlarm, highAlarm } = control;
    control.lowAlarm = low[c] === 1;
    control.highAlarm = high[c] === 1;
    low[c] = lowAlarm ? 1 : 0;
    high[c] = highAlarm ? 1 : 0;
  }
}

/** Heat that each ice takes over a step, J: more coolers than a chamber can have. */
const takenBy = new Float64Array(16);
