import type { LineName } from "./lines";
import { mainsTable } from "./mains";
import { netlistOf, type Netlist, type Wire } from "./netlist";
import type { SymbolName } from "./parts";
import { cordOf, outletsIn, type OutletName, type WiringPlan } from "./plan";

/** Something on a rung or on a rail, between two pins of its own: `from` towards the line, `to` towards the other side. */
export interface Element {
  part: string;
  letter: string;
  label: string;
  symbol: SymbolName;
  from: string;
  to: string;
}

/** A path from the one rail to the other, from left to right: wires and what stands between them. */
export interface Rung {
  id: string;
  outlet: OutletName | null;
  /** The rails that it hangs on: those of which cord. */
  cord: 1 | 2;
  elements: Element[];
  /** Wires between them, one more than elements; null: none, it is the same pin. */
  wires: (Wire | null)[];
  /** What hangs beside the last element: lamps. */
  beside: { element: Element; wires: [Wire, Wire] }[];
  /** The earth of its outlet. */
  earth: Wire | null;
}

/** A rail from a plug down: what stands on it. */
export interface Rail {
  cord: 1 | 2;
  pole: 1 | 2;
  from: string;
  elements: Element[];
  wires: Wire[];
}

export interface LadderPlan {
  rails: Rail[];
  rungs: Rung[];
  /** Low voltage: what joins what, beyond the barrier. */
  low: Wire[];
  /** Earths that belong to no rung. */
  earths: Wire[];
  /** What moves what: a coil and its contacts, by the part; a unit and a relay that it drives. */
  drives: { from: string; to: string }[];
}

const wireFrom = (net: Netlist, a: string, b: string): Wire | null =>
  net.wires.find((w) => (w.from === a && w.to === b) || (w.from === b && w.to === a)) ?? null;

function elementOf(net: Netlist, part: string, from: string, to: string): Element {
  const p = net.parts.find((q) => q.id === part)!;
  // Of a part with several ways each is a contact of its own; a coil is drawn as one.
  const coil = from.endsWith("coil1");
  const own = p.symbol === "box" && from !== to && from.endsWith("-in") ? "contact" : p.symbol;
  return { part, letter: net.letters.get(part)!, label: p.label, symbol: coil ? "coil" : own, from, to };
}

/** What stands on a line after its beginning, with the wires between. */
function along(net: Netlist, line: LineName, begin: string): { elements: Element[]; wires: Wire[]; end: string } {
  const elements: Element[] = [];
  const wires: Wire[] = [];
  let at = begin;
  for (const stop of net.lines.get(line) ?? []) {
    const wire = wireFrom(net, at, stop.in);
    if (!wire) {
      at = stop.out;
      continue;
    }
    wires.push(wire);
    elements.push(elementOf(net, stop.part, stop.in, stop.out));
    at = stop.out;
  }
  return { elements, wires, end: at };
}

const known = new WeakMap<WiringPlan, LadderPlan>();

/** The rungs from above and the rails: derived from lines and taps. */
export function ladderOf(plan: WiringPlan): LadderPlan {
  const found = known.get(plan) ?? derived(plan);
  known.set(plan, found);
  return found;
}

