import type { Chamber } from "../model";
import { transmittance, wallConductance } from "./heatLoss";
import { referenceCabinet as ref } from "./reference";
import { chestReference, worn } from "./thermal";

/**
 * What the wall of a cabinet lost by the first three versions of the defaults, W/K: scaled from a figure of a tall
 * cabinet and one of a chest that was nearly twice what its layers say.
 */
export function wallLossBefore(now: number, { cabinet }: Chamber): number {
  const age = worn[cabinet.age];
  switch (cabinet.kind) {
    case "upright":
    case "underCounter":
    case "fridgeFreezer":
    case "wine":
      return 1.65 * (wallConductance(cabinet) / wallConductance(ref.cabinet)) * age;
    case "warmBox":
      return 1.79 * (wallConductance(cabinet) / wallConductance(ref.cabinet)) * age;
    case "chest": {
      const collar = 2 * (cabinet.width + cabinet.depth) * cabinet.collar * transmittance(0.02, 0.035) * 0.85;
      return (
        1.3 * (wallConductance({ ...cabinet, collar: 0 }) / wallConductance(chestReference.cabinet)) * age + collar
      );
    }
    default:
      return now;
  }
}
