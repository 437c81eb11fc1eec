/**
 * Degrees Plato of a wort of specific gravity S (20/20 °C): P = −616.868 + 1111.14·S − 630.272·S² + 135.997·S³.
 * Source: ASBC, Methods of Analysis, polynomial fit to the Plato tables.
 */
export const platoOf = (gravity: number): number =>
  -616.868 + 1111.14 * gravity - 630.272 * gravity ** 2 + 135.997 * gravity ** 3;

/** Specific gravity of a wort of P degrees Plato: S = 1 + P/(258.6 − 227.1·P/258.2). Source: as above, the usual inverse. */
export const gravityOf = (plato: number): number => 1 + plato / (258.6 - (227.1 * plato) / 258.2);

/** What a fermentation from one gravity to another leaves, by Balling. */
export interface Attenuation {
  /** Real extract left, % by mass. */
  realExtract: number;
  /** Share of the extract that really fermented, 0..1. */
  realAttenuation: number;
  /** Alcohol, % by mass and by volume. */
  alcoholByMass: number;
  alcoholByVolume: number;
}

/**
 * Balling's balance: RE = 0.1808·OE + 0.8192·AE; ABW = (OE−RE)/(2.0665 − 0.010665·OE); ABV = ABW·FG/0.794.
 * Source: Balling, in De Clerck, A Textbook of Brewing.
 */
export function attenuation(originalGravity: number, finalGravity: number): Attenuation {
  const original = platoOf(originalGravity);
  const realExtract = 0.1808 * original + 0.8192 * platoOf(finalGravity);
  const alcoholByMass = Math.max(0, (original - realExtract) / (2.0665 - 0.010665 * original));
  return {
    realExtract,
    realAttenuation: original > 0 ? Math.max(0, (original - realExtract) / original) : 0,
    alcoholByMass,
    alcoholByVolume: (alcoholByMass * finalGravity) / 0.794,
  };
}
