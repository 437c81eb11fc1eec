import type { Chamber } from "../model";
import { outletsIn, wiresOf, type Wire } from "./circuit";
import { mainsTable, type WiringPlan } from "./plan";

/** A thing in the enclosure or on its front, in m from its left lower corner as one looks in; and what heat it gives, W. */
export interface Piece {
  id: string;
  label: string;
  x: number;
  y: number;
  width: number;
  height: number;
  side: "mains" | "low";
  watts: number;
  /** Terminals on it, each where its wire begins. */
  terminals: Readonly<Record<string, readonly [x: number, y: number]>>;
}

/** A hole with a gland: what goes through it. */
export interface Gland {
  id: string;
  label: string;
  x: number;
  side: "mains" | "low";
}

/** The inside of the enclosure to scale. */
export interface Layout {
  width: number;
  height: number;
  depth: number;
  /** Where the barrier between mains and low voltage stands, m from the left. */
  barrier: number;
  pieces: Piece[];
  glands: Gland[];
  /** Heat of the parts at full load, W, and what the air inside comes to above the room, K. */
  watts: number;
  rise: number;
}

/** Room around the parts, between their rows, and under them for the wires, m (estimates, as are the sizes of the parts). */
const EDGE = 0.02;
const GAP = 0.015;
const DUCT = 0.05;
const DEPTH = 0.12;
/** Heat that a shut plastic or painted box gives off, W/m²K (estimate: natural convection and radiation from its outside). */
const GIVES = 5.5;
/** Coil of a relay, a unit's electronics, W; share of a supply's rating that it loses at full load (estimates). */
const COIL = 0.5;
const UNIT = 3;
const LOST = 0.15;
const SOLID = 1.2;
const CONTACT = 0.03;

interface Sized {
  id: string;
  label: string;
  width: number;
  height: number;
  watts: number;
  /** Terminals along its lower edge, from the left. */
  ends: readonly string[];
}

/** What there is on the mains side, row by row from above. */
function mainsRows(plan: WiringPlan): Sized[][] {
  const { wiring } = plan;
  const outlets = outletsIn(plan);
  const amps = (watts: number | null) => (watts ?? 0) / mainsTable[wiring.mains].volts;
  const relays = outlets.map((o): Sized => {
    const flows = amps(o === "heat" ? plan.heat : plan.cold);
    const solid = wiring.relay === "solid";
    return {
      id: `${o}-relay`,
      label: solid ? `Solid-state relay, ${o}` : `Relay, ${o}`,
      width: solid ? 0.06 : 0.03,
      height: solid ? 0.08 : 0.05,
      watts: solid ? SOLID * flows : COIL + CONTACT * flows ** 2,
      ends: [`${o} relay in`, `${o} relay out`],
    };
  });
  const front = outlets.map((o): Sized => ({
    id: `${o}-outlet`,
    label: o === "heat" ? "Heat outlet" : "Cold outlet",
    width: 0.05,
    height: 0.05,
    watts: 0,
    ends: [`${o} 1`, `${o} 2`, `${o} earth`],
  }));
  const way: Sized[] = [
    ...(wiring.fuse > 0
      ? [{ id: "fuse", label: "Fuse", width: 0.018, height: 0.06, watts: 1, ends: ["fuse in", "fuse out"] }]
      : []),
    ...(wiring.mainSwitch === "none"
      ? []
      : [
          {
            id: "switch",
            label: "Main switch",
            width: 0.03,
            height: 0.04,
            watts: 0,
            ends:
              wiring.mainSwitch === "both"
                ? ["switch 1 in", "switch 1 out", "switch 2 in", "switch 2 out"]
                : ["switch 1 in", "switch 1 out"],
          },
        ]),
    {
      id: "block",
      label: "Terminal block",
      width: 0.05,
      height: 0.03,
      watts: 0,
      ends: ["common 1", "common 2", "common earth"],
    },
  ];
  const electronics: Sized[] = [
    { id: "unit", label: "Unit", width: 0.075, height: 0.035, watts: UNIT, ends: ["unit 1", "unit 2"] },
    ...(wiring.supply > 0
      ? [{ id: "supply", label: "12\u00a0V supply", width: 0.045, height: 0.04, watts: LOST * wiring.supply, ends: [] }]
      : []),
  ];
  return [front, electronics, relays, way];
}

/** Beyond the barrier: what no mains wire comes near. Unit and supply stand on the mains side, their low-voltage ends to it. */
function lowRows({ wiring }: WiringPlan): Sized[][] {
  const piece = (id: string, label: string): Sized[] => [
    { id, label, width: 0.045, height: 0.025, watts: 0, ends: [] },
  ];
  return [piece("probes", "Probe terminals"), ...(wiring.supply > 0 ? [piece("twelve", "12\u00a0V terminals")] : [])];
}

