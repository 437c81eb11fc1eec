import type { Product } from "../model";
import { celsius } from "../quantity";

/** What every product begins with before its kind says otherwise. Estimates where nothing else is named. */
export const blank: Product = {
  kind: "hold",
  originalGravity: 1,
  finalGravity: 1,
  packetLow: celsius(17),
  packetHigh: celsius(23),
  heatCurve: [],
  pace: 1,
  courseDays: 14,
  set: "partSet",
  hmf: 5,
  diastase: 20,
  tropical: false,
  meat: "whole",
  shape: "slab",
  thickness: 0.05,
  doneAt: celsius(90),
  wrapAt: celsius(0),
  startPh: 5.8,
  sugar: 0.01,
  salt: 0.028,
  water: 0.6,
  cureStrength: 0,
  targetLoss: 0.3,
  salted: "unknown",
  keepsWarm: false,
  holds: "unknown",
};
