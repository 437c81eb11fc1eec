import { compiledOf, faulted, type Compiled, type Faulted } from "./compiled";
import { NONE, type Fault } from "./fault";
import { faultsOf } from "./faults";
import { Feeds } from "./feeds";
import { hazardKey, type Hazard } from "./hazard";
import { mainsTable } from "./mains";
import { orientationsOf } from "./orientations";
import type { Hand } from "./parts";
import { piecesOf, type Pieces } from "./pieces";
import { placesOf, type Places } from "./places";
import { hasTwoCords, outletsIn, plugTurns, type OutletName, type WiringPlan } from "./plan";
import { dead, type Orientation, type Position } from "./position";
import { sourcesOf, type Source } from "./sources";

/** States of calls, hands and plugs; the rest of what may be is in how the plugs stand. */
function positionsOf(plan: WiringPlan, hands: readonly Hand[]): Position[] {
  const on = outletsIn(plan);
  const base: Position = { ...dead, live: true, plugged: true };
  const all = { heat: on.includes("heat"), cold: on.includes("cold") };
  return [
    base,
    ...on.map((o): Position => ({ ...base, [o]: true })),
    ...(on.length === 2 ? [{ ...base, ...all }] : []),
    ...hands.filter((h) => h.kind !== "lever").map(({ name }): Position => ({ ...base, ...all, hand: name })),
    ...(hasTwoCords(plan)
      ? ([1, 2] as const).flatMap((pulled): Position[] => [
          { ...base, pulled },
          { ...base, ...all, pulled },
        ])
      : []),
  ];
}

/** Everything that must not be with something wrong, over all states: by what is joined to what. */
export function hazardsIn(plan: WiringPlan, fault: Fault = NONE): Hazard[] {
  const base = compiledOf(plan);
  return hazardsOf(base, faulted(base, fault.change), fault);
}

function hazardsOf(base: Compiled, f: Faulted, fault: Fault): Hazard[] {
  const { plan } = base.net;
  const places = placesOf(base);
  const found = new Map<string, Hazard>();
  const say = (h: Hazard) => found.set(hazardKey(h), h);
  const told = new Set<number>();
  const ways = orientationsOf(plan, true);
  const { volts } = mainsTable[plan.wiring.mains];
  const feeding: Record<string, Source[][]> = {};
  for (const position of positionsOf(plan, places.hands)) {
    let pieces: Pieces | null = null;
    const pulled = String(position.pulled);
    const fed = (feeding[pulled] ??= ways.map((way) => sourcesOf(base, position, way, f.house)));
    let mixed = false;
    for (const [w, way] of ways.entries()) {
      // Where a plug that is pulled points changes nothing, nor the line of the second where the cords do not meet.
      if (position.pulled !== null && (way.turned[position.pulled - 1] || way.otherLine)) continue;
      if (way.otherLine && !mixed) continue;
      const sources = fed[w]!;
      // What the first cord powers is the same however the plugs stand.
      if (pieces === null || pieces.bySecond) pieces = piecesOf(f, position, sources);
      const feeds = new Feeds(pieces.of, sources, volts);
      mixed ||= feeds.mixes(sources) || outletsIn(plan).some((o) => feeds.mixed(places.sockets[o]));
      const turned = way.turned[0] || way.turned[1];
      if (feeds.shorted) {
        say({ kind: way.otherLine ? "shortOtherLine" : turned ? "shortTurned" : "short" });
        // What a short does to the rest is not said: the fuse is out by then.
        continue;
      }
      look({ plan, places, position, feeds, turned, way, fault, say, told });
    }
  }
  for (const [i, how] of f.sets)
    if (how === "half") {
      const id = base.joins[i]!.id;
      const at = base.net.parts.find((p) => id.startsWith(`${p.id}.`))?.outlet;
      if (at) say({ kind: "halfWave", at, motor: plan[at]?.motor ?? false });
    }
  return [...found.values()];
}

interface Scene {
  plan: WiringPlan;
  places: Places;
  position: Position;
  feeds: Feeds;
  turned: boolean;
  way: Orientation;
  fault: Fault;
  say: (h: Hazard) => void;
  /** Places that have been told already: there are many, in many states. */
  told: Set<number>;
}

