import { MaxRectsPacker } from "maxrects-packer";
import type { Build } from "../model";
import type { Panel } from "./panels";

/** A panel where it lies on its sheet: its corner, m, and whether it is turned by a quarter. */
export interface Laid {
  panel: Panel;
  x: number;
  y: number;
  length: number;
  width: number;
  turned: boolean;
}

/** Panels on sheets, those that no sheet takes, and what is left over. */
export interface Nested {
  sheets: Laid[][];
  tooLarge: Panel[];
  /** Share of the sheets that is not panel. */
  waste: number;
}

type Sheet = Pick<Build, "sheetLength" | "sheetWidth" | "kerf">;

/** Tenths of a millimetre: the packing reckons in whole numbers, so that nothing overlaps by rounding. */
const GRAIN = 1e4;
const up = (m: number): number => Math.ceil(m * GRAIN - 1e-6);

/** Lays panels of one kind on as few sheets as the packing finds, each a kerf from the next. */
export function nest(panels: readonly Panel[], { sheetLength, sheetWidth, kerf }: Sheet): Nested {
  const fits = ({ length, width }: Panel) => {
    const [long, short] = [Math.max(length, width), Math.min(length, width)];
    return long <= Math.max(sheetLength, sheetWidth) + 1e-9 && short <= Math.min(sheetLength, sheetWidth) + 1e-9;
  };
  const able = panels.filter(fits);
  const tooLarge = panels.filter((p) => !fits(p));
  const best = orders
    .map((order) => packed([...able].sort(order), { sheetLength, sheetWidth, kerf }))
    .reduce((a, b) => (b.length < a.length ? b : a), packed(able, { sheetLength, sheetWidth, kerf }));
  const area = able.reduce((sum, p) => sum + p.length * p.width, 0);
  const all = best.length * sheetLength * sheetWidth;
  return { sheets: best, tooLarge, waste: all > 0 ? 1 - area / all : 0 };
}

/** Orders in which they are laid: one does better here, another there. */
const orders: readonly ((a: Panel, b: Panel) => number)[] = [
  (a, b) => b.length * b.width - a.length * a.width,
  (a, b) => Math.max(b.length, b.width) - Math.max(a.length, a.width),
  (a, b) => Math.min(b.length, b.width) - Math.min(a.length, a.width),
];

function packed(panels: readonly Panel[], { sheetLength, sheetWidth, kerf }: Sheet): Laid[][] {
  // A cut along the sheet's own edge takes nothing: the kerf lies between panels alone.
  const gap = up(kerf);
  const packer = new MaxRectsPacker(
    Math.floor(sheetLength * GRAIN + 1e-6) + gap,
    Math.floor(sheetWidth * GRAIN + 1e-6) + gap,
    0,
    {
      smart: false,
      pot: false,
      square: false,
      allowRotation: true,
    },
  );
  for (const panel of panels) {
    packer.add(up(panel.length) + gap, up(panel.width) + gap, panel);
  }
  return packer.bins.map((bin) =>
    bin.rects.map((r): Laid => {
      const panel = r.data as Panel;
      const turned = r.rot;
      return {
        panel,
        x: r.x / GRAIN,
        y: r.y / GRAIN,
        length: turned ? panel.width : panel.length,
        width: turned ? panel.length : panel.width,
        turned,
      };
    }),
  );
}
