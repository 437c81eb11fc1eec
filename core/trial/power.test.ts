import { celsius } from "../quantity";
import type { CabinetKind, Edit } from "../model";
import { recordWith } from "../testing/build";
import { trialOf } from "./input";
import { planOf } from "./plan";
import { runTrial } from "./runTrial";

const edit = (section: string, field: string, value: unknown): Edit => ({ section, field, value }) as Edit;
/** Hours until water filled at 8 °C is in a band of 19 to 21 °C, in a cold cellar, with the settings that follow from it. */
function arrival(kind: CabinetKind, power: number): number {
  const record = recordWith(
    edit("cabinet", "kind", kind),
    edit("product", "kind", "hold"),
    edit("stage", "low", celsius(19)),
    edit("stage", "high", celsius(21)),
    edit("room", "low", celsius(4)),
    edit("room", "high", celsius(10)),
    edit("vessel", "startTemperature", celsius(8)),
    edit("heater", "power", power),
  );
  const { timeToBand } = runTrial(trialOf(planOf(record), 2)).metrics;
  if (timeToBand === null) throw new Error(`${kind} with ${power} W never gets there`);
  return timeToBand / 3600;
}

describe("more power never arrives later", () => {
  it.each<CabinetKind>(["upright", "chest", "underCounter", "foam", "jacketed"])(
    "%s, up to and past the 300 W from which a heater is a fan heater",
    (kind) => {
      const hours = [60, 120, 180, 240, 290, 300].map((power) => arrival(kind, power));
      hours.forEach((h, i) => expect(h).toBeLessThanOrEqual((hours[i - 1] ?? Infinity) + 1e-9));
      // Beyond, the stronger one pauses sooner, and its fan with it: an eighth at the most.
      for (const power of [340, 500, 700]) expect(arrival(kind, power)).toBeLessThan(hours.at(-1)! * 1.125);
    },
  );
});
