/**
 * Rate of a growth at a temperature relative to its best, by the cardinal temperatures: least, best, most, °C; zero
 * outside of them. γ = (T−Tx)(T−Tn)²/{(To−Tn)[(To−Tn)(T−To) − (To−Tx)(To+Tn−2T)]}.
 * Source: Rosso et al. 1993, the cardinal temperature model with inflection; value from memory.
 */
export function cardinal(t: number, [least, best, most]: readonly [number, number, number]): number {
  if (t <= least || t >= most) return 0;
  const span = best - least;
  return ((t - most) * (t - least) ** 2) / (span * (span * (t - best) - (best - most) * (best + least - 2 * t)));
}
