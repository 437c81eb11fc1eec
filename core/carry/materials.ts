import type { Build } from "../model";

/** What a board or plate can be of. Strength and stiffness in bending, Pa. */
export interface BoardMaterial {
  label: string;
  stiffness: number;
  /** Characteristic strength of wood, yield of metal, Pa. */
  strength: number;
  /** How much further it sags under a load that stays for months. */
  creep: number;
  poisson: number;
  /** kg/m³ */
  density: number;
  /** Thicknesses that it is sold in, m (common practice, no source). */
  stock: readonly number[];
  origin: string;
  certain: "table" | "estimate";
}

const mm = (...list: number[]): number[] => list.map((t) => t / 1000);

/** Values from memory: EN 338 for solid wood, EN 10025, EN 10088 and EN 485 for metals; creep by EN 1995, service class 2. */
export const boardMaterials: Record<Build["boardMaterial"], BoardMaterial> = {
  softwood: {
    label: "Softwood boards",
    stiffness: 8e9,
    strength: 16e6,
    creep: 1.8,
    poisson: 0.3,
    density: 420,
    stock: mm(18, 21, 28, 35, 45),
    origin: "EN 338, class C16",
    certain: "table",
  },
  plywood: {
    label: "Plywood",
    stiffness: 6e9,
    strength: 20e6,
    creep: 2,
    poisson: 0.3,
    density: 600,
    stock: mm(9, 12, 15, 18, 21, 24, 27, 30),
    origin: "plain softwood plywood, across the weaker way",
    certain: "estimate",
  },
  hardwood: {
    label: "Hardwood boards",
    stiffness: 11e9,
    strength: 30e6,
    creep: 1.8,
    poisson: 0.3,
    density: 640,
    stock: mm(18, 20, 26, 33, 40),
    origin: "EN 338, class D30",
    certain: "table",
  },
  steel: {
    label: "Steel plate",
    stiffness: 210e9,
    strength: 235e6,
    creep: 1,
    poisson: 0.3,
    density: 7850,
    stock: mm(1, 1.5, 2, 3, 4, 5, 6, 8),
    origin: "EN 10025, S235",
    certain: "table",
  },
  stainless: {
    label: "Stainless plate",
    stiffness: 200e9,
    strength: 210e6,
    creep: 1,
    poisson: 0.3,
    density: 7900,
    stock: mm(1, 1.5, 2, 3, 4, 5, 6),
    origin: "EN 10088, 1.4301",
    certain: "table",
  },
  aluminium: {
    label: "Aluminium plate",
    stiffness: 70e9,
    strength: 80e6,
    creep: 1,
    poisson: 0.33,
    density: 2660,
    stock: mm(2, 3, 4, 5, 6, 8, 10),
    origin: "EN 485, 5754 soft",
    certain: "table",
  },
};
