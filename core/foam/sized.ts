import { BETWEEN, fullHeight, insideForLayers, isFlat, outlineOf, TO_WALLS, widest } from "../fit";
import type { Chamber, Edit, LoadedVessel } from "../model";

interface Inside {
  width: number;
  depth: number;
  height: number;
}

const surface = ({ width: w, depth: d, height: h }: Inside): number => 2 * (w * d + w * h + d * h);

/** A hair more than what is needed, so that rounding keeps nothing out; and what is sawn is sawn in millimetres, m. */
const sawn = (m: number): number => Math.ceil(m * 1000 + 0.001) / 1000;

/** All insides that take so many alike, with air around each. */
function insides(vessel: LoadedVessel, extra: number): Inside[] {
  const found: Inside[] = [];
  const { count } = vessel;
  const o = outlineOf(vessel);
  for (let across = 1; across <= count; across++)
    for (let behind = 1; behind <= count; behind++) {
      const over = Math.ceil(count / (across * behind));
      if (isFlat(vessel)) {
        found.push(insideForLayers(vessel, { across, behind, over }));
        continue;
      }
      if (over > 1) continue;
      const row = (n: number, off: number) =>
        n * 2 * Math.max(widest(o), o.radius + off) + (n - 1) * BETWEEN + 2 * TO_WALLS;
      found.push({ width: row(across, o.handles), depth: row(behind, o.tap), height: fullHeight(o) + extra });
    }
  return found;
}

/** Room for a heater over or beside what stands in it, m (estimate). */
const HEATER = 0.06;

/** What is said where no box that fields take is large enough. */
export const TOO_LARGE = "A side of it would be longer than 3\u00a0m, which is more than can be worked out here.";

/**
 * The smallest foam box for what stands in it, by the least surface: its outside with the walls that it has. Of several
 * kinds each takes a part of the width.
 */
export function sizedFor({ cabinet, vessels }: Pick<Chamber, "cabinet" | "vessels">): Edit[] {
  const inside = vessels
    .map((v) => insides(v, HEATER).reduce((a, b) => (surface(b) < surface(a) - 1e-12 ? b : a)))
    .reduce((a, b) => ({
      width: a.width + b.width,
      depth: Math.max(a.depth, b.depth),
      height: Math.max(a.height, b.height),
    }));
  const walls = 2 * cabinet.insulation;
  const set = (field: string, value: number): Edit =>
    ({ section: "cabinet", field, value: sawn(value + walls) }) as Edit;
  return [set("width", inside.width), set("depth", inside.depth), set("height", inside.height)];
}
