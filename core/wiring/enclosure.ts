import type { Chamber } from "../model";
import { COIL_WATTS } from "./circuit";
import { mainsTable, type WiringPlan } from "./plan";
import { hasCutOut, hasTwoCords, outletsIn, relaysInUnit, wiresOf, type OutletName, type Wire } from "./wires";

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
/** From the enclosure to the cut-out at the heater, m (estimate). */
const TO_CUT_OUT = 1.5;

interface Sized {
  id: string;
  label: string;
  width: number;
  height: number;
  watts: number;
  /** Terminals along its lower edge, from the left; those of low voltage along its upper one. */
  ends: readonly string[];
  lowEnds?: readonly string[];
}

/** What there is on the mains side, row by row from above. */
function mainsRows(plan: WiringPlan): Sized[][] {
  const { wiring } = plan;
  const outlets = outletsIn(plan);
  const none = { watts: 0 } as const;
  const front = outlets.flatMap((o): Sized[] => [
    {
      id: `${o}-outlet`,
      label: o === "heat" ? "Heat outlet" : "Cold outlet",
      width: 0.05,
      height: 0.05,
      ...none,
      ends: [`${o} 1`, `${o} 2`, `${o} earth`],
    },
    ...(wiring.pilots
      ? [
          {
            id: `${o}-pilot`,
            label: "Lamp",
            width: 0.022,
            height: 0.022,
            ...none,
            ends: [`${o} pilot 1`, `${o} pilot 2`],
          },
        ]
      : []),
  ]);
  const fuse = (id: string, label: string): Sized => ({
    id: id.replace(" ", "-"),
    label,
    width: 0.018,
    height: 0.06,
    watts: 1,
    ends: [`${id} in`, `${id} out`],
  });
  const poles = [1, 2].slice(0, wiring.mainSwitch === "both" ? 2 : 1);
  const way: Sized[] = [
    ...(wiring.fuse > 0 ? [fuse("fuse", "Fuse")] : []),
    ...(wiring.fuse > 0 && hasTwoCords(plan) ? [fuse("cold fuse", "2nd fuse")] : []),
    ...(wiring.mainSwitch === "none"
      ? []
      : [
          {
            id: "switch",
            label: "Main switch",
            width: 0.03,
            height: 0.04,
            ...none,
            ends: poles.flatMap((n) => [`switch ${n} in`, `switch ${n} out`]),
          },
        ]),
    {
      id: "block",
      label: "Terminal block",
      width: 0.05,
      height: 0.03,
      ...none,
      ends: ["common 1", "common 2", "common earth"],
    },
  ];
  const electronics: Sized[] = [
    unitPiece(plan),
    ...(wiring.supply > 0
      ? [
          {
            id: "supply",
            label: "12\u00a0V supply",
            width: 0.045,
            height: 0.04,
            watts: LOST * wiring.supply,
            ends: ["supply 1", "supply 2"],
            lowEnds: ["supply +", "supply −"],
          },
        ]
      : []),
  ];
  return [electronics, front, relaysInUnit(plan) ? [] : outlets.map((o) => relayPiece(plan, o)), way];
}

const flowsIn = (plan: WiringPlan, o: OutletName): number =>
  ((o === "heat" ? plan.heat : plan.cold) ?? 0) / mainsTable[plan.wiring.mains].volts;

/** The unit with its terminals, and the heat of its relays where they are its own. */
function unitPiece(plan: WiringPlan): Sized {
  const { relay } = plan.wiring;
  const outlets = outletsIn(plan);
  const own = relaysInUnit(plan);
  const ends = outlets.flatMap((o) =>
    own ? [`${o} relay in`, `${o} relay out`] : relay === "contactor" ? [`unit ${o} in`, `unit ${o} out`] : [],
  );
  const driven = own || relay === "contactor" ? [] : outlets.flatMap((o) => [`unit ${o} +`, `unit ${o} −`]);
  const relays = own ? outlets.reduce((sum, o) => sum + COIL + CONTACT * flowsIn(plan, o) ** 2, 0) : 0;
  return {
    id: "unit",
    label: "Unit",
    width: 0.075,
    height: 0.035,
    watts: UNIT + relays,
    ends: ["unit 1", "unit 2", ...ends],
    lowEnds: [...driven, "unit probe a", "unit probe b"],
  };
}

