import { mainsTable, type WiringPlan } from "./plan";

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

export type OutletName = "heat" | "cold";

/** What is plugged in where while one looks. */
export interface State {
  /** The plug is in the wall. */
  live: boolean;
  heatOn: boolean;
  coldOn: boolean;
  mainOn: boolean;
  /** The fuse has been taken out of its holder. */
  fuseOut?: true;
  /** A test load on an outlet, Ω; null: nothing. */
  load: Readonly<Record<OutletName, number | null>>;
}

export const idle: State = {
  live: true,
  heatOn: false,
  coldOn: false,
  mainOn: true,
  load: { heat: null, cold: null },
};

/** One thing that can be wrong. `wire`: which conductor is off. */
export type Fault =
  | { kind: "none" }
  | { kind: "linkKept" }
  | { kind: "swapped" }
  | { kind: "crossed" }
  | { kind: "fuseInSecond" }
  | { kind: "neutralToEarth"; at: OutletName }
  | { kind: "welded"; at: OutletName }
  | { kind: "wireOff"; wire: string };

export const faultKey = (f: Fault): string =>
  f.kind === "wireOff" ? `off:${f.wire}` : "at" in f ? `${f.kind}:${f.at}` : f.kind;

/** A wire, a contact: Ω (estimates that no reading tells apart). */
const WIRE = 0.05;
const CONTACT = 0.03;
/** What an open contact with its snubber, and a cord beside another, let through, F. */
const SNUBBER = 1e-7;
const CORD = 3e-10;
/** A solid-state relay that is off leaks so much at 230 V: as a resistance, Ω (1 mA). */
const SOLID_LEAK = 230_000;
/** The supply of a unit's own electronics, Ω (estimate: some watts). */
const UNIT = 15_000;

export const outletsIn = ({ heat, cold }: WiringPlan): OutletName[] => [
  ...(heat !== null ? (["heat"] as const) : []),
  ...(cold !== null ? (["cold"] as const) : []),
];

/** A wire of the list: where it runs, what it is for. */
export interface Wire {
  id: string;
  from: string;
  to: string;
  job: "first" | "second" | "earth" | "switched";
}

/** Every conductor that somebody lays, from terminal to terminal. */
export function wiresOf(plan: WiringPlan): Wire[] {
  const { wiring } = plan;
  const wires: Wire[] = [];
  const lay = (id: string, from: string, to: string, job: Wire["job"]) => wires.push({ id, from, to, job });
  // The way in on the live side: plug, fuse, switch, the common point.
  const fused = wiring.fuse > 0;
  const switched = wiring.mainSwitch !== "none";
  const chain = [
    "plug 1",
    ...(fused ? ["fuse in", "fuse out"] : []),
    ...(switched ? ["switch 1 in", "switch 1 out"] : []),
    "common 1",
  ];
  for (let i = 0; i < chain.length; i += 2) lay(`live-${i / 2 + 1}`, chain[i]!, chain[i + 1]!, "first");
  const back = ["plug 2", ...(wiring.mainSwitch === "both" ? ["switch 2 in", "switch 2 out"] : []), "common 2"];
  for (let i = 0; i < back.length; i += 2) lay(`second-${i / 2 + 1}`, back[i]!, back[i + 1]!, "second");
  lay("earth", "plug earth", "common earth", "earth");
  lay("unit-1", "common 1", "unit 1", "first");
  lay("unit-2", "common 2", "unit 2", "second");
  for (const outlet of outletsIn(plan)) {
    lay(`${outlet}-feed`, "common 1", `${outlet} relay in`, "first");
    lay(`${outlet}-switched`, `${outlet} relay out`, `${outlet} 1`, "switched");
    lay(`${outlet}-second`, "common 2", `${outlet} 2`, "second");
    lay(`${outlet}-earth`, "common earth", `${outlet} earth`, "earth");
  }
  if (wiring.metalBox) lay("box-earth", "common earth", "box", "earth");
  return wires;
}

/** The circuit of a plan in a state, with one thing wrong. */
export function circuitOf(plan: WiringPlan, state: State, fault: Fault = { kind: "none" }): Circuit {
  const { wiring } = plan;
  const mains = mainsTable[wiring.mains];
  const conductors: Conductor[] = [];
  const branches: Branch[] = [];
  const join = (id: string, a: string, b: string, ohms = CONTACT) => conductors.push({ id, a, b, ohms });
  const fuseInSecond = fault.kind === "fuseInSecond";
  for (const { id, from, to } of wiresOf(plan)) {
    if (fault.kind === "wireOff" && fault.wire === id) continue;
    // The fuse stands in the way of the other conductor.
    if (fuseInSecond && id === "second-1" && state.fuseOut) continue;
    const crossed = fault.kind === "crossed" && id.endsWith("-switched");
    join(id, from, crossed ? (to === "heat 1" ? "cold 1" : "heat 1") : to, WIRE);
  }
  if (wiring.fuse > 0 && (fuseInSecond || !state.fuseOut)) join("fuse", "fuse in", "fuse out");
  if (wiring.mainSwitch !== "none" && state.mainOn) join("switch 1", "switch 1 in", "switch 1 out");
  if (wiring.mainSwitch === "both" && state.mainOn) join("switch 2", "switch 2 in", "switch 2 out");
  const outlets = outletsIn(plan);
  for (const outlet of outlets) {
    const on = (outlet === "heat" ? state.heatOn : state.coldOn) && powered(state);
    const welded = fault.kind === "welded" && fault.at === outlet;
    const [a, b] = [`${outlet} relay in`, `${outlet} relay out`];
    if (on || welded) join(`${outlet} relay`, a, b);
    else if (wiring.relay === "solid") branches.push({ kind: "leak", id: `${outlet} leak`, a, b, ohms: SOLID_LEAK });
    else branches.push({ kind: "leak", id: `${outlet} leak`, a, b, ohms: Infinity, farads: SNUBBER });
    branches.push({
      kind: "leak",
      id: `${outlet} cord`,
      a: `${outlet} 1`,
      b: "common 1",
      ohms: Infinity,
      farads: CORD,
    });
    const load = state.load[outlet];
    if (load !== null)
      branches.push({ kind: "load", id: `${outlet} load`, a: `${outlet} 1`, b: `${outlet} 2`, ohms: load });
    if (fault.kind === "neutralToEarth" && fault.at === outlet) join("joined", `${outlet} 2`, `${outlet} earth`, WIRE);
  }
  if (wiring.outlets === "twin" && outlets.length === 2 && (!wiring.linkBroken || fault.kind === "linkKept"))
    join("link", "heat 1", "cold 1");
  branches.push({ kind: "load", id: "unit", a: "unit 1", b: "unit 2", ohms: UNIT });
  const sources: Source[] = [];
  if (state.live) {
    const turned = fault.kind === "swapped";
    const at = (terminal: string, [re, im]: readonly [number, number]) =>
      sources.push({ at: terminal, re: re * mains.volts, im: im * mains.volts, ohms: 0.2 });
    at("plug 1", turned ? mains.second : mains.first);
    at("plug 2", turned ? mains.first : mains.second);
    at("plug earth", [0, 0]);
  }
  return { conductors, branches, sources, hertz: mains.hertz };
}

/** Relays close only while there is something to close them with. */
const powered = ({ live, mainOn }: State): boolean => live && mainOn;
