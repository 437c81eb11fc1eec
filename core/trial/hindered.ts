import { onOffFamily, outletOf, stepOutlet } from "../controller";
import { fuelPerHour, stepCooler, stepFire, stepHeater, usableFuel } from "../device";
import type { Chamber } from "../model";
import { ROOM } from "./discretise";
import type { Run } from "./run";
import type { Situation } from "./timeline";

/** Which outlet feeds each device: two a controller, heat and cold; −1: none. */
const feedsOf = ({ controllers }: Chamber, devices: readonly { id: string }[]): Int32Array =>
  Int32Array.from(devices, ({ id }) =>
    controllers.reduce((at, c, i) => (c.heat.includes(id) ? 2 * i : c.cold.includes(id) ? 2 * i + 1 : at), -1),
  );

/** What the inner loop hands to the slower way of stepping devices, and gets back from it. */
export interface Desk {
  outs: Float64Array;
  heaterFeeds: Int32Array;
  coolerFeeds: Int32Array;
  loadFeeds: Int32Array;
  loadPowers: Float64Array;
  fans: number;
  fires: boolean[];
  canCool: boolean[];
  /** Heaters with a fan of their own: while they run the air is stirred. */
  stirring: boolean[];
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

/** What stands on the desk of a run as it begins. */
export function deskOf({ input: { chamber }, network, state: { u }, at }: Run): Desk {
  const loads = [...chamber.fans, ...chamber.lights];
  return {
    outs: new Float64Array(2 * chamber.controllers.length),
    heaterFeeds: feedsOf(chamber, chamber.heaters),
    coolerFeeds: feedsOf(chamber, chamber.coolers),
    loadFeeds: feedsOf(chamber, loads),
    loadPowers: Float64Array.from(loads, (l) => l.power),
    fans: chamber.fans.length,
    fires: chamber.heaters.map((h) => h.kind === "charcoal" && h.power > 0),
    canCool: network.coolers.map((c) => c.law.power > 0),
    stirring: chamber.heaters.map((h) => h.kind === "fanHeater" && h.power > 0 && !chamber.cabinet.fan),
    freeHeat: [],
    freeCold: chamber.coolers.map((c) => !(c.ownThermostat || c.staysOff || c.defrostEvery > 0)),
    shares: onOffFamily.shares,
    watts: Float64Array.from({ length: chamber.heaters.length }, (_, h) => u[at.heater + h]!),
    defrosts: Float64Array.from({ length: chamber.coolers.length }, (_, c) => u[at.cold + c]!),
    loadWatts: 0,
    on: 0,
    cooled: 0,
    stirs: false,
    stale: false,
  };
}

const relay = outletOf("relay");

/**
 * Share of a step after which a heater's own thermostat cuts it: so much as lets its body, at the end of the step, just
 * reach the temperature of the cut. A light body under much power would pass it by tens of kelvins within one step.
 */
function shareUntilCut({ state, rooms, at }: Run, h: number, node: number, watts: number, cut: number): number {
  const { x, u, mode, step } = state;
  const { n, m, phi, gamma } = mode.hold;
  const own = at.heater + h;
  let idle = gamma[node * m + ROOM]! * rooms[step % rooms.length]!;
  for (let j = 0; j < n; j++) idle += phi[node * n + j]! * x[j]!;
  for (let j = 0; j < m; j++) if (j !== ROOM && j !== own) idle += gamma[node * m + j]! * u[j]!;
  const rise = gamma[node * m + own]! * watts;
  return rise <= 0 ? 1 : Math.min(1, Math.max(0, (cut - idle) / rise));
}

/**
 * Devices that do not simply follow their outlet: with a thermostat, a timer, a switch or a fire of their own, behind a
 * relay that sticks, switched by shares; and fans and lights.
 */
export function stepHindered(desk: Desk, run: Run, now: Situation, power: boolean, dt: number): void {
  const { state, network, input, at } = run;
  const { chamber } = input;
  const { outs, watts, defrosts } = desk;
  const { u, x, heaters, coolers, outlets } = state;
  desk.on = desk.cooled = 0;
  desk.stirs = false;
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
      if (gives > 0 && heater.ownThermostat) {
        const until = shareUntilCut(run, h, node >= 0 ? node : network.air, gives, heater.ownThermostatAt);
        gives *= until;
        if (until < 1) heaters[h]!.open = true;
      }
      if (desk.fires[h]) {
        gives = fuelOut ? 0 : stepFire(heaters[h]!, heater, runs, dt);
        if (gives <= 0) runs = false;
      }
    }
    if (runs) {
      desk.on |= 1 << h;
      if (desk.stirring[h]) desk.stirs = true;
    }
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

/** Steps that every fire goes on for as it burns now. */
export function fuelSteps({ fires, watts }: Desk, { state, input }: Run): number {
  let steps = Infinity;
  for (let h = 0; h < fires.length; h++) {
    if (!fires[h] || watts[h]! <= 0) continue;
    const heater = input.chamber.heaters[h]!;
    const burns = (fuelPerHour(heater, watts[h]!) * input.dt) / 3600;
    steps = Math.min(steps, Math.floor(usableFuel(state.heaters[h]!, heater) / burns - 1e-6));
  }
  return steps;
}

/** Burns the fuel of so many seconds in which nothing about the fires changes. */
export function burnOn({ fires, watts, on }: Desk, { state, input }: Run, seconds: number): void {
  for (let h = 0; h < fires.length; h++)
    if (fires[h] && watts[h]! > 0)
      stepFire(state.heaters[h]!, input.chamber.heaters[h]!, (on & (1 << h)) !== 0, seconds);
}
