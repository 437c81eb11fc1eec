import fc from "fast-check";
import { leftAtCore, rootsOf, type IdealShape } from "../testing/series";
import { film, killOf, lethalRate, MEAT, minutesAt, SHELLS, stepPiece } from ".";

// Incropera, Fundamentals of Heat and Mass Transfer, table 5.1: first roots and coefficients.
describe("first terms of the series", () => {
  it.each<[IdealShape, number, number, number]>([
    ["slab", 1, 0.8603, 1.1191],
    ["cylinder", 1, 1.2558, 1.2071],
    ["sphere", 1, 1.5708, 1.2732],
    ["slab", 10, 1.4289, 1.262],
    ["cylinder", 10, 2.1795, 1.5677],
    ["sphere", 10, 2.8363, 1.9249],
  ])("%s at Bi %d", (shape, biot, root, share) => {
    const [first] = rootsOf(shape, biot, 1);
    expect(Math.abs(first!.root - root)).toBeLessThan(1e-4);
    expect(Math.abs(first!.share - share)).toBeLessThan(1e-4);
  });
});

const [ALPHA, K, H] = [1.4e-7, 0.48, 95];

/** Minutes until the core of an ideal piece has come from one temperature to another, by the series. */
function bySeries(shape: IdealShape, half: number, start: number, bath: number, core: number): number {
  const roots = rootsOf(shape, (H * half) / K, 40);
  let [a, b] = [1, 1e6];
  for (let i = 0; i < 60; i++) {
    const s = (a + b) / 2;
    const t = bath + (start - bath) * leftAtCore(roots, (ALPHA * s) / half ** 2);
    if (t < core) a = s;
    else b = s;
  }
  return a / 60;
}

// Practical heating times for slabs from 5 °C to 54.5 °C in a bath of 55 °C: Baldwin, A Practical Guide to Sous Vide
// Cooking / 2012 (values from memory); ±10 % from 10 mm up.
describe("time to the core of a slab against the practical table", () => {
  it.each([
    [10, 19],
    [15, 35],
    [20, 50],
    [25, 75],
    [30, 90],
    [40, 150],
    [50, 210],
    [65, 330],
  ])("%d mm: about %d min", (mm, minutes) => {
    expect(Math.abs(bySeries("slab", mm / 2000, 5, 55, 54.5) / minutes - 1)).toBeLessThan(0.1);
  });
});

/** Course of a core by the shells, each minute, °C. */
function course(half: number, exponent: number, start: number, bath: number, minutes: number, h = H): number[] {
  const shells = new Float64Array(SHELLS).fill(start);
  return Array.from({ length: minutes }, () => {
    stepPiece(shells, { half, exponent }, MEAT, film(h, bath), 60);
    return shells[0]!;
  });
}

describe("the shells against the series", () => {
  it.each<[IdealShape, number, number]>([
    ["slab", 0, 0.0125],
    ["slab", 0, 0.03],
    ["cylinder", 1, 0.025],
    ["sphere", 2, 0.04],
  ])("%s: within a kelvin all the way", (shape, exponent, half) => {
    const roots = rootsOf(shape, (H * half) / K, 40);
    course(half, exponent, 5, 60, 300).forEach((t, i) => {
      const exact = 60 + (5 - 60) * leftAtCore(roots, (ALPHA * (i + 1) * 60) / half ** 2);
      if (i >= 5) expect(Math.abs(t - exact)).toBeLessThan(1);
    });
  });

  // Plank's equation (ASHRAE Handbook, Refrigeration, freezing times of foods): t = ρL/(Tf − T∞)·(P·a/h + R·a²/k), a slab of
  // thickness a: P ½, R ⅛. It leaves sensible heat out, so that the shells, which begin at freezing, come a little later.
  it("freezes a slab in the time of Plank", () => {
    const [a, h, cold] = [0.05, 30, -25];
    const plank = (MEAT.latent / (MEAT.freezesAt - cold)) * (a / (2 * h) + a ** 2 / (8 * MEAT.frozenConductivity));
    const core = course(a / 2, 0, MEAT.freezesAt, cold, 600, h);
    const frozen = (core.findIndex((t) => t < MEAT.freezesAt - MEAT.meltsOver) + 1) * 60;
    expect(frozen / plank).toBeGreaterThan(1);
    expect(frozen / plank).toBeLessThan(1.35);
  });

  it("keeps its heat: what flows in is what it holds in the end", () => {
    const shells = new Float64Array(SHELLS).fill(-18);
    let taken = 0;
    const half = 0.02;
    for (let i = 0; i < 3000; i++)
      stepPiece(
        shells,
        { half, exponent: 0 },
        MEAT,
        (outermost, toSurface) => {
          const answer = film(H, 60)(outermost, toSurface);
          taken += answer.flux * 60;
          return answer;
        },
        60,
      );
    // From −18 °C: 15 K frozen, the melting, 61 K thawed; flux is read before each step, so a few per cent more.
    const wanted = half * (MEAT.frozenCapacity * 15 + MEAT.latent + MEAT.capacity * 63);
    expect(taken / wanted).toBeGreaterThan(0.97);
    expect(taken / wanted).toBeLessThan(1.06);
  });
});

