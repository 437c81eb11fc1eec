import { joinedIn } from "./joined";
import { mainsTable, type WiringPlan } from "./plan";
import { straight, type Fault, type Orientation, type State } from "./state";
import {
  coldSecondEnd,
  cordsOf,
  hasCutOut,
  linksIn,
  outletsIn,
  plugOf,
  wiresOf,
  type OutletName,
  type Wire,
} from "./wires";

/** A conductor, a closed contact or a fuse; it has a place in the list of wires by its id. */
export interface Conductor {
  id: string;
  a: string;
  b: string;
  /** Ω */
  ohms: number;
}

/** Something that lets current through on purpose, or by a little on its way. */
export interface Branch extends Conductor {
  kind: "load" | "leak";
  /** F, in the place of a resistance: what an idle contact or a cord lets through. */
  farads?: number;
}

/** A supply between earth and a terminal, V as a phasor, with its own resistance. */
export interface Source {
  at: string;
  re: number;
  im: number;
  ohms: number;
}

/** A wiring in one state: everything between its terminals. */
export interface Circuit {
  conductors: Conductor[];
  branches: Branch[];
  sources: Source[];
  hertz: number;
}

/** A wire, a contact: Ω (estimates that no reading tells apart). */
const WIRE = 0.05;
const CONTACT = 0.03;
/** What an open contact with its snubber, and a cord beside another, let through, F. */
const SNUBBER = 1e-7;
const CORD = 3e-10;
/** A solid-state relay that is off leaks so much at 230 V: as a resistance, Ω (1 mA). */
const SOLID_LEAK = 230_000;
/** The supply of a unit's own electronics, and of 12 V, Ω (estimate: some watts). */
const UNIT = 15_000;
/** A contactor's coil takes some 5 W, a small lamp that says that something is live 2 mA (estimates). */
export const COIL_WATTS = 5;
const PILOT_AMPS = 0.002;
/** A supply with its way to the house, Ω (estimate). */
const HOUSE = 0.2;

const flip: Readonly<Record<string, string>> = {
  "heat relay out": "cold relay out",
  "cold relay out": "heat relay out",
};

/** What is laid, as it is joined where something is wrong. */
function laid(plan: WiringPlan, fault: Fault, fuseOut: State["fuseOut"]): Wire[] {
  const without = new Set<string>();
  if (fault.kind === "wireOff") without.add(fault.wire);
  // The fuse stands in the way of the other conductor.
  if (fault.kind === "fuseInSecond" && fault.cord === fuseOut)
    without.add(fault.cord === 1 ? "second-1" : "cold-second");
  return wiresOf(plan)
    .filter((w) => !without.has(w.id))
    .map((w) => (fault.kind === "crossed" ? { ...w, from: flip[w.from] ?? w.from } : w));
}