function derived(plan: WiringPlan): LadderPlan {
  const net = netlistOf(plan);
  const rails = [...net.lines.keys()].flatMap((line): Rail[] => {
    const way = /^way([12])\.([12])$/.exec(line);
    if (!way) return [];
    const [first] = net.lines.get(line)!;
    const { elements, wires } = along(net, line, first!.out);
    return [{ cord: Number(way[1]) as 1 | 2, pole: Number(way[2]) as 1 | 2, from: first!.in, elements, wires }];
  });
  const endOf = (cord: 1 | 2, pole: 1 | 2) => {
    const rail = rails.find((r) => r.cord === cord && r.pole === pole)!;
    return rail.elements[rail.elements.length - 1]?.to ?? rail.from;
  };
  const rungs: Rung[] = [];
  // What taps both rails: unit, supply.
  const taps = (pole: 1 | 2) =>
    net.parts.flatMap((p) =>
      p.places.filter((q) => q.tap && q.line === `way1.${pole}`).map((q) => ({ part: p.id, pin: `${p.id}.${q.in}` })),
    );
  for (const one of taps(1)) {
    const two = taps(2).find((t) => t.part === one.part);
    if (!two) continue;
    rungs.push({
      id: one.part,
      outlet: null,
      cord: 1,
      elements: [{ ...elementOf(net, one.part, one.pin, one.pin), from: one.pin, to: two.pin }],
      wires: [wireFrom(net, endOf(1, 1), one.pin), wireFrom(net, endOf(1, 2), two.pin)],
      beside: [],
      earth: null,
    });
  }
  const joined = (id: string, outlet: OutletName, cord: 1 | 2, lines: readonly [LineName, LineName]): Rung | null => {
    const [left, right] = [along(net, lines[0], endOf(cord, 1)), along(net, lines[1], endOf(cord, 2))];
    const last = left.elements[left.elements.length - 1];
    const other = right.elements[right.elements.length - 1];
    if (!last || !other) return null;
    // Both lines end at the same part: an outlet, a coil.
    const end: Element = { ...last, from: last.from, to: other.from };
    return {
      id,
      outlet,
      cord,
      elements: [
        ...left.elements.slice(0, -1),
        end,
        ...right.elements
          .slice(0, -1)
          .reverse()
          .map((e) => ({ ...e, from: e.to, to: e.from })),
      ],
      wires: [...left.wires, ...[...right.wires].reverse()],
      beside: net.parts
        .filter((p) => p.outlet === outlet && p.places.every((q) => q.tap) && p.places.some((q) => q.line === lines[0]))
        .flatMap((p) => {
          const [a, b] = p.places.map((q) => `${p.id}.${q.in}`);
          const wires = [wireFrom(net, left.end, a!), wireFrom(net, right.end, b!)];
          return wires[0] && wires[1]
            ? [{ element: { ...elementOf(net, p.id, a!, a!), to: b! }, wires: [wires[0], wires[1]] as [Wire, Wire] }]
            : [];
        }),
      earth: net.wires.find((w) => w.line === `${outlet}.e`) ?? null,
    };
  };
  const outlets = outletsIn(plan);
  for (const o of outlets) {
    const coil = joined(`${o}-coil`, o, 1, [`${o}.coil`, `${o}.back`]);
    if (coil) rungs.push({ ...coil, earth: null, beside: [] });
  }
  for (const o of outlets) {
    const rung = joined(o, o, cordOf(plan, o), [`${o}.1`, `${o}.2`]);
    if (rung) rungs.push(rung);
  }
  const own = new Set(rungs.flatMap((r) => (r.earth ? [r.earth.id] : [])));
  return {
    rails,
    rungs: ordered(rungs),
    low: net.wires.filter((w) => w.job === "low"),
    earths: net.wires.filter((w) => w.job === "earth" && !own.has(w.id)),
    drives: drivesOf(rungs),
  };
}

/** A part whose coil stands on one rung and whose contacts on another; a unit whose contact stands on a rung. */
function drivesOf(rungs: readonly Rung[]): LadderPlan["drives"] {
  const found: LadderPlan["drives"] = [];
  for (const r of rungs)
    for (const e of r.elements)
      for (const other of rungs)
        if (
          other !== r &&
          other.elements.some((x) => x.part === e.part) &&
          !found.some((d) => d.from === other.id && d.to === r.id)
        )
          found.push({ from: r.id, to: other.id });
  return found;
}

/** How many lines of a drawing cross: a link that passes a rung, and the earth of an outlet over all rungs under it. */
export function crossingsOf(rungs: readonly Rung[]): number {
  const links = drivesOf(rungs);
  const at = (id: string) => rungs.findIndex((r) => r.id === id);
  const passed = links.reduce((sum, { from, to }) => sum + Math.abs(at(from) - at(to)) - 1, 0);
  const earths = rungs.reduce((sum, r, i) => sum + (r.earth ? rungs.length - 1 - i : 0), 0);
  return passed + earths;
}

function* ordersOf<T>(list: readonly T[]): Generator<T[]> {
  if (list.length === 0) {
    yield [];
    return;
  }
  for (const [i, first] of list.entries())
    for (const rest of ordersOf([...list.slice(0, i), ...list.slice(i + 1)])) yield [first, ...rest];
}

/**
 * Of all orders that with the least crossings, and of several the one nearest to the usual one, so that a small change
 * moves little. What has a cord of its own hangs below all others, on rails of its own.
 */
function ordered(usual: readonly Rung[]): Rung[] {
  const moves = (order: readonly Rung[]) => order.reduce((sum, r, i) => sum + Math.abs(usual.indexOf(r) - i), 0);
  let best: { order: Rung[]; crossings: number; moves: number } | null = null;
  for (const order of ordersOf(usual)) {
    if (order.some((r, i) => r.cord === 2 && i < order.length - 1)) continue;
    const here = { order, crossings: crossingsOf(order), moves: moves(order) };
    if (!best || here.crossings < best.crossings || (here.crossings === best.crossings && here.moves < best.moves))
      best = here;
  }
  return best?.order ?? [...usual];
}

/** Symbols by ANSI Y32; otherwise by IEC 60617: those of the mains' region, or by preference. */
export const usesAnsi = ({ wiring }: WiringPlan): boolean =>
  wiring.symbols === "region" ? mainsTable[wiring.mains].american : wiring.symbols === "ansi";
