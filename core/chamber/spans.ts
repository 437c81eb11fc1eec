import type { CabinetKind, Chamber, Cooler, Heater } from "../model";
import { isOnePlate } from "./devices";
import { isStillAir } from "./films";
import { coolerBody, heaterBody, thermalDefaults } from "./thermal";

/** What is only estimated of a box and its devices, as factors on the estimates. */
export interface Shares {
  /** Films between the air, or the water, and all that it touches. */
  films: number;
  /** What is radiated between surfaces. */
  radiated: number;
  /** What bodies of heaters and coolers store, and what they give to the air. */
  stored: number;
  given: number;
  /** What goes out through walls and seals; as estimated where nothing is said. */
  loss?: number;
}

/** How far each may be off: half to one and a half, and radiation by a tenth or so, since its law is known (estimates). */
export const SPAN: Readonly<Record<Exclude<keyof Shares, "loss">, readonly [number, number]>> = {
  films: [0.5, 1.5],
  radiated: [0.85, 1.05],
  stored: [0.5, 1.5],
  given: [0.5, 1.5],
};

/** A wall's loss is known by its layers: a seal that leaks and wet foam are what may be more. */
export const LOSS_SPAN = [0.85, 1.3] as const;
/** Of any other estimate: half to one and a half of it. */
const USUAL_SPAN = [0.5, 1.5] as const;
const shareOf: Partial<Record<string, keyof typeof SPAN>> = {
  airToLining: "films",
  filmToAir: "films",
  bodyCapacity: "stored",
  toAir: "given",
};

/** From how small to how large a share of its estimate a parameter of the network may really be. */
export function spanOf(field: string, kind: CabinetKind): readonly [number, number] {
  if (field === "filmToLining" && isStillAir(kind)) return SPAN.radiated;
  if (field === "liningToRoom" && isStillAir(kind)) return LOSS_SPAN;
  const share = shareOf[field];
  return share ? SPAN[share] : USUAL_SPAN;
}

const [few, much] = [0, 1] as const;
const corner = (films: 0 | 1, radiated: 0 | 1, stored: 0 | 1, given: 0 | 1): Shares => ({
  films: SPAN.films[films],
  radiated: SPAN.radiated[radiated],
  stored: SPAN.stored[stored],
  given: SPAN.given[given],
});
/**
 * Where a probe runs on furthest, as a search over the whole span finds it (scripts/bench-spans.ts checks it): one in
 * the air where the air is left to itself, one at the product where the bodies are heavy and slow.
 */
export const CORNERS: readonly Shares[] = [
  corner(few, few, few, much),
  corner(few, few, much, few),
  corner(few, few, much, much),
  corner(much, much, much, few),
];

/**
 * A chamber whose estimated parameters are off by these shares. What somebody has said otherwise is known better and
 * stays.
 */
export function withShares(chamber: Chamber, shares: Shares): Chamber {
  const { cabinet, thermal } = chamber;
  const estimates = thermalDefaults(cabinet, chamber.vessels[0]!);
  const of = (name: "airToLining" | "filmToAir" | "filmToLining" | "liningToRoom" | "airToRoom", share: number) =>
    thermal[name] === estimates[name] ? thermal[name] * share : thermal[name];
  const body = <D extends Heater | Cooler>(device: D, estimate: Pick<D, "bodyCapacity" | "toAir">): D => ({
    ...device,
    bodyCapacity: device.bodyCapacity * (device.bodyCapacity === estimate.bodyCapacity ? shares.stored : 1),
    toAir: device.toAir * (device.toAir === estimate.toAir ? shares.given : 1),
  });
  return {
    ...chamber,
    thermal: {
      ...thermal,
      airToLining: of("airToLining", shares.films),
      liningToRoom: of("liningToRoom", shares.loss ?? 1),
      airToRoom: of("airToRoom", shares.loss ?? 1),
      filmToAir: of("filmToAir", shares.films),
      // In a kettle or a jacket it is contact, and known no better than any film.
      filmToLining: of("filmToLining", isStillAir(cabinet.kind) ? shares.radiated : shares.films),
    },
    heaters: chamber.heaters.map((h) =>
      body(
        h,
        heaterBody(
          cabinet,
          h.kind,
          chamber.coolers.some((c) => isOnePlate(h, c)),
        ),
      ),
    ),
    coolers: chamber.coolers.map((c) => body(c, coolerBody(cabinet, c))),
  };
}
