import { ICE_HEAT, lossCoefficient, MELTING_HEAT, WATER_HEAT } from "../chamber";
import { roomTemperature } from "../climate";
import type { Chamber, Stage } from "../model";
import { peakHeatOfAll } from "../product";
import { kelvins } from "../quantity";

/** Ice as it comes out of a freezer, °C, and how far under the target its water is when it is changed, K (estimates). */
const FREEZER = -18;
const LEFT = 2;

/** One change of the ice: when, and how much goes in to last until the next. */
export interface IceChange {
  /** Clock hour. */
  hour: number;
  /** Hours until the next. */
  lasts: number;
  /** kg */
  ice: number;
  bottles: number;
}

/** Heat that a kg of ice takes from the freezer to the end, J. */
export const iceTakes = (target: number): number =>
  -FREEZER * ICE_HEAT + MELTING_HEAT + Math.max(0, target - LEFT) * WATER_HEAT;

/**
 * When to change ice, and how much: a day of the room as it is, changes spread over the hours in which somebody is there.
 * @param changes a day
 * @param bottle kg of ice in one
 */
export function iceTable(chamber: Chamber, stage: Pick<Stage, "target">, changes: number, bottle: number): IceChange[] {
  const { attendedFrom, attendedTo } = chamber.program;
  const hours = (attendedTo - attendedFrom + 24) % 24 || 24;
  const step = changes > 1 ? hours / (hours === 24 ? changes : changes - 1) : 0;
  const times = Array.from({ length: changes }, (_, i) => (attendedFrom + i * step) % 24);
  const own = peakHeatOfAll(chamber.vessels, stage.target) + chamber.thermal.fanHeat;
  const loss = lossCoefficient(chamber);
  return times.map((hour, i): IceChange => {
    const lasts = (((times[(i + 1) % times.length]! - hour) % 24) + 24) % 24 || 24;
    let joules = 0;
    const pieces = Math.round(lasts * 60);
    const piece = (lasts * 3600) / pieces;
    for (let m = 0; m < pieces; m++) {
      const room = roomTemperature({ ...chamber.room, monthly: kelvins(0) }, (m + 0.5) * piece, hour);
      joules += Math.max(0, loss * (room - stage.target) + own) * piece;
    }
    const ice = joules / iceTakes(stage.target);
    return { hour, lasts, ice, bottles: Math.ceil(ice / bottle - 1e-9) };
  });
}
