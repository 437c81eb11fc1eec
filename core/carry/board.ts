import { insideOf, massOf } from "../chamber";
import { isFlat, outlineOf } from "../fit";
import type { Build, Chamber } from "../model";
import { beamBent, type Bent } from "./beam";
import { boardMaterials, type BoardMaterial } from "./materials";
import { plateBent } from "./plate";

const GRAVITY = 9.81;
/** Empty vessels as a share of what is in them (estimate). */
const VESSEL = 1.08;
/** Sag that a board may have at the end of its time: a two-hundredth of its span (common practice, no source). */
const SAG = 1 / 200;

/** What lies on a board. */
export interface BoardLoad {
  /** kg */
  mass: number;
  /** Length and depth on which it stands, m. */
  on: readonly [number, number];
}

/** All vessels of a chamber side by side, on the feet that they have. */
export function loadOn({ vessels, cabinet }: Pick<Chamber, "vessels" | "cabinet">): BoardLoad {
  const inside = insideOf(cabinet);
  const feet = vessels.flatMap((v) =>
    isFlat(v) ? [] : Array.from({ length: v.count }, () => ({ mass: massOf(v) * VESSEL, side: outlineOf(v).foot * 2 })),
  );
  const flat = vessels.filter(isFlat).reduce((sum, v) => sum + massOf(v) * v.count, 0);
  const mass = feet.reduce((sum, f) => sum + f.mass, 0) + flat;
  // What is flat lies on the whole of it.
  if (feet.length === 0) return { mass, on: [inside.width, inside.depth] };
  const row = feet.reduce((sum, f) => sum + f.side, 0);
  const widest = Math.max(...feet.map((f) => f.side));
  return { mass, on: [Math.min(inside.width, row), Math.min(inside.depth, widest)] };
}

/** A board of one thickness under a load. */
export interface BoardSaid {
  thickness: number;
  stress: number;
  /** What it may be: its strength by how much safer it shall be. */
  stressMost: number;
  /** At once, and after months, m; what it may be. */
  sag: number;
  sagLater: number;
  sagMost: number;
  holds: boolean;
}

/** How much of its depth a board brings to bear beside its load: a slope of one in two each way (estimate). */
const SPREAD = 0.5;

/**
 * A board across the whole width under what stands on it.
 * @param span from edge to edge, and `depth`, m
 */
export function boardUnder(
  { mass, on }: BoardLoad,
  { span, depth }: { span: number; depth: number },
  material: BoardMaterial,
  thickness: number,
  edges: Build["boardEdges"],
  safety: number,
): BoardSaid {
  const newtons = mass * GRAVITY;
  const { stiffness, strength, creep, poisson } = material;
  const width = Math.min(depth, on[1] + span * SPREAD);
  const bent: Bent =
    edges === "four"
      ? plateBent({ a: span, b: depth, thickness, stiffness, poisson }, newtons, on)
      : beamBent({ span, width, thickness, stiffness }, newtons, on[0], "simple");
  const stressMost = strength / safety;
  const sagMost = span * SAG;
  const sagLater = bent.sag * creep;
  return {
    thickness,
    stress: bent.stress,
    stressMost,
    sag: bent.sag,
    sagLater,
    sagMost,
    holds: bent.stress <= stressMost && sagLater <= sagMost,
  };
}

/** What carries the load of a chamber: the board as it is, and the least that does. */
export interface Carried {
  load: BoardLoad;
  span: number;
  depth: number;
  now: BoardSaid;
  /** Null: none that it is sold in. */
  least: BoardSaid | null;
  /** What each of the two edges takes, kg. */
  edge: number;
}

export function carriedBy(chamber: Pick<Chamber, "vessels" | "cabinet" | "build">): Carried {
  const { build, cabinet } = chamber;
  const { width, depth } = insideOf(cabinet);
  const material = boardMaterials[build.boardMaterial];
  const load = loadOn(chamber);
  const of = (thickness: number) =>
    boardUnder(load, { span: width, depth }, material, thickness, build.boardEdges, build.boardSafety);
  return {
    load,
    span: width,
    depth,
    now: of(build.boardThickness),
    least: material.stock.map(of).find((b) => b.holds) ?? null,
    edge: load.mass / 2,
  };
}
