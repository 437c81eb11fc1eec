import { loadOf, planWith } from "../testing/wirings";
import { consequencesOf } from "./hazards";
import { netlistOf } from "./netlist";
import { proofOf } from "./proof";

describe("the lid of a metal enclosure", () => {
  const plan = planWith({ metalBox: true }, { heat: loadOf(60), cold: null, heatOhms: null });
  it("has an earth wire of its own, without which it is a danger, and the dead proof asks for its ohms", () => {
    const wire = netlistOf(plan).wires.find((w) => w.to === "lid.m");
    expect(wire).toMatchObject({ from: "block.e", job: "earth" });
    const off = consequencesOf(plan).find((c) => c.fault.key === "off:block.e>lid.m");
    expect(off!.hazards).toEqual([{ kind: "noEarth", where: "lid.m" }]);
    const asked = proofOf(plan).asked.filter((t) => t.between.includes("lid.m"));
    expect(asked.map((t) => t.asks)).toContain("ohms");
  });
  it("is not there where the enclosure is of plastic", () => {
    const plastic = planWith({ metalBox: false });
    expect(netlistOf(plastic).parts.some((p) => p.id === "lid")).toBe(false);
  });
});
