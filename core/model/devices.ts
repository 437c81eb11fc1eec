import * as z from "zod/mini";
import { capacity, conductance } from "./box";
import { differenceField, quantityField, temperatureField } from "./fields";

/** What stores a device's residual heat or cold, and where that goes: J/K, W/K. */
const bodyShape = {
  bodyCapacity: capacity,
  toAir: conductance,
  toLining: conductance,
  /** To the vessel that it stands at. */
  toVessel: conductance,
  toRoom: conductance,
};

export const heaterKinds = [
  "none",
  "tube",
  "lamp",
  "bulb",
  "belt",
  "mat",
  "fanHeater",
  "immersion",
  "element",
  "plate",
  "charcoal",
] as const;

export const heaterShape = {
  kind: z.enum(heaterKinds),
  /** Power while it is on, W; of a fire, with its blower on. 0 means that there is none. */
  power: quantityField(0, 30_000),
  /** A thermostat of its own in series cuts at this temperature of the heater's body, °C; `ownThermostat` says whether. */
  ownThermostat: z.boolean(),
  ownThermostatAt: temperatureField(10, 400),
  /** An electronic switch: once its supply was cut it stays off until somebody presses it. */
  staysOff: z.boolean(),
  /** A timer cuts it after so many seconds of one run; 0 is none. */
  timer: quantityField(0, 86_400),
  /** Fire: charge in kg, usable share, heat in J/kg, share of it that reaches the box, W while the blower rests. */
  fuel: quantityField(0, 100),
  usableShare: quantityField(0.1, 1),
  fuelHeat: quantityField(5e6, 50e6),
  burnShare: quantityField(0.1, 1),
  idlePower: quantityField(0, 20_000),
  ...bodyShape,
};

export const coolerKinds = ["none", "compressor", "peltier", "ice"] as const;

export const coolerShape = {
  kind: z.enum(coolerKinds),
  /**
   * W. Compressor: at an evaporator of −23.3 °C and 25 °C of room. Plate: with both faces at one temperature.
   * 0 means that there is none.
   */
  power: quantityField(0, 1500),
  /** The fridge's own thermostat in series: it cuts when the air is below this, °C. */
  ownThermostat: z.boolean(),
  ownThermostatAt: temperatureField(-30, 30),
  /** Electronic controls: after a cut of its power it stays off until somebody presses it. */
  staysOff: z.boolean(),
  /** Frost-free: seconds between defrosts (0 is none), how long one lasts, and its heater in W. */
  defrostEvery: quantityField(0, 30 * 86_400),
  defrostFor: quantityField(0, 7200),
  defrostPower: quantityField(0, 600),
  /** Plate: electricity while on, W; largest difference between its faces, K; rise of the hot face over the room, K. */
  electric: quantityField(0, 1000),
  largestLift: differenceField(5, 50),
  hotRise: differenceField(0, 40),
  /** Ice: kg in bottles, temperature when put in, seconds until it is changed (0 is never). */
  iceMass: quantityField(0, 100),
  iceStart: temperatureField(-30, 0),
  iceEvery: quantityField(0, 30 * 86_400),
  /** Condenser in the wall: the share of the cold that comes back into the wall as heat while it runs. */
  skin: quantityField(0, 0.5),
  ...bodyShape,
};

/** A fan beside the one that the box has of its own: it stirs the air while it runs, and warms it by its power, W. */
export const fanShape = { power: quantityField(0, 500) };
/** A light: all of its power ends as heat in the box, W. */
export const lightShape = { power: quantityField(0, 500) };
