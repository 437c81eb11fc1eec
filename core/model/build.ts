import * as z from "zod/mini";
import { idField, quantityField } from "./fields";

export const boardMaterials = ["softwood", "plywood", "hardwood", "steel", "stainless", "aluminium"] as const;
export const jointKinds = ["butt", "rebate", "mitre"] as const;

export const thingKinds = ["heater", "fan", "absorber", "cable", "drain", "rail", "plate", "tray", "other"] as const;

/** Something fixed inside and in the way: its left, back, lower corner, its size, and the air it has to keep, m. */
export const thing = z.strictObject({
  kind: z.enum(thingKinds),
  x: quantityField(0, 3),
  y: quantityField(0, 3),
  z: quantityField(0, 3),
  width: quantityField(0.002, 3),
  depth: quantityField(0.002, 3),
  height: quantityField(0.002, 3),
  clear: quantityField(0, 0.5),
});
export type Thing = z.infer<typeof thing>;

/** What is inside a box and in the way of what stands in it, what carries it, and a foam box that one makes. Lengths in m. */
export const buildShape = {
  /** Hump over the compressor at the back: how wide, deep and high; a width of 0 is the whole width. */
  humpWidth: quantityField(0, 3),
  humpDepth: quantityField(0, 3),
  humpHeight: quantityField(0, 3),
  /** A shelf that stays in, its top over the floor; 0: none. */
  shelfAt: quantityField(0, 3),
  /** Depth that shelves in the door take; what hangs from the ceiling: a plate, a light, a lid's inner face. */
  doorShelf: quantityField(0, 0.5),
  ceiling: quantityField(0, 0.5),
  /** How far the rim of a lid's opening stands in on each side. */
  rim: quantityField(0, 0.3),
  /** Heater, fan, absorber, cable, drain, rails, cold plate. */
  things: z.array(thing).check(z.maxLength(20)),
  /** The board or plate under the load: what of, how thick, how many edges it lies on, how much safer than it need be. */
  boardMaterial: z.enum(boardMaterials),
  boardThickness: quantityField(0.0005, 0.1),
  boardEdges: z.enum(["two", "four"]),
  boardSafety: quantityField(1, 20),
  /** How the panels of a foam box meet, and what its faces are covered with. */
  joint: z.enum(jointKinds),
  lining: quantityField(0, 0.03),
  /** How far the lid reaches down into the box. */
  lip: quantityField(0, 0.2),
  /** A sheet as it is sold; what a cut takes; its price in the user's own money. */
  sheetLength: quantityField(0.2, 6),
  sheetWidth: quantityField(0.2, 3),
  kerf: quantityField(0, 0.02),
  sheetPrice: quantityField(0, 100_000),
  /** Hours within which what is put in is to come into its band. */
  loadHours: quantityField(0.25, 400),
};

/** Where one of the vessels of an entry stands: its middle from the left and from the back, m, and on what. */
export const spot = z.strictObject({
  x: quantityField(0, 3),
  y: quantityField(0, 3),
  on: z.enum(["floor", "hump", "shelf"]),
  /** Turned by a quarter: handles to the front, a tap to the side. */
  turned: z.boolean(),
});
export type Spot = z.infer<typeof spot>;

/** The outline of a vessel where it is not as usual, m; 0: as its form and volume have it. */
export const outlineShape = {
  bodyHeight: quantityField(0, 3),
  bodyWidth: quantityField(0, 3),
  /** Width at the foot where it tapers; how high its legs are; its lid: how high above the body, how far over it. */
  footWidth: quantityField(0, 3),
  legs: quantityField(0, 1),
  lidHeight: quantityField(0, 0.5),
  lidOver: quantityField(0, 0.3),
  /** Airlock, blow-off or valve above it. */
  above: quantityField(0, 1),
  /** Room to reach over it and take a sample. */
  reach: quantityField(0, 1),
  /** What handles add on each side, and a tap at the front. */
  handles: quantityField(0, 0.5),
  tap: quantityField(0, 0.5),
  /** Those that were put somewhere by hand, in turn; the others find a place of their own. */
  spots: z.array(spot).check(z.maxLength(60)),
};

/** A part that is bought: of the list that follows from the chamber by its key, or one's own. */
export const part = z.strictObject({
  id: idField,
  /** Of a part that is worked out: its key; empty: one's own. */
  key: z.string().check(z.maxLength(60)),
  name: z.string().check(z.maxLength(80)),
  quantity: quantityField(0, 100_000),
  unit: z.string().check(z.maxLength(12)),
  /** For one, in the user's own money; 0: not known. */
  price: quantityField(0, 1_000_000),
  owned: z.boolean(),
});
export type Part = z.infer<typeof part>;
