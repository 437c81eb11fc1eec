import { buildNetwork, heaterBodies, heatersOf, steadyState } from "../chamber";
import type { Chamber, PlacedHeater, Stage } from "../model";
import { distanceFor, faceOf, type Face } from "./face";

/** What may stand beside a heater, up to how hot a surface, °C. */
export interface Touching {
  name: string;
  upTo: number;
  source: string;
}

/** Surfaces that something may touch: the skin by a standard, stuffs by where they soften (from memory; spots are hotter). */
export const touching: readonly Touching[] = [
  {
    name: "a hand, for a moment, on metal",
    upTo: 60,
    source: "EN ISO 13732-1, some seconds on bare metal; value from memory",
  },
  { name: "foam of polystyrene", upTo: 75, source: "softens near 75 to 80; product declarations" },
  { name: "a PET carboy", upTo: 65, source: "glass transition near 70; from memory" },
  { name: "a bucket of HDPE", upTo: 80, source: "usual service limit; from memory" },
  { name: "a cable with a PVC sheath", upTo: 70, source: "HD 21 / IEC 60227: conductor 70" },
  { name: "paper, wood, cloth", upTo: 90, source: "common practice, no source: far under where they char" },
];

/** How hot a heater's face gets, °C. */
export interface SurfaceHeat {
  heater: PlacedHeater;
  name: string;
  /** The mean of its body, running without a pause at the target: what a stuck relay would make of it in still air. */
  without: number;
  /** Its hottest face; null where it has none in the air: what it touches is its body. */
  face: Face | null;
  /** What it is judged by: its face, covered, at the upper end; its body where it has none; never above its own thermostat. */
  judged: number;
  /** What must not touch it then, and what may; of an open face nothing may, and each keeps its distance, m. */
  never: Touching[];
  may: Touching[];
  distances: { thing: Touching; distance: number | null }[];
}

/**
 * How hot each heater gets that runs without a pause while the air is at its target: the mean of its body by what takes
 * heat from it, at rest, and its face by its own balance. Its own thermostat, where it has one, cuts before.
 */
export function surfacesOf(chamber: Chamber, stage: Pick<Stage, "target">): SurfaceHeat[] {
  const network = buildNetwork(chamber);
  return heatersOf(chamber).flatMap((heater): SurfaceHeat[] => {
    if (heater.kind === "charcoal") return [];
    const { node } = network.heaters.find((h) => h.id === heater.id)!;
    if (node < 0 || network.nodes[node]!.kind !== "heater") return [];
    // Everything but the body is held at the target: what flows off it meets that.
    const held = {
      ...network,
      nodes: network.nodes.map((n, i) => (i === node ? n : { ...n, toRoom: n.toRoom + 1e6 })),
    };
    const at = steadyState(
      held,
      stage.target,
      network.nodes.map((_, i) => (i === node ? heater.power : 0)),
    )[node]!;
    const without = heater.ownThermostat ? Math.min(at, heater.ownThermostatAt) : at;
    const face = faceOf(heater.kind, heater.power, stage.target);
    // A thermostat feels the body: the face of a lamp is as hot as it is until it has cut.
    const hottest = Math.max(face?.covered ?? at, at);
    const judged = heater.ownThermostat && !face?.open ? Math.min(hottest, heater.ownThermostatAt) : hottest;
    return [
      {
        heater,
        name: heaterBodies[heater.kind].label,
        without,
        face,
        judged,
        never: touching.filter((t) => face?.open || judged > t.upTo),
        may: touching.filter((t) => !face?.open && judged <= t.upTo),
        distances: face?.open
          ? touching.map((thing) => ({ thing, distance: distanceFor(face, thing.upTo, stage.target) }))
          : [],
      },
    ];
  });
}
