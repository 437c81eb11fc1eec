import type { Cabinet, CabinetKind, Product, Vessel } from "../model";

/** Room that compressor and base take from the height, m (estimates). */
const BASE: Partial<Record<CabinetKind, number>> = {
  upright: 0.1,
  underCounter: 0.1,
  fridgeFreezer: 0.1,
  wine: 0.1,
  warmBox: 0.1,
  chest: 0.05,
};

const roundKinds: readonly CabinetKind[] = ["crock", "kettle", "drum", "jacketed"];
/** Pots, kettles, drums and jacketed vessels are round: width and depth are their diameter. */
export const isRound = (kind: CabinetKind): boolean => roundKinds.includes(kind);
const lidKinds: readonly CabinetKind[] = ["chest", "foam", "crock", "kettle", "drum", "jacketed"];
/** Opened by a lid from above, not by a door. */
export const hasLid = (kind: CabinetKind): boolean => lidKinds.includes(kind);

const surface = (height: number, width: number, depth: number, round: boolean): number =>
  round
    ? Math.PI * width * height + (Math.PI / 2) * width * width
    : 2 * (height * width + height * depth + width * depth);

export interface Inside {
  height: number;
  width: number;
  depth: number;
  /** m³ and m². */
  volume: number;
  area: number;
}

/** Inside measures of a box, m; zero or less where the walls leave no room. A collar adds to the height. */
export function insideOf(cabinet: Cabinet): Inside {
  const round = isRound(cabinet.kind);
  const height = cabinet.height + cabinet.collar - 2 * cabinet.insulation - (BASE[cabinet.kind] ?? 0);
  const width = cabinet.width - 2 * cabinet.insulation;
  const depth = (round ? cabinet.width : cabinet.depth) - 2 * cabinet.insulation;
  return {
    height,
    width,
    depth,
    volume: height * width * depth * (round ? Math.PI / 4 : 1),
    area: surface(height, width, depth, round),
  };
}

export const outsideArea = (cabinet: Cabinet): number =>
  surface(cabinet.height + cabinet.collar, cabinet.width, cabinet.depth, isRound(cabinet.kind));

/** Share of a vessel that stays empty for foam, and its height over its width; slabs by their thickness (estimates). */
const forms: Record<Vessel["form"], { headspace: number; slenderness: number; slab: number; label: string }> = {
  bucket: { headspace: 0.15, slenderness: 1.2, slab: 0, label: "Bucket" },
  carboy: { headspace: 0.12, slenderness: 1.5, slab: 0, label: "Carboy or conical" },
  pail: { headspace: 0.05, slenderness: 1.1, slab: 0, label: "Pail" },
  jar: { headspace: 0.05, slenderness: 1.3, slab: 0, label: "Jar" },
  pot: { headspace: 0.1, slenderness: 1, slab: 0, label: "Pot or kettle" },
  tray: { headspace: 0, slenderness: 0, slab: 0.03, label: "Tray, about 3\u00a0cm deep" },
  piece: { headspace: 0, slenderness: 0, slab: 0.04, label: "Pieces" },
};
export const formLabels = Object.fromEntries(Object.entries(forms).map(([form, { label }]) => [form, label])) as Record<
  Vessel["form"],
  string
>;

/** What one vessel is called in a sentence; what nobody carries is no bucket any more (common practice, no source). */
export function vesselName({ form, volume }: Pick<Vessel, "form" | "volume">): string {
  if (form === "bucket") return volume > 0.035 ? "drum" : "bucket";
  if (form === "carboy") return volume > 0.06 ? "tank" : "carboy";
  return form;
}

type Shaped = Pick<Vessel, "volume"> &
  Partial<Pick<Vessel, "form">> & { product?: Pick<Product, "kind" | "shape" | "thickness"> };

