import type { Chamber } from "../model";
import { awayOf, netlistOf, type Netlist, type Wire } from "./netlist";
import type { Part } from "./parts";
import type { WiringPlan } from "./plan";

/** A thing in the enclosure or on its front, in m from its left lower corner as one looks in; and what heat it gives, W. */
export interface Piece {
  id: string;
  letter: string;
  label: string;
  x: number;
  y: number;
  width: number;
  height: number;
  side: "mains" | "low";
  watts: number;
  /** Pins on it, each where its wire begins. */
  terminals: Readonly<Record<string, readonly [x: number, y: number]>>;
}

/** A hole with a gland: what goes through it. */
export interface Gland {
  id: string;
  label: string;
  x: number;
  side: "mains" | "low";
}

type Point = readonly [x: number, y: number];

/** The inside of the enclosure to scale. */
export interface Layout {
  width: number;
  height: number;
  depth: number;
  /** Where the barrier between mains and low voltage stands, m from the left. */
  barrier: number;
  pieces: Piece[];
  glands: Gland[];
  /** The way of each wire, by its id: each in a track of its own, none on another. */
  ways: Readonly<Record<string, readonly Point[]>>;
  /** Heat of the parts at full load, W, and what the air inside comes to above the room, K. */
  watts: number;
  rise: number;
}

/** Room around the parts, and between a part and the next or the first wire under it, m (estimates, as are the parts). */
const EDGE = 0.02;
const GAP = 0.015;
const CLEAR = 0.008;
/** One wire beside the next, m. */
const TRACK = 0.003;
const DEPTH = 0.12;
/** Heat that a shut plastic or painted box gives off, W/m²K (estimate: natural convection and radiation from its outside). */
const GIVES = 5.5;

const ROWS = ["electronics", "front", "relays", "way"] as const;

/** The rows of parts on the mains side, from above; what stands beyond the barrier stands beside each other. */
const rowsOf = (net: Netlist): Part[][] =>
  ROWS.map((row) => net.parts.filter((p) => p.size?.row === row)).filter((row) => row.length > 0);
const lowOf = (net: Netlist): Part[] => net.parts.filter((p) => p.size?.row === "low");

const rowWidth = (row: readonly Part[]): number =>
  row.reduce((sum, p) => sum + p.size!.width, 0) + GAP * Math.max(0, row.length - 1);
const rowHeight = (row: readonly Part[]): number => Math.max(0, ...row.map((p) => p.size!.height));

/** Parts of a row beside each other from x on, standing on y; mains pins along their lower edge, low ones along the upper. */
function placed(net: Netlist, row: readonly Part[], from: number, y: number, side: Piece["side"]): Piece[] {
  let x = from;
  return row.map((part): Piece => {
    const { width, height } = part.size!;
    const at = x;
    x += width + GAP;
    const isLow = (key: string) => part.pins.find((p) => p.key === key)!.role.is === "low";
    const along = (list: readonly string[], edge: number) =>
      list.map((key, i) => [`${part.id}.${key}`, [at + (width / (list.length + 1)) * (i + 1), edge]] as const);
    const keys = part.pins.map((p) => p.key);
    const terminals = Object.fromEntries([
      ...along(
        keys.filter((k) => !isLow(k)),
        y,
      ),
      ...along(keys.filter(isLow), y + height),
    ]);
    return {
      id: part.id,
      letter: net.letters.get(part.id)!,
      label: part.label,
      x: at,
      y,
      width,
      height,
      side,
      watts: part.watts,
      terminals,
    };
  });
}

const known = new WeakMap<WiringPlan, Layout>();

/** Lays the parts out in the least enclosure that holds them, mains to the left, low voltage to the right of a barrier. */
export function layoutOf(plan: WiringPlan): Layout {
  const found = known.get(plan) ?? laidOut(netlistOf(plan));
  known.set(plan, found);
  return found;
}

/** Gives each interval the first lane in which it touches no other. */
function lanes(intervals: readonly (readonly [from: number, to: number])[]): { of: number[]; count: number } {
  const ends: [number, number][][] = [];
  const of = intervals.map(([a, b]) => {
    const [from, to] = a < b ? [a, b] : [b, a];
    let lane = ends.findIndex((list) => list.every(([c, d]) => to < c || from > d));
    if (lane < 0) lane = ends.push([]) - 1;
    ends[lane]!.push([from, to]);
    return lane;
  });
  return { of, count: ends.length };
}

