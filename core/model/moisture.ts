import * as z from "zod/mini";
import { quantityField } from "./fields";

/** Water in the air of a shut box: what brings it in and what takes it out. */
export const moistureShape = {
  /** The air's humidity is worked out; otherwise it is as somebody typed it. */
  reckoned: z.boolean(),
  /** Relative humidity of the room around it. */
  room: quantityField(0, 1),
  /** Air that a shut box changes with the room, in its own volumes an hour. */
  airChanges: quantityField(0, 60),
  /** Open water that stands in it, m² of surface, and its water activity: 1 of water, 0.75 of salt that lies in its brine. */
  tray: quantityField(0, 2),
  trayActivity: quantityField(0.05, 1),
  /** What drips from the cold plate runs out of the box. */
  drains: z.boolean(),
  /** Most that a humidifier gives, kg/s, and that a dehumidifier takes at 20 °C and 80 %; 0: there is none. */
  humidifier: quantityField(0, 0.005),
  dehumidifier: quantityField(0, 0.005),
  /** Between off and on of both, as relative humidity. */
  between: quantityField(0.005, 0.3),
  /** Dry absorber, such as silica gel, kg as it is put in. */
  absorber: quantityField(0, 50),
};
