import type { Settings, Unit } from "../model";
import { celsius, kelvins, type Temperature, type TemperatureDifference } from "../quantity";
import { fitToUnit } from "./unit";

/** Least differentials that keep heat and cold from chasing each other, K (run-on of the other device and 0.2). */
export interface Margins {
  heating: TemperatureDifference;
  cooling: TemperatureDifference;
}

/** What a person asks of the controller. */
export interface Ask {
  low: Temperature;
  high: Temperature;
  target: Temperature;
  /** How much the probe shows above the truth, K. */
  error: TemperatureDifference;
  /** Null where nothing is known of the chamber's run-on. */
  margins: Margins | null;
  /** How much warmer than its probe the product can be when cold is called for, K: its own heat has to get out. */
  stray?: TemperatureDifference;
}

/** Rest that protects a compressor, s (common practice: 3 to 10 minutes, 5 usual; no source). */
export const USUAL_DELAY = 300;
/** Below this no usual unit can be set (common practice: 0.3 to 2 °C; no source). */
const LEAST_DIFFERENTIAL = 0.3;
/** Distance of the alarms from the band, K: outside of what is normal, near enough to sound in time (our estimate). */
const ALARM_DISTANCE = 1.5;

/**
 * The settings that a band and a target ask for: setpoint at the target, differentials out to the ends of the band
 * (short of the warm end by what the product strays from its probe), but never less than the margins that keep heat
 * and cold apart. Not yet rounded to a unit.
 */
export function wishFor(ask: Ask): Settings {
  const heating = kelvins(Math.max(ask.target - ask.low, ask.margins?.heating ?? 0, LEAST_DIFFERENTIAL));
  const cooling = kelvins(
    Math.max(ask.high - ask.target - (ask.stray ?? 0), ask.margins?.cooling ?? 0, LEAST_DIFFERENTIAL),
  );
  return {
    setpoint: ask.target,
    heatingDifferential: heating,
    coolingDifferential: cooling,
    compressorDelay: USUAL_DELAY,
    lowAlarm: celsius(Math.min(ask.low, ask.target - heating) - ALARM_DISTANCE),
    highAlarm: celsius(Math.max(ask.high, ask.target + cooling) + ALARM_DISTANCE),
    offset: kelvins(ask.error === 0 ? 0 : -ask.error),
  };
}

/** Settings for a band, rounded to the unit and within its limits. */
export const settingsFor = (ask: Ask, unit: Unit): Settings => fitToUnit(wishFor(ask), unit);

/** The band that settings hold the reading in: the way back from settings to what was asked. */
export const bandOf = (settings: Settings): Pick<Ask, "low" | "high" | "target"> => ({
  low: celsius(settings.setpoint - settings.heatingDifferential),
  high: celsius(settings.setpoint + settings.coolingDifferential),
  target: settings.setpoint,
});