// FDA Food Code 3-401.11(B), roasts: °F and minutes.
const roasts: [number, number][] = [
  [130, 112],
  [131, 89],
  [133, 56],
  [135, 36],
  [136, 28],
  [138, 18],
  [140, 12],
  [142, 8],
  [144, 5],
  [145, 4],
  [147, 134 / 60],
  [149, 85 / 60],
  [151, 54 / 60],
  [153, 34 / 60],
  [155, 22 / 60],
  [157, 14 / 60],
];

describe("lethality", () => {
  it.each(roasts)(
    "at %d °F no shorter than the roast table's %d min, and no more than a seventh longer",
    (f, minutes) => {
      const share = minutesAt((f - 32) / 1.8, killOf.whole) / minutes;
      expect(share).toBeGreaterThan(0.999);
      expect(share).toBeLessThan(1.145);
    },
  );
  // Worked by hand for the design's reference with the fitted curve z 5.58, 11.56 min for 6.5: 3.243 + 3.077.
  it("adds up over a course: 20 min at 57.222 °C and 6 at 60", () => {
    const fitted = { minutesAt60: 1.95, z: 5.556, wanted: 6.5, source: "" };
    const sum = 20 * lethalRate(57.222, fitted) + 6 * lethalRate(60, fitted);
    expect(Math.abs(sum - 6.32)).toBeLessThan(0.005);
  });
  it("counts nothing below 54.4 °C", () => {
    expect(lethalRate(54.39, killOf.whole)).toBe(0);
    expect(minutesAt(54.39, killOf.whole)).toBe(Infinity);
    expect(lethalRate(54.4, killOf.whole)).toBeGreaterThan(0);
  });
  // Core minutes from 5 °C to 6.5 tenfold falls, counting from 54.4 °C: worked out independently for the reference.
  it.each([
    [25, 55, 170],
    [25, 57, 101],
    [25, 60, 65],
    [50, 57, 211],
    [50, 60, 155.5],
  ])("%d mm at %d °C: %d min in all", (mm, bath, minutes) => {
    let logs = 0;
    const cores = course(mm / 2000, 0, 5, bath, 600);
    const at = cores.findIndex((t, i) => {
      logs += (lethalRate(cores[i - 1] ?? 5, killOf.whole) + lethalRate(t, killOf.whole)) / 2;
      return logs >= killOf.whole.wanted;
    });
    expect(Math.abs((at + 1) / minutes - 1)).toBeLessThan(0.04);
  });
  it("more time or more heat never lowers it", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 40, max: 90, noNaN: true }),
        fc.double({ min: 0, max: 20, noNaN: true }),
        (t, more) => {
          for (const kill of Object.values(killOf))
            expect(lethalRate(t + more, kill)).toBeGreaterThanOrEqual(lethalRate(t, kill));
        },
      ),
    );
  });
});
