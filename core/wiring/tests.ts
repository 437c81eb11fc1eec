import { circuitOf, idle, outletsIn, type Fault, type OutletName, type State } from "./circuit";
import { mainsTable, type WiringPlan } from "./plan";
import { solve } from "./nodal";

/** One thing to measure: dead with the plug pulled, or live under a test load. */
export interface MeterTest {
  id: string;
  /** Two points at plug or outlets: nobody measures inside. */
  between: readonly [string, string];
  live: boolean;
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
  const outlets = outletsIn(plan);
  const { twoLines, volts } = mainsTable[plan.wiring.mains];
  const [one, two] = twoLines ? ["first line", "second line"] : ["line", "neutral"];
  const dead: State = { ...idle, live: false };
  const tests: MeterTest[] = [];
  const ohms = (id: string, a: string, b: string, says: string) =>
    tests.push({ id, between: [a, b], live: false, state: dead, says });
  for (const o of outlets) {
    ohms(`${o}-earth`, "plug earth", `${o} earth`, `plug, earth, and ${names[o]}, earth`);
    ohms(`${o}-second`, "plug 2", `${o} 2`, `plug, ${two}, and ${names[o]}, ${two}`);
    ohms(`${o}-first`, "plug 1", `${o} 1`, `plug, ${one}, and ${names[o]}, ${one}`);
    ohms(`${o}-crossed`, "plug 2", `${o} 1`, `plug, ${two}, and ${names[o]}, ${one}`);
  }
  if (outlets.length === 2) ohms("link", "heat 1", "cold 1", `${names.heat}, ${one}, and ${names.cold}, ${one}`);
  if (plan.wiring.fuse > 0)
    for (const o of outlets.slice(0, 1))
      tests.push({
        id: "fuse-out",
        between: ["plug 2", `${o} 2`],
        live: false,
        state: { ...dead, fuseOut: true },
        says: `the fuse taken out: plug, ${two}, and ${names[o]}, ${two}`,
      });
  if (plan.wiring.metalBox) ohms("box", "plug earth", "box", "plug, earth, and the metal of the box");
  ohms("first-earth", "plug 1", "plug earth", `plug, ${one}, and plug, earth`);
  ohms("second-earth", "plug 2", "plug earth", `plug, ${two}, and plug, earth`);
  const lamp = lampOhms(volts);
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
export function expectedOf(plan: WiringPlan, tests: readonly MeterTest[], fault: Fault): Interval[] {
  // Tests of one state share its solution.
  const solved = new Map<string, ReturnType<typeof solve>>();
  const inState = (state: State) => {
    const key = JSON.stringify(state);
    const known = solved.get(key);
    if (known) return known;
    const fresh = solve(circuitOf(plan, state, fault));
    solved.set(key, fresh);
    return fresh;
  };
  return tests.map(({ between: [a, b], live, state }) => {
    if (!live) {
      const ohms = Math.min(inState(state).ohms(a, b), OPEN);
      return ohms >= OPEN * 0.5 ? { low: OPEN * 0.5, high: Infinity } : { low: ohms * 0.5, high: ohms * 1.5 + 2 };
    }
    // Cold and hot the lamp is another load: what is read lies between.
    const volts = [1, COLD_LAMP].map((colder) => {
      const part = (ohms: number | null) => (ohms === null ? null : ohms / colder);
      const load = { heat: part(state.load.heat), cold: part(state.load.cold) };
      return inState({ ...state, load }).volts(a, b);
    });
    const [least, most] = [Math.min(...volts), Math.max(...volts)];
    return {
      low: Math.max(0, least * (1 - MAINS_SPAN) * (1 - CLASS) - CLASS_VOLTS),
      high: most * (1 + MAINS_SPAN) * (1 + CLASS) + CLASS_VOLTS,
    };
  });
}

/** What a meter should do, in words. */
export function sayExpected(test: MeterTest, { low, high }: Interval): string {
  if (test.live) return high < 30 ? `at most ${Math.round(high)} V` : `${Math.round(low)} to ${Math.round(high)} V`;
  if (high < BEEP.must) return "has to beep";
  if (low > BEEP.mayNot) return "must not beep";
  return "may beep";
}

/** A beep or a silence, as ohms. */
export const beeped = (beeps: boolean): number => (beeps ? 0.5 : OPEN);