const rowWidth = (row: readonly Sized[]): number =>
  row.reduce((sum, p) => sum + p.width, 0) + GAP * Math.max(0, row.length - 1);
const rowHeight = (row: readonly Sized[]): number => Math.max(0, ...row.map((p) => p.height));

function placed(rows: readonly Sized[][], from: number, top: number, side: Piece["side"]): Piece[] {
  let y = top;
  return rows.flatMap((row) => {
    y -= rowHeight(row);
    let x = from;
    const pieces = row.map(({ ends, ...piece }): Piece => {
      const at = x;
      x += piece.width + GAP;
      const step = piece.width / (ends.length + 1);
      const terminals = Object.fromEntries(ends.map((end, i) => [end, [at + step * (i + 1), y] as const]));
      return { ...piece, x: at, y, side, terminals };
    });
    y -= GAP + 0.01;
    return pieces;
  });
}

/** Lays the parts out in the least enclosure that holds them, mains to the left, low voltage to the right of a barrier. */
export function layoutOf(plan: WiringPlan): Layout {
  const mains = mainsRows(plan).filter((row) => row.length > 0);
  const low = lowRows(plan);
  const tall = (rows: readonly Sized[][]) => rows.reduce((sum, row) => sum + rowHeight(row) + GAP + 0.01, 0);
  const wide = (rows: readonly Sized[][]) => Math.max(...rows.map(rowWidth));
  const [left, right] = [wide(mains), wide(low)];
  const barrier = EDGE + left + EDGE;
  const width = barrier + EDGE + right + EDGE;
  const height = DUCT + Math.max(tall(mains), tall(low)) + EDGE;
  const pieces = [...placed(mains, EDGE, height - EDGE, "mains"), ...placed(low, barrier + EDGE, height - EDGE, "low")];
  const glands: Gland[] = [
    { id: "cord", label: "Cord of the plug", x: EDGE + 0.012, side: "mains" },
    ...(plan.wiring.supply > 0
      ? [{ id: "fan", label: "12\u00a0V fan", x: width - EDGE - 0.012, side: "low" as const }]
      : []),
    { id: "probe", label: "Probe", x: barrier + EDGE + 0.012, side: "low" },
  ];
  const watts = pieces.reduce((sum, p) => sum + p.watts, 0);
  // Its back lies on something and gives nothing off.
  const outside = width * height + 2 * DEPTH * (width + height);
  return { width, height, depth: DEPTH, barrier, pieces, glands, watts, rise: watts / (GIVES * outside) };
}

/** The air inside of the enclosure in the warmest room, °C. */
export const airInside = (plan: WiringPlan, chamber: Pick<Chamber, "room">): number =>
  chamber.room.high + layoutOf(plan).rise;

/** What is cut off for the ends of a wire and left as a loop, m. */
const ENDS = 0.06;

/** Where a terminal stands; what leaves the enclosure begins at its gland. */
function spotOf(layout: Layout, terminal: string): readonly [number, number] {
  const piece = layout.pieces.find((p) => terminal in p.terminals);
  if (piece) return piece.terminals[terminal]!;
  if (terminal === "box") return [EDGE, EDGE];
  const cord = layout.glands.find((g) => g.id === "cord")!;
  return [cord.x, 0];
}

/** The way of a wire: down into the duct under the parts, along it, and up; a loop beside is left at each end. */
export function wayOf(plan: WiringPlan, wire: Pick<Wire, "from" | "to">): (readonly [number, number])[] {
  const layout = layoutOf(plan);
  const [a, b] = [spotOf(layout, wire.from), spotOf(layout, wire.to)];
  const row = DUCT / 2;
  if (a[1] <= row && b[1] <= row) return [a, b];
  return [a, [a[0], row], [b[0], row], b];
}

/** Length of each wire along its way, m: what runs in the cord has the cord's length besides. */
export function lengthsOf(plan: WiringPlan): Record<string, number> {
  return Object.fromEntries(
    wiresOf(plan).map((wire) => {
      const way = wayOf(plan, wire);
      const inside = way
        .slice(1)
        .reduce((sum, [x, y], i) => sum + Math.abs(x - way[i]![0]) + Math.abs(y - way[i]![1]), 0);
      const cord = wire.from.startsWith("plug") || wire.to.startsWith("plug") ? plan.wiring.cordLength : 0;
      return [wire.id, inside + ENDS + cord];
    }),
  );
}
