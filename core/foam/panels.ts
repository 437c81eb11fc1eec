import type { Build, Cabinet } from "../model";

/** A rectangle to be cut out of a sheet, m. */
export interface Panel {
  name: string;
  /** Which side of the box it is: those of one name and size may be swapped. */
  length: number;
  width: number;
  /** Foam, or the thin stuff that faces are covered with. */
  of: "foam" | "lining";
  /** What is done to its edges. */
  edge: string;
}

/** Air around a lip so that a lid goes in and out, m (common practice, no source). */
export const LIP_GAP = 0.003;

type Box = Pick<Cabinet, "height" | "width" | "depth" | "insulation">;

const butt = "cut square";

/** How far a panel reaches past the inside at each of its edges, as a share of the wall. */
function sizes({ height: h, width: w, depth: d, insulation: t }: Box, joint: Build["joint"]) {
  // The lid lies on top of all; what stands is the body under it.
  const body = h - t;
  switch (joint) {
    case "butt":
      return { floor: [w, d], front: [w, body - t], side: [d - 2 * t, body - t] } as const;
    case "rebate":
      // Each panel lies in a step half as deep as the wall of the one that it meets.
      return { floor: [w - t, d - t], front: [w, body - t / 2], side: [d - t, body - t / 2] } as const;
    case "mitre":
      return { floor: [w, d], front: [w, body], side: [d, body] } as const;
  }
}

const edges: Record<Build["joint"], Record<"floor" | "front" | "side", string>> = {
  butt: { floor: butt, front: butt, side: butt },
  rebate: {
    floor: butt,
    front: "a step half as deep as the wall at the bottom and both sides, inside",
    side: "a step half as deep as the wall at the bottom, inside",
  },
  mitre: {
    floor: "four edges at 45°, inwards",
    front: "bottom and both sides at 45°, inwards; top square",
    side: "bottom and both sides at 45°, inwards; top square",
  },
};

/** Every panel of a foam box with a lid, by its outside measures, m. */
export function panelsOf(box: Box, build: Pick<Build, "joint" | "lining" | "lip">): Panel[] {
  const { height: h, width: w, depth: d, insulation: t } = box;
  const { floor, front, side } = sizes(box, build.joint);
  const told = edges[build.joint];
  const foam = (name: string, [length, width]: readonly [number, number], edge: string): Panel => ({
    name,
    length,
    width,
    of: "foam",
    edge,
  });
  const panels = [
    foam("Floor", floor, told.floor),
    foam("Front", front, told.front),
    foam("Back", front, told.front),
    foam("Left side", side, told.side),
    foam("Right side", side, told.side),
    foam("Lid", [w, d], butt),
  ];
  const [iw, id, ih] = [w - 2 * t, d - 2 * t, h - 2 * t];
  if (build.lip > 0)
    panels.push(
      foam(
        "Lip, glued under the lid",
        [iw - 2 * (LIP_GAP + build.lining), id - 2 * (LIP_GAP + build.lining)],
        build.lip < t ? `thinned to ${Math.round(build.lip * 1000)} mm` : butt,
      ),
    );
  if (build.lining > 0) {
    const lining = (name: string, length: number, width: number) =>
      panels.push({ name, length, width, of: "lining", edge: butt });
    lining("Lining of the floor", iw, id);
    for (const name of ["front", "back"]) lining(`Lining of the ${name}`, iw, ih - build.lining);
    for (const name of ["left side", "right side"])
      lining(`Lining of the ${name}`, id - 2 * build.lining, ih - build.lining);
    lining("Lining of the lid", iw - 2 * LIP_GAP, id - 2 * LIP_GAP);
  }
  return panels;
}

/** Foam in the walls and the lid of such a box, m³: outside less inside, and the lip. */
export function foamVolume({ height: h, width: w, depth: d, insulation: t }: Box): number {
  return h * w * d - (h - 2 * t) * (w - 2 * t) * (d - 2 * t);
}
