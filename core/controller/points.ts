import type { Settings, Unit } from "../model";
import { celsius, kelvins, type Temperature } from "../quantity";

/** The readings at which heat and cold come on and go off, °C: what every kind of unit comes down to. */
export interface Points {
  heatOn: Temperature;
  heatOff: Temperature;
  coldOn: Temperature;
  coldOff: Temperature;
}

/** The readings at which a unit with these settings switches; those of an outlet that it lacks mean nothing. */
export function pointsOf(s: Settings, unit: Pick<Unit, "kind" | "outlet">): Points {
  const heats = unit.outlet === "heat";
  switch (unit.kind) {
    case "twoLimits":
      return heats
        ? { heatOn: s.lowLimit, heatOff: s.highLimit, coldOn: s.highLimit, coldOff: s.highLimit }
        : { heatOn: s.lowLimit, heatOff: s.lowLimit, coldOn: s.highLimit, coldOff: s.lowLimit };
    case "cutIn":
      return heats
        ? {
            heatOn: s.setpoint,
            heatOff: celsius(s.setpoint + s.heatingDifferential),
            coldOn: s.setpoint,
            coldOff: s.setpoint,
          }
        : {
            heatOn: s.setpoint,
            heatOff: s.setpoint,
            coldOn: s.setpoint,
            coldOff: celsius(s.setpoint - s.coolingDifferential),
          };
    default: {
      const width = unit.kind === "oneDifferential" ? s.heatingDifferential : s.coolingDifferential;
      return {
        heatOn: celsius(s.setpoint - s.heatingDifferential),
        heatOff: s.setpoint,
        coldOn: celsius(s.setpoint + width),
        coldOff: s.setpoint,
      };
    }
  }
}

/** The numbers of a kind of unit that switch at these readings, over the rest of the settings; inverse of pointsOf. */
export function settingsAt(points: Points, unit: Pick<Unit, "kind" | "outlet">, rest: Settings): Settings {
  const heating = kelvins(points.heatOff - points.heatOn);
  const cooling = kelvins(points.coldOn - points.coldOff);
  const heats = unit.outlet === "heat";
  const differentials = { heatingDifferential: heating, coolingDifferential: cooling };
  switch (unit.kind) {
    case "twoLimits":
      return heats
        ? { ...rest, ...differentials, setpoint: points.heatOff, lowLimit: points.heatOn, highLimit: points.heatOff }
        : { ...rest, ...differentials, setpoint: points.coldOff, lowLimit: points.coldOff, highLimit: points.coldOn };
    case "cutIn":
      return { ...rest, ...differentials, setpoint: heats ? points.heatOn : points.coldOn };
    case "cutOut":
      return { ...rest, ...differentials, setpoint: heats ? points.heatOff : points.coldOff };
    default:
      return { ...rest, ...differentials, setpoint: points.heatOff };
  }
}

/** The alarms as readings, °C; null where the unit has none or they are switched off. */
export function alarmsOf(settings: Settings, unit: Unit): { low: Temperature | null; high: Temperature | null } {
  const { setpoint, lowAlarm, highAlarm, lowDeviation, highDeviation } = settings;
  if (unit.alarms === "none") return { low: null, high: null };
  if (unit.alarms === "absolute") return { low: lowAlarm, high: highAlarm };
  return {
    low: lowDeviation > 0 ? celsius(setpoint - lowDeviation) : null,
    high: highDeviation > 0 ? celsius(setpoint + highDeviation) : null,
  };
}
