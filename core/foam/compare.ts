import { contentsCapacity, describe as describeChamber, lossCoefficient, tryEdits } from "../chamber";
import type { ChamberRecord, Edit } from "../model";
import { nest } from "./nest";
import { panelsOf } from "./panels";

/** Thicknesses that foam is sold in, m (common practice, no source). */
export const FOAM_THICKNESSES = [0.02, 0.03, 0.04, 0.05, 0.06, 0.08, 0.1] as const;

/** A foam box with the same inside and another wall. */
export interface Thickness {
  thickness: number;
  /** W/K, and W to hold the target in the coldest room. */
  loss: number;
  watts: number;
  /** h that a power cut leaves until the first vessel is at the edge of its band; Infinity: the room keeps it. */
  hours: number;
  sheets: number;
  /** In the user's own money, by the price of the sheet as it is now and by thickness; 0: no price is known. */
  price: number;
  edits: Edit[];
}

/**
 * The same inside in each wall that is sold: by watts, by price, by the hours that a power cut leaves. Walls with which
 * the box would be none that there can be are left out.
 */
export function thicknesses(record: ChamberRecord): Thickness[] {
  const now = describeChamber(record);
  const { cabinet, build } = now;
  return FOAM_THICKNESSES.flatMap((thickness): Thickness[] => {
    const grown = 2 * (thickness - cabinet.insulation);
    const set = (field: string, value: number): Edit => ({ section: "cabinet", field, value }) as Edit;
    const edits = [
      set("insulation", thickness),
      set("height", cabinet.height + grown),
      set("width", cabinet.width + grown),
      set("depth", cabinet.depth + grown),
    ];
    const tried = tryEdits(record, edits);
    if (!tried.ok) return [];
    const chamber = describeChamber(tried.value);
    const loss = lossCoefficient(chamber);
    const [stage] = chamber.stages;
    const { room } = chamber;
    const capacity = chamber.vessels.reduce((sum, v) => sum + contentsCapacity(v), chamber.thermal.liningCapacity);
    const { sheets } = nest(
      panelsOf(chamber.cabinet, build).filter((p) => p.of === "foam"),
      build,
    );
    // The further end of the room decides, and the edge of the band on its side.
    const cold = stage!.target - room.low >= room.high - stage!.target;
    const [around, edge] = cold ? [room.low, stage!.low] : [room.high, stage!.high];
    const kept = cold ? around >= edge : around <= edge;
    const hours = kept ? Infinity : ((capacity / loss) * Math.log((stage!.target - around) / (edge - around))) / 3600;
    return [
      {
        thickness,
        loss,
        watts: Math.max(0, loss * (stage!.target - room.low)),
        hours,
        sheets: sheets.length,
        price: build.sheetPrice * (thickness / cabinet.insulation) * sheets.length,
        edits,
      },
    ];
  });
}
