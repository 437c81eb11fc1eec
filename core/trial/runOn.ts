import { buildNetwork, coldNeeded, coolersOn, CORNERS, heatersOn, withShares, type Network } from "../chamber";
import { meanRoom } from "../climate";
import { outletsOf, type Called, type Margins } from "../controller";
import type { Chamber, Stage } from "../model";
import { placementOf } from "../probe";
import { peakHeatOf, peakHeatOfAll } from "../product";
import { kelvins, type Temperature, type TemperatureDifference } from "../quantity";
import { holdOf, inputsOf, type Hold } from "./discretise";
import { memo } from "./memo";

const DT = 10;
const LONGEST_RUN = 12 * 3600;
const RUN_ON = 90 * 60;
/** Reserve over the other device's run-on that keeps the two apart, K (docs/sources.md: chasing). */
export const MARGIN_RESERVE = 0.2;

function step({ n, m, phi, gamma }: Hold, x: Float64Array, u: Float64Array, next: Float64Array): void {
  for (let i = 0; i < n; i++) {
    let sum = 0;
    for (let j = 0; j < n; j++) sum += phi[i * n + j]! * x[j]!;
    for (let j = 0; j < m; j++) sum += gamma[i * m + j]! * u[j]!;
    next[i] = sum;
  }
  x.set(next);
}

/** As many as a chamber of some stages and controllers asks for, each at every corner of its estimates. */
const MOST_KEPT = 60;

/** How far a probe runs on after each device, K. */
interface RunOn {
  heat: number | null;
  cold: number | null;
}

/**
 * How far a probe runs on within 90 minutes after the heaters, and after the coolers, have brought it from the end of
 * the band to the target, in a room at its mean. The drift that the room alone would cause is taken off, so that what
 * is left is the devices' own residual heat or cold. Null for devices that are absent or cannot get there.
 * @param probe its id; the first where nothing is said
 */
export const measureRunOn = (chamber: Chamber, band: RunOnBand, probe?: string): RunOn =>
  runOnOf({
    network: buildNetwork(chamber),
    room: meanRoom(chamber.room),
    band: { low: band.low, high: band.high, target: band.target },
    probe: Math.max(
      0,
      chamber.probes.findIndex((p) => p.id === probe),
    ),
  });

/** The furthest that a probe runs on over all that its chamber's estimates can be. */
export function worstRunOn(chamber: Chamber, band: RunOnBand, probe?: string): RunOn {
  const all = [chamber, ...CORNERS.map((c) => withShares(chamber, c))].map((c) => measureRunOn(c, band, probe));
  const worst = (device: "heat" | "cold"): number | null => {
    const known = all.map((r) => r[device]).filter((k) => k !== null);
    return known.length > 0 ? Math.max(...known) : null;
  };
  return { heat: worst("heat"), cold: worst("cold") };
}

/** A reading that jumps by itself crosses from one device's point to the other's: three deviations never do (estimate). */
const NOISE_SHARE = 3;

type RunOnBand = Pick<Stage, "low" | "high" | "target">;
interface RunOnCase {
  network: Network;
  room: number;
  band: RunOnBand;
  probe: number;
}

const runOnOf = memo(({ network, room, band, probe: index }: RunOnCase): RunOn => {
  const at = inputsOf(network);
  const running = network.coolers.reduce((bits, c, i) => (c.law.power > 0 ? bits | (1 << i) : bits), 0);
  const off = holdOf({ network, cooling: 0, pinned: 0, dt: DT });
  const on = running ? holdOf({ network, cooling: running, pinned: 0, dt: DT }) : off;
  const probe = network.probes[index]!;
  const n = network.nodes.length;
  const next = new Float64Array(n);
  const heat = (u: Float64Array, share: number) =>
    network.heaters.forEach(({ power }, h) => (u[at.heater + h] = share * power));
  const bodies = [
    ...network.heaters.map((h) => h.node),
    network.air,
    ...network.coolers.map((c) => c.node),
    network.lining,
  ];

  const measure = (device: "heat" | "cold"): number | null => {
    const sign = device === "heat" ? 1 : -1;
    const u = new Float64Array(off.m);
    u[at.constant] = 1;
    u[at.room] = room;
    const x = new Float64Array(n).fill(device === "heat" ? band.low : band.high);
    heat(u, device === "heat" ? 1 : 0);
    let seconds = 0;
    while (sign * (x[probe]! - band.target) < 0) {
      if ((seconds += DT) > LONGEST_RUN) return null;
      step(device === "heat" ? off : on, x, u, next);
    }
    heat(u, 0);
    const stop = x[probe]!;
    // The same moment without residual heat or cold: heater bodies and evaporators at the air's temperature.
    const calm = x.slice();
    for (const node of bodies) if (node >= 0) calm[node] = stop;
    const calmNext = new Float64Array(n);
    let furthest = 0;
    for (let t = 0; t < RUN_ON; t += DT) {
      step(off, x, u, next);
      step(off, calm, u, calmNext);
      const drift = sign * (calm[probe]! - stop);
      furthest = Math.max(furthest, sign * (x[probe]! - stop) - Math.max(0, drift));
    }
    return furthest;
  };
  return {
    heat: network.heaters.some((h) => h.power > 0) ? measure("heat") : null,
    cold: running ? measure("cold") : null,
  };
}, MOST_KEPT);

