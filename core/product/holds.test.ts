import { modelOf, productDefaults, USUAL_HOLD } from ".";
import { feel, HOUR } from "./testing/feel";

// What a trial holds between two looks at a product is a choice of the trial: what it shows must not hang on it.
describe("products whose heat is held for minutes", () => {
  it.each(["honey", "sausage", "wholeMuscle", "wine", "ale", "lager", "farmhouse"] as const)(
    "%s comes to the same in air that swings as looked at ten times as often",
    (kind) => {
      const product = productDefaults(kind);
      const model = modelOf(product);
      const at = { honey: 42, sausage: 24, wholeMuscle: 13, wine: 18, ale: 19, lager: 11, farmhouse: 24 }[kind];
      const span = model.holdsFor ?? USUAL_HOLD;
      const [held, fine] = [span, span / 10].map((step) => {
        const state = model.start(product, { volume: 0.001, mass: 1.2 }, at);
        const out = { watts: 0, drying: 0 };
        let joules = 0;
        for (let s = 0; s < 72 * HOUR; s += step) {
          out.watts = out.drying = 0;
          // A band of 2 K gone through every 40 minutes.
          model.step(
            state,
            product,
            feel(at + Math.sin((2 * Math.PI * (s + step / 2)) / 2400)),
            s + step / 2,
            step,
            out,
          );
          joules += (out.watts - out.drying) * step;
        }
        return [joules, ...model.observables.map((o) => o.of(state, product))];
      });
      held!.forEach((value, i) =>
        expect(Math.abs(value - fine![i]!)).toBeLessThanOrEqual(5e-3 * Math.abs(fine![i]!) + 1e-9),
      );
      expect(held!.every(Number.isFinite)).toBe(true);
    },
  );
});
