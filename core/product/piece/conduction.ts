/**
 * Heat into a piece of food from its surface to its core: one dimension, a slab, a long cylinder, a sphere, or a real
 * piece between them. Shells of equal thickness, each step solved implicitly, so that any step is stable; freezing and
 * thawing by the enthalpy of each shell.
 */
export const SHELLS = 16;

/** What a piece is made of. Engineering values for lean meat and fish (docs/sources.md), estimates. */
export interface Matter {
  /** W/mK, thawed and frozen. */
  conductivity: number;
  frozenConductivity: number;
  /** J/(m³K), thawed and frozen. */
  capacity: number;
  frozenCapacity: number;
  /** Heat of melting, J/m³, over the kelvins below the freezing point within which it melts. */
  latent: number;
  freezesAt: number;
  meltsOver: number;
}

export const MEAT: Matter = {
  conductivity: 0.48,
  frozenConductivity: 1.4,
  capacity: 0.48 / 1.4e-7,
  frozenCapacity: 1.9e6,
  latent: 230e3 * 1050,
  freezesAt: -1,
  meltsOver: 2,
};

export interface PieceShape {
  /** From the core to the surface, m. */
  half: number;
  /** Surface within the piece goes with the distance from its core to this power: 0 slab, 1 cylinder, 2 sphere. */
  exponent: number;
}

/** Enthalpy of a shell per volume, J/m³, zero where it begins to freeze. */
function enthalpy(t: number, { capacity, frozenCapacity, latent, freezesAt, meltsOver }: Matter): number {
  if (t >= freezesAt) return capacity * (t - freezesAt);
  const last = freezesAt - meltsOver;
  const melting = capacity + latent / meltsOver;
  return t >= last ? melting * (t - freezesAt) : -melting * meltsOver + frozenCapacity * (t - last);
}

/** The temperature that an enthalpy belongs to, °C. */
function temperatureOf(h: number, { capacity, frozenCapacity, latent, freezesAt, meltsOver }: Matter): number {
  if (h >= 0) return freezesAt + h / capacity;
  const melting = capacity + latent / meltsOver;
  const frozen = -melting * meltsOver;
  return h >= frozen ? freezesAt + h / melting : freezesAt - meltsOver + (h - frozen) / frozenCapacity;
}

const capacityAt = (t: number, m: Matter): number =>
  t >= m.freezesAt
    ? m.capacity
    : t >= m.freezesAt - m.meltsOver
      ? m.capacity + m.latent / m.meltsOver
      : m.frozenCapacity;
const conductivityAt = (t: number, m: Matter): number =>
  t < m.freezesAt - m.meltsOver ? m.frozenConductivity : m.conductivity;

const lower = new Float64Array(SHELLS);
const middle = new Float64Array(SHELLS);
const right = new Float64Array(SHELLS);
const upper = new Float64Array(SHELLS);

/**
 * Heat that flows into the surface, W/m², and how it falls off with each kelvin that the outermost shell gets warmer.
 * @param outermost middle of the outermost shell, °C
 * @param toSurface conductance from there to the surface, W/m²K
 */
export type SurfaceHeat = (outermost: number, toSurface: number) => { flux: number; slope: number };

/** A film of so many W/m²K to a medium of one temperature. */
export const film =
  (conductance: number, medium: number): SurfaceHeat =>
  (outermost, toSurface) => {
    const through = 1 / (1 / conductance + 1 / toSurface);
    return { flux: through * (medium - outermost), slope: through };
  };

/**
 * Moves a piece on.
 * @param shells temperatures from the core outwards, °C; written over
 * @param span s
 */
export function stepPiece(
  shells: Float64Array,
  { half, exponent }: PieceShape,
  matter: Matter,
  surface: SurfaceHeat,
  span: number,
): void {
  const n = SHELLS;
  const thick = half / n;
  // Volumes and surfaces relative to the piece's own surface.
  const volume = (i: number) => (((i + 1) / n) ** (exponent + 1) - (i / n) ** (exponent + 1)) * (half / (exponent + 1));
  const between = (i: number) => ((i + 1) / n) ** exponent;
  const outermost = shells[n - 1]!;
  const { flux, slope } = surface(outermost, (2 * conductivityAt(outermost, matter)) / thick);
  for (let i = 0; i < n; i++) {
    const t = shells[i]!;
    const stored = (volume(i) * capacityAt(t, matter)) / span;
    const conduct = (k: number) =>
      (between(k) * 2) / (thick / conductivityAt(shells[k]!, matter) + thick / conductivityAt(shells[k + 1]!, matter));
    const inwards = i > 0 ? conduct(i - 1) : 0;
    const outwards = i + 1 < n ? conduct(i) : slope;
    lower[i] = -inwards;
    upper[i] = i + 1 < n ? -outwards : 0;
    middle[i] = stored + inwards + outwards;
    right[i] = stored * t + (i + 1 < n ? 0 : flux + slope * outermost);
  }
  for (let i = 1; i < n; i++) {
    const w = lower[i]! / middle[i - 1]!;
    middle[i]! -= w * upper[i - 1]!;
    right[i]! -= w * right[i - 1]!;
  }
  let next = 0;
  for (let i = n - 1; i >= 0; i--) {
    next = (right[i]! - upper[i]! * next) / middle[i]!;
    // What a shell has taken in by the capacity that it began with goes into its enthalpy: no melting is leapt over.
    const was = shells[i]!;
    const taken = capacityAt(was, matter) * (next - was);
    shells[i] = temperatureOf(enthalpy(was, matter) + taken, matter);
  }
}