/** Whether any controller can switch heat, and cold, that is really there. */
export function switchesOf(chamber: Chamber): { heat: boolean; cold: boolean } {
  const has = (side: "heat" | "cold") =>
    chamber.controllers.some(
      (c) => outletsOf(c.unit)[side] && (side === "heat" ? heatersOn(chamber, c) : coolersOn(chamber, c)).length > 0,
    );
  return { heat: has("heat"), cold: has("cold") };
}

/** What this room, and the products' own heat, ever call for of what can be switched. */
export function calledFor(chamber: Chamber, target: Temperature): Called {
  const can = switchesOf(chamber);
  const ownHeat = peakHeatOfAll(chamber.vessels, target);
  return {
    heat: can.heat && chamber.room.low < target,
    cold: can.cold && coldNeeded(chamber, target, ownHeat) > 0,
  };
}

/**
 * Least differentials of one controller by the rule of chasing: heating differential ≥ undershoot after the compressor
 * + 0.2 K, cooling differential ≥ overshoot after the heater + 0.2 K, as its own probe feels them, at the worst that
 * the estimates of the box can be; a noisy probe wants its noise besides. A device that is missing, or that this room
 * and the products' own heat never call for, cannot begin a chase: its run-on asks for no margin. Where the room calls
 * for neither, one side kept apart is enough to end what anything else began: the lesser.
 */
export function marginsOf(chamber: Chamber, band: RunOnBand, probe?: string): Margins {
  const can = switchesOf(chamber);
  const { heat: heats, cold: cools } = calledFor(chamber, band.target);
  const ran = can.heat && can.cold ? worstRunOn(chamber, band, probe) : { heat: null, cold: null };
  const byCold = (ran.cold ?? Infinity) <= (ran.heat ?? Infinity);
  const neither = !heats && !cools;
  const jumps = NOISE_SHARE * (chamber.probes.find((p) => p.id === probe) ?? chamber.probes[0]!).noise;
  const margin = (runOn: number | null, begins: boolean) =>
    kelvins(begins && runOn !== null ? runOn + MARGIN_RESERVE + jumps : 0);
  return {
    heating: margin(ran.cold, cools || (neither && byCold)),
    cooling: margin(ran.heat, heats || (neither && !byCold)),
  };
}

/**
 * How much warmer than a probe its product is at the height of its own heat, K. In the quasi-steady state the heat
 * leaves through the vessel's conductance, Tp − Tair = q/G, of which the probe misses its share of air.
 * @param vessel what is held by it, by its id; the one that it sits in where nothing is said
 */
export function strayOf(chamber: Chamber, target: Temperature, probe?: string, vessel?: string): TemperatureDifference {
  const sensor = chamber.probes.find((p) => p.id === probe) ?? chamber.probes[0]!;
  const at = Math.max(
    0,
    chamber.vessels.findIndex((v) => v.id === (vessel ?? sensor.in)),
  );
  const network = buildNetwork(chamber);
  const skin = network.shells[at]!.at(-1)!.node;
  const around = [network.air, network.lining];
  const conductance = network.links
    .filter((l) => (l.a === skin && around.includes(l.b)) || (l.b === skin && around.includes(l.a)))
    .reduce((sum, l) => sum + l.conductance, 0);
  const { toAir, toProduct } = placementOf(sensor);
  const felt = chamber.vessels[at]!.id === sensor.in ? toAir / (toAir + toProduct) : 1;
  const missed = Number.isFinite(felt) ? felt : 1;
  const own = peakHeatOf(chamber.vessels[at]!, target);
  return kelvins(conductance > 0 ? (own / conductance) * missed : 0);
}
