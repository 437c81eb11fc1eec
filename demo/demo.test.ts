import { chamberRecord } from "@/core/model";
import { planOf, runTrial, trialOf } from "@/core/trial";
import { judge } from "@/core/verdict";
import { hollinMill } from "./hollinMill";

describe("the demo", () => {
  it("is built through the same schemas as anybody's data, and is marked", () => {
    for (const record of hollinMill()) {
      expect(chamberRecord.parse(record)).toEqual(record);
      expect(record.demo).toBe(true);
    }
  });

  it("has something to mend at the probe, and strapping it mends it", () => {
    const record = hollinMill()[0]!;
    const worst = (r: typeof record) => {
      const plan = planOf(r);
      return judge(plan, runTrial(trialOf(plan, 7)), "C")[0]!;
    };
    expect(worst(record)).toMatchObject({ id: "leaves-band", station: "probe" });
    const mended = {
      ...record,
      probes: [{ ...record.probes[0]!, probe: { place: { value: "strapped" as const, origin: "typed" as const } } }],
    };
    expect(["note", "good"]).toContain(worst(mended).severity);
  });
});