/** The circuit of a plan in a state, with one thing wrong. */
export function circuitOf(
  plan: WiringPlan,
  state: State,
  fault: Fault = { kind: "none" },
  orientation: Orientation = straight,
): Circuit {
  const { wiring } = plan;
  const mains = mainsTable[wiring.mains];
  const conductors: Conductor[] = [];
  const branches: Branch[] = [];
  const join = (id: string, a: string, b: string, ohms = CONTACT) => conductors.push({ id, a, b, ohms });
  const load = (id: string, a: string, b: string, ohms: number) => branches.push({ kind: "load", id, a, b, ohms });
  const leak = (id: string, a: string, b: string, farads: number) =>
    branches.push({ kind: "leak", id, a, b, ohms: Infinity, farads });
  for (const { id, from, to } of laid(plan, fault, state.fuseOut)) join(id, from, to, WIRE);
  if (wiring.fuse > 0)
    for (const cord of cordsOf(plan)) {
      const elsewhere = fault.kind === "fuseInSecond" && fault.cord === cord;
      const name = cord === 1 ? "fuse" : "cold fuse";
      if (elsewhere || state.fuseOut !== cord) join(name, `${name} in`, `${name} out`);
    }
  if (wiring.mainSwitch !== "none" && state.mainOn) join("switch 1", "switch 1 in", "switch 1 out");
  if (wiring.mainSwitch === "both" && state.mainOn) join("switch 2", "switch 2 in", "switch 2 out");
  if (hasCutOut(plan) && fault.kind !== "cutOutOpen") join("cut-out", "cut-out in", "cut-out out");
  // A unit without current closes nothing.
  const joined = joinedIn({ conductors });
  const fed = state.live && state.pulled !== 1 && joined("plug 1", "unit 1") && joined("plug 2", "unit 2");
  const outlets = outletsIn(plan);
  for (const outlet of outlets) contacts(plan, state, fault, outlet, fed, { join, load, leak });
  if (fault.kind === "secondsJoined") join("joined", "common 2", coldSecondEnd(plan), WIRE);
  const links = linksIn(plan);
  if (links.first || fault.kind === "linkKept") join("link", "heat 1", "cold 1");
  if (links.second || fault.kind === "secondLinkKept") join("second link", "heat 2", "cold 2");
  load("unit", "unit 1", "unit 2", UNIT);
  if (wiring.supply > 0) load("supply", "supply 1", "supply 2", UNIT);
  return { conductors, branches, sources: sourcesIn(plan, state, fault, orientation), hertz: mains.hertz };
}

/** What feeds a plan in a state: how the plugs stand changes nothing else. */
export function sourcesIn(plan: WiringPlan, state: State, fault: Fault, orientation: Orientation): Source[] {
  if (!state.live) return [];
  return cordsOf(plan).flatMap((cord) => sourcesOf(plan, cord, state, fault, orientation));
}

interface Put {
  join: (id: string, a: string, b: string, ohms?: number) => void;
  load: (id: string, a: string, b: string, ohms: number) => void;
  leak: (id: string, a: string, b: string, farads: number) => void;
}

/** Relay, lamp and loads of one outlet. */
function contacts(
  plan: WiringPlan,
  state: State,
  fault: Fault,
  o: OutletName,
  fed: boolean,
  { join, load, leak }: Put,
): void {
  const { wiring } = plan;
  const { volts } = mainsTable[wiring.mains];
  const asked = fed && (o === "heat" ? state.heatOn : state.coldOn);
  // With a wire off that drives it, it stays open.
  const driven = asked && !(fault.kind === "wireOff" && fault.wire.startsWith(`${o}-drive`));
  const welded = (pole: 1 | 2) => fault.kind === "welded" && fault.at === o && fault.pole === pole;
  const contactor = wiring.relay === "contactor";
  for (const pole of contactor ? ([1, 2] as const) : ([1] as const)) {
    const tail = pole === 2 ? " 2" : "";
    const [a, b] = [`${o} relay in${tail}`, `${o} relay out${tail}`];
    if (driven || welded(pole)) join(`${o} relay${tail}`, a, b);
    else if (wiring.relay === "solid") load(`${o} leak`, a, b, SOLID_LEAK);
    else leak(`${o} leak${tail}`, a, b, SNUBBER);
  }
  if (contactor) {
    if (asked) join(`unit ${o}`, `unit ${o} in`, `unit ${o} out`);
    else leak(`unit ${o} leak`, `unit ${o} in`, `unit ${o} out`, SNUBBER);
    load(`${o} coil`, `${o} coil 1`, `${o} coil 2`, volts ** 2 / COIL_WATTS);
  }
  const feed = plugOf(plan, o) === "plug" ? "common 1" : "cold relay in";
  leak(`${o} cord`, `${o} 1`, feed, CORD);
  if (state.leaky) {
    leak(`${o} capacitor`, `${o} 1`, feed, SNUBBER);
    load(`${o} damp`, `${o} 1`, feed, SOLID_LEAK);
  }
  if (wiring.pilots) load(`${o} pilot`, `${o} pilot 1`, `${o} pilot 2`, volts / PILOT_AMPS);
  const tested = state.load[o];
  // With nothing in it its contacts are there all the same, with whatever wire is off.
  if (tested === null) leak(`${o} empty`, `${o} 1`, `${o} 2`, 0);
  else load(`${o} load`, `${o} 1`, `${o} 2`, tested);
  if (fault.kind === "neutralToEarth" && fault.at === o) join("joined", `${o} 2`, `${o} earth`, WIRE);
  appliance(plan, state, fault, o, { join, load, leak });
}

