/**
 * Nitrite that gets in with a curing salt, mg/kg as sodium nitrite.
 * @param dose g of curing salt a kg of meat
 * @param strength share of nitrite in it, as its label says
 */
export const nitriteFrom = (dose: number, strength: number): number => dose * strength * 1000;

/** The most that may go in, mg/kg as sodium nitrite (9 CFR 424.21 for comminuted products: 156; the EU allows less). */
export const NITRITE_MOST = 156;
/** What goes into a mass of meat, g; a curing salt that cannot be dosed says why. */
export interface Doses {
  salt: number;
  sugar: number;
  /** Curing salt, and the plain salt that is left beside it. */
  cure: number | null;
  plainSalt: number;
  problem: "no strength" | "too weak" | null;
}

/**
 * Doses by weighed mass, kg, and the strength on the label. A curing salt so weak that its dose would be more than all the
 * salt that is wanted is refused: it is another kind.
 */
export function dosesFor(
  kilograms: number,
  { salt, sugar, cureStrength }: { salt: number; sugar: number; cureStrength: number },
): Doses {
  const grams = salt * kilograms * 1000;
  const cure = cureDose(kilograms, cureStrength);
  const tooWeak = cure !== null && cure > grams;
  const taken = tooWeak ? null : cure;
  return {
    salt: grams,
    sugar: sugar * kilograms * 1000,
    cure: taken,
    // A curing salt is salt for the most part.
    plainSalt: grams - (taken ?? 0) * (1 - cureStrength),
    problem: cure === null ? "no strength" : tooWeak ? "too weak" : null,
  };
}

/** g of curing salt for a mass of meat, kg, so that the nitrite is as wanted; null where the label names none. */
export const cureDose = (kilograms: number, strength: number, wanted = NITRITE_MOST): number | null =>
  strength > 0 && kilograms > 0 ? (wanted / 1000 / strength) * kilograms : null;

/**
 * Starter for a mass of meat, g: as much of a packet as it asks for.
 * @param packet g in a packet
 * @param enough kg that a packet is enough for, as it says
 */
export const starterDose = (kilograms: number, packet: number, enough: number): number => (packet * kilograms) / enough;
