import { vesselSize } from "../chamber";
import type { Vessel } from "../model";
import type { Block, Cylinder } from "./solids";

/** What one vessel takes of room: its body, and what stands off it, m. */
export interface Outline {
  /** Of the body where it is widest, at its top, and at its foot. */
  radius: number;
  foot: number;
  /** Of the body alone; under it its legs, over it its lid. */
  height: number;
  legs: number;
  lidHeight: number;
  /** How far the lid reaches over the body on each side. */
  lidOver: number;
  above: number;
  reach: number;
  handles: number;
  tap: number;
}

export const outlineOf = (vessel: Vessel): Outline => {
  const size = vesselSize(vessel);
  const radius = (vessel.bodyWidth || size.diameter) / 2;
  return {
    radius,
    foot: Math.min(radius, vessel.footWidth > 0 ? vessel.footWidth / 2 : radius),
    height: vessel.bodyHeight || size.height,
    legs: vessel.legs,
    lidHeight: vessel.lidHeight,
    lidOver: vessel.lidOver,
    above: vessel.above,
    reach: vessel.reach,
    handles: vessel.handles,
    tap: vessel.tap,
  };
};

/** From the floor that it stands on to the top of its lid, m. */
export const closedHeight = ({ legs, height, lidHeight }: Outline): number => legs + height + lidHeight;

/** From the floor that it stands on to the highest that has to be free, m. */
export const fullHeight = (o: Outline): number => closedHeight(o) + o.above + o.reach;

/** Half of its width where it is widest, m: at its lid, or its body. */
export const widest = ({ radius, lidOver }: Outline): number => radius + lidOver;

/** A slice of a vessel: so wide from here to there above the floor that it stands on, m. */
export interface Ring {
  r: number;
  z0: number;
  z1: number;
}

/** In so many slices a body that tapers is taken, each as wide as it is at its upper end: never too narrow. */
const SLICES = 4;
/** A lid that reaches over and has no height of its own lies on the rim, m (estimate). */
const LID_EDGE = 0.02;

/** A vessel from its foot up, as slices. */
export function ringsOf(o: Outline): Ring[] {
  const top = o.legs + o.height;
  const slices = o.foot < o.radius - 1e-9 ? SLICES : 1;
  const rings: Ring[] = [];
  if (o.legs > 0) rings.push({ r: o.foot, z0: 0, z1: o.legs });
  for (let i = 0; i < slices; i++)
    rings.push({
      r: o.foot + ((o.radius - o.foot) * (i + 1)) / slices,
      z0: o.legs + (o.height * i) / slices,
      z1: o.legs + (o.height * (i + 1)) / slices,
    });
  if (o.lidHeight > 0 || o.lidOver > 0)
    rings.push({ r: widest(o), z0: top - (o.lidHeight > 0 ? 0 : LID_EDGE), z1: top + o.lidHeight });
  return rings;
}

/** How wide an airlock or a hand over it is, m; and a handle or a tap (estimates). */
const NECK = 0.03;
const BAR = 0.03;

/** Half of what it takes from the left to the right, and from its middle to the front and to the back, m. */
export const extents = (o: Outline, turned: boolean): { side: number; front: number; back: number } => {
  // Handles and tap stand off the body, under the lid.
  const [lid, handles, tap] = [widest(o), o.radius + o.handles, o.radius + o.tap].map((r) => Math.max(r, widest(o)));
  return turned ? { side: tap!, front: handles!, back: handles! } : { side: handles!, front: tap!, back: lid! };
};

/** A vessel that stands somewhere. */
export interface Standing {
  x: number;
  y: number;
  z: number;
  turned: boolean;
}

/** The solids of a vessel where it stands: slices and neck as cylinders, handles and tap as blocks. */
export function solidsOf(o: Outline, at: Standing): { rings: Cylinder[]; neck: Cylinder | null; bars: Block[] } {
  const { x, y, z, turned } = at;
  const rings = ringsOf(o).map(({ r, z0, z1 }): Cylinder => ({ x, y, r, z0: z + z0, z1: z + z1 }));
  const top = fullHeight(o);
  const lid = closedHeight(o);
  const neck = top > lid ? { x, y, r: Math.min(NECK, o.radius), z0: z + lid, z1: z + top } : null;
  const bars: Block[] = [];
  const bar = (name: string, dx: number, dy: number, z0: number, z1: number) =>
    bars.push({
      name,
      x0: x - (turned ? dy : dx),
      x1: x + (turned ? dy : dx),
      y0: y - (turned ? dx : dy),
      y1: y + (turned ? dx : dy),
      z0: z + z0,
      z1: z + z1,
    });
  // Handles are in the upper third, a tap in the lower one.
  if (o.handles > 0) bar("handles", o.radius + o.handles, BAR, o.legs + o.height * 0.65, o.legs + o.height * 0.95);
  if (o.tap > 0) {
    const reach = o.radius + o.tap;
    bars.push(
      turned
        ? {
            name: "tap",
            x0: x,
            x1: x + reach,
            y0: y - BAR,
            y1: y + BAR,
            z0: z + o.legs,
            z1: z + o.legs + o.height * 0.3,
          }
        : {
            name: "tap",
            x0: x - BAR,
            x1: x + BAR,
            y0: y,
            y1: y + reach,
            z0: z + o.legs,
            z1: z + o.legs + o.height * 0.3,
          },
    );
  }
  return { rings, neck, bars };
}
