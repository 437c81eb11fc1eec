import type { ChamberRecord } from "../model";
import { celsius } from "../quantity";
import { recordWith, steadyRoom } from "../testing/build";
import { set } from "../testing/configurations";
import { runTrial, trialWith } from "../trial";
import { sayStarts, scoreOf, setupsOf, type Score } from ".";

/** A fridge in a cold room: only its heater has anything to do. */
const cold = (switchedBy: "relay" | "solidState", heating = 0.4): { score: Score; of: ChamberRecord } => {
  const of = recordWith(
    ...steadyRoom(6),
    set("product", "kind", "hold"),
    set("stage", "low", celsius(17)),
    set("stage", "high", celsius(23)),
    set("vessel", "startTemperature", celsius(20)),
    set("probe", "place", "air"),
    set("unit", "switchedBy", switchedBy),
  );
  const { plan, group, seasons, keyed } = setupsOf(of, { probe: false, heater: false })[0]!;
  return { score: scoreOf({ heating, cooling: 1, shift: 0 }, plan.chamber, group, seasons, keyed), of };
};

describe("starts in a search", () => {
  it("of the heater are counted where the cooling never starts, as a plain trial of the season counts them", () => {
    const { score, of } = cold("relay");
    expect(score.starts.cold).toBe(0);
    expect(score.starts.heat).toBeGreaterThan(20);
    expect(score.startsPerDay).toBe(score.starts.heat);
    const { seasons } = setupsOf(of, { probe: false, heater: false })[0]!;
    const season = seasons.find((s) => s.name === "coldest")!;
    const trial = runTrial(trialWith(season.chamber, [score.settings], 4, 10));
    const begun = trial.heat.filter((t, i) => i % 2 === 0 && t >= 86_400).length;
    expect(
      Math.abs(score.seasons.find((s) => s.name === "coldest")!.heatStartsPerHour * 72 - begun),
    ).toBeLessThanOrEqual(1);
  });

  it("wear a relay and cost accordingly, and an electronic one not at all", () => {
    const [relay, electronic] = [cold("relay").score, cold("solidState").score];
    expect(electronic.starts).toEqual(relay.starts);
    const perHour = Math.max(...relay.seasons.map((s) => s.heatStartsPerHour));
    // A fiftieth of a degree for each start an hour (the design's reference).
    expect(relay.cost - electronic.cost).toBeCloseTo(0.02 * perHour, 6);
  });

  it("are told by their name, of what there is to switch", () => {
    const said = (starts: Score["starts"]) => sayStarts({ starts });
    expect(said({ cold: 3.2, heat: 60 })).toBe("3 starts of the cooling and 60 of the heater a day");
    expect(said({ cold: null, heat: 60 })).toBe("60 starts of the heater a day");
    expect(said({ cold: 4, heat: null })).toBe("4 starts of the cooling a day");
    expect(said({ cold: 0, heat: 60 })).toBe("0 starts of the cooling and 60 of the heater a day");
  });
});
