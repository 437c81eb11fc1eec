import { insideOf, isBath, isVesselItself, vesselName } from "../chamber";
import type { Chamber, LoadedVessel } from "../model";
import {
  FLAT_AIR,
  flatSize,
  layAiry,
  missingFlat,
  mostLaid,
  TIGHT,
  type FlatAir,
  type FlatWanted,
  type Laid,
} from "./flat";
import { outlineOf, extents, fullHeight, type Outline } from "./outline";
import { mostOf, place, SEARCHED, type Placed, type Wanted } from "./place";
import { pastRim, TO_WALLS } from "./collide";
import type { Block } from "./solids";
import { spaceOf, type Space } from "./space";

/** What keeps a vessel out, m; 0: nothing of that kind. */
export interface Short {
  vessel: string;
  /** Missing in height, under what, and missing in width or depth. */
  height: number;
  under: string;
  width: number;
  /** What it is missing that in: between the walls, or through the opening. */
  between: "walls" | "opening";
  /** It would go in by itself: the others take its place. */
  crowded: boolean;
  /** Of what lies flat, or of many that stand in rows, how many do find a place. */
  laid?: number;
}

/** How what stands in a box fits into it. */
export interface BoxFit {
  fits: boolean;
  space: Space;
  placed: Placed[];
  shorts: Short[];
  /** Trays where they lie, and with how much air around each; the usual one where there are none. */
  laid: Laid[];
  air: FlatAir;
  /** Share of the room inside that pieces take. */
  filled: number;
}

/** Pieces hang, lie on grids or in water: of them the volume counts, and a third of the room stays air (estimate). */
export const FILLED_MOST = 0.67;

/** Whether its trays have the air around each that they want. */
export const isAiry = ({ air }: Pick<BoxFit, "air">): boolean => air.over >= FLAT_AIR.over;

export const isTray = ({ form }: Pick<LoadedVessel, "form">): boolean => form === "tray";
export const isPiece = ({ form }: Pick<LoadedVessel, "form">): boolean => form === "piece";
export const isFlat = (v: Pick<LoadedVessel, "form">): boolean => isTray(v) || isPiece(v);

/** What a vessel is missing on the level where it misses least. */
function shortOf(space: Space, o: Outline): Pick<Short, "height" | "under" | "width" | "between"> {
  const over = (z: number) => {
    const lids = space.blocks.filter((b) => b.z0 > z + 1e-9 && b.x1 - b.x0 >= space.width - 1e-9);
    const lowest = lids.reduce((low, b) => (b.z0 < low.z0 ? b : low), { z0: space.height, name: "the ceiling" });
    return { room: lowest.z0 - z, name: lowest.name };
  };
  const heights = space.levels.map(({ z }) => ({ ...over(z), missing: fullHeight(o) - over(z).room }));
  const best = heights.reduce((a, b) => (b.missing < a.missing ? b : a));
  const widths = [false, true].map((turned) => {
    const { side, front, back } = extents(o, turned);
    return space.round
      ? 2 * (Math.max(side, front) + TO_WALLS) - space.width
      : Math.max(2 * (side + TO_WALLS) - space.width, front + back + 2 * TO_WALLS - space.depth);
  });
  const [walls, rim] = [Math.max(0, Math.min(...widths)), pastRim(space, o)];
  return {
    height: Math.max(0, best.missing),
    under: best.name,
    width: Math.max(walls, rim),
    between: rim > walls ? "opening" : "walls",
  };
}

/** Asked anew at each step of a drag, and always of the same few: whether one goes in does not depend on where it stands. */
const asked = new Map<string, boolean>();
function goesIn(space: Space, outline: Outline): boolean {
  const key = JSON.stringify([space, outline]);
  const known = asked.get(key);
  if (known !== undefined) return known;
  if (asked.size > 50) asked.clear();
  const goes = mostOf(space, outline, 1) > 0;
  asked.set(key, goes);
  return goes;
}

/**
 * Whether all that stands in a box goes in, where each of them stands, and what is missing where one does not.
 * @param looks how many places are looked at in search of one; the usual many where nothing is said
 */