function laidOut(net: Netlist): Layout {
  const rows = rowsOf(net);
  const low = lowOf(net);
  const bottom = rows.length - 1;
  const rowOf = new Map(rows.flatMap((row, r) => row.map((p) => [p.id, r] as const)));
  const partOf = (id: string) => net.pins.get(id)!.part.id;
  const mains = net.wires.filter((w) => w.job !== "low");
  const lows = net.wires.filter((w) => w.job === "low");
  /** Under which row a wire leaves its pin; what stands outside is reached from the lowest. */
  const under = (id: string) => rowOf.get(partOf(id)) ?? bottom;
  // Wires from one row to another go down a channel at the left; low voltage goes down one at the barrier.
  const down = mains.filter((w) => under(w.from) !== under(w.to));
  const left = lanes(down.map((w) => [under(w.from), under(w.to)] as const));
  const drives = lows.filter((w) => rowOf.has(partOf(w.from)) && rowOf.has(partOf(w.to)));
  const right = lanes(drives.map(() => [0, 1] as const));
  const start = EDGE + left.count * TRACK + CLEAR;
  const widest = Math.max(...rows.map(rowWidth));
  const barrier = start + widest + CLEAR + right.count * TRACK + EDGE;
  const width = barrier + EDGE + rowWidth(low) + EDGE;
  const flat = [
    ...rows.flatMap((row) => placed(net, row, start, 0, "mains")),
    ...placed(net, low, barrier + EDGE, 0, "low"),
  ];
  const glands = glandsOf(net, start, barrier, width);
  const xOf = spotsOf(net, flat, glands);
  const channel = new Map(down.map((w, i) => [w.id, EDGE + left.of[i]! * TRACK]));
  const lowChannel = new Map(drives.map((w, i) => [w.id, barrier - EDGE - right.of[i]! * TRACK]));
  /** Stretches along the rows: those under each row, and those of low voltage over each. */
  const underRow = rows.map((_, r) =>
    mains.flatMap((w) => {
      const [a, b] = [under(w.from), under(w.to)];
      const side = channel.get(w.id);
      if (a === r && b === r) return [{ key: w.id, span: [xOf(w.from, w.id), xOf(w.to, w.id)] as const }];
      if (a === r) return [{ key: `${w.id} from`, span: [side!, xOf(w.from, w.id)] as const }];
      return b === r ? [{ key: `${w.id} to`, span: [side!, xOf(w.to, w.id)] as const }] : [];
    }),
  );
  const overRow = rows.map((_, r) =>
    lows.flatMap((w) => {
      const side = lowChannel.get(w.id);
      if (side === undefined)
        return r === 0 ? [{ key: w.id, span: [xOf(w.from, w.id), xOf(w.to, w.id)] as const }] : [];
      if (rowOf.get(partOf(w.from)) === r) return [{ key: `${w.id} from`, span: [xOf(w.from, w.id), side] as const }];
      return rowOf.get(partOf(w.to)) === r ? [{ key: `${w.id} to`, span: [xOf(w.to, w.id), side] as const }] : [];
    }),
  );
  const underLanes = underRow.map((list) => lanes(list.map((l) => l.span)));
  const overLanes = overRow.map((list) => lanes(list.map((l) => l.span)));
  const roomUnder = (r: number) => CLEAR + underLanes[r]!.count * TRACK + CLEAR;
  const roomOver = (r: number) => (overLanes[r]!.count > 0 ? CLEAR + overLanes[r]!.count * TRACK : 0);
  const tall = rows.reduce((sum, row, r) => sum + roomOver(r) + rowHeight(row) + roomUnder(r), 0);
  const height = EDGE + tall + EDGE;
  const tracks = new Map<string, number>();
  const pieces: Piece[] = [];
  let y = height - EDGE;
  for (const [r, row] of rows.entries()) {
    y -= roomOver(r);
    overRow[r]!.forEach(({ key }, i) => tracks.set(key, y + CLEAR + overLanes[r]!.of[i]! * TRACK));
    y -= rowHeight(row);
    pieces.push(...placed(net, row, start, y, "mains"));
    underRow[r]!.forEach(({ key }, i) => tracks.set(key, y - CLEAR - underLanes[r]!.of[i]! * TRACK));
    y -= roomUnder(r);
  }
  pieces.push(...placed(net, low, barrier + EDGE, height - EDGE - roomOver(0) - rowHeight(low), "low"));
  const at = (id: string, wire: Wire): Point => {
    const piece = pieces.find((p) => id in p.terminals);
    return [xOf(id, wire.id), piece ? piece.terminals[id]![1] : wire.job === "low" ? height : 0];
  };
  const ways = Object.fromEntries(
    net.wires.map((w): [string, readonly Point[]] => {
      const [a, b] = [at(w.from, w), at(w.to, w)];
      const side = channel.get(w.id) ?? lowChannel.get(w.id);
      if (side === undefined) {
        const track = tracks.get(w.id)!;
        return [w.id, [a, [a[0], track], [b[0], track], b]];
      }
      const [one, two] = [tracks.get(`${w.id} from`)!, tracks.get(`${w.id} to`)!];
      return [w.id, [a, [a[0], one], [side, one], [side, two], [b[0], two], b]];
    }),
  );
  const watts = net.parts.filter((p) => p.size).reduce((sum, p) => sum + p.watts, 0);
  // Its back lies on something and gives nothing off.
  const outside = width * height + 2 * DEPTH * (width + height);
  return { width, height, depth: DEPTH, barrier, pieces, glands, ways, watts, rise: watts / (GIVES * outside) };
}

