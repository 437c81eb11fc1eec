import type { Cabinet, Chamber } from "../model";
import { insideOf, vesselSurface } from "./geometry";
import { referenceCabinet } from "./reference";

/** Films of a still box as the first two versions of the defaults had them: W/K, W/m²K. */
interface Films {
  airToLining: number;
  filmToAir: number;
  filmToLining: number;
}

const bucketSurface = (volume: number) => vesselSurface({ volume, form: "bucket" });

/** Radiation was lumped into the air, which does not radiate: all of it passed through the air, and calmed it. */
function filmsBefore(cabinet: Cabinet): Films | null {
  const inside = insideOf(cabinet);
  switch (cabinet.kind) {
    case "upright":
    case "underCounter":
    case "fridgeFreezer":
    case "wine":
    case "warmBox":
      return {
        airToLining: 18 * (inside.area / insideOf(referenceCabinet.cabinet).area) * (cabinet.fan ? 1.6 : 1),
        filmToAir: (2.2 / bucketSurface(0.023)) * (cabinet.fan ? 1.8 : 1),
        filmToLining: 1.3 / bucketSurface(0.023),
      };
    case "chest": {
      const base = { ...cabinet, height: 0.85, width: 0.75, depth: 0.55, insulation: 0.065, collar: 0 };
      return {
        airToLining: 9 * (inside.area / insideOf(base).area) * (cabinet.fan ? 1.6 : 1),
        filmToAir: (1.8 / bucketSurface(0.019)) * (cabinet.fan ? 1.8 : 1),
        filmToLining: 1.6 / bucketSurface(0.019),
      };
    }
    case "foam":
      return {
        airToLining: 6.9 * (inside.area / 0.86) * (cabinet.fan ? 1.6 : 1),
        filmToAir: 8.7 * (cabinet.fan ? 1.6 : 1),
        filmToLining: 3.35,
      };
    default:
      return null;
  }
}

/** What a film of a chamber was before; the same where it has not changed. */
export const filmBefore =
  (name: keyof Films) =>
  (now: number, { cabinet }: Chamber): number =>
    filmsBefore(cabinet)?.[name] ?? now;
