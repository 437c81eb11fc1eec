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

  it("says as much carbon dioxide as the beer's sugar gives", () => {
    const said = Number(/(\d\.\d) m³/.exec(cautions.find((c) => c.id === "carbon-dioxide")!.text)![1]);
    // 0.74 kg (reference.md: 20 L, 1.048 to 1.010) at 20 \u00b0C by the ideal gas law, 44.01 g/mol.
    expect(said).toBeCloseTo(((740 / 44.01) * 8.314462 * 293.15) / 101_325, 1);
  });
});
