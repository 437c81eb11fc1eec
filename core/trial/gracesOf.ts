import type { Happening, HappeningKind } from "../model";
import type { JudgedTally } from "./stageTally";

/** Hours of grace after a happening, s: until the product leaves its band. */
export interface Grace {
  id: string;
  kind: HappeningKind;
  at: number;
  /** Null: the product was outside already. Infinity: it holds to the end of the stage. */
  seconds: number | null;
  /** The product left by the cold end of its band. */
  cold: boolean;
}

/** Happenings that are no failures: nobody asks how long they leave. */
const harmless: readonly HappeningKind[] = ["setpoint"];

/** How long after each happening the product stays in its band. */
export function gracesOf(
  happenings: readonly Happening[],
  { crossings, byCold }: Pick<JudgedTally, "crossings" | "byCold">,
  dt: number,
): Grace[] {
  return happenings
    .filter((h) => !harmless.includes(h.kind))
    .map(({ id, kind, at }) => {
      const crossed = crossings.filter((step) => step * dt <= at).length;
      const inside = crossed % 2 === 1;
      const leaves = crossings[crossed];
      if (!inside) return { id, kind, at, seconds: null, cold: false };
      if (leaves === undefined) return { id, kind, at, seconds: Infinity, cold: false };
      return { id, kind, at, seconds: leaves * dt - at, cold: byCold[crossed] === 1 };
    });
}
