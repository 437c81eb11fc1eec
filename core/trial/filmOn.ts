import { isBath, isSmoker } from "../chamber";
import type { Cabinet } from "../model";

/**
 * How well what is around gives its heat on to a piece, W/m²K: 95 in a bath with a pump (Baldwin 2012, value from memory),
 * 60 without; 10 in a smoker's slow draught, 12 under a fan (Incropera, chapter 1); radiation is the piece's own matter. Estimates.
 */
export const filmOn = ({ kind, fan }: Cabinet): number =>
  isBath(kind) ? (fan ? 95 : 60) : fan ? 12 : isSmoker(kind) ? 10 : 5;
