import type { Product } from "../../model";
import { celsius } from "../../quantity";
import { COME_UP, COUNTS_FROM, pieceOf, SKIN, startShells, stepShells } from "../piece";
import type { ProductModel } from "../shape";
import { evaporationAt, leaves, pitSurface, type Pit } from "./surface";

/** Core at which it is safe to eat, °C (USDA-FSIS); fish holds it for 30 minutes. */
export const safeCore: Record<Product["meat"], number> = { poultry: 73.9, minced: 71.1, whole: 62.8, fish: 62.8 };
/**
 * Share of the surface that is wet, and the share of the mass that it can give off before it is dry (20 to 28 %). Juice
 * comes up from within as long as there is some, so that the surface stays wet until most of it is gone: estimates, such
 * that a shoulder of 4 to 5 kg stands at 65 to 75 °C for hours (common practice, no source).
 */
const WET = 0.12;
const GIVES_OFF = 0.27;
const STAYS_WET = 10;
/** Fat and juice that run out beside it, as a share of the mass, between these at the core, °C (estimates). */
const RUNS_OUT: Record<Product["meat"], number> = { whole: 0.09, minced: 0.08, poultry: 0.05, fish: 0.03 };
const RENDERS = { from: 50, to: 90 } as const;
const DENSITY = 1050;

/** How wet the surface is after so much has evaporated, against the beginning. */
const wetness = (evaporated: number, wet: number, juice: number): number =>
  WET * wet * Math.max(0, 1 - (evaporated / (GIVES_OFF * juice)) ** STAYS_WET);
/** Below 50 °F at the core no time is counted (FSIS: 50 to 130 °F within 6 h; value from memory). */
export const COUNTED_FROM = 10;

const seen = { surface: 0 };
const pit: Pit = { air: 0, vapour: 0, film: 0, wet: 0 };

/** Food in a smoker: warmed by air and walls, held up by its own water until its surface is dry or wrapped. */
export const smoke: ProductModel = {
  kinds: ["smoke"],
  holdsFor: 60,
  defaults: () => ({
    packetLow: celsius(90),
    packetHigh: celsius(135),
    thickness: 0.15,
    shape: "chunk",
    doneAt: celsius(90),
  }),
  start: (_product, { mass }, startTemperature) => ({
    ...startShells(startTemperature),
    lost: 0,
    ranOut: 0,
    wetTimes: 1,
    juiceTimes: 1,
    filmTimes: 1,
    safe: 0,
    held: 0,
    wrapped: 0,
    comeUp: 0,
    up: 0,
    mass,
  }),
  step: (state, product, { medium, film, vapour }, _seconds, span, out) => {
    if (product.wrapAt > 0 && state.t0! >= product.wrapAt) state.wrapped = 1;
    pit.air = medium;
    pit.vapour = vapour;
    pit.film = film * state.filmTimes!;
    pit.wet = state.wrapped === 1 ? 0 : wetness(state.lost!, state.wetTimes!, state.juiceTimes!);
    stepShells(state, product, pitSurface(pit, seen), span);
    const { half, exponent } = pieceOf(product);
    // Mass behind a square metre of its surface.
    const behind = (DENSITY * half) / (exponent + 1);
    const left = (leaves(seen.surface, pit) * span) / behind;
    state.lost! += left;
    const rendered = Math.min(1, Math.max(0, (state.t0! - RENDERS.from) / (RENDERS.to - RENDERS.from)));
    state.ranOut = Math.max(state.ranOut!, RUNS_OUT[product.meat] * rendered);
    if (state.t0! >= COUNTS_FROM) state.up = 1;
    if (state.up === 0 && state.t0! >= COUNTED_FROM) state.comeUp! += span / 3600;
    if (state.t0! >= safeCore[product.meat]) state.held! += span / 60;
    out.watts = 0;
    out.drying = (left * state.mass! * evaporationAt(seen.surface)) / span;
  },
  peakHeat: () => 0,
  observables: [
    {
      name: "core",
      label: "core",
      unit: "temperature",
      of: (state) => state.t0!,
      limit: ({ doneAt }) => ({ value: doneAt, side: "atLeast", aim: true, says: "as you want it" }),
    },
    {
      name: "safeFor",
      label: "minutes at the core that is asked for",
      unit: "",
      of: (state) => state.held!,
      limit: ({ meat }) => ({
        value: meat === "fish" ? 30 : meat === "whole" ? 3 : 0.1,
        side: "atLeast",
        aim: true,
        says: "USDA-FSIS",
      }),
    },
    {
      name: "comeUp",
      label: "time of the core in the warm before it is hot",
      unit: "hours",
      of: (state) => state.comeUp!,
      limit: () => ({ value: COME_UP.latest, side: "atMost", aim: false, says: "FSIS; 4 h is common practice" }),
    },
    { name: "skin", label: "surface", unit: "temperature", of: (state) => state[SKIN]! },
    { name: "lost", label: "weight lost", unit: "loss", of: (state) => state.lost! + state.ranOut! },
    { name: "ranOut", label: "of that fat and juice", unit: "loss", of: (state) => state.ranOut! },
  ],
  range: () => null,
  hazards: () => [{ id: "freezes", at: celsius(-1), within: 1 }],
  readings: ["core"],
  unknowns: [
    { name: "wetTimes", low: 0.75, high: 1.4 },
    { name: "juiceTimes", low: 0.8, high: 1.1 },
    { name: "filmTimes", low: 0.8, high: 1.25 },
  ],
};

export * from "./surface";
