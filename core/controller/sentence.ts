import type { Settings, Unit } from "../model";
import { celsius, printDuration, printTemperature, type Scale } from "../quantity";

/** What is plugged in: the sentence leaves out what is not there. */
export interface Plugged {
  heater: boolean;
  cooler: boolean;
}

/**
 * What the unit will do, in words: the same on the screen, on the card and in the practice panel. Temperatures are
 * readings of the display, in `scale` at the unit's own resolution.
 */
export function sentenceOf(settings: Settings, unit: Unit, plugged: Plugged, scale: Scale = unit.scale): string[] {
  const show = (t: number) => printTemperature(celsius(t), scale, scale === unit.scale ? unit.resolution : 0.1);
  const { setpoint, heatingDifferential, coolingDifferential, compressorDelay, lowAlarm, highAlarm } = settings;
  const rest = compressorDelay > 0 ? `, once it has rested ${printDuration(compressorDelay)}` : ", at once";
  return [
    plugged.heater
      ? `At ${show(setpoint - heatingDifferential)} and below the heater comes on; it goes off at ${show(setpoint)}.`
      : "There is no heater: nothing lifts the temperature but the room and the product itself.",
    plugged.cooler
      ? `At ${show(setpoint + coolingDifferential)} and above the fridge comes on${rest}; it goes off at ${show(setpoint)}.`
      : "There is no cooling: nothing brings the temperature down but a colder room.",
    `Between the two, both are off. The alarm sounds at ${show(lowAlarm)} and below, and at ${show(highAlarm)} and above.`,
  ];
}
