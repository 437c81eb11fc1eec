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
  if (product.kind === "bath")
    shifted.push({
      id: "thinner",
      label: "Cut it half as thick",
      edits: [{ section: "product", field: "thickness", id, value: product.thickness / 2 }],
    });
  return shifted;
}
