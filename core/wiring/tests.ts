import { circuitOf, heaterAlone, isDouble, sourcesIn } from "./circuit";
import { factored, type Factored, type Solved } from "./nodal";
import { mainsTable, type WiringPlan } from "./plan";
import { idle, stateKey, straight, type Fault, type Orientation, type State } from "./state";
import { sayTerminal } from "./terminals";
import { hasTwoCords, outletsIn, plugOf, type OutletName } from "./wires";

/** One thing to measure: dead with the plug pulled, or live under a test load. */
export interface MeterTest {
  id: string;
  /** Two points at plug or outlets: nobody measures inside. */
  between: readonly [string, string];
  live: boolean;
  /** A beep or none; ohms; volts. */
  asks: "beep" | "ohms" | "volts";
  state: State;
  says: string;
}

/** What a meter may read: from, to; Ω dead, V live. */
export interface Interval {
  low: number;
  high: number;
}

/** Below it a meter has to beep, above it has not to; between it may, Ω. */
export const BEEP = { must: 10, mayNot: 100 } as const;
/** Beyond it a meter shows no ohms at all. */
export const OPEN = 2e6;
/** A lamp of 60 W as a test load, hot, against the volts that it is made for. */
const LAMP_WATTS = 60;
/** Tungsten is so much lower cold (estimate). */
const COLD_LAMP = 12;
/** The mains wander by so much, and a plain meter errs by so much of what it reads and by so many volts. */
const MAINS_SPAN = 0.1;
const CLASS = 0.02;
const CLASS_VOLTS = 2;

export const lampOhms = (volts: number): number => volts ** 2 / LAMP_WATTS;

const names: Record<OutletName, string> = { heat: "heat outlet", cold: "cold outlet" };

/** All that is measured, dead first, in the order in which it is safe. */
export function meterTests(plan: WiringPlan): MeterTest[] {
  return [...deadTests(plan), ...liveTests(plan)];
}

function deadTests(plan: WiringPlan): MeterTest[] {
  const outlets = outletsIn(plan);
  const { wiring } = plan;
  const dead: State = { ...idle, live: false };
  const tests: MeterTest[] = [];
  const say = (t: string) => sayTerminal(t, plan);
  const put = (id: string, a: string, b: string, more: Partial<MeterTest> = {}, before = "") =>
    tests.push({
      id,
      between: [a, b],
      live: false,
      asks: "beep",
      state: dead,
      says: `${before}${say(a)}, and ${say(b)}`,
      ...more,
    });
  for (const o of outlets) {
    const plug = plugOf(plan, o);
    put(`${o}-earth`, `${plug} earth`, `${o} earth`);
    put(`${o}-second`, `${plug} 2`, `${o} 2`);
    put(`${o}-first`, `${plug} 1`, `${o} 1`);
    put(`${o}-crossed`, `${plug} 2`, `${o} 1`);
  }
  if (outlets.length === 2) put("link", "heat 1", "cold 1");
  if (hasTwoCords(plan)) {
    put("cords-first", "plug 1", "cold plug 1");
    put("cords-second", "plug 2", "cold plug 2");
    put("cold-first-earth", "cold plug 1", "cold plug earth");
    put("cold-second-earth", "cold plug 2", "cold plug earth");
  }
  // Both poles of a contactor are open: nothing shows there which conductor the fuse is in.
  if (wiring.fuse > 0 && wiring.relay !== "contactor") {
    const out = (id: string, o: OutletName, fuseOut: 1 | 2, which: string) =>
      put(id, `${plugOf(plan, o)} 2`, `${o} 2`, { state: { ...dead, fuseOut } }, `${which} taken out: `);
    for (const o of outlets.slice(0, 1)) out("fuse-out", o, 1, "the fuse");
    if (hasTwoCords(plan)) out("cold-fuse-out", "cold", 2, "the second fuse");
  }
  if (wiring.metalBox) put("box", "plug earth", "box");
  put("first-earth", "plug 1", "plug earth");
  put("second-earth", "plug 2", "plug earth");
  if (plan.heatOhms) put("heat-load", "heat load 1", "heat load 2", { asks: "ohms" });
  for (const o of outlets) if (!isDouble(plan, o)) put(`${o}-load-earth`, `${o} load 1`, `${o} load earth`);
  return tests;
}

