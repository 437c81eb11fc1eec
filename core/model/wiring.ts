import * as z from "zod/mini";
import { quantityField } from "./fields";

export const mainsKinds = ["one230", "one120", "two240", "two208"] as const;

/** How heat and cold are switched by a unit that one wires oneself. A, V, m. */
export const wiringShape = {
  /** Line and neutral of 230 or 120 V, or two lines of 240 or 208 V between them. */
  mains: z.enum(mainsKinds),
  /** The plug goes in both ways round. */
  plugTurns: z.boolean(),
  /** What protects the circuit at the wall, and a fuse of its own in the cord; 0: none. */
  breaker: quantityField(1, 63),
  fuse: quantityField(0, 32),
  /** Residual-current protection before it. */
  residual: z.boolean(),
  mainSwitch: z.enum(["none", "one", "both"]),
  /** Two outlets, or one of two sockets whose link on the live side has to be broken. */
  outlets: z.enum(["two", "twin"]),
  linkBroken: z.boolean(),
  /** Rating of an outlet. */
  outletAmps: quantityField(1, 63),
  relay: z.enum(["mechanical", "solid"]),
  relayAmps: quantityField(0.5, 100),
  /** What it may switch of a motor; 0: its paper does not say. */
  relayMotorAmps: quantityField(0, 100),
  cordLength: quantityField(0.3, 30),
  metalBox: z.boolean(),
  /** What a supply of 12 V feeds beyond the barrier, W: a fan, a lamp; 0: there is none. */
  supply: quantityField(0, 200),
  /** Somebody wires it; otherwise a ready-made unit does all of it. */
  ownWork: z.boolean(),
};
