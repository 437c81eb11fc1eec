import "@testing-library/jest-dom";
import { render, screen } from "@testing-library/react";
import { addVessel, describe as describeChamber, newChamber, tryEdits } from "@/core/chamber";
import { applyEdits, cabinetKinds, probePlaces, type Edit } from "@/core/model";
import { CabinetDrawing } from ".";

const METRE = 200;

function chamberWith(...edits: Edit[]) {
  const tried = tryEdits(newChamber("x", "x", "2026-01-01T00:00:00.000Z"), edits);
  if (!tried.ok) throw new Error(tried.problem);
  return describeChamber(tried.value);
}
const draw = (...edits: Edit[]) => {
  const { container } = render(<CabinetDrawing chamber={chamberWith(...edits)} metre={METRE} system="metric" />);
  return container;
};
const size = (element: Element | null | undefined) => [
  Number(element?.getAttribute("width")),
  Number(element?.getAttribute("height")),
];

describe("the cabinet drawing", () => {
  it("is to scale: the outer box has the cabinet's own proportions", () => {
    const container = draw(
      { section: "cabinet", field: "height", value: 1.5 },
      { section: "cabinet", field: "width", value: 0.5 },
    );
    const [width, height] = size(container.querySelector("rect"));
    expect(width).toBeCloseTo(0.5 * METRE, 6);
    expect(Math.abs(height! - 1.5 * METRE)).toBeLessThan(4);
  });

  it("thicker walls leave less inside", () => {
    const inner = (insulation: number) =>
      size(draw({ section: "cabinet", field: "insulation", value: insulation }).querySelectorAll("rect")[1])[0]!;
    expect(inner(0.04) - inner(0.08)).toBeCloseTo(0.08 * METRE, 6);
  });

  it("shows heater and cold plate only where they are", () => {
    const both = draw().innerHTML;
    expect(both).toContain("hatch-heat");
    expect(both).toContain("dots-cold");
    const none = draw(
      { section: "heater", field: "power", value: 0 },
      { section: "cooler", field: "power", value: 0 },
    ).innerHTML;
    expect(none).not.toContain("hatch-heat");
    expect(none).not.toContain("dots-cold");
  });

  it.each(probePlaces.filter((p) => p !== "room"))("puts a probe %s inside of the cabinet", (place) => {
    const container = draw({ section: "probe", field: "place", value: place });
    const probe = container.querySelector("circle:last-of-type")!;
    const [x, y] = [Number(probe.getAttribute("cx")), Number(probe.getAttribute("cy"))];
    expect(x).toBeGreaterThan(0.05 * METRE);
    expect(x).toBeLessThan(0.55 * METRE);
    expect(y).toBeGreaterThan(0.05 * METRE);
    expect(y).toBeLessThan(1.6 * METRE);
  });

  it("puts one that watches the room beside it, within the picture", () => {
    const container = draw({ section: "probe", field: "place", value: "room" });
    const at = Number(container.querySelector("circle:last-of-type")!.getAttribute("cx"));
    expect(at).toBeGreaterThan(0.6 * METRE);
    expect(at).toBeLessThan(0.6 * METRE + 10);
  });

  it("shows every entry, however many there are of another", () => {
    const two = applyEdits(addVessel(newChamber("x", "x", "2026-01-01T00:00:00.000Z")), [
      { section: "vessel", field: "count", value: 40 },
      { section: "vessel", field: "count", id: "v2", value: 1 },
    ]);
    const { container } = render(<CabinetDrawing chamber={describeChamber(two)} metre={METRE} system="metric" />);
    expect(container.querySelector("svg")!.getAttribute("aria-label")).toMatch(/40 times .* and .* in it$/);
  });

  it.each(cabinetKinds)("draws a %s with its probe and what stands in it inside of its own measures", (kind) => {
    const container = draw(
      { section: "cabinet", field: "kind", value: kind },
      { section: "vessel", field: "count", value: 3 },
    );
    const { cabinet } = chamberWith({ section: "cabinet", field: "kind", value: kind });
    const probe = container.querySelector("circle:last-of-type")!;
    expect(Number(probe.getAttribute("cx"))).toBeGreaterThan(0);
    expect(Number(probe.getAttribute("cx"))).toBeLessThan(cabinet.width * METRE);
    expect(Number(probe.getAttribute("cy"))).toBeLessThan(cabinet.height * METRE);
    expect(container.innerHTML).not.toMatch(/NaN|undefined/);
  });

  it("says in words what it shows", () => {
    draw();
    expect(screen.getByRole("img").getAttribute("aria-label")!.replaceAll("\u00a0", " ")).toBe(
      "Upright larder fridge, 170 cm tall and 60 cm wide, with 23 L of ale in it",
    );
  });
});
