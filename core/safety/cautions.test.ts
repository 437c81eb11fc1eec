import { cautions, cautionsAt } from ".";

const ids = (list: { id: string }[]) => list.map((c) => c.id);

describe("cautions stand where the decision is made", () => {
  // What can hurt someone, by the house's own list: mains, food, gas, hot surfaces, refrigerant, lifting.
  it.each([
    ["mains voltage with the devices", "heat", [], "mains"],
    ["food with the settings", "settings", [], "food"],
    ["gas of a ferment with the job", "job", [], "carbon-dioxide"],
    ["gas of a fire with its box", "box", ["drum"], "carbon-monoxide"],
    ["gas of a fire with the fire", "heat", ["brick", "charcoal"], "carbon-monoxide"],
    ["hot surfaces with a kettle", "box", ["kettle"], "hot-surfaces"],
    ["refrigerant before a fridge is drilled", "box", ["upright"], "drilling"],
    ["lifting with the box", "box", [], "lifting"],
    ["a probe out of its place, on the card too", "card", [], "probe-out"],
  ] as const)("%s", (_, place, there, id) => {
    expect(ids(cautionsAt(place, ...there))).toContain(id);
  });

  it("none speaks of what is not there", () => {
    expect(ids(cautionsAt("box", "foam"))).not.toContain("drilling");
    expect(ids(cautionsAt("box", "upright"))).not.toContain("carbon-monoxide");
    expect(ids(cautionsAt("heat", "upright", "tube", "compressor"))).not.toContain("hot-surfaces");
  });

  it("electricity is left to local rules and licensed people", () => {
    expect(cautions.find((c) => c.id === "mains")!.text).toMatch(/[Ll]ocal rules and a licensed electrician decide/);
  });

  it("the room that escaped isobutane needs: 150 g at 43 g/m\u00b3 fill 3.5 m\u00b3, so it burns in a larder", () => {
    // Lower flammable limit of isobutane, 1.8 % by volume or 43 g/m\u00b3 (value from memory of ISO 817; reference.md).
    expect(150 / 43).toBeCloseTo(3.49, 2);
    // 0.018 of a cubic metre at 25 \u00b0C and 101 325 Pa by the ideal gas law, 58.12 g/mol.
    expect(((0.018 * 101_325) / (8.314462 * 298.15)) * 58.12).toBeCloseTo(43, 0);
  });

  it("carbon dioxide of twenty litres of beer is about the 0.4 m\u00b3 that the caution says", () => {
    expect(cautions.find((c) => c.id === "carbon-dioxide")!.text).toMatch(/0\.4 m³/);
    // 0.74 kg (reference.md: 20 L, 1.048 to 1.010) at 20 \u00b0C by the ideal gas law, 44.01 g/mol.
    expect(((740 / 44.01) * 8.314462 * 293.15) / 101_325).toBeCloseTo(0.4, 1);
  });
});