/** Where each wire begins and ends across the enclosure: several wires at one pin lie beside each other. */
function spotsOf(
  net: Netlist,
  pieces: readonly Piece[],
  glands: readonly Gland[],
): (id: string, wire: string) => number {
  const found = new Map<string, number>();
  const taken = new Map<string, number>();
  for (const wire of net.wires)
    for (const id of [wire.from, wire.to]) {
      const piece = pieces.find((p) => id in p.terminals);
      const { part, key } = net.pins.get(id)!;
      const gland = glands.find((g) => g.id === part.id);
      const beside = taken.get(id) ?? 0;
      taken.set(id, beside + 1);
      const shift = 0.0018 * (beside % 2 === 0 ? beside / 2 : -(beside + 1) / 2);
      // Within a cord its conductors lie beside each other.
      const own = 0.004 * (part.pins.findIndex((p) => p.key === key) - 1);
      found.set(`${wire.id} ${id}`, shift + (piece ? piece.terminals[id]![0] : gland ? gland.x + own : EDGE / 2));
    }
  return (id, wire) => found.get(`${wire} ${id}`)!;
}

/** A hole for each thing outside that wires run to, and for what low voltage leaves by. */
function glandsOf(net: Netlist, start: number, barrier: number, width: number): Gland[] {
  const away = net.parts.filter((p) => p.pins.some((q) => q.away > 0));
  const mains = away.map((p, i): Gland => {
    const source = p.pins.some((q) => q.role.is === "source");
    return {
      id: p.id,
      label: source ? `Cord: ${p.label.toLowerCase()}` : p.label,
      x: source ? start + 0.012 + 0.045 * i : barrier - 0.03 - 0.04 * (away.length - 1 - i),
      side: "mains",
    };
  });
  const low = net.parts
    .filter((p) => p.size?.row === "low")
    .map((p, i): Gland => ({
      id: p.id,
      label: p.label.replace(" terminals", ""),
      x: Math.min(width - EDGE, barrier + EDGE + 0.012 + 0.035 * i),
      side: "low",
    }));
  return [...mains, ...low];
}

/** The air inside of the enclosure in the warmest room, °C. */
export const airInside = (plan: WiringPlan, chamber: Pick<Chamber, "room">): number =>
  chamber.room.high + layoutOf(plan).rise;

/** What is cut off for the ends of a wire and left as a loop, m. */
const ENDS = 0.06;

/** Length of each wire along its way, m: what runs outside of the enclosure has that besides. */
export function lengthsOf(plan: WiringPlan): Record<string, number> {
  const net = netlistOf(plan);
  const { ways } = layoutOf(plan);
  return Object.fromEntries(
    net.wires.map((wire) => {
      const way = ways[wire.id]!;
      const inside = way
        .slice(1)
        .reduce((sum, [x, y], i) => sum + Math.abs(x - way[i]![0]) + Math.abs(y - way[i]![1]), 0);
      return [wire.id, inside + ENDS + awayOf(net, wire)];
    }),
  );
}
