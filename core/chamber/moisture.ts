import type { Cabinet, CabinetKind, Chamber, Moisture, Stage } from "../model";
import { isStillAir } from "./films";
import { isBought } from "./geometry";

const GRAMS_AN_HOUR = 1e-3 / 3600;
/** What a small ultrasonic humidifier gives, and what a small dryer takes (estimates), kg/s. */
export const HUMIDIFIER = 100 * GRAMS_AN_HOUR;
export const DEHUMIDIFIER = 25 * GRAMS_AN_HOUR;
/** Silica gel and the like take so much of their mass (estimate). */
export const GEL_TAKES = 0.3;

/** Volumes of air that a shut box changes in an hour: 0.02 to 0.5 (estimates); old seals leak more. */
function airChanges({ kind, age }: Cabinet): number {
  const tight = kind === "chest" ? 0.05 : kind === "wine" ? 0.3 : isBought(kind) && kind !== "warmBox" ? 0.1 : 0.3;
  return tight * { new: 1, worn: 2, old: 3 }[age];
}

/** A box whose air is its own: only of that a balance of water is drawn up. Pots, kettles and smokers breathe the room's. */
export const hasOwnAir = (kind: CabinetKind): boolean => isStillAir(kind);

/** Whether the air's humidity is worked out in a trial. */
export const reckonsMoisture = ({ cabinet, moisture }: Pick<Chamber, "cabinet" | "moisture">): boolean =>
  moisture.reckoned && hasOwnAir(cabinet.kind);

/** What is usual of the water in a box; where a stage asks for a humidity, what holds it is taken to be there. */
export function moistureDefaults(cabinet: Cabinet, stages: readonly Pick<Stage, "humidity">[]): Moisture {
  const asked = hasOwnAir(cabinet.kind) && stages.some((s) => s.humidity > 0);
  return {
    reckoned: true,
    room: 0.6,
    airChanges: airChanges(cabinet),
    tray: 0,
    trayActivity: 1,
    drains: isBought(cabinet.kind) && cabinet.kind !== "chest",
    humidifier: asked ? HUMIDIFIER : 0,
    dehumidifier: asked ? DEHUMIDIFIER : 0,
    between: 0.06,
    absorber: 0,
  };
}
