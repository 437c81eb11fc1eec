import { chamberWith, recordWith } from "../testing/build";
import { describe as describeChamber } from "./describe";
import { EMISSIVITY, FAN_FILM, FILM_LEVELS, filmLevel, radiation, STILL_FILM } from "./films";
import { insideOf, vesselSurface } from "./geometry";
import { buildNetwork, type Network } from "./network";

/** Air at 20 °C and 1 bar (Incropera, table A.4, between 250 and 350 K): m²/s, m²/s, W/mK, 1/K. */
const air = { nu: 15.1e-6, alpha: 21.4e-6, k: 0.0257, beta: 1 / 293 };

/** Churchill and Chu for a vertical plate in laminar flow (Incropera, equation 9.27): W/m²K. */
function plate(height: number, difference: number): number {
  const ra = (9.81 * air.beta * difference * height ** 3) / (air.nu * air.alpha);
  const pr = air.nu / air.alpha;
  const nu = 0.68 + (0.67 * ra ** 0.25) / (1 + (0.492 / pr) ** (9 / 16)) ** (4 / 9);
  return (nu * air.k) / height;
}

/** Forced flow along a plate (Incropera, equation 7.30, laminar mean): W/m²K. */
const blown = (length: number, speed: number): number =>
  (0.664 * Math.sqrt((speed * length) / air.nu) * (air.nu / air.alpha) ** (1 / 3) * air.k) / length;

/** What two grey surfaces exchange, one around the other (Incropera, equation 13.23), W. */
const enclosed = (t1: number, t2: number, area1: number, area2: number, e: number): number => {
  const [a, b] = [t1 + 273.15, t2 + 273.15];
  return (5.67e-8 * area1 * (a ** 4 - b ** 4)) / (1 / e + ((1 - e) / e) * (area1 / area2));
};

const between = ({ links }: Network, a: number, b: number): number =>
  links.filter((l) => (l.a === a && l.b === b) || (l.a === b && l.b === a)).reduce((sum, l) => sum + l.conductance, 0);

describe("the films of still air", () => {
  it("natural convection: what the correlation gives for vessels and walls a few kelvins from the air", () => {
    // A bucket is 0.3 to 0.4 m tall, the difference two to four kelvins while something is brought there.
    for (const [height, difference] of [
      [0.3, 2],
      [0.35, 3],
      [0.4, 4],
    ] as const)
      expect(Math.abs(plate(height, difference) - STILL_FILM)).toBeLessThan(0.3);
    // Over the span that verdicts and advice have to hold for, half to one and a half, it stays for any usual one.
    for (const [height, difference] of [
      [0.15, 5],
      [1, 1],
    ] as const) {
      expect(plate(height, difference)).toBeGreaterThan(0.5 * STILL_FILM);
      expect(plate(height, difference)).toBeLessThan(1.5 * STILL_FILM);
    }
  });

  // Vessels and linings of 0.3 to 0.6 m: the correlation at each difference against the level that holds there.
  it.each([1, 5, 10, 20, 30])(
    "natural convection at %d K, within a fifth of Churchill and Chu from 5 K on",
    (difference) => {
      const level = filmLevel(difference, 0);
      const ours = STILL_FILM * FILM_LEVELS[level]!.times;
      const theirs = [0.3, 0.4, 0.6].map((height) => plate(height, difference));
      const ratio = ours / theirs[1]!;
      expect(Math.abs(ratio - 1)).toBeLessThan(difference < 2 ? 0.35 : 0.2);
      if (difference >= 20) {
        expect(ours).toBeGreaterThan(3.8);
        expect(ours).toBeLessThan(4.5);
      }
    },
  );

  it("at rest nothing changes, and what stands at the edge of a level does not flutter", () => {
    for (const small of [0, 1, 2, 3.9]) expect(filmLevel(small, 0)).toBe(0);
    for (let l = 1; l < FILM_LEVELS.length; l++) {
      const { from } = FILM_LEVELS[l]!;
      expect(filmLevel(from, l - 1)).toBe(l);
      expect(filmLevel(from * 0.9, l)).toBe(l);
      expect(filmLevel(from * 0.75, l)).toBe(l - 1);
    }
    // Each level lies by the law of the fourth root between its own ends.
    FILM_LEVELS.slice(1).forEach(({ from, times }, i) => {
      const to = FILM_LEVELS[i + 2]?.from ?? 32;
      const law = (difference: number) => (difference / 1.5) ** 0.25;
      expect(times).toBeGreaterThan(law(from) * 0.95);
      expect(times).toBeLessThan(law(to) * 1.05);
    });
  });

  it("a fan of one to three metres a second", () => {
    expect(blown(0.4, 1)).toBeLessThan(FAN_FILM);
    expect(blown(0.4, 3)).toBeGreaterThan(0.95 * FAN_FILM);
  });

  it("radiation: the design's 5.14 W/m²K at 20 °C, and two surfaces to within three per cent", () => {
    expect(radiation(EMISSIVITY, 20)).toBeCloseTo(5.14, 2);
    const chamber = chamberWith();
    const network = buildNetwork(chamber);
    const [inner, outer] = [vesselSurface(chamber.vessels[0]!), insideOf(chamber.cabinet).area];
    const linear = between(network, network.vessels[0]!, network.lining) * 2;
    expect(Math.abs(linear / enclosed(21, 19, inner, outer, EMISSIVITY) - 1)).toBeLessThan(0.03);
  });

  it("bare steel hardly radiates, wrapped steel does; a second vessel by its own wall", () => {
    const of = (wall: "plastic" | "steel", jacket = 0) => {
      const chamber = describeChamber(
        recordWith(
          { section: "vessel", field: "wall", value: wall },
          { section: "vessel", field: "jacket", value: jacket },
        ),
      );
      const network = buildNetwork(chamber);
      return between(network, network.vessels[0]!, network.lining);
    };
    expect(of("steel") / of("plastic")).toBeCloseTo(0.25 / 0.9, 9);
    expect(of("steel", 0.01)).toBeCloseTo(of("plastic", 0.01), 9);
  });

  it("walls take from still air what the film gives, by their area", () => {
    const { thermal, cabinet } = chamberWith();
    expect(thermal.airToLining).toBeCloseTo(2.25 * insideOf(cabinet).area, 9);
  });
});
