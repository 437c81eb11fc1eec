import type { Settings, Unit } from "../model";
import { celsius, printDuration, printTemperature, type Scale } from "../quantity";
import { shownThen } from "./displayWords";
import { outletsOf, type Plugged } from "./kinds";
import { alarmsOf, pointsOf } from "./points";

/**
 * What the unit will do, in words: the same on the screen, on the card and in the practice panel. Temperatures are
 * readings of the display, in `scale` at the unit's own resolution.
 */
export function sentenceOf(settings: Settings, unit: Unit, plugged: Plugged, scale: Scale = unit.scale): string[] {
  const show = (t: number) => printTemperature(celsius(t), scale, scale === unit.scale ? unit.resolution : 0.1);
  const { heat, cold } = outletsOf(unit);
  const points = pointsOf(settings, unit);
  const delay = unit.delayHigh > 0 ? settings.compressorDelay : 0;
  const rest = delay > 0 ? `, once it has rested ${printDuration(delay)}` : ", at once";
  const device = plugged.compressor === false ? "the cooling" : "the fridge";
  const heatLine =
    plugged.heater && heat
      ? `At ${show(points.heatOn)} and below the heater comes on; it goes off at ${show(points.heatOff)}.`
      : plugged.heater
        ? "The heater is not switched by this unit."
        : plugged.heaterElsewhere
          ? ""
          : "There is no heater: nothing lifts the temperature but the room and the product itself.";
  const coldLine =
    plugged.cooler && cold
      ? `At ${show(points.coldOn)} and above ${device} comes on${rest}; it goes off at ${show(points.coldOff)}.`
      : plugged.cooler
        ? "The cooling is not switched by this unit."
        : plugged.coolerElsewhere
          ? ""
          : "There is no cooling: nothing brings the temperature down but a colder room.";
  const lines =
    unit.kind === "watch" ? ["It only watches: nothing is switched by it."] : [heatLine, coldLine].filter(Boolean);
  const alarms = alarmsOf(settings, unit);
  const sounds = [
    alarms.low === null ? "" : `at ${show(alarms.low)} and below`,
    alarms.high === null ? "" : `at ${show(alarms.high)} and above`,
  ].filter(Boolean);
  const wait = unit.alarmDelay > 0 ? `, once that has lasted ${printDuration(unit.alarmDelay)}` : "";
  lines.push(
    `${plugged.heater && plugged.cooler && heat && cold ? "Between the two, both are off. " : ""}${sounds.length ? `The alarm sounds${shownThen(unit, "alarm")} ${sounds.join(", and ")}${wait}.` : "No alarm will sound."}`,
  );
  return lines;
}
