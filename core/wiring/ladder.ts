import { mainsTable, type WiringPlan } from "./plan";
import { hasTwoCords, outletsIn } from "./wires";

/** A switched path of the drawing, from the one rail to the other. */
export type Rung = "unit" | "supply" | "heat coil" | "cold coil" | "heat" | "cold";

/** What joins two rungs off the rails: a coil and its contact, the link of a twin socket, the drive of a relay. */
function linksOf(plan: WiringPlan, rungs: readonly Rung[]): (readonly [Rung, Rung])[] {
  const { wiring } = plan;
  const all: (readonly [Rung, Rung])[] = [
    ["unit", "heat coil"],
    ["unit", "cold coil"],
    ["heat coil", "heat"],
    ["cold coil", "cold"],
    ...(wiring.relay === "contactor"
      ? []
      : ([
          ["unit", "heat"],
          ["unit", "cold"],
        ] as const)),
    ...(wiring.outlets === "twin" ? ([["heat", "cold"]] as const) : []),
  ];
  return all.filter(([a, b]) => rungs.includes(a) && rungs.includes(b));
}

/**
 * How many lines of a drawing cross: a link that passes a rung crosses it, and the earth of an outlet crosses all rungs
 * under it.
 */
export function crossingsOf(plan: WiringPlan, order: readonly Rung[]): number {
  const at = (r: Rung) => order.indexOf(r);
  const passed = linksOf(plan, order).reduce((sum, [a, b]) => sum + Math.abs(at(a) - at(b)) - 1, 0);
  const earths = outletsIn(plan).reduce((sum, o) => sum + order.length - 1 - at(o), 0);
  return passed + earths;
}

function* ordersOf(rungs: readonly Rung[]): Generator<Rung[]> {
  if (rungs.length === 0) {
    yield [];
    return;
  }
  for (const [i, first] of rungs.entries())
    for (const rest of ordersOf([...rungs.slice(0, i), ...rungs.slice(i + 1)])) yield [first, ...rest];
}

/**
 * The rungs from above: of all orders that with the least crossings, and of several the one that is nearest to the usual
 * order, so that a small change moves little. What has a cord of its own hangs below all others, on rails of its own.
 */
export function rungsOf(plan: WiringPlan): Rung[] {
  const outlets = outletsIn(plan);
  const contactor = plan.wiring.relay === "contactor";
  const usual: Rung[] = [
    "unit",
    ...(plan.wiring.supply > 0 ? (["supply"] as const) : []),
    ...(contactor ? outlets.map((o): Rung => `${o} coil`) : []),
    ...outlets,
  ];
  const apart = hasTwoCords(plan);
  const moves = (order: readonly Rung[]) => order.reduce((sum, r, i) => sum + Math.abs(usual.indexOf(r) - i), 0);
  let best: { order: Rung[]; crossings: number; moves: number } | null = null;
  for (const order of ordersOf(usual)) {
    if (apart && order[order.length - 1] !== "cold") continue;
    const here = { order, crossings: crossingsOf(plan, order), moves: moves(order) };
    if (!best || here.crossings < best.crossings || (here.crossings === best.crossings && here.moves < best.moves))
      best = here;
  }
  return best!.order;
}

/** Symbols by ANSI Y32; otherwise by IEC 60617: those of the mains' region, or by preference. */
export const usesAnsi = ({ wiring }: WiringPlan): boolean =>
  wiring.symbols === "region" ? mainsTable[wiring.mains].american : wiring.symbols === "ansi";
