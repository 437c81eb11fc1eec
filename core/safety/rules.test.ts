import { productKinds } from "../model";
import { modelOf, productDefaults } from "../product";
import { inDegrees } from "../quantity";
import { ruleOf, rulesFor, stopRules } from ".";

describe("hazards and stop rules of products", () => {
  it("every product that is eaten or that gives off gas has some, each with its source and no wall of text", () => {
    for (const kind of productKinds) {
      const rules = rulesFor(kind);
      expect([kind, rules.length]).toEqual([kind, expect.any(Number)]);
      expect(rules.length).toBeGreaterThan(0);
      expect(rules.length).toBeLessThanOrEqual(6);
    }
    for (const { text, source, title } of stopRules) {
      expect(source.length).toBeGreaterThan(5);
      expect(title.length).toBeLessThan(45);
      expect(text.split(/(?<=[.!?]) /).length).toBeLessThanOrEqual(3);
    }
  });
  it("each limit that can hurt somebody has a rule that says what to do, and each rule's figure is one that there is", () => {
    for (const { figure, kinds } of stopRules) {
      if (!figure) continue;
      for (const kind of kinds) {
        const product = { ...productDefaults(kind), holds: "moist" as const };
        const observable = modelOf(product).observables.find((o) => o.name === figure);
        expect([figure, observable?.limit?.(product)?.aim]).toEqual([figure, false]);
      }
    }
    expect(ruleOf("sausage", "degreeHours")).toMatchObject({ weighs: "danger" });
    expect(ruleOf("bath", "comeUp")).toMatchObject({ weighs: "danger" });
    expect(ruleOf("ale", "gravity")).toBeUndefined();
  });
  it("nothing claims to make food safe", () => {
    for (const { text, title } of stopRules) expect(`${title} ${text}`).not.toMatch(/\bis (now )?safe\b|guarantee/i);
  });
});

// USDA-FSIS names its cores in °F: 165, 160 and 145 (from memory).
it("says its temperatures in the reader's scale", () => {
  const { text } = stopRules.find((r) => r.id === "smoke-core")!;
  expect(inDegrees(text, "C")).toMatch(/Poultry 73\.9.°C, minced 71\.1.°C, whole cuts and fish 62\.8.°C/);
  expect(inDegrees(text, "F")).toMatch(/Poultry 165.°F, minced 160.°F, whole cuts and fish 145.°F/);
  for (const rule of stopRules) expect(inDegrees(rule.text, "F")).not.toMatch(/[{}]|°C/);
});
