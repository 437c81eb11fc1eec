import { vesselSize } from "../chamber";
import type { Vessel } from "../model";
import type { Block, Cylinder } from "./solids";

/** What one vessel takes of room: its body, and what stands off it, m. */
export interface Outline {
  radius: number;
  height: number;
  above: number;
  reach: number;
  handles: number;
  tap: number;
}

export const outlineOf = (vessel: Vessel): Outline => {
  const size = vesselSize(vessel);
  return {
    radius: (vessel.bodyWidth || size.diameter) / 2,
    height: vessel.bodyHeight || size.height,
    above: vessel.above,
    reach: vessel.reach,
    handles: vessel.handles,
    tap: vessel.tap,
  };
};

/** From the floor that it stands on to the highest that has to be free, m. */
export const fullHeight = ({ height, above, reach }: Outline): number => height + above + reach;

/** How wide an airlock or a hand over it is, m; and a handle or a tap (estimates). */
const NECK = 0.03;
const BAR = 0.03;

/** Half of what it takes from the left to the right, and from its middle to the front and to the back, m. */
export const extents = (o: Outline, turned: boolean): { side: number; front: number; back: number } =>
  turned
    ? { side: o.radius + o.tap, front: o.radius + o.handles, back: o.radius + o.handles }
    : { side: o.radius + o.handles, front: o.radius + o.tap, back: o.radius };

/** A vessel that stands somewhere. */
export interface Standing {
  x: number;
  y: number;
  z: number;
  turned: boolean;
}

/** The solids of a vessel where it stands: body and neck as cylinders, handles and tap as blocks. */
export function solidsOf(o: Outline, at: Standing): { body: Cylinder; neck: Cylinder | null; bars: Block[] } {
  const { x, y, z, turned } = at;
  const body = { x, y, r: o.radius, z0: z, z1: z + o.height };
  const top = fullHeight(o);
  const neck = top > o.height ? { x, y, r: Math.min(NECK, o.radius), z0: z + o.height, z1: z + top } : null;
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
  if (o.handles > 0) bar("handles", o.radius + o.handles, BAR, o.height * 0.65, o.height * 0.95);
  if (o.tap > 0) {
    const reach = o.radius + o.tap;
    bars.push(
      turned
        ? { name: "tap", x0: x, x1: x + reach, y0: y - BAR, y1: y + BAR, z0: z, z1: z + o.height * 0.3 }
        : { name: "tap", x0: x - BAR, x1: x + BAR, y0: y, y1: y + reach, z0: z, z1: z + o.height * 0.3 },
    );
  }
  return { body, neck, bars };
}
