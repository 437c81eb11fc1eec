import { withShares } from "../chamber";
import type { CabinetKind, Chamber } from "../model";
import { celsius } from "../quantity";
import { isQuick } from "../trial";

/** A step for trials of which only the end is asked, s. */
export const coarse = (box: CabinetKind): number => (isQuick(box) ? 10 : 60);

/**
 * A chamber as it may really be, drawn evenly and by no code of the ensemble: its product 0.7 to 1.4 times as quick,
 * pieces 15 % thicker or thinner, the estimates of its box, a heater a tenth off, a room up to 4 K warmer or colder.
 */
export function drawnChamber(chamber: Chamber, random: () => number): Chamber {
  const between = (low: number, high: number) => low + random() * (high - low);
  const share = (low: number, high: number) => low * (high / low) ** random();
  const shared = withShares(chamber, {
    films: share(0.5, 1.5),
    radiated: share(0.85, 1.05),
    stored: share(0.5, 1.5),
    given: share(0.5, 1.5),
    loss: share(0.85, 1.3),
  });
  const by = between(-4, 4);
  const power = between(0.9, 1.1);
  return {
    ...shared,
    room: { ...shared.room, low: celsius(shared.room.low + by), high: celsius(shared.room.high + by) },
    heaters: shared.heaters.map((h) => ({ ...h, power: h.power * power })),
    vessels: shared.vessels.map((v) => ({
      ...v,
      product: {
        ...v.product,
        pace: v.product.pace * share(0.7, 1.4),
        thickness: v.product.thickness * between(0.85, 1.15),
      },
    })),
  };
}
