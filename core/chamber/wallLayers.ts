import type { WallLayer } from "./heatLoss";

/** What walls are made of, W/mK: product declarations of insulation, design values of ISO 10456 of the rest (from memory). */
export const wallStuffs = {
  pur: { label: "PU or PIR foam", conductivity: 0.025 },
  xps: { label: "XPS", conductivity: 0.033 },
  eps: { label: "EPS", conductivity: 0.035 },
  wool: { label: "Mineral wool", conductivity: 0.038 },
  cork: { label: "Cork", conductivity: 0.045 },
  softwood: { label: "Softwood", conductivity: 0.12 },
  plywood: { label: "Plywood", conductivity: 0.13 },
  pp: { label: "PP sheet", conductivity: 0.22 },
  hdpe: { label: "HDPE", conductivity: 0.5 },
  glass: { label: "Glass", conductivity: 1 },
  brick: { label: "Brick", conductivity: 0.77 },
  stainless: { label: "Stainless steel", conductivity: 17 },
  steel: { label: "Steel", conductivity: 50 },
} as const;
export type WallStuff = keyof typeof wallStuffs;

/** A wall of one stuff that is as thick and lets as much through as these layers one behind the other (ISO 6946). */
export function asOneLayer(layers: readonly WallLayer[]): WallLayer | null {
  const thickness = layers.reduce((sum, l) => sum + l.thickness, 0);
  const resistance = layers.reduce((sum, l) => sum + l.thickness / l.conductivity, 0);
  return thickness > 0 && resistance > 0 ? { thickness, conductivity: thickness / resistance } : null;
}
