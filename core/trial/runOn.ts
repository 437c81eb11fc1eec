import { buildNetwork, coldNeeded, hasCooler, hasHeater, type Network } from "../chamber";
import { meanRoom } from "../climate";
import { outletsOf, type Margins } from "../controller";
import type { Chamber, Stage } from "../model";
import { placementOf } from "../probe";
import { peakHeatOf } from "../product";
import { kelvins, type TemperatureDifference } from "../quantity";
import { holdOf, INPUT, type Hold } from "./discretise";
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

/**
 * How far the probe runs on within 90 minutes after the heater, and after the compressor, has brought it from the end
 * of the band to the target, in a room at its mean. The drift that the room alone would cause is taken off, so that
 * what is left is the device's own residual heat or cold. Null for a device that is absent or cannot get there.
 */
export const measureRunOn = (chamber: Chamber, stage: Stage): RunOn =>
  runOnOf({ network: buildNetwork(chamber), room: meanRoom(chamber.room), stage });

/** How far a probe runs on after each device, K. */
interface RunOn {
  heat: number | null;
  cold: number | null;
}

const runOnOf = memo(({ network, room, stage }: { network: Network; room: number; stage: Stage }): RunOn => {
  const off = holdOf({ network, cooling: false, pinned: false, dt: DT });
  const on = network.law.power > 0 ? holdOf({ network, cooling: true, pinned: false, dt: DT }) : off;
  const probe = network.probes[0]!;
  const n = network.nodes.length;
  const next = new Float64Array(n);

  const measure = (device: "heat" | "cold"): number | null => {
    const sign = device === "heat" ? 1 : -1;
    const u = new Float64Array(off.m);
    u[INPUT.constant] = 1;
    u[INPUT.room] = room;
    const x = new Float64Array(n).fill(device === "heat" ? stage.low : stage.high);
    u[INPUT.heater] = device === "heat" ? network.heaterPower : 0;
    let seconds = 0;
    while (sign * (x[probe]! - stage.target) < 0) {
      if ((seconds += DT) > LONGEST_RUN) return null;
      step(device === "heat" ? off : on, x, u, next);
    }
    u[INPUT.heater] = 0;
    const stop = x[probe]!;
    // The same moment without residual heat or cold: heater body and evaporator at the air's temperature.
    const calm = x.slice();
    for (const node of [network.heater, network.air, network.cold, network.lining]) if (node >= 0) calm[node] = stop;
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
    heat: network.heaterPower > 0 ? measure("heat") : null,
    cold: network.law.power > 0 ? measure("cold") : null,
  };
});

/**
 * Least differentials by the rule of chasing: heating differential ≥ undershoot after the compressor + 0.2 K, cooling
 * differential ≥ overshoot after the heater + 0.2 K. A device that is missing, or that this room and the product's own
 * heat never call for, cannot begin a chase: its run-on asks for no margin.
 */
export function marginsOf(chamber: Chamber, stage: Stage): Margins {
  const vessel = chamber.vessels[0]!;
  const ownHeat = peakHeatOf(vessel, stage.target);
  const outlets = outletsOf(chamber.unit);
  const canHeat = hasHeater(chamber) && outlets.heat;
  const canCool = hasCooler(chamber) && outlets.cold;
  const heats = canHeat && chamber.room.low < stage.target;
  const cools = canCool && coldNeeded(chamber, stage.target, ownHeat) > 0;
  const both = canHeat && canCool;
  const ran = both && (heats || cools) ? measureRunOn(chamber, stage) : { heat: null, cold: null };
  const margin = (runOn: number | null, begins: boolean) =>
    kelvins(begins && runOn !== null ? runOn + MARGIN_RESERVE : 0);
  return { heating: margin(ran.cold, cools), cooling: margin(ran.heat, heats) };
}

/**
 * How much warmer than its probe the product is at the height of its own heat, K. In the quasi-steady state the heat
 * leaves through the vessel's conductance, Tp − Tair = q/G, of which the probe misses its share of air.
 */
export function strayOf(chamber: Chamber, stage: Stage): TemperatureDifference {
  const vessel = chamber.vessels[0]!;
  const network = buildNetwork(chamber);
  const skin = network.shells[0]!.at(-1)!.node;
  const around = [network.air, network.lining];
  const conductance = network.links
    .filter((l) => (l.a === skin && around.includes(l.b)) || (l.b === skin && around.includes(l.a)))
    .reduce((sum, l) => sum + l.conductance, 0);
  const { toAir, toProduct } = placementOf(chamber.probes[0]!);
  const missed = toAir / (toAir + toProduct);
  const own = peakHeatOf(vessel, stage.target);
  return kelvins(conductance > 0 ? (own / conductance) * missed : 0);
}