/** A piece by what is said of the food: its thickness and what it looks like; null where nothing is. */
function pieceSize({ form, volume, product }: Shaped): { width: number; length: number; thickness: number } | null {
  if (form !== "piece" || !product) return null;
  const { kind, shape, thickness } = product;
  const long = kind === "sausage" || kind === "wholeMuscle";
  if (!long && kind !== "bath" && kind !== "smoke") return null;
  if (long || shape === "roll") {
    // A cylinder; one that would be shorter than it is thick is as long as thick.
    const across = Math.min(thickness, (volume / (Math.PI / 4)) ** (1 / 3));
    return { width: across, length: volume / ((Math.PI / 4) * across * across), thickness: across };
  }
  if (shape === "ball") {
    const across = (volume / (Math.PI / 6)) ** (1 / 3);
    return { width: across, length: across, thickness: across };
  }
  // A slab or a chunk: as thick as is said, as wide as long, and never thicker than that.
  const thick = Math.min(thickness, volume ** (1 / 3));
  const side = Math.sqrt(volume / thick);
  return { width: side, length: side, thickness: thick };
}

/** Surface of a piece, m²: a cylinder, a sphere, or a block. */
function pieceSurface(
  { product, volume }: Shaped,
  { width, length, thickness }: NonNullable<ReturnType<typeof pieceSize>>,
) {
  const { kind, shape } = product!;
  if (kind === "sausage" || kind === "wholeMuscle" || shape === "roll")
    return Math.PI * thickness * length + (Math.PI / 2) * thickness * thickness;
  if (shape === "ball") return (6 * volume) / thickness;
  return surface(thickness, width, length, false);
}

/** Outside measures of one vessel that holds the contents with headspace, m; a slab's diameter is its side. */
export function vesselSize(vessel: Shaped): { diameter: number; height: number } {
  const { headspace, slenderness, slab } = forms[vessel.form ?? "bucket"];
  const piece = pieceSize(vessel);
  if (piece) return { diameter: Math.sqrt(piece.width * piece.length), height: piece.thickness };
  if (slab > 0) return { diameter: Math.sqrt(vessel.volume / slab), height: slab };
  const diameter = ((vessel.volume * (1 + headspace)) / ((Math.PI / 4) * slenderness)) ** (1 / 3);
  return { diameter, height: diameter * slenderness };
}

/** Outer surface of one vessel, m². */
export function vesselSurface(vessel: Shaped): number {
  const piece = pieceSize(vessel);
  if (piece) return pieceSurface(vessel, piece);
  const { diameter, height } = vesselSize(vessel);
  return surface(height, diameter, diameter, forms[vessel.form ?? "bucket"].slab === 0);
}

/** Airlock or blow-off above the lid of what ferments, m (common practice, no source). */
export const AIRLOCK_HEIGHT = 0.14;
export const hasAirlock = (vessel: Shaped): boolean => vessel.form === "bucket" || vessel.form === "carboy";
/** What stands above the lid of a form where nothing is said, m. */
export const aboveOf = (form: Vessel["form"]): number => (hasAirlock({ form, volume: 0 }) ? AIRLOCK_HEIGHT : 0);
/** Boxes in which the air itself is what one sets. */
export const isSmoker = (kind: CabinetKind): boolean => kind === "drum" || kind === "brick";

const boughtKinds: readonly CabinetKind[] = ["upright", "underCounter", "fridgeFreezer", "chest", "wine", "warmBox"];
/** A bought cabinet with foam in its walls: it ages, and nobody wraps it, since its walls may be its condenser. */
export const isBought = (kind: CabinetKind): boolean => boughtKinds.includes(kind);

/** What is in it lies in water or is the liquid itself: no air around it. */
export const isBath = (kind: CabinetKind): boolean => kind === "crock" || kind === "kettle";

/** Boxes that are their own vessel: nothing has to go in. */
export const isVesselItself = (kind: CabinetKind): boolean => kind === "kettle" || kind === "jacketed";
