import type { Chamber } from "../model";
import { transmittance, wallConductance } from "./heatLoss";
import { referenceCabinet as ref } from "./reference";

const WORN = { new: 1, worn: 1.2, old: 1.5 } as const;

/** The chest that others were scaled from, and what its wall was said to lose, W/K. */
const CHEST = {
  kind: "chest",
  height: 0.85,
  width: 0.75,
  depth: 0.55,
  insulation: 0.065,
  conductivity: 0.022,
  jacket: 0,
  age: "new",
  collar: 0,
  fan: false,
  bath: 0,
  humidity: 0.75,
} as const;

/**
 * What the wall of a cabinet lost by the first three versions of the defaults, W/K: scaled from a figure of a tall
 * cabinet and one of a chest that was nearly twice what its layers say.
 */
export function wallLossBefore(now: number, { cabinet }: Chamber): number {
  const age = WORN[cabinet.age];
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
      return 1.3 * (wallConductance({ ...cabinet, collar: 0 }) / wallConductance(CHEST)) * age + collar;
    }
    default:
      return now;
  }
}
