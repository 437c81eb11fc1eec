import type { Chamber, Stage } from "../model";
import { lotOf, peakOwnHeat } from "../product";
import { restsAt } from "./sizing";

/** Discharge of a plain hole, and J/(m³K) of air (ASHRAE Handbook, Fundamentals, ventilation; values from memory). */
const DISCHARGE = 0.65;
const AIR = 1200;
const GRAVITY = 9.81;
/** Vents low and high lie this share of the box's height apart. */
const APART = 0.7;
const KELVIN = 273.15;

/**
 * Area of each of two vents, one low and one high, through which the box's own warm air gives so much heat away, m²:
 * V = Cd·A·√(2·g·Δh·ΔT/T), the two one behind the other.
 * @param conductance W/K that they have to take
 * @param height of the box, m
 * @param inside and `room` in °C
 */
export function ventArea(conductance: number, height: number, inside: number, room: number): number {
  if (inside <= room) return Infinity;
  const draught = Math.sqrt((2 * GRAVITY * APART * height * (inside - room)) / (inside + KELVIN));
  return (conductance / AIR) * (Math.SQRT2 / (DISCHARGE * draught));
}

/** What vents have to do for a product at the height of its own heat, in the warmest room. */
export interface Vents {
  /** Own heat of all vessels at its height, W. */
  watts: number;
  /** Where it comes to rest as the box is, °C. */
  rests: number;
  /** More that has to go to the room, W/K: 0 where none has to, null where no air of that room cools enough. */
  more: number | null;
  /** Area of each of two vents, m². */
  area: number;
}

/** The vents that keep the first vessel at the warm end of a stage's band while it heats itself, with all devices off. */
export function ventsNeeded(chamber: Chamber, stage: Stage): Vents {
  const own = chamber.vessels.map((v) => v.count * peakOwnHeat(v.product, lotOf(v), stage.target));
  const watts = own.reduce((sum, w) => sum + w, 0);
  const { room, thermal, cabinet } = chamber;
  const restsWith = (more: number) =>
    restsAt({ ...chamber, thermal: { ...thermal, airToRoom: thermal.airToRoom + more } }, room.high, own, stage);
  const rests = restsWith(0);
  if (rests <= stage.high) return { watts, rests, more: 0, area: 0 };
  const most = 1000;
  if (restsWith(most) > stage.high) return { watts, rests, more: null, area: Infinity };
  let [low, high] = [0, most];
  while (high - low > 0.01) {
    const middle = (low + high) / 2;
    if (restsWith(middle) > stage.high) low = middle;
    else high = middle;
  }
  return { watts, rests, more: high, area: ventArea(high, cabinet.height, stage.high, room.high) };
}