function look(scene: Scene): void {
  const { plan, places, position, feeds, say } = scene;
  for (const s of places.sources)
    if (s.pole !== "e" && feeds.poleAndEarth(s.at)) say({ kind: "returnOnEarth" });
    else if (s.pole !== "e" && position.pulled === null && feeds.byBothCords(s.at)) say({ kind: "sharedReturn" });
  if (places.low.some((t) => feeds.byPole(t))) say({ kind: "lowLive" });
  for (const m of places.metal) {
    // With the cord pulled that feeds it, it needs no earth.
    if (m.cord !== null && m.cord === position.pulled) continue;
    if (feeds.live(m.at)) say({ kind: "metalLive", where: m.id });
    else if (!m.needless && !feeds.earthed(m.at)) say({ kind: "noEarth", where: m.id });
  }
  for (const at of outletsIn(plan)) atOutlet(scene, at);
  const hand = places.hands.find((h) => h.name === position.hand);
  if (hand?.kind === "cuts")
    for (const { at, id } of places.behind.get(hand.name)!)
      if (feeds.live(at) && isNew(scene, at, 2 * places.hands.indexOf(hand) + Number(scene.turned)))
        say({ kind: "switchLive", hand: hand.name, where: id, turned: scene.turned });
  if (hand?.kind === "fuse" && hand.cord) {
    const own = new Set(places.ofCord[hand.cord].map(({ at }) => at));
    if (places.behind.get(hand.name)!.some(({ at }) => own.has(at) && feeds.live(at)))
      say({ kind: "blownLive", cord: hand.cord, turned: scene.turned });
  }
  afterPull(scene);
}

function atOutlet({ plan, places, position, feeds, turned, fault, say }: Scene, at: OutletName): void {
  const { 1: one, 2: two } = places.sockets[at];
  const { volts, twoLines } = mainsTable[plan.wiring.mains];
  const called = position[at];
  const full = feeds.between(one, two) > 0.5 * volts;
  const hand = places.hands.find((h) => h.name === position.hand);
  if (hand?.kind === "ends" && hand.outlet === at && called && full) say({ kind: "notEnded", at });
  if (position.hand !== null || position.pulled !== null) return;
  if (full && (feeds.byEarthAlone(one) || feeds.byEarthAlone(two))) say({ kind: "returnOnEarth" });
  if (full && !twoLines && !plugTurns(plan) && feeds.live(two) && !feeds.live(one)) say({ kind: "polarity", at });
  if (called && !full) {
    // One contact is live, and the other hangs on nothing but on what is plugged in.
    const open = fault.of === "load" && Object.values(fault.change.sets ?? {}).includes("open");
    const through = !open && ((feeds.live(one) && !feeds.held(two)) || (feeds.live(two) && !feeds.held(one)));
    say(through ? { kind: "liveThroughLoad", at, turned } : { kind: "dead", at });
  }
  if (called) return;
  if (full) say({ kind: "runsUncalled", at });
  else {
    if (feeds.live(one)) say({ kind: "offLive", at, pole: 1, turned });
    if (feeds.live(two)) say({ kind: "offLive", at, pole: 2, turned });
  }
}

/** Whether a place is told for the first time in a state of so many. */
function isNew({ told }: Scene, at: number, state: number): boolean {
  const key = state * 1024 + at;
  if (told.has(key)) return false;
  told.add(key);
  return true;
}

function afterPull(scene: Scene): void {
  const { places, position, feeds, say } = scene;
  const { pulled } = position;
  if (pulled === null) return;
  for (const s of places.sources)
    if (s.cord === pulled && s.pole !== "e" && feeds.live(s.at)) say({ kind: "pinLive", cord: pulled });
  for (const own of [places.ofCord[1], places.ofCord[2]])
    for (const { at, id } of own)
      if (feeds.live(at) && isNew(scene, at, 100 + pulled)) say({ kind: "pulledLive", cord: pulled, where: id });
}

/** What a fault brings that a sound wiring does not have. */
export interface Consequence {
  fault: Fault;
  hazards: Hazard[];
}

const sound = new WeakMap<WiringPlan, ReadonlySet<string>>();

/** What a fault, or two at a time, makes that would not be without it. */
export function broughtBy(plan: WiringPlan, fault: Fault): Hazard[] {
  const keys = sound.get(plan) ?? new Set(hazardsIn(plan).map(hazardKey));
  sound.set(plan, keys);
  return hazardsIn(plan, fault).filter(
    (h) =>
      !keys.has(hazardKey(h)) &&
      // Where an outlet that is off has a live contact anyway, one that stays off brings nothing new.
      !(
        h.kind === "liveThroughLoad" &&
        ([1, 2] as const).some(
          (pole) =>
            keys.has(hazardKey({ kind: "offLive", at: h.at, pole, turned: h.turned })) ||
            keys.has(hazardKey({ kind: "offLive", at: h.at, pole, turned: false })),
        )
      ),
  );
}

const consequences = new WeakMap<WiringPlan, readonly Consequence[]>();

/** Every single fault with what it makes; worked out once for a plan. */
export function consequencesOf(plan: WiringPlan): readonly Consequence[] {
  const found = consequences.get(plan) ?? faultsOf(plan).map((fault) => ({ fault, hazards: broughtBy(plan, fault) }));
  consequences.set(plan, found);
  return found;
}

/** The same bit by bit, so that the page has its turns between. */
export function* consequencesSlowly(plan: WiringPlan): Generator<undefined, readonly Consequence[]> {
  const all: Consequence[] = [];
  for (const fault of faultsOf(plan)) {
    all.push({ fault, hazards: broughtBy(plan, fault) });
    yield undefined;
  }
  consequences.set(plan, all);
  return all;
}
