import { AIR, isBath } from "../chamber";
import { atFirst } from "../quantity";
import {
  backToAdvised,
  heaterOfPower,
  heatOf,
  narrow,
  offered,
  shiftSetpoint,
  startNearer,
  strapProbe,
  switchToo,
} from "./remedies";
import { coolerRoom } from "./milderRoom";
import type { Case, Rule } from "./types";
import { movesOrStays, percent, TOLERANCE, words } from "./words";

/** Boxes in which the medium around the product is air. */
const airBox = (c: Case) => !isBath(c.chamber.cabinet.kind);

/** The product leaves the band after it had reached it, by itself: what a happening does is `takenOut`'s. */
export const leavesBand: Rule = (c) => {
  if (c.calm) return null;
  const { inBand, settled } = c.metrics;
  // What happens on arrival alone is overshoot's.
  const arrived = settled ?? c.metrics.arrived;
  if (!arrived) return null;
  const { low, high } = c.band;
  const under = low - arrived.product.low;
  const over = arrived.product.high - high;
  const worst = Math.max(under, over);
  if (worst <= TOLERANCE) return null;
  const { at, by, when, judged, theJudged } = words(c);
  const cold = under > over;
  const moment = cold ? arrived.product.lowAt : arrived.product.highAt;
  const { place } = c.probe;
  const inAir = c.metrics.judged !== AIR && (place === "air" || place === "waterBottle") && airBox(c);
  return {
    id: "leaves-band",
    severity: worst > 1 || inBand < 0.9 ? "danger" : "warning",
    station: inAir ? "probe" : "settings",
    title: `${atFirst(theJudged)} gets too ${cold ? "cold" : "warm"}`,
    text: `It ${cold ? "sinks to" : "rises to"} ${at(cold ? arrived.product.low : arrived.product.high)}, ${by(worst)} ${cold ? "below the coldest" : "above the warmest"} that you allow (${when(moment)}), and is in its band ${percent(inBand)} of the time.${inAir ? " The probe does not feel the product, so the controller does not know." : ""}`,
    moment,
    remedies: offered(
      switchToo(c, cold ? "heat" : "cold"),
      inAir ? strapProbe(c) : null,
      backToAdvised(c),
      shiftSetpoint(c),
      narrow(c),
      inAir || judged === AIR ? null : strapProbe(c),
      cold ? null : coolerRoom(c),
    ),
  };
};

/** It shoots past the far end of the band when it first arrives, and not again. */
export const overshoot: Rule = (c) => {
  const { arriving, settled, timeToBand, whole } = c.metrics;
  if (c.calm || !arriving || !settled || !timeToBand) return null;
  const { low, high } = c.band;
  const first = c.result.from === 0;
  const start = first ? c.vessel.startTemperature : whole.product.low < low ? whole.product.low : whole.product.high;
  const rising = start < low;
  const past = rising
    ? arriving.high - Math.max(high, settled.product.high)
    : Math.min(low, settled.product.low) - arriving.low;
  if (past < 0.3) return null;
  const { at, by, when, theJudged } = words(c);
  const { usual, power } = heatOf(c);
  return {
    id: "overshoot",
    severity: "warning",
    station: "heat",
    title: "It overshoots on arrival",
    text: `On its way from ${at(start)} ${theJudged} goes on to ${at(rising ? arriving.high : arriving.low)} (${when(rising ? arriving.highAt : arriving.lowAt)}), ${by(past)} past what it keeps to later: what is stored in ${rising ? "the heater" : "the evaporator"} and between product and probe still has to come out.`,
    moment: rising ? arriving.highAt : arriving.lowAt,
    remedies: offered(
      rising && usual < power ? heaterOfPower(c, usual, "smaller-heater") : null,
      first ? startNearer(c, at) : null,
    ),
  };
};

/** The steady swing keeps to one end of the band: the display never shows its middle. */
export const livesAtOneEnd: Rule = (c) => {
  const { settled } = c.metrics;
  if (!settled) return null;
  const { low, high, target } = c.band;
  const { product } = settled;
  const away = product.low > target ? product.low - target : product.high < target ? product.high - target : 0;
  if (Math.abs(away) < 0.2 || product.low < low - TOLERANCE || product.high > high + TOLERANCE) return null;
  const { at, by, theJudged } = words(c);
  return {
    id: "lives-at-one-end",
    severity: "note",
    station: "settings",
    title: away < 0 ? "It lives in the cold half of the band" : "It lives in the warm half of the band",
    text: `Once settled ${theJudged} ${movesOrStays(product.low, product.high, c.scale)} and never comes nearer to the target of ${at(target)} than ${by(Math.abs(away))}: in this room only one of the two devices works.`,
    moment: away < 0 ? product.lowAt : product.highAt,
    remedies: offered(shiftSetpoint(c), narrow(c)),
  };
};