function liveTests(plan: WiringPlan): MeterTest[] {
  const outlets = outletsIn(plan);
  const { twoLines, volts } = mainsTable[plan.wiring.mains];
  const [one, two] = twoLines ? ["first line", "second line"] : ["line", "neutral"];
  const lamp = lampOhms(volts);
  const tests: MeterTest[] = [];
  for (const on of [...outlets, null])
    for (const o of outlets) {
      const state: State = {
        ...idle,
        heatOn: on === "heat",
        coldOn: on === "cold",
        load: { heat: o === "heat" ? lamp : null, cold: o === "cold" ? lamp : null },
      };
      const when = on === null ? "nothing switched on" : `${on === "heat" ? "heat" : "cold"} switched on`;
      const volt = (id: string, a: string, b: string, says: string) =>
        tests.push({
          id: `${on ?? "idle"}-${o}-${id}`,
          between: [a, b],
          live: true,
          asks: "volts",
          state,
          says: `${when}, lamp in the ${names[o]}: ${says}`,
        });
      volt("lamp", `${o} 1`, `${o} 2`, `${one} to ${two}`);
      if (on === o) volt("first", `${o} 1`, `${o} earth`, `${one} to earth`);
      if (on === o) volt("second", `${o} 2`, `${o} earth`, `${two} to earth`);
    }
  return tests;
}

/** What each test would show where something is wrong, or nothing is: by the solver, widened by meter and mains. */
export function expectedOf(
  plan: WiringPlan,
  tests: readonly MeterTest[],
  fault: Fault,
  orientations: readonly Orientation[] = [straight],
): Interval[][] {
  // Tests of one state share its matrix, and how a plug stands in the wall changes nothing but its sources.
  const known = new Map<string, Factored>();
  const inState = (state: State): Factored => {
    const key = stateKey(state);
    const found = known.get(key) ?? factored(circuitOf(plan, state, fault));
    known.set(key, found);
    return found;
  };
  const dead = tests.map((test): Interval | null => (test.live ? null : deadInterval(plan, test, fault, inState)));
  return orientations.map((orientation) => {
    const under = new Map<Factored, Solved>();
    const solved = (state: State): Solved => {
      const matrix = inState(state);
      const found = under.get(matrix) ?? matrix.under(sourcesIn(plan, state, fault, orientation));
      under.set(matrix, found);
      return found;
    };
    return tests.map((test, i) => dead[i] ?? liveInterval(test, solved));
  });
}

function deadInterval(
  plan: WiringPlan,
  { asks, between: [a, b], state }: MeterTest,
  fault: Fault,
  inState: (state: State) => Factored,
): Interval {
  const open = { low: OPEN * 0.5, high: Infinity };
  if (asks === "ohms") {
    const of = (own: number) => factored(heaterAlone(plan, { ...state, own }, fault)).ohms(a, b);
    const [low, high] = [of(plan.heatOhms!.low), of(plan.heatOhms!.high)];
    // Leads and a meter’s last digit: some tenths of an ohm.
    return low >= OPEN * 0.5 ? open : { low: Math.max(0, low * 0.95 - 0.5), high: high * 1.05 + 0.5 };
  }
  const ohms = inState(state).ohms(a, b);
  return ohms >= OPEN * 0.5 ? open : { low: ohms * 0.5, high: ohms * 1.5 + 2 };
}

function liveInterval({ between: [a, b], state }: MeterTest, solved: (state: State) => Solved): Interval {
  const o = state.load.heat === null ? "cold" : "heat";
  // Cold and hot the lamp is another load, and something may leak besides: what is read lies between.
  const bare = { ...state, load: idle.load };
  const volts = [bare, { ...bare, leaky: true as const }].flatMap((s) =>
    [1, COLD_LAMP].map((colder) => solved(s).volts(a, b, { a: `${o} 1`, b: `${o} 2`, ohms: state.load[o]! / colder })),
  );
  const [least, most] = [Math.min(...volts), Math.max(...volts)];
  return {
    low: Math.max(0, least * (1 - MAINS_SPAN) * (1 - CLASS) - CLASS_VOLTS),
    high: most * (1 + MAINS_SPAN) * (1 + CLASS) + CLASS_VOLTS,
  };
}

/** What a meter should do, in words; `intervals`: one for each way in which a plug may stand in the wall. */
export function sayExpected(test: MeterTest, intervals: readonly Interval[]): string {
  if (test.live) {
    const say = ({ low, high }: Interval) =>
      high < 30 ? `at most ${Math.round(high)} V` : `${Math.round(low)} to ${Math.round(high)} V`;
    return [...new Set(intervals.map(say))].join(", or turned ");
  }
  const { low, high } = intervals[0]!;
  if (test.asks === "ohms") {
    const ohms = (x: number) => (x < 100 ? x.toPrecision(2) : Math.round(x).toString());
    return `${ohms(low)} to ${ohms(high)} Ω`;
  }
  if (high < BEEP.must) return "has to beep";
  if (low > BEEP.mayNot) return "must not beep";
  return "may beep";
}

/** A beep or a silence, as ohms. */
export const beeped = (beeps: boolean): number => (beeps ? 0.5 : OPEN);
