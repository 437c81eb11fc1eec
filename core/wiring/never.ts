import { isBought } from "../chamber";
import type { Chamber } from "../model";

/** A face of a cabinet, and what may hide behind it: nothing is ever said to be safe to drill. */
export interface Face {
  face: string;
  hides: string;
}

/** What may hide behind each face of a bought cabinet, and the ways that need no hole (common practice, no source). */
export function neverHere({ cabinet, coolers }: Pick<Chamber, "cabinet" | "coolers">): {
  faces: Face[];
  ways: string[];
} {
  if (!isBought(cabinet.kind)) return { faces: [], ways: [] };
  const cold = coolers.some((c) => c.kind === "compressor");
  const chest = cabinet.kind === "chest";
  const faces: Face[] = [
    {
      face: "Left and right wall",
      hides:
        chest || cold
          ? "condenser and evaporator pipes, laid against the sheet from inside"
          : "pipes that still hold what is left of the refrigerant",
    },
    { face: "Back wall", hides: "pipes, the capillary, cables to light and thermostat" },
    {
      face: "Top or lid",
      hides: chest ? "foam, and in some a condenser pipe along the rim" : "cables, the control, in some a condenser",
    },
    { face: "Floor and hump", hides: "the compressor, its pipes and its terminals" },
    { face: "Front frame", hides: "a pipe that warms the frame against dew, all around the door" },
    { face: "Door", hides: "cables in some; a hole in it lets water into the foam" },
  ];
  return {
    faces,
    ways: [
      "through the seal: a flat ribbon cable, or a round one in a notch, the seal closing on it",
      ...(chest
        ? ["through a collar of wood under the lid, drilled before it goes on"]
        : ["through the drain at the back, which stays open beside it"]),
      "without any cable: a probe that sends by radio, its range tried with the door shut",
    ],
  };
}
