import type { Wiring } from "../model";
import type { Job } from "./lines";
import { mainsTable } from "./mains";

/** Colours of cables of before: the old ones of Britain and, of the mainland, a usual one (from memory). */
const before: Record<"european" | "american", Record<"first" | "second" | "earth", string>> = {
  european: { first: "red", second: "black", earth: "green" },
  american: { first: "black", second: "white", earth: "bare" },
};

/** The colour of a wire by its job and region: IEC 60445; NEC 200.6 and 250.119; JIS by custom (from memory). */
export function colourOf({ job }: { job: Job }, { mains }: Pick<Wiring, "mains">): string {
  const { american, twoLines } = mainsTable[mains];
  // Neither system has a colour for it: one that means nothing on the mains side (common practice, no source).
  if (job === "low") return "violet";
  if (mains === "one100")
    return { earth: "green", second: "white", first: "black", switched: "red, marked at both ends" }[job];
  if (job === "earth") return american ? "green" : "green-yellow";
  if (job === "second") return american ? (twoLines ? "red" : "white") : "blue";
  if (job === "switched") return american ? "black, marked at both ends" : "brown, marked at both ends";
  return american ? "black" : "brown";
}

/** The colours in a cable that is there already: line, neutral, earth. */
export function oldColours({ mains, colours }: Pick<Wiring, "mains" | "colours">): string | null {
  if (colours === "now") return null;
  const { first, second, earth } = before[mainsTable[mains].american ? "american" : "european"];
  return `line ${first}, neutral ${second}, earth ${earth}`;
}
