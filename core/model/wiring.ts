import * as z from "zod/mini";
import { quantityField } from "./fields";

export const mainsKinds = ["one230", "one120", "one100", "two240", "two208"] as const;
/** Plugs by their standard: CEE 7/7, BS 1363, AS/NZS 3112, SEV 1011, CEI 23-50, NEMA 5 and 6, JIS C 8303. */
export const plugKinds = [
  "cee7",
  "bs1363",
  "as3112",
  "sev1011",
  "cei23",
  "nema5",
  "nema6",
  "jis8303",
  "other",
] as const;

/** How heat and cold are switched by a unit that one wires oneself. A, V, m. */
export const wiringShape = {
  /** Line and neutral of 230, 120 or 100 V, or two lines of 240 or 208 V between them. */
  mains: z.enum(mainsKinds),
  plug: z.enum(plugKinds),
  /** The fuse inside the plug, A; 0: it has none. */
  plugFuse: quantityField(0, 16),
  /** The plug goes in both ways round. */
  plugTurns: z.boolean(),
  /** What protects the circuit at the wall, and a fuse of its own in the cord; 0: none. */
  breaker: quantityField(1, 63),
  fuse: quantityField(0, 32),
  /** What else hangs on the same circuit and may run at the same time, W. */
  otherWatts: quantityField(0, 20_000),
  /** Residual-current protection: trips at 30 mA, at 5 mA, is not there, or nobody has looked yet. */
  residual: z.enum(["unknown", "none", "r30", "r5"]),
  /** Where it stands: before the plug, or inside of the enclosure behind it. */
  residualAt: z.enum(["wall", "box"]),
  mainSwitch: z.enum(["none", "one", "both"]),
  /** Two outlets, or one of two sockets whose link on the live side has to be broken. */
  outlets: z.enum(["two", "twin"]),
  linkBroken: z.boolean(),
  /** Rating of an outlet. */
  outletAmps: quantityField(1, 63),
  /** What an outlet may feed of a motor, running; 0: its paper does not say. */
  outletMotorAmps: quantityField(0, 63),
  /** A contactor has two poles and a coil for the mains. */
  relay: z.enum(["mechanical", "solid", "contactor"]),
  /** Where mechanical relays are: the others stand outside of the unit. */
  relaysIn: z.enum(["unit", "outside"]),
  relayAmps: quantityField(0.5, 100),
  /** What it may switch of a motor; 0: its paper does not say. */
  relayMotorAmps: quantityField(0, 100),
  cordLength: quantityField(0.3, 30),
  /** By cord and plug, or fixed: in a wall that insulates, in pipe or duct on it, clipped to it (IEC 60364-5-52). */
  laid: z.enum(["cord", "A1", "B1", "C"]),
  /** What cools has a cord, and a circuit, of its own. */
  secondCord: z.boolean(),
  /** A one-shot thermal cut-out in series with the heater, which no electronics decide over. */
  cutOut: z.enum(["unknown", "yes", "no"]),
  cutOutAmps: quantityField(1, 63),
  /** Running current by the nameplate of what heats and what cools, A; 0: not read yet, so it is worked out. */
  heatAmps: quantityField(0, 63),
  coldAmps: quantityField(0, 63),
  /** A small lamp at each outlet that says when it is live. */
  pilots: z.boolean(),
  /** What is plugged in is double insulated and needs no earth. */
  heatDouble: z.boolean(),
  coldDouble: z.boolean(),
  /** Symbols of the drawing: those of the mains' region, or of IEC 60617 or ANSI Y32 by preference. */
  symbols: z.enum(["region", "iec", "ansi"]),
  metalBox: z.boolean(),
  /** A metal kettle or pot, heated from within, that somebody may touch. */
  metalVessel: z.boolean(),
  /** How wet the place is where it hangs. */
  place: z.enum(["dry", "damp", "splash"]),
  /** Colours of a cable that is there already: those of today, or those of before. */
  colours: z.enum(["now", "before"]),
  /** What a supply of 12 V feeds beyond the barrier, W: a fan, a lamp; 0: there is none. */
  supply: quantityField(0, 200),
  /** Somebody wires it; otherwise a ready-made unit does all of it. */
  ownWork: z.boolean(),
};
