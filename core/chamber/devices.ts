import type { Chamber, Controller, Cooler, Heater, PlacedCooler, PlacedHeater } from "../model";

/** Whether a heater is there at all: an entry may say that there is none. */
export const heats = ({ kind, power }: Pick<Heater, "kind" | "power">): boolean => kind !== "none" && power > 0;
/** Whether a cooler is there that a controller can switch. */
export const cools = ({ kind, power }: Pick<Cooler, "kind" | "power">): boolean =>
  (kind === "compressor" || kind === "peltier") && power > 0;
/** Whether it is ice, which nobody switches. */
export const isIce = ({ kind, iceMass }: Pick<Cooler, "kind" | "iceMass">): boolean => kind === "ice" && iceMass > 0;

/** The heaters that are there. */
export const heatersOf = ({ heaters }: Pick<Chamber, "heaters">): PlacedHeater[] => heaters.filter(heats);
/** The coolers that are there and can be switched. */
export const coolersOf = ({ coolers }: Pick<Chamber, "coolers">): PlacedCooler[] => coolers.filter(cools);

export const hasHeater = (chamber: Pick<Chamber, "heaters">): boolean => heatersOf(chamber).length > 0;
export const hasCooler = (chamber: Pick<Chamber, "coolers">): boolean => coolersOf(chamber).length > 0;
export const hasIce = ({ coolers }: Pick<Chamber, "coolers">): boolean => coolers.some(isIce);
export const hasCompressor = (chamber: Pick<Chamber, "coolers">): boolean =>
  coolersOf(chamber).some((c) => c.kind === "compressor");
/** A fire among its heaters. */
export const hasFire = (chamber: Pick<Chamber, "heaters">): boolean =>
  heatersOf(chamber).some((h) => h.kind === "charcoal");

/** Power of all heaters together, W. */
export const heaterPower = (chamber: Pick<Chamber, "heaters">): number =>
  heatersOf(chamber).reduce((sum, h) => sum + h.power, 0);

/** Heater and cooler that are one plate. */
export const isOnePlate = (heater: Pick<Heater, "kind" | "power">, cooler: Pick<Cooler, "kind" | "power">): boolean =>
  heater.kind === "plate" && cooler.kind === "peltier" && heats(heater) && cools(cooler);

/** The heaters, and the coolers, on a controller's outlets. */
export const heatersOn = (chamber: Chamber, { heat }: Pick<Controller, "heat">): PlacedHeater[] =>
  heatersOf(chamber).filter((h) => heat.includes(h.id));
export const coolersOn = (chamber: Chamber, { cold }: Pick<Controller, "cold">): PlacedCooler[] =>
  coolersOf(chamber).filter((c) => cold.includes(c.id));

/** The controller on whose outlet a device hangs; undefined where it hangs on none. */
export const controllerOf = ({ controllers }: Chamber, device: string): Controller | undefined =>
  controllers.find((c) => c.heat.includes(device) || c.cold.includes(device));
