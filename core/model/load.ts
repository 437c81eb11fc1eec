import * as z from "zod/mini";
import { outlineShape } from "./build";
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
  /** It is put in so long after the beginning, s; the first is there from the beginning. */
  putIn: quantityField(0, 200 * 86_400),
  /** Heat taken by evaporation from one, W, when its surface is at `evaporationAt` °C. */
  evaporation: quantityField(0, 2000),
  evaporationAt: temperatureField(0, 100),
  /** Share of its surface that gives off water as open water would; 0: it is shut, or its product says it itself. */
  wetShare: quantityField(0, 1),
  ...outlineShape,
};

export const productKinds = [
  "ale",
  "lager",
  "farmhouse",
  "spontaneous",
  "wine",
  "cider",
  "mead",
  "serving",
  "tempeh",
  "honey",
  "bath",
  "smoke",
  "sausage",
  "wholeMuscle",
  "mash",
  "hold",
] as const;

/** How far honey has set. */
export const honeySets = ["liquid", "partSet", "set", "hard"] as const;
/** What a piece of food is, for what has to be killed in it. */
export const meats = ["whole", "minced", "poultry", "fish"] as const;
/** What a piece looks like: flat, long, in one lump, round. */
export const pieceShapes = ["slab", "roll", "chunk", "ball"] as const;

export const saltedStates = ["unknown", "no", "even"] as const;
/** Nothing to eat; food that keeps by itself; moist food that does not; nobody has said. */
export const heldContents = ["unknown", "noFood", "keeps", "moist"] as const;

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
  /** How fast it goes against what is usual: every rate of a product is an estimate. */
  pace: quantityField(0.2, 5),
  /** Days until a typed course is 98 % done. */
  courseDays: quantityField(0.5, 400),
  set: z.enum(honeySets),
  /** HMF in honey at the start, mg/kg; its diastase number. */
  hmf: quantityField(0, 200),
  diastase: quantityField(0, 80),
  /** Honey of a hot country: its limit of HMF is twice as high. */
  tropical: z.boolean(),
  meat: z.enum(meats),
  shape: z.enum(pieceShapes),
  /** Of a piece, or across a casing, m. */
  thickness: quantityField(0.003, 0.4),
  /** Core at which it is done, and at which it is wrapped; 0 °C: never, °C. */
  doneAt: temperatureField(30, 130),
  wrapAt: temperatureField(0, 130),
  startPh: quantityField(4, 7),
  /** kg a kg of what goes in: sugar for the culture, salt, water. */
  sugar: quantityField(0, 0.05),
  salt: quantityField(0, 0.15),
  water: quantityField(0.2, 0.85),
  /** Share of nitrite in the curing salt, as its label says; 0: none is named. */
  cureStrength: quantityField(0, 0.2),
  /** Share of its weight that it shall lose. */
  targetLoss: quantityField(0.02, 0.6),
  /** Of whole muscle that is put in: whether its salt has gone in to the core already. */
  salted: z.enum(saltedStates),
  /** It is to keep without a fridge: its water activity counts among what is wanted. */
  keepsWarm: z.boolean(),
  /** Of what is only held: whether it is food in which something dangerous can grow in the warm. */
  holds: z.enum(heldContents),
};

/** A band of its own for what is in a vessel: where nothing of it is said, the stage's band holds for it too, °C. */
export const bandShape = {
  low: temperatureField(-5, 150),
  high: temperatureField(-5, 150),
  target: temperatureField(-5, 150),
};
