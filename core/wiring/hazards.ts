import { circuitOf, isDouble, sourcesIn, type Source } from "./circuit";
import { faultsOf } from "./faults";
import { piecesOf } from "./joined";
import { orientationsOf } from "./orientations";
import { mainsTable, type WiringPlan } from "./plan";
import { idle, type Fault, type Orientation, type State } from "./state";
import { coldSecondEnd, hasTwoCords, outletsIn, plugOf, type OutletName } from "./wires";

/** Something that must not be, in some state of relays, switches and plugs. */
export type Hazard =
  /** Two conductors of different potential meet. */
  | { kind: "short" }
  /** The same, in some way of turning the plugs or on some line of the house alone. */
  | { kind: "shortTurned" }
  | { kind: "shortOtherLine" }
  /** The conductor that is not live meets earth behind the supply. */
  | { kind: "returnOnEarth" }
  /** What goes out by one cord comes back by both. */
  | { kind: "sharedReturn" }
  /** Live behind a fuse that has blown. */
  | { kind: "blownLive"; cord: 1 | 2; turned: boolean }
  /** Metal that is touched is live, and nothing takes it to earth. */
  | { kind: "metalLive"; where: string }
  | { kind: "noEarth"; where: string }
  /** An outlet is live though its relay is not called; `turned`: with a plug turned round alone. */
  | { kind: "offLive"; at: OutletName; pole: 1 | 2; turned: boolean }
  /** It gets its whole voltage though it is not called. */
  | { kind: "runsUncalled"; at: OutletName }
  /** Live behind the main switch that is off. */
  | { kind: "switchLive"; where: string; turned: boolean }
  /** Live with one of two cords pulled. */
  | { kind: "pulledLive"; cord: 1 | 2; where: string }
  /** A pin of the cord that was pulled is live. */
  | { kind: "pinLive"; cord: 1 | 2 }
  /** Low voltage meets the mains. */
  | { kind: "lowLive" }
  /** It does not run when it is called. */
  | { kind: "dead"; at: OutletName }
  /** The same, and what is plugged in carries the line on to the contact that nothing holds. */
  | { kind: "liveThroughLoad"; at: OutletName; turned: boolean };

export const hazardKey = (h: Hazard): string => JSON.stringify(h);

/** States of relays and switches; the rest of what may be is in how the plugs stand. */
function statesOf(plan: WiringPlan): State[] {
  const on = outletsIn(plan);
  const base: State = { ...idle, plugged: true };
  const relays: Partial<State>[] = [{}, { heatOn: true }, { coldOn: true }, { heatOn: true, coldOn: true }].filter(
    (s) => (!("heatOn" in s) || on.includes("heat")) && (!("coldOn" in s) || on.includes("cold")),
  );
  const all = relays[relays.length - 1]!;
  return [
    ...relays.map((r): State => ({ ...base, ...r })),
    ...(plan.wiring.mainSwitch === "none" ? [] : [{ ...base, ...all, mainOn: false }]),
    // A fuse that has blown, while all is called.
    ...(plan.wiring.fuse > 0 ? [{ ...base, ...all, fuseOut: 1 as const }] : []),
    ...(plan.wiring.fuse > 0 && hasTwoCords(plan) ? [{ ...base, ...all, fuseOut: 2 as const }] : []),
    ...(hasTwoCords(plan)
      ? ([1, 2] as const).flatMap((pulled): State[] => [
          { ...base, pulled },
          { ...base, ...all, pulled },
        ])
      : []),
  ];
}

/** Share of the mains from which on something counts as live. */
const LIVE = 0.1;

/** A piece of metal with what feeds it. */
interface Feed {
  sources: Source[];
}

/** The state of one topology under one set of sources. */
class Look {
  private readonly feeds = new Map<string, Feed>();
  constructor(
    private readonly piece: (t: string) => string,
    sources: readonly Source[],
    private readonly volts: number,
  ) {
    for (const source of sources) {
      const at = piece(source.at);
      const feed = this.feeds.get(at) ?? { sources: [] };
      feed.sources.push(source);
      this.feeds.set(at, feed);
    }
  }
  private fed = (t: string): Source[] => this.feeds.get(this.piece(t))?.sources ?? [];
  live = (t: string): boolean => this.fed(t).some((s) => Math.hypot(s.re, s.im) > LIVE * this.volts);
  /** Some source is joined to it. */
  held = (t: string): boolean => this.fed(t).length > 0;
  earthed = (t: string): boolean => this.fed(t).some((s) => s.at.endsWith("earth"));
  /** Volts between two terminals that are fed; 0 where one of them hangs on nothing. */
  between = (a: string, b: string): number => {
    const [one, two] = [this.fed(a)[0], this.fed(b)[0]];
    return one && two ? Math.hypot(one.re - two.re, one.im - two.im) : 0;
  };
  /** Pieces on which two sources of different potential meet. */
  shorted = (): boolean =>
    [...this.feeds.values()].some(({ sources }) =>
      sources.some((s) => Math.hypot(s.re - sources[0]!.re, s.im - sources[0]!.im) > LIVE * this.volts),
    );
  /** A conductor of a plug that is not live and an earth on one piece. */
  returnsOnEarth = (): boolean =>
    [...this.feeds.values()].some(
      ({ sources }) =>
        sources.some((s) => s.at.endsWith("earth")) && sources.some((s) => / [12]$/.test(s.at) && s.re === 0),
    );
}

