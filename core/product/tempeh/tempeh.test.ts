import { celsius } from "../../quantity";
import { modelOf, peakOwnHeat, productDefaults } from "..";
import { feel } from "../testing/feel";

const product = productDefaults("tempeh");
const model = modelOf(product);

/** Watts a kilogram each six minutes at a held temperature. */
function heldAt(t: number, hours: number): number[] {
  const state = model.start(product, { volume: 0.001, mass: 1 }, t);
  const out = { watts: 0, drying: 0 };
  return Array.from({ length: hours * 10 }, (_, i) => {
    model.step(state, product, feel(t), i * 360, 360, out);
    return out.watts;
  });
}

// Worked out independently for the design's reference from the same published shape of growth; a peak of 5 to 15 W/kg is
// its estimate from a dry-matter loss of 5 to 8 % in 18 to 20 h.
describe("the heat of tempeh", () => {
  it.each([
    [28, 30, 4.3],
    [31, 23, 5.5],
    [34, 19, 6.6],
    [37, 18, 7.2],
    [42, 24, 4.9],
  ])("held at %d °C peaks at %d h with %d W/kg", (t, hours, watts) => {
    const course = heldAt(t, 60);
    const most = Math.max(...course);
    expect(Math.abs(most - watts)).toBeLessThan(0.15);
    expect(Math.abs(course.indexOf(most) / 10 - hours)).toBeLessThan(1);
    expect(peakOwnHeat(product, { volume: 0.001, mass: 1 }, celsius(t))).toBeCloseTo(most, 1);
  });
  it("a cake that nothing cools runs away, the warmer its room the earlier and the higher, and then ends", () => {
    const run = (room: number) => {
      const state = model.start(product, { volume: 0.0018, mass: 1.8 }, 30);
      const out = { watts: 0, drying: 0 };
      let t = 30;
      const course: number[] = [];
      for (let i = 0; i < 6000; i++) {
        model.step(state, product, feel(t), i * 60, 60, out);
        // 0.75 W/K to a room, held up to 30 °C by a heater; 1.8 kg of cooked beans.
        t = Math.max(30, t + ((out.watts - 0.75 * (t - room)) * 60) / (1.8 * 3300));
        course.push(t);
      }
      return { most: Math.max(...course), at: course.indexOf(Math.max(...course)), end: out.watts };
    };
    const [cool, warm] = [run(20), run(24)];
    // The reference has 35 and 40 °C.
    expect(Math.abs(cool!.most - 35)).toBeLessThan(1);
    expect(Math.abs(warm!.most - 40)).toBeLessThan(1);
    expect(warm!.at).toBeLessThan(cool!.at);
    expect(warm!.end).toBeLessThan(6);
  });
});
