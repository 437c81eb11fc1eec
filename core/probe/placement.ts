import type { ProbePlace } from "../model";

/** How a probe hangs between vessel and air. */
export interface Placement {
  /** Heat capacity, J/K. */
  capacity: number;
  /** Conductance to the vessel's contents and to the air, W/K. */
  toProduct: number;
  toAir: number;
  label: string;
  /** What this place gives and what it costs, for people. */
  trade: string;
}

const PROBE_CAPACITY = 4;

/** C = 4 J/K; G_product = w·C/τ, G_air = (1−w)·C/τ. Time constants and shares: engineering estimates (docs/sources.md). */
const between = (tau: number, share: number, label: string, trade: string): Placement => ({
  capacity: PROBE_CAPACITY,
  toProduct: (share * PROBE_CAPACITY) / tau,
  toAir: ((1 - share) * PROBE_CAPACITY) / tau,
  label,
  trade,
});

export const placements: Record<ProbePlace, Placement> = {
  strapped: between(
    180,
    0.85,
    "Strapped to the vessel, under insulation",
    "Steady and simple. It reads the skin, mostly the beer.",
  ),
  bare: between(
    120,
    0.55,
    "Taped to the vessel, bare",
    "Reads half beer, half air: it switches sooner and drifts more.",
  ),
  dryWell: between(
    300,
    0.97,
    "In a dry thermowell",
    "Reads the true middle, but late: the air swings further before it knows.",
  ),
  filledWell: between(
    80,
    0.99,
    "In a thermowell filled with water or oil",
    "Reads the middle with less lag. The filling has to be topped up.",
  ),
  air: between(150, 0, "Hanging in the air", "The air swings little, the beer drifts with its own heat."),
  waterBottle: {
    capacity: 2200,
    toProduct: 0,
    toAir: 0.45,
    label: "In a bottle of water",
    trade: "Very calm readings for a serving cabinet; it knows nothing of the beer's own heat.",
  },
};