export function boxFit(chamber: Pick<Chamber, "cabinet" | "build" | "vessels">, looks?: number): BoxFit {
  const { cabinet, vessels } = chamber;
  const space = spaceOf(chamber);
  if (isVesselItself(cabinet.kind))
    return { fits: true, space, placed: [], shorts: [], laid: [], air: FLAT_AIR, filled: 0 };
  const pieces = vessels.filter(isPiece).reduce((sum, v) => sum + v.count * v.volume, 0);
  const filled = pieces / roomIn(space, insideOf(cabinet).volume);
  const name = (v: LoadedVessel) =>
    `the ${vesselName(v)}${vessels.length > 1 ? ` (vessel ${vessels.indexOf(v) + 1})` : ""}`;
  const wanted = vessels
    .filter((v) => !isFlat(v))
    .flatMap((v): Wanted[] => {
      const of = { id: v.id, name: name(v), outline: outlineOf(v) };
      return Array.from({ length: v.count }, (_, i) => ({ ...of, spot: v.spots[i] ?? null }));
    });
  const placed = place(space, wanted, looks);
  const byRows = wanted.filter((w) => !w.spot).length > SEARCHED;
  const troubled = [...new Set(placed.filter((p) => p.hits.length > 0).map((p) => p.id))];
  const shorts = troubled.map((id): Short => {
    const outline = outlineOf(vessels.find((v) => v.id === id)!);
    const alone = goesIn(space, outline);
    const laid = placed.filter((p) => p.id === id && p.hits.length === 0).length;
    return alone
      ? { vessel: id, height: 0, under: "", width: 0, between: "walls", crowded: true, ...(byRows ? { laid } : {}) }
      : { vessel: id, ...shortOf(space, outline), crowded: false };
  });
  // In a pot pieces lie in the water, whatever its shape.
  const bath = isBath(cabinet.kind);
  const trays = bath ? { laid: [], shorts: [], air: FLAT_AIR } : layTrays(space, placed, vessels, name);
  shorts.push(...trays.shorts);
  const stuffed = filled > FILLED_MOST && !bath;
  return { fits: shorts.length === 0 && !stuffed, space, placed, shorts, laid: trays.laid, air: trays.air, filled };
}

/** The room inside that nothing fixed takes, m³. */
function roomIn({ blocks }: Space, volume: number): number {
  const taken = blocks.reduce((sum, b) => sum + (b.x1 - b.x0) * (b.y1 - b.y0) * (b.z1 - b.z0), 0);
  return Math.max(0.01 * volume, volume - taken);
}

/** Trays on grids around what stands: with the air that they want, or where that does not do with as little as goes. */
function layTrays(
  space: Space,
  placed: readonly Placed[],
  vessels: readonly LoadedVessel[],
  name: (v: LoadedVessel) => string,
): Pick<BoxFit, "laid" | "shorts" | "air"> {
  const trays = vessels.filter(isTray);
  if (trays.length === 0) return { laid: [], shorts: [], air: FLAT_AIR };
  const wanted = trays.map((v): FlatWanted => ({ id: v.id, name: name(v), count: v.count, ...flatSize(v) }));
  const { laid, air } = layAiry(space, placed.map(bodyOf), wanted);
  const shorts = wanted.flatMap((w): Short[] => {
    const lie = laid.filter(({ id }) => id === w.id).length;
    if (lie === w.count) return [];
    const alone = mostLaid(space, w, TIGHT).all > 0;
    return alone
      ? [{ vessel: w.id, height: 0, under: "", width: 0, between: "walls", crowded: true, laid: lie }]
      : [{ vessel: w.id, ...missingFlat(space, w), crowded: false, laid: 0 }];
  });
  return { laid, shorts, air };
}

/** What a vessel takes where it stands, as one block, m. */
function bodyOf({ name, outline, at }: Placed): Block {
  const { side, front, back } = extents(outline, at.turned);
  return {
    name,
    x0: at.x - side,
    x1: at.x + side,
    y0: at.y - back,
    y1: at.y + front,
    z0: at.z,
    z1: at.z + fullHeight(outline),
  };
}

/** How many vessels like one of a chamber's go in at most, by themselves. */
export const mostAlike = (chamber: Pick<Chamber, "cabinet" | "build">, vessel: LoadedVessel): number =>
  isFlat(vessel) || isVesselItself(chamber.cabinet.kind) ? 0 : mostOf(spaceOf(chamber), outlineOf(vessel));
