import type { LoadedVessel } from "../model";
import { bandEdits } from "../program";
import type { Case, Remedy } from "./types";
import { words } from "./words";

/** By how much a band is moved to keep a limit, K. */
const SHIFTS: Partial<Record<LoadedVessel["product"]["kind"], readonly number[]>> = {
  honey: [-3, -6],
  sausage: [4, 8, -4],
  tempeh: [-2, -4],
};

/** Other bands of the stage in which a limit is passed, and what else keeps it: each is tried before it is offered. */
export function milder(c: Case, { id, product }: LoadedVessel, moment: number): Remedy[] {
  const { chamber, trial } = c;
  const span = trial.bands.find((b) => moment < b.to) ?? trial.bands.at(-1);
  const stage = chamber.stages[span?.stage ?? 0]!;
  const { at } = words(c);
  const shifted = (SHIFTS[product.kind] ?? []).map((by): Remedy => {
    const [low, high] = [stage.low + by, stage.high + by];
    return {
      id: `band${by}`,
      label: `Hold it at ${at(low)} to ${at(high)}`,
      edits: bandEdits(chamber.controllers, stage.id, low, high),
    };
  });
  // What dries too fast at its surface wants moister air.
  if (product.kind === "sausage" || product.kind === "wholeMuscle") {
    const now = stage.humidity || chamber.cabinet.humidity;
    for (const humidity of [0.82, 0.86, 0.9, 0.93].filter((h) => h > now + 0.01))
      shifted.push({
        id: `humidity${humidity}`,
        label: `Keep the air at ${Math.round(humidity * 100)} % humidity`,
        edits: [{ section: "stage", field: "humidity", id: stage.id, value: humidity }],
      });
  }
  if (product.kind === "bath" || product.kind === "smoke")
    shifted.push({
      id: "thinner",
      label: "Cut it half as thick",
      edits: [{ section: "product", field: "thickness", id, value: product.thickness / 2 }],
    });
  return shifted;
}
