import { tryEdits } from "../chamber";
import { cabinetKinds, probePlaces, unitKinds, type ChamberRecord, type Edit } from "../model";
import { celsius, chance, kelvins } from "../quantity";
import { recordWith } from "./build";

const edit = (section: string, field: string, value: unknown): Edit => ({ section, field, value }) as Edit;

/** Chambers with something odd about each: rooms, devices, probes, units, typed settings. */
export function randomChambers(count: number, seed: number): ChamberRecord[] {
  const random = chance(seed);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const between = (low: number, high: number) => low + random() * (high - low);
  const air = cabinetKinds.filter((k) => !["crock", "kettle", "drum", "brick"].includes(k));
  const made: ChamberRecord[] = [];
  while (made.length < count) {
    const room = between(-2, 26);
    const target = Math.round(between(4, 28) * 2) / 2;
    const half = pick([0.5, 1, 1.5, 2]);
    const tried = tryEdits(recordWith(), [
      edit("cabinet", "kind", pick(air)),
      edit("product", "kind", pick(["ale", "lager", "farmhouse", "hold"])),
      edit("room", "low", celsius(room)),
      edit("room", "high", celsius(room + between(0, 12))),
      edit("stage", "low", celsius(target - half)),
      edit("stage", "high", celsius(target + half)),
      edit("vessel", "startTemperature", celsius(target + between(-4, 4))),
      edit("unit", "kind", pick(unitKinds)),
      edit("unit", "outlet", pick(["heat", "cool"])),
      ...(random() < 0.4 ? [edit("probe", "place", pick(probePlaces.filter((p) => p !== "core")))] : []),
      ...(random() < 0.3 ? [edit("heater", "power", pick([0, 20, 60, 250, 600]))] : []),
      ...(random() < 0.2 ? [edit("settings", "compressorDelay", pick([0, 60]))] : []),
      ...(random() < 0.2 ? [edit("settings", "lowAlarm", celsius(target - pick([0.3, 20])))] : []),
      ...(random() < 0.2 ? [edit("settings", "offset", kelvins(pick([-2, 1])))] : []),
      ...(random() < 0.2 ? [edit("settings", "heatingDifferential", kelvins(pick([0.3, 3])))] : []),
      ...(random() < 0.15 ? [edit("heater", "staysOff", true)] : []),
      ...(random() < 0.15
        ? [edit("cooler", "ownThermostat", true), edit("cooler", "ownThermostatAt", celsius(target))]
        : []),
      ...(random() < 0.1 ? [edit("probe", "noise", kelvins(0.4))] : []),
    ]);
    if (tried.ok) made.push(tried.value);
  }
  return made;
}