/** What heats by itself, on the table: nothing else is joined to it. */
export function heaterAlone(plan: WiringPlan, state: State, fault: Fault): Circuit {
  const conductors: Conductor[] = [];
  const branches: Branch[] = [];
  appliance(plan, { ...state, plugged: undefined }, fault, "heat", {
    join: (id, a, b, ohms = CONTACT) => conductors.push({ id, a, b, ohms }),
    load: (id, a, b, ohms) => branches.push({ kind: "load", id, a, b, ohms }),
    leak: () => undefined,
  });
  // Its pins are there, whatever is open between them.
  branches.push({ kind: "leak", id: "pins", a: "heat load 1", b: "heat load 2", ohms: Infinity, farads: 0 });
  return { conductors, branches, sources: [], hertz: mainsTable[plan.wiring.mains].hertz };
}

/** What is plugged into an outlet, by itself or in it: between its pins, and its metal on its earth. */
function appliance(plan: WiringPlan, state: State, fault: Fault, o: OutletName, { join, load }: Put): void {
  const ohms = o === "heat" ? (state.own ?? plan.heatOhms?.high) : undefined;
  const short = o === "heat" && fault.kind === "loadShort";
  if (short) join("heat load", "heat load 1", "heat load 2", WIRE);
  else if (ohms !== undefined && fault.kind !== "loadOpen") load("heat own", "heat load 1", "heat load 2", ohms);
  const toEarth = fault.kind === "loadToEarth" && fault.at === o;
  if (toEarth) join("insulation", `${o} load 1`, `${o} load earth`, WIRE);
  if (!state.plugged) return;
  join(`${o} pin 1`, `${o} 1`, `${o} load 1`);
  join(`${o} pin 2`, `${o} 2`, `${o} load 2`);
  if (!isDouble(plan, o)) join(`${o} pin earth`, `${o} earth`, `${o} load earth`);
}

/** What is plugged in needs no earth. */
export const isDouble = ({ wiring }: WiringPlan, o: OutletName): boolean =>
  o === "heat" ? wiring.heatDouble : wiring.coldDouble;

/** A cord's three sources, where it is in the wall. */
function sourcesOf(
  plan: WiringPlan,
  cord: 1 | 2,
  { pulled }: State,
  fault: Fault,
  { turned, otherLine }: Orientation,
): Source[] {
  if (pulled === cord) return [];
  const mains = mainsTable[plan.wiring.mains];
  const prefix = cord === 1 ? "plug" : "cold plug";
  const swapped = fault.kind === "swapped" && fault.cord === cord;
  const around = turned[cord - 1] !== swapped;
  const elsewhere = cord === 2 && otherLine;
  const at = (terminal: string, [re, im]: readonly [number, number]): Source => {
    // Another line of the house: the other leg where it has two, the next of three where it has three.
    const [r, i] = !elsewhere
      ? [re, im]
      : mains.american
        ? [-re, -im]
        : [-0.5 * re - (Math.sqrt(3) / 2) * im, (Math.sqrt(3) / 2) * re - 0.5 * im];
    return { at: `${prefix} ${terminal}`, re: r * mains.volts, im: i * mains.volts, ohms: HOUSE };
  };
  return [
    at("1", around ? mains.second : mains.first),
    at("2", around ? mains.first : mains.second),
    at("earth", [0, 0]),
  ];
}