/** Everything that must not be with one thing wrong, over all states: by what is joined to what. */
export function hazardsIn(plan: WiringPlan, fault: Fault = { kind: "none" }): Hazard[] {
  const found = new Map<string, Hazard>();
  const say = (h: Hazard) => found.set(hazardKey(h), h);
  const ways = orientationsOf(plan, true);
  const { volts } = mainsTable[plan.wiring.mains];
  for (const state of statesOf(plan)) {
    const piece = piecesOf(circuitOf(plan, state, fault));
    for (const way of ways) {
      const look = new Look(piece, sourcesIn(plan, state, fault, way), volts);
      const turned = way.turned[0] || way.turned[1];
      if (look.shorted()) {
        say({ kind: way.otherLine ? "shortOtherLine" : turned ? "shortTurned" : "short" });
        // What a short does to the rest is not said: the fuse is out by then.
        continue;
      }
      if (look.returnsOnEarth()) say({ kind: "returnOnEarth" });
      if (hasTwoCords(plan) && state.pulled === undefined && piece("common 2") === piece(coldSecondEnd(plan)))
        say({ kind: "sharedReturn" });
      if (look.live("probe a") || look.live("twelve +")) say({ kind: "lowLive" });
      atOutlets(plan, state, fault, look, turned, say);
      if (plan.wiring.metalBox) metal(look, "box", say);
      if (state.fuseOut !== undefined) afterFuse(plan, state.fuseOut, look, turned, say);
      afterSwitch(plan, state, look, way, say);
      afterPull(plan, state, look, say);
    }
  }
  return [...found.values()];
}

function metal(look: Look, where: string, say: (h: Hazard) => void): void {
  if (look.live(where)) say({ kind: "metalLive", where });
  else if (!look.earthed(where)) say({ kind: "noEarth", where });
}

/** One contact is live, and the other hangs on nothing but on what is plugged in. */
const through = (look: Look, at: OutletName, { kind }: Fault): boolean =>
  !(kind === "loadOpen" && at === "heat") &&
  ([1, 2] as const).some((pole) => look.live(`${at} ${pole}`) && !look.held(`${at} ${pole === 1 ? 2 : 1}`));

function atOutlets(
  plan: WiringPlan,
  state: State,
  fault: Fault,
  look: Look,
  turned: boolean,
  say: (h: Hazard) => void,
): void {
  for (const at of outletsIn(plan)) {
    const called = at === "heat" ? state.heatOn : state.coldOn;
    // With the cord pulled that feeds it, it needs no earth.
    const cord = plugOf(plan, at) === "plug" ? 1 : 2;
    if (!isDouble(plan, at) && state.pulled !== cord) metal(look, `${at} load earth`, say);
    if (!state.mainOn || state.pulled !== undefined || state.fuseOut !== undefined) continue;
    const full = look.between(`${at} 1`, `${at} 2`) > 0.5 * mainsTable[plan.wiring.mains].volts;
    if (called && !full) say(through(look, at, fault) ? { kind: "liveThroughLoad", at, turned } : { kind: "dead", at });
    if (called) continue;
    if (full) say({ kind: "runsUncalled", at });
    else for (const pole of [1, 2] as const) if (look.live(`${at} ${pole}`)) say({ kind: "offLive", at, pole, turned });
  }
}

function afterSwitch(plan: WiringPlan, state: State, look: Look, way: Orientation, say: (h: Hazard) => void): void {
  if (state.mainOn) return;
  const places = ["common 1", "common 2", ...outletsIn(plan).flatMap((o) => [`${o} relay in`, `${o} 1`, `${o} 2`])];
  for (const where of places)
    if (look.live(where)) say({ kind: "switchLive", where, turned: way.turned[0] || way.turned[1] });
}

function afterFuse(plan: WiringPlan, cord: 1 | 2, look: Look, turned: boolean, say: (h: Hazard) => void): void {
  const places = cord === 2 ? ["cold 1", "cold 2"] : ["common 1", "common 2"];
  if (places.some(look.live)) say({ kind: "blownLive", cord, turned });
}

function afterPull(plan: WiringPlan, state: State, look: Look, say: (h: Hazard) => void): void {
  const { pulled } = state;
  if (pulled === undefined) return;
  const prefix = pulled === 1 ? "plug" : "cold plug";
  if (look.live(`${prefix} 1`) || look.live(`${prefix} 2`)) say({ kind: "pinLive", cord: pulled });
  const places = ["common 1", "heat 1", "heat 2", "cold relay in", coldSecondEnd(plan), "cold 1", "cold 2"];
  for (const where of places) if (look.live(where)) say({ kind: "pulledLive", cord: pulled, where });
}

/** What a single fault brings that a sound wiring does not have. */
export interface Consequence {
  fault: Fault;
  hazards: Hazard[];
}

/** Every single fault with what it makes that would not be without it. */
export function consequencesOf(plan: WiringPlan): Consequence[] {
  const sound = new Set(hazardsIn(plan).map(hazardKey));
  return faultsOf(plan).map((fault) => ({
    fault,
    hazards: hazardsIn(plan, fault).filter((h) => !sound.has(hazardKey(h))),
  }));
}
