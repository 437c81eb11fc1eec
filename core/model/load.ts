import * as z from "zod/mini";
import { quantityField, temperatureField } from "./fields";

export const vesselForms = ["bucket", "carboy", "pail", "jar", "tray", "pot", "piece"] as const;
export const fillings = ["water", "honey", "setHoney", "beans", "meat", "fish"] as const;
export const vesselWalls = ["plastic", "glass", "steel", "none"] as const;

export const vesselShape = {
  form: z.enum(vesselForms),
  /** Identical ones. */
  count: z.int().check(z.minimum(1), z.maximum(500)),
  /** Contents of one, m³. */
  volume: quantityField(0.00005, 0.5),
  filling: z.enum(fillings),
  wall: z.enum(vesselWalls),
  /** Insulation around each, m; 0 is none. */
  jacket: quantityField(0, 0.1),
  startTemperature: temperatureField(-25, 100),
  /** Heat taken by evaporation from one, W, when its surface is at `evaporationAt` °C. */
  evaporation: quantityField(0, 2000),
  evaporationAt: temperatureField(0, 100),
};

export const productKinds = ["ale", "lager", "farmhouse", "hold"] as const;

/** A point of a heat curve that somebody types in: hours from the start, W of one vessel. */
export const heatPoint = z.strictObject({ hours: quantityField(0, 2400), watts: quantityField(0, 5000) });

export const productShape = {
  kind: z.enum(productKinds),
  /** Specific gravities. */
  originalGravity: quantityField(1, 1.2),
  finalGravity: quantityField(0.98, 1.15),
  /** The culture's own range from its packet, °C. */
  packetLow: temperatureField(-2, 125),
  packetHigh: temperatureField(-2, 130),
  /** Own heat over time where nothing of the above ferments; straight lines between the points. */
  heatCurve: z.array(heatPoint).check(z.maxLength(40)),
};

/** A band of its own for what is in a vessel: where nothing of it is said, the stage's band holds for it too, °C. */
export const bandShape = {
  low: temperatureField(-5, 150),
  high: temperatureField(-5, 150),
  target: temperatureField(-5, 150),
};
