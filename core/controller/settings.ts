import type { Settings, Unit, Wish } from "../model";
import { celsius, kelvins, type Temperature, type TemperatureDifference } from "../quantity";
import { outletsOf } from "./kinds";
import { pointsOf, settingsAt, type Points } from "./points";
import { fitToUnit } from "./unit";

/** Least differentials that keep heat and cold from chasing each other, K (run-on of the other device and 0.2). */
export interface Margins {
  heating: TemperatureDifference;
  cooling: TemperatureDifference;
}

/** What the room and the product ask for at any time. */
export interface Called {
  heat: boolean;
  cold: boolean;
}

/** What a person asks of the controller. */
export interface ControlRequest {
  low: Temperature;
  high: Temperature;
  target: Temperature;
  /** How much the probe shows above the truth, K. */
  error: TemperatureDifference;
  /** Null where nothing is known of the chamber's run-on. */
  margins: Margins | null;
  /** Whether the room, or the product itself, ever asks for heat and for cold; where nothing is said, for both. */
  called?: Called;
  /** How much warmer than its probe the product can be when cold is called for, K: its own heat has to get out. */
  stray?: TemperatureDifference;
  wish?: Wish;
  /** Differentials that somebody has typed: where both go off makes room for no more than these. */
  typed?: Partial<Margins>;
}

/** Rest that protects a compressor, s (common practice: 3 to 10 minutes, 5 usual; no source). */
export const USUAL_DELAY = 300;
/** Below this no usual unit can be set (common practice: 0.3 to 2 °C; no source). */
const LEAST_DIFFERENTIAL = 0.3;
/** Distance of the alarms from the band, K: outside of what is normal, near enough to sound in time (our estimate). */
const ALARM_DISTANCE = 1.5;

/** Longest rest that is asked for where the compressor shall rest most, s. */
const LONG_DELAY = 600;

/**
 * The readings between which heat and cold shall work. By the band: off at the target, on at the ends of the band
 * (short of the warm end by what the product strays from its probe). Tight: as near as the margins let them. Restful:
 * each runs to the far side of the target, as far as the band lets it. Edge: a small heating differential under a
 * setpoint above the target, so that the product lives around the target in a cold room. Never less apart than the
 * margins that keep heat and cold from chasing each other. Not yet rounded to a unit.
 */
export function wishedPoints(request: ControlRequest): Points {
  const { low, high, target } = request;
  const least = (side: "heating" | "cooling") => Math.max(request.margins?.[side] ?? 0, LEAST_DIFFERENTIAL);
  const wanted = (side: "heating" | "cooling") =>
    Math.min(request.margins?.[side] ?? 0, request.typed?.[side] ?? Infinity);
  const stray = request.stray ?? 0;
  const wish = request.wish ?? "band";
  const points = (off: number, heating: number, cooling: number): Points => ({
    heatOn: celsius(off - heating),
    heatOff: celsius(off),
    coldOn: celsius(off + cooling),
    coldOff: celsius(off),
  });
  if (wish === "tight") return points(target, least("heating"), least("cooling"));
  if (wish === "edge") {
    const heating = least("heating");
    const off = Math.min(high, target + heating / 2);
    return points(off, heating, Math.max(high - off - stray, least("cooling")));
  }
  const off = offBetween(request, wanted("heating"), wanted("cooling"));
  return points(off, Math.max(off - low, least("heating")), Math.max(high - stray - off, least("cooling")));
}

/**
 * Where both go off: at the target, or as near to it as leaves each of the margins between it and its end of the band;
 * where the band is too narrow for both, as far out of it at either end, but never outside of it itself. A device that nothing calls for may come on outside of the band:
 * for its margin nobody lives at the other end. What is warmer than its probe by its own heat is not moved up for that.
 */
function offBetween({ low, high, target, stray, called }: ControlRequest, heating: number, cooling: number): number {
  const first = called?.heat === false ? low : low + heating;
  const last = called?.cold === false ? high : high - cooling;
  const within = (off: number): number => Math.min(high, Math.max(low, off));
  if (first > last) return stray || (target >= last && target <= first) ? target : within((first + last) / 2);
  return within(Math.min(last, Math.max(first, target)));
}

/** The settings that a band, a target and a wish request for, on a kind of unit. Not yet rounded to it. */
export function wishFor(
  request: ControlRequest,
  unit: Pick<Unit, "kind" | "outlet"> = { kind: "twoDifferentials", outlet: "heat" },
): Settings {
  const points = wishedPoints(request);
  if (unit.kind === "oneDifferential") {
    // One number for both sides: what the band lets both have, but no less than either margin.
    const sides = [points.heatOff - points.heatOn, points.coldOn - points.coldOff];
    const margins = Math.max(request.margins?.heating ?? 0, request.margins?.cooling ?? 0, LEAST_DIFFERENTIAL);
    const shared = Math.max(margins, Math.min(...sides));
    points.heatOn = celsius(points.heatOff - shared);
    points.coldOn = celsius(points.coldOff + shared);
  }
  const lowest = Math.min(request.low, points.heatOn);
  const highest = Math.max(request.high, points.coldOn);
  const rest: Settings = {
    setpoint: request.target,
    heatingDifferential: kelvins(0),
    coolingDifferential: kelvins(0),
    lowLimit: points.heatOn,
    highLimit: points.heatOff,
    compressorDelay: request.wish === "restful" ? LONG_DELAY : USUAL_DELAY,
    lowAlarm: celsius(lowest - ALARM_DISTANCE),
    highAlarm: celsius(highest + ALARM_DISTANCE),
    lowDeviation: kelvins(points.heatOff - lowest + ALARM_DISTANCE),
    highDeviation: kelvins(highest - points.heatOff + ALARM_DISTANCE),
    offset: kelvins(request.error === 0 ? 0 : -request.error),
  };
  return settingsAt(points, unit, rest);
}

/** Settings for a band, rounded to the unit and within its limits. */
export const settingsFor = (request: ControlRequest, unit: Unit): Settings => fitToUnit(wishFor(request, unit), unit);

/** Settings that come on at two limits and go off halfway, for units that are not set by limits themselves. */
export function settingsForLimits(low: Temperature, high: Temperature, unit: Unit, rest: Settings): Settings {
  const { heat, cold } = outletsOf(unit);
  const both = heat && cold;
  const off = celsius((low + high) / 2);
  const points: Points = both
    ? { heatOn: low, heatOff: off, coldOn: high, coldOff: off }
    : { heatOn: low, heatOff: high, coldOn: high, coldOff: low };
  return fitToUnit(settingsAt(points, unit, rest), unit);
}

/** The band that settings hold the reading in: the way back from settings to what was asked. */
export function bandOf(settings: Settings, unit: Unit): Pick<ControlRequest, "low" | "high" | "target"> {
  const { heat, cold } = outletsOf(unit);
  const points = pointsOf(settings, unit);
  return {
    low: heat ? points.heatOn : points.coldOff,
    high: cold ? points.coldOn : points.heatOff,
    target: heat ? points.heatOff : points.coldOff,
  };
}
