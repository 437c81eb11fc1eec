import { ringsOf, type Block, type Outline } from "@/core/fit";

/** A block as a rectangle of the drawing, px: from above, and with `up` for heights from the front. */
export const fromAbove = (b: Block, metre: number) => ({
  x: b.x0 * metre,
  y: b.y0 * metre,
  width: (b.x1 - b.x0) * metre,
  height: (b.y1 - b.y0) * metre,
});
export const fromFront = (b: Block, metre: number, up: (z: number) => number) => ({
  x: b.x0 * metre,
  y: up(b.z1),
  width: (b.x1 - b.x0) * metre,
  height: Math.max(1.5, (b.z1 - b.z0) * metre),
});

/** The outline of a vessel from the side, its middle and its foot at 0: x to the right and z up, m. */
export function profileOf(o: Outline): [x: number, z: number][] {
  const rings = ringsOf(o);
  const body = rings.filter((ring) => ring.z0 >= o.legs - 1e-9);
  const lid = o.lidHeight > 0 || o.lidOver > 0 ? body[body.length - 1] : undefined;
  const top = o.legs + o.height;
  const right: [number, number][] = [
    [o.foot, o.legs],
    ...(lid
      ? ([
          [o.foot + ((o.radius - o.foot) * (lid.z0 - o.legs)) / o.height, lid.z0],
          [lid.r, lid.z0],
          [lid.r, lid.z1],
        ] as [number, number][])
      : ([[o.radius, top]] as [number, number][])),
  ];
  return [...right, ...right.map(([x, z]): [number, number] => [-x, z]).reverse()];
}
