import { celsius } from "../../quantity";
import type { ProductModel } from "../shape";

/** Half-lives of the two enzymes, min, at two temperatures; between and beyond them by the same factor a kelvin. */
const halfLife = (t: number, [t1, m1]: readonly [number, number], [t2, m2]: readonly [number, number]): number =>
  m1 * (m2 / m1) ** ((t - t1) / (t2 - t1));
/** 60 min at 60 °C, 16 at 65, 4 at 70 (estimates; recalled enzyme constants give far less, and mashes work). */
export const betaHalfLife = (t: number): number =>
  t < 65 ? halfLife(t, [60, 60], [65, 16]) : halfLife(t, [65, 16], [70, 4]);
/** 90 min at 70 °C, 30 at 72, 8 at 76 (estimates): it lives for tens of minutes where beta is gone. */
export const alphaHalfLife = (t: number): number =>
  t < 72 ? halfLife(t, [70, 90], [72, 30]) : halfLife(t, [72, 30], [76, 8]);

/** Starch opens between these, °C (malt; textbooks, value from memory). */
const OPENS = [58, 65] as const;
/** Share of the open starch that whole alpha takes apart a minute at 65 °C, doubling in seven kelvins (estimates). */
const TAKES = 0.08;
const DOUBLES_IN = 7;
export const CONVERTED = 0.98;

const open = (t: number): number => Math.min(1, Math.max(0, (t - OPENS[0]) / (OPENS[1] - OPENS[0])));

/** Starch to sugar by two enzymes that the heat wears out. An iodine test decides, not this. */
export const mash: ProductModel = {
  kinds: ["mash"],
  holdsFor: 60,
  defaults: () => ({ packetLow: celsius(60), packetHigh: celsius(72) }),
  start: () => ({ alpha: 1, beta: 1, converted: 0, fermentable: 0 }),
  step: (state, { pace }, { core }, _seconds, span, out) => {
    const minutes = span / 60;
    const speed = TAKES * pace * 2 ** ((core - 65) / DOUBLES_IN) * open(core);
    const taken = (1 - state.converted!) * -Math.expm1(-speed * state.alpha! * minutes);
    // What beta still cuts of it becomes fermentable; alpha alone leaves about half.
    state.fermentable! += taken * (0.5 + 0.4 * state.beta!);
    state.converted! += taken;
    state.alpha! *= 2 ** (-minutes / alphaHalfLife(core));
    state.beta! *= 2 ** (-minutes / betaHalfLife(core));
    out.watts = 0;
  },
  peakHeat: () => 0,
  observables: [
    {
      name: "converted",
      label: "starch converted",
      unit: "share",
      of: (state) => state.converted!,
      limit: () => ({ value: CONVERTED, side: "atLeast", aim: true, says: "an iodine test decides" }),
    },
    {
      name: "fermentable",
      label: "of that fermentable",
      unit: "share",
      of: (s) => (s.converted! > 0 ? s.fermentable! / s.converted! : 0),
    },
    { name: "beta", label: "beta-amylase left", unit: "share", of: (state) => state.beta! },
    { name: "alpha", label: "alpha-amylase left", unit: "share", of: (state) => state.alpha! },
  ],
  range: () => null,
  hazards: () => [{ id: "freezes", at: celsius(-1), within: 1 }],
  readings: ["iodine", "gravity"],
};
