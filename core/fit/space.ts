import { insideOf, isRound } from "../chamber";
import type { Chamber, Spot } from "../model";
import type { Block } from "./solids";
import { thingNames } from "./things";

/** Something to stand on: where it lies, and its height over the floor, m. */
export interface Level {
  on: Spot["on"];
  z: number;
  x0: number;
  x1: number;
  y0: number;
  y1: number;
}

/** The inside of a box with what is in the way, m. */
export interface Space {
  width: number;
  depth: number;
  height: number;
  round: boolean;
  /** How far the rim of the opening stands in on each side. */
  rim: number;
  blocks: Block[];
  levels: Level[];
}

/** A wire shelf, m. */
const SHELF = 0.02;

/** The room inside: its measures, the hump, a shelf, shelves in the door, what hangs from the ceiling. */
export function spaceOf({ cabinet, build }: Pick<Chamber, "cabinet" | "build">): Space {
  const { width, depth, height } = insideOf(cabinet);
  const round = isRound(cabinet.kind);
  const whole = { x0: 0, x1: width, y0: 0, y1: depth };
  const blocks: Block[] = [];
  const levels: Level[] = [{ on: "floor", z: 0, ...whole }];
  const hump = build.humpDepth > 0 && build.humpHeight > 0;
  if (hump) {
    const wide = Math.min(build.humpWidth || width, width);
    const [x0, x1] = [(width - wide) / 2, (width + wide) / 2];
    const y1 = Math.min(build.humpDepth, depth);
    blocks.push({ name: "the hump", x0, x1, y0: 0, y1, z0: 0, z1: build.humpHeight });
    levels.push({ on: "hump", z: build.humpHeight, x0, x1, y0: 0, y1 });
  }
  if (build.shelfAt > 0 && build.shelfAt < height) {
    blocks.push({
      name: "the shelf",
      ...whole,
      z0: Math.max(0, build.shelfAt - SHELF),
      z1: build.shelfAt,
      shelf: true,
    });
    levels.push({ on: "shelf", z: build.shelfAt, ...whole });
  }
  if (build.doorShelf > 0)
    blocks.push({ name: "the shelves in the door", ...whole, y0: depth - build.doorShelf, z0: 0, z1: height });
  if (build.ceiling > 0)
    blocks.push({ name: "what hangs from the ceiling", ...whole, z0: height - build.ceiling, z1: height });
  const kinds = build.things.map((t) => t.kind);
  build.things.forEach((t, i) => {
    // Several of one kind are told apart by their place in the list.
    const several = kinds.filter((k) => k === t.kind).length > 1;
    const number = several ? ` (${kinds.slice(0, i + 1).filter((k) => k === t.kind).length})` : "";
    blocks.push({
      name: `${thingNames[t.kind]}${number}`,
      x0: t.x,
      x1: t.x + t.width,
      y0: t.y,
      y1: t.y + t.depth,
      z0: t.z,
      z1: t.z + t.height,
      clear: t.clear,
    });
  });
  return { width, depth, height, round, rim: build.rim, blocks, levels };
}
