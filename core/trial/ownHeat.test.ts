import { addVessel, newChamber } from "../chamber";
import { applyEdits, cabinetKinds, type Edit } from "../model";
import { celsius } from "../quantity";
import { planOf, runTrial, trialOf } from ".";

const edit = (section: string, field: string, value: unknown) => ({ section, field, value }) as Edit;

describe("drying in every box", () => {
  // A rating for a surface colder than the room's air: air that takes nothing is no air to be rated for.
  it.each(cabinetKinds)("%s: has an answer however cold its surface is rated and however moist its air is", (kind) => {
    const record = applyEdits(addVessel(newChamber("dry", "Drying", "2026-01-01T00:00:00.000Z")), [
      edit("cabinet", "kind", kind),
      edit("cabinet", "humidity", 0.99),
      edit("vessel", "evaporation", 20),
      edit("vessel", "evaporationAt", celsius(0)),
    ]);
    const { trace, metrics } = runTrial(trialOf(planOf(record), 0.25));
    for (const line of [trace.low.product, trace.high.air]) expect([...line].every(Number.isFinite)).toBe(true);
    expect(Number.isFinite(metrics.energy.product)).toBe(true);
  });
});