function relayPiece(plan: WiringPlan, o: OutletName): Sized {
  const flows = flowsIn(plan, o);
  const contacts = [`${o} relay in`, `${o} relay out`];
  const low = [`${o} coil +`, `${o} coil −`];
  switch (plan.wiring.relay) {
    case "solid":
      return {
        id: `${o}-relay`,
        label: `Solid-state relay, ${o}`,
        width: 0.06,
        height: 0.08,
        watts: SOLID * flows,
        ends: contacts,
        lowEnds: low,
      };
    case "contactor":
      return {
        id: `${o}-relay`,
        label: `Contactor, ${o}`,
        width: 0.045,
        height: 0.08,
        watts: COIL_WATTS + 2 * CONTACT * flows ** 2,
        ends: [...contacts, `${o} relay in 2`, `${o} relay out 2`, `${o} coil 1`, `${o} coil 2`],
      };
    case "mechanical":
      return {
        id: `${o}-relay`,
        label: `Relay, ${o}`,
        width: 0.03,
        height: 0.05,
        watts: COIL + CONTACT * flows ** 2,
        ends: contacts,
        lowEnds: low,
      };
  }
}

/** Beyond the barrier: what no mains wire comes near. Unit and supply stand on the mains side, their low-voltage ends to it. */
function lowRows({ wiring }: WiringPlan): Sized[][] {
  const piece = (id: string, label: string, lowEnds: readonly string[]): Sized[] => [
    { id, label, width: 0.045, height: 0.025, watts: 0, ends: [], lowEnds },
  ];
  return [
    piece("probes", "Probe terminals", ["probe a", "probe b"]),
    ...(wiring.supply > 0 ? [piece("twelve", "12\u00a0V terminals", ["twelve +", "twelve −"])] : []),
  ];
}

const rowWidth = (row: readonly Sized[]): number =>
  row.reduce((sum, p) => sum + p.width, 0) + GAP * Math.max(0, row.length - 1);
const rowHeight = (row: readonly Sized[]): number => Math.max(0, ...row.map((p) => p.height));

function placed(rows: readonly Sized[][], from: number, top: number, side: Piece["side"]): Piece[] {
  let y = top;
  return rows.flatMap((row) => {
    y -= rowHeight(row);
    let x = from;
    const pieces = row.map(({ ends, lowEnds = [], ...piece }): Piece => {
      const at = x;
      x += piece.width + GAP;
      const along = (list: readonly string[], edge: number) =>
        list.map((end, i) => [end, [at + (piece.width / (list.length + 1)) * (i + 1), edge] as const] as const);
      const terminals = Object.fromEntries([...along(ends, y), ...along(lowEnds, y + piece.height)]);
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
    {
      id: "cord",
      label: plan.wiring.laid === "cord" ? "Cord of the plug" : "Fixed cable",
      x: EDGE + 0.012,
      side: "mains",
    },
    ...(hasTwoCords(plan) ? [{ id: "cord2", label: "Second cord", x: EDGE + 0.042, side: "mains" as const }] : []),
    ...(hasCutOut(plan) ? [{ id: "cut-out", label: "Cut-out", x: barrier - 0.016, side: "mains" as const }] : []),
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
  const through = terminal.startsWith("cut-out") ? "cut-out" : terminal.startsWith("cold plug") ? "cord2" : "cord";
  return [layout.glands.find((g) => g.id === through)!.x, 0];
}

/**
 * The way of a wire: down into the duct under the parts, along it, and up; low voltage over the parts, so that the two
 * never share a duct. A loop is left at each end.
 */
export function wayOf(plan: WiringPlan, wire: Pick<Wire, "from" | "to" | "job">): (readonly [number, number])[] {
  const layout = layoutOf(plan);
  const [a, b] = [spotOf(layout, wire.from), spotOf(layout, wire.to)];
  const row = wire.job === "low" ? layout.height - EDGE / 2 : DUCT / 2;
  if (wire.job !== "low" && a[1] <= row && b[1] <= row) return [a, b];
  return [a, [a[0], row], [b[0], row], b];
}

const ends = ({ from, to }: Pick<Wire, "from" | "to">, what: RegExp): boolean => what.test(from) || what.test(to);
/** A wire that runs in a cord to a plug. */
export const inCord = (wire: Pick<Wire, "from" | "to">): boolean => ends(wire, /^(cold )?plug /);
/** A wire that runs to the cut-out at the heater. */
export const toCutOut = (wire: Pick<Wire, "from" | "to">): boolean => ends(wire, /^cut-out /);

/** What of a wire lies outside of the enclosure, m. */
const outside = ({ wiring }: WiringPlan, wire: Wire): number =>
  inCord(wire) ? wiring.cordLength : toCutOut(wire) ? TO_CUT_OUT : 0;

/** Length of each wire along its way, m: what runs in the cord has the cord's length besides. */
export function lengthsOf(plan: WiringPlan): Record<string, number> {
  return Object.fromEntries(
    wiresOf(plan).map((wire) => {
      const way = wayOf(plan, wire);
      const inside = way
        .slice(1)
        .reduce((sum, [x, y], i) => sum + Math.abs(x - way[i]![0]) + Math.abs(y - way[i]![1]), 0);
      return [wire.id, inside + ENDS + outside(plan, wire)];
    }),
  );
}
