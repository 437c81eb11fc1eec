import { AIR, describe } from "../chamber";
import type { ChamberRecord } from "../model";
import { planWith, type Plan } from "./planWith";
import { calledFor, marginsOf, strayOf } from "./runOn";

/** Works out the settings of a stored chamber, with margins from the run-on of its own devices. */
export function planOf(record: ChamberRecord): Plan {
  const chamber = describe(record);
  return planWith(record, chamber, (_s, c, band, held) => {
    const probe = chamber.controllers[c]!.probes[0]!;
    return {
      margins: marginsOf(chamber, band, probe),
      called: calledFor(chamber, band.target),
      stray: strayOf(chamber, band.target, probe, held === AIR ? undefined : held),
    };
  });
}
