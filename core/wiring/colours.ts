import type { Wiring } from "../model";
import type { Wire } from "./wires";
import { mainsTable } from "./plan";

/** The colour of a wire by its job and region: IEC 60445; NEC 200.6 and 250.119 (from memory). */
export function colourOf({ job }: Pick<Wire, "job">, { mains }: Pick<Wiring, "mains">): string {
  const { american, twoLines } = mainsTable[mains];
  // Neither system has a colour for it: one that means nothing on the mains side (common practice, no source).
  if (job === "low") return "violet";
  if (job === "earth") return american ? "green" : "green-yellow";
  if (job === "second") return american ? (twoLines ? "red" : "white") : "blue";
  if (job === "switched") return american ? "black, marked at both ends" : "brown, marked at both ends";
  return american ? "black" : "brown";
}

/** What a wire ends in. */
export const endsOf = (terminal: string): string =>
  /relay|fuse|common|coil|^unit|probe|supply|twelve/.test(terminal)
    ? "ferrule"
    : /switch|cut-out|pilot/.test(terminal)
      ? "flat push-on sleeve"
      : /box|earth$/.test(terminal)
        ? "ring"
        : "screw terminal";
