import { faulted, type Compiled } from "./compiled";
import { NONE } from "./fault";
import type { Hand } from "./parts";
import { piecesOf } from "./pieces";
import { cordOf, isDouble, type Cord, type OutletName, type WiringPlan } from "./plan";
import { dead, straight, type Position } from "./position";
import { sourcesOf } from "./sources";

/** Pins by what they are, by their numbers: worked out once for a plan. */
export interface Places {
  sources: { at: number; cord: Cord; pole: 1 | 2 | "e" }[];
  sockets: Record<OutletName, Record<1 | 2, number>>;
  /** Metal that has to be earthed, and the cord without which it needs none. */
  metal: { at: number; id: string; cord: Cord | null; needless: boolean }[];
  low: number[];
  /** What a hand that cuts has behind it. */
  behind: Map<string, { at: number; id: string }[]>;
  /** Mains pins inside by the cord that feeds them. */
  ofCord: Record<Cord, { at: number; id: string }[]>;
  hands: Hand[];
}

const known = new WeakMap<WiringPlan, Places>();

export function placesOf(base: Compiled): Places {
  const { plan, pins, parts, lines } = base.net;
  const found = known.get(plan);
  if (found) return found;
  const places: Places = {
    sources: [],
    sockets: { heat: { 1: 0, 2: 0 }, cold: { 1: 0, 2: 0 } },
    metal: [],
    low: [],
    behind: new Map(),
    ofCord: { 1: [], 2: [] },
    hands: parts.flatMap((p) => p.hands),
  };
  for (const [id, { role }] of pins) {
    const at = base.index.get(id)!;
    if (role.is === "source") places.sources.push({ at, cord: role.cord, pole: role.pole });
    if (role.is === "socket" && role.pole !== "e") places.sockets[role.outlet][role.pole] = at;
    if (role.is === "metal") places.metal.push({ at, id, cord: null, needless: false });
    if (role.is === "load" && role.pole === "e")
      places.metal.push({ at, id, cord: cordOf(plan, role.outlet), needless: false });
    // An outlet's earth is never live, whatever is plugged into it today.
    if (role.is === "socket" && role.pole === "e" && isDouble(plan, role.outlet))
      places.metal.push({ at, id, cord: cordOf(plan, role.outlet), needless: true });
    if (role.is === "low") places.low.push(at);
  }
  const inside = [...pins.values()].filter(
    ({ role }) => role.is === "inner" || (role.is === "socket" && role.pole !== "e"),
  );
  for (const part of parts)
    for (const hand of part.hands)
      if (hand.kind === "cuts" || hand.kind === "fuse") {
        const before = new Set<string>();
        for (const place of part.places) {
          const stops = lines.get(place.line)!;
          for (const stop of stops.slice(
            0,
            stops.findIndex((s) => s.part === part.id),
          ))
            before.add(stop.in).add(stop.out);
          before.add(`${part.id}.${place.in}`);
        }
        places.behind.set(
          hand.name,
          inside.filter(({ id }) => !before.has(id)).map(({ id }) => ({ at: base.index.get(id)!, id })),
        );
      }
  // What each cord feeds while everything is called, where nothing is wrong.
  const all: Position = { ...dead, live: true, heat: plan.heat !== null, cold: plan.cold !== null };
  const sources = sourcesOf(base, all, straight, null);
  const { of } = piecesOf(faulted(base, NONE.change), all, sources);
  for (const { id } of inside) {
    const at = base.index.get(id)!;
    const source = sources.find((s) => s.pole !== "e" && of[s.at] === of[at]);
    if (source) places.ofCord[source.cord].push({ at, id });
  }
  known.set(plan, places);
  return places;
}
