import {
  compiledOf,
  dead,
  faulted,
  piecesOf,
  sourcesOf,
  straight,
  type Compiled,
  type Faulted,
  type Orientation,
  type Pieces,
  type Position,
  type Source,
} from "./compiled";
import { NONE, type Fault } from "./fault";
import { faultsOf } from "./faults";
import { mainsTable } from "./mains";
import { orientationsOf } from "./orientations";
import type { Hand } from "./parts";
import {
  cordOf,
  hasTwoCords,
  isDouble,
  outletsIn,
  plugTurns,
  type Cord,
  type OutletName,
  type WiringPlan,
} from "./plan";

/** Something that must not be, in some state of contacts, switches and plugs. Places are pins. */
export type Hazard =
  /** Two conductors of different potential meet. */
  | { kind: "short" }
  /** The same, in some way of turning the plugs or on some line of the house alone. */
  | { kind: "shortTurned" }
  | { kind: "shortOtherLine" }
  /** The conductor that is not live meets earth behind the supply, or a load's current goes back by it. */
  | { kind: "returnOnEarth" }
  /** What goes out by one cord comes back by both. */
  | { kind: "sharedReturn" }
  /** Live behind a fuse that has blown. */
  | { kind: "blownLive"; cord: Cord; turned: boolean }
  /** Metal that is touched is live, or nothing takes it to earth. */
  | { kind: "metalLive"; where: string }
  | { kind: "noEarth"; where: string }
  /** An outlet is live though it is not called; `turned`: with a plug turned round alone. */
  | { kind: "offLive"; at: OutletName; pole: 1 | 2; turned: boolean }
  /** It gets its whole voltage though it is not called. */
  | { kind: "runsUncalled"; at: OutletName }
  /** What ends the heating by itself does not. */
  | { kind: "notEnded"; at: OutletName }
  /** Live with something switched off that ought to open all. */
  | { kind: "switchLive"; hand: string; where: string; turned: boolean }
  /** Live with one of two cords pulled. */
  | { kind: "pulledLive"; cord: Cord; where: string }
  /** A pin of the cord that was pulled is live. */
  | { kind: "pinLive"; cord: Cord }
  /** Low voltage meets the mains. */
  | { kind: "lowLive" }
  /** Line and neutral are exchanged at an outlet. */
  | { kind: "polarity"; at: OutletName }
  /** A motor gets half waves. */
  | { kind: "halfWave"; at: OutletName; motor: boolean }
  /** It does not run when it is called. */
  | { kind: "dead"; at: OutletName }
  /** The same, and what is plugged in carries the line on to the contact that nothing holds. */
  | { kind: "liveThroughLoad"; at: OutletName; turned: boolean };

export const hazardKey = (h: Hazard): string => Object.values(h).join(" ");

/** Pins by what they are, by their numbers: worked out once for a plan. */
interface Places {
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

function placesOf(base: Compiled): Places {
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

/** Share of the mains from which on something counts as live. */
const LIVE = 0.1;

const roomFor = (n: number) => ({ re: new Float64Array(n), im: new Float64Array(n), flags: new Uint8Array(n) });

/** What feeds each piece, under one set of sources. */
class Feeds {
  private readonly re: Float64Array;
  private readonly im: Float64Array;
  /** Of each piece. 1: fed, 2: by a pole, 4: by an earth, 8 and 16: by the first and the second cord’s poles, 32: two potentials meet. */
  private readonly flags: Uint8Array;
  shorted = false;
  private static room = roomFor(64);
  constructor(
    private readonly of: Int16Array,
    sources: readonly Source[],
    private readonly volts: number,
  ) {
    // One pair of eyes is enough: nobody keeps what it saw.
    if (Feeds.room.flags.length < of.length) Feeds.room = roomFor(of.length);
    ({ re: this.re, im: this.im, flags: this.flags } = Feeds.room);
    this.flags.fill(0);
    for (const s of sources) {
      const r = of[s.at]!;
      if (!(this.flags[r]! & 1)) {
        this.re[r] = s.re;
        this.im[r] = s.im;
      } else if (Math.hypot(this.re[r]! - s.re, this.im[r]! - s.im) > LIVE * volts) this.shorted = true;
      this.flags[r]! |= 1 | (s.pole === "e" ? 4 : 2 | (s.cord === 1 ? 8 : 16));
    }
  }
  private f = (t: number): number => this.flags[this.of[t]!]!;
  live = (t: number): boolean => {
    const r = this.of[t]!;
    return (this.flags[r]! & 1) === 1 && Math.hypot(this.re[r]!, this.im[r]!) > LIVE * this.volts;
  };
  held = (t: number): boolean => (this.f(t) & 1) === 1;
  byPole = (t: number): boolean => (this.f(t) & 2) === 2;
  earthed = (t: number): boolean => (this.f(t) & 4) === 4;
  byEarthAlone = (t: number): boolean => (this.f(t) & 6) === 4;
  poleAndEarth = (t: number): boolean => (this.f(t) & 6) === 6;
  byBothCords = (t: number): boolean => (this.f(t) & 24) === 24;
  /** Some piece is fed by both cords. */
  mixes = (sources: readonly Source[]): boolean => sources.some((s) => s.pole !== "e" && this.byBothCords(s.at));
  /** The one contact is fed by the one cord, the other by the other. */
  mixed = (pins: Readonly<Record<1 | 2, number>>): boolean => ((this.f(pins[1]) | this.f(pins[2])) & 24) === 24;
  between = (a: number, b: number): number => {
    const [x, y] = [this.of[a]!, this.of[b]!];
    return this.flags[x]! & this.flags[y]! & 1 ? Math.hypot(this.re[x]! - this.re[y]!, this.im[x]! - this.im[y]!) : 0;
  };
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
