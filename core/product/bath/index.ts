import type { Product } from "../../model";
import { celsius } from "../../quantity";
import { COME_UP, COUNTS_FROM, film, killOf, lethalRate, startShells, stepShells } from "../piece";
import type { ProductModel } from "../shape";

const HOUR = 3600;

/** Beyond so many tenfold falls nothing more can be said. */
const MOST = 12;

/** A piece in a water bath: its core by conduction from the bath, what has been killed by its core. */
export const bath: ProductModel = {
  kinds: ["bath"],
  holdsFor: 60,
  defaults: () => ({ packetLow: celsius(55), packetHigh: celsius(85), thickness: 0.025 }),
  start: (_product, _lot, startTemperature) => ({ ...startShells(startTemperature), logs: 0, comeUp: 0, up: 0 }),
  step: (state, product, { medium, film: conductance }, _seconds, span, out) => {
    const before = state.t0!;
    stepShells(state, product, film(conductance, medium), span);
    const kill = killOf[product.meat];
    state.logs! += ((lethalRate(before, kill) + lethalRate(state.t0!, kill)) / 2) * (span / 60);
    if (state.t0! >= COUNTS_FROM) state.up = 1;
    if (state.up === 0) state.comeUp! += span / HOUR;
    out.watts = 0;
  },
  peakHeat: () => 0,
  observables: [
    { name: "core", label: "core", unit: "temperature", of: (state) => state.t0! },
    {
      name: "logs",
      label: "tenfold falls of germs",
      unit: "log",
      of: (state) => Math.min(MOST, state.logs!),
      limit: ({ meat }: Product) => ({
        value: killOf[meat].wanted,
        side: "atLeast",
        aim: true,
        says: killOf[meat].source,
      }),
    },
    {
      name: "comeUp",
      label: "time until the core is hot enough to count",
      unit: "hours",
      of: (state) => state.comeUp!,
      limit: () => ({ value: COME_UP.latest, side: "atMost", aim: false, says: "FSIS; 4 h advised" }),
    },
  ],
  range: () => null,
  hazards: () => [{ id: "freezes", at: celsius(-1), within: 1 }],
  readings: ["core"],
};
