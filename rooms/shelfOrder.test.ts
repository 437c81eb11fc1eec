import { newChamber } from "@/core/chamber";
import { applyEdits, type ChamberRecord, type Edit } from "@/core/model";
import type { Severity, Verdict } from "@/core/verdict";
import { isMeant, shelfOrder, type Said } from "./shelfOrder";

const chamber = (id: string, name: string, ...edits: Edit[]): ChamberRecord =>
  applyEdits(newChamber(id, name, "2026-01-01T00:00:00.000Z"), edits);
const worst = (severity: Severity): Said => ({ verdicts: [{ severity } as Verdict] });

describe("the order of the Shelf", () => {
  const all = [chamber("a", "Tank 10"), chamber("b", "Tank 9"), chamber("c", "Attic"), chamber("d", "Cave")];
  const names = (said: Record<string, Said>) => shelfOrder(all, said).map((c) => c.name);

  it("is by name while nothing is known, numbers in their order", () => {
    expect(names({})).toEqual(["Attic", "Cave", "Tank 9", "Tank 10"]);
  });
  it("puts first what hurts most, then what could not be tried; a note is no reason", () => {
    expect(names({ a: worst("warning"), b: worst("danger"), c: worst("note"), d: "It took too long" })).toEqual([
      "Tank 9",
      "Cave",
      "Tank 10",
      "Attic",
    ]);
    expect(names({ a: worst("good"), b: worst("note"), c: worst("good"), d: worst("danger") })).toEqual([
      "Cave",
      "Attic",
      "Tank 9",
      "Tank 10",
    ]);
  });
});

describe("looking for a chamber", () => {
  const lager = chamber("a", "North cellar", { section: "product", field: "kind", value: "lager" });
  it.each([
    ["north", true],
    ["LAGER", true],
    ["larder north", true],
    ["lager south", false],
    ["ale", false],
    ["", true],
  ])("%p", (sought, found) => expect(isMeant(lager, sought)).toBe(found));
});
