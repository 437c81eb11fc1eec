import { celsius } from "../quantity";
import { heaterOf, heldAt, recordWith, steadyRoom } from "../testing/build";
import { set } from "../testing/configurations";
import { trialOf } from "./input";
import { LeftGround } from "./leftGround";
import { planOf } from "./plan";
import { runTrial } from "./runTrial";

describe("a trial that leaves what its equations stand for", () => {
  // 30 kW in a box that loses 1.4 W a kelvin: by its loss alone 21,000 K above the room.
  const wild = () =>
    runTrial(
      trialOf(
        planOf(
          recordWith(
            ...steadyRoom(20),
            ...heldAt(20),
            set("cabinet", "kind", "foam"),
            heaterOf(30_000),
            set("stage", "low", celsius(120)),
            set("stage", "high", celsius(140)),
            set("stage", "target", celsius(130)),
          ),
        ),
        1,
        10,
      ),
    );

  it("ends with that said, and gives no figure", () => {
    expect(wild).toThrow(LeftGround);
    try {
      wild();
    } catch (error) {
      expect((error as Error).message).toMatch(/^after .* would be at \d+.°C, .* none of its figures are shown/);
      expect((error as LeftGround).at).toBeGreaterThan(0);
    }
  });

  it("a hot and a cold one within it do not", () => {
    const hot = recordWith(...steadyRoom(30), set("cabinet", "kind", "drum"), set("heater", "kind", "charcoal"));
    expect(runTrial(trialOf(planOf(hot), 0.5)).metrics.seconds).toBe(43_200);
  });
});
