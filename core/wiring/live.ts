import { compiledOf, faulted, type Faulted } from "./compiled";
import { piecesOf } from "./pieces";
import { dead, type Orientation, type Position } from "./position";
import { sourcesOf } from "./sources";
import type { Fault } from "./fault";
import { mainsTable, poleNames } from "./mains";
import { potentials, type Admittance } from "./network";
import type { Interval } from "./ohms";
import { NO_READING, socketPin } from "./parts";
import { outletsIn, type OutletName, type WiringPlan } from "./plan";

/** One thing to measure under voltage: shut, under a lamp, at an outlet. */
export interface LiveTest {
  id: string;
  between: readonly [string, string];
  asks: "volts";
  /** What is called, and where the lamp is. */
  called: OutletName | null;
  lamp: OutletName;
  says: string;
}

/** What a meter puts between two points: its input, Ω. */
export const METER = 1e7;
/** A filament lamp of the mains’ voltage as a test load, W, and how much lower tungsten is cold (estimate). */
export const LAMP = { least: 25, most: 60 } as const;
const COLD_LAMP = 12;
/** The mains wander by so much; the neutral of a loaded circuit stands so far above earth, V (design’s reference 1). */
const MAINS_SPAN = 0.1;
const NEUTRAL = 5;
/** What the way to the house and back takes while the lamp is cold, V. */
const WAY = 3;
/** Something leaks past an open contact besides: a charger’s capacitor, a damp cord: F, Ω. */
const LEAKS = { farads: 1e-7, ohms: 230_000 } as const;
/** What a plain meter makes of half waves, as a share of what whole ones are: by its kind. */
const HALF = { low: 0.3, high: 0.75 } as const;

const NAMES: Record<OutletName, string> = { heat: "heat outlet", cold: "cold outlet" };

export function liveTestsOf(plan: WiringPlan): LiveTest[] {
  const outlets = outletsIn(plan);
  const [one, two] = poleNames(plan.wiring);
  return [...outlets, null].flatMap((called) =>
    outlets.flatMap((lamp): LiveTest[] => {
      const when = called === null ? "nothing called" : `${called} called`;
      const test = (id: string, a: 1 | 2, b: 2 | "e", says: string): LiveTest => ({
        id: `live ${called ?? "idle"} ${lamp} ${id}`,
        between: [socketPin(plan, lamp, a), socketPin(plan, lamp, b)],
        asks: "volts",
        called,
        lamp,
        says: `${when}, lamp in the ${NAMES[lamp]}: ${says}`,
      });
      return [
        test("lamp", 1, 2, `${one} to ${two}`),
        ...(called === lamp
          ? [test("first", 1, "e", `${one} to earth`), test("second", 2, "e", `${two} to earth`)]
          : []),
      ];
    }),
  );
}

interface Variant {
  lampOhms: number;
  leaky: boolean;
  high: boolean;
}

/** The network of pieces in a position, and volts between two pins of it with a meter there. */
function voltsIn(f: Faulted, position: Position, way: Orientation) {
  const { base } = f;
  const { plan } = base.net;
  const { hertz } = mainsTable[plan.wiring.mains];
  const sources = sourcesOf(base, position, way, f.house);
  const { of, closed } = piecesOf(f, position, sources);
  const omega = 2 * Math.PI * hertz;
  const fixed = new Map<number, { at: number; re: number; im: number }>();
  let shorted = false;
  for (const s of sources) {
    const at = of[s.at]!;
    const before = fixed.get(at);
    if (before && Math.hypot(before.re - s.re, before.im - s.im) > 1) shorted = true;
    if (!before) fixed.set(at, { at, re: s.re, im: s.im });
  }
  const parts: Admittance[] = [];
  const open: { a: number; b: number }[] = [];
  const put = (a: number, b: number, re: number, im: number) => {
    if (of[a]! !== of[b]!) parts.push({ a: of[a]!, b: of[b]!, re, im });
  };
  for (const [i, j] of base.joins.entries()) {
    if (f.sets.get(i) === "open" && j.is !== "metal") continue;
    if (j.is === "load" && j.ohms !== undefined) put(j.a, j.b, 1 / j.ohms, 0);
    if (j.is === "leak") put(j.a, j.b, 0, omega * (j.farads ?? 0));
    if (j.is === "metal" && j.live && !closed[i]) open.push(j);
  }
  return (a: number, b: number, lamp: OutletName, { lampOhms, leaky, high }: Variant): number | null => {
    if (shorted) return null;
    const more: Admittance[] = [...parts];
    const add = (x: number, y: number, re: number, im = 0) => {
      if (of[x]! !== of[y]!) more.push({ a: of[x]!, b: of[y]!, re, im });
    };
    for (const o of f.ohmic) if (o.low < NO_READING) add(o.a, o.b, 1 / (high ? o.high : o.low));
    add(base.index.get(socketPin(plan, lamp, 1))!, base.index.get(socketPin(plan, lamp, 2))!, 1 / lampOhms);
    if (leaky) for (const j of open) add(j.a, j.b, 1 / LEAKS.ohms, omega * LEAKS.farads);
    add(a, b, 1 / METER);
    const v = potentials(base.size, more, [...fixed.values()]);
    const [x, y] = [of[a]!, of[b]!];
    return Math.hypot(v[2 * x]! - v[2 * y]!, v[2 * x + 1]! - v[2 * y + 1]!);
  };
}

/** What each live test may show with a fault in it, in a way in which the plugs stand, before the meter’s own error. */
export function liveIntervals(
  plan: WiringPlan,
  tests: readonly LiveTest[],
  fault: Fault,
  way: Orientation,
): Interval[] {
  const base = compiledOf(plan);
  const f = faulted(base, fault.change);
  const { volts } = mainsTable[plan.wiring.mains];
  const known = new Map<string, ReturnType<typeof voltsIn>>();
  const variants: Variant[] = [volts ** 2 / LAMP.most / COLD_LAMP, volts ** 2 / LAMP.least].flatMap((lampOhms) =>
    [false, true].flatMap((leaky) =>
      (f.ohmic.length > 0 ? [false, true] : [false]).map((high): Variant => ({ lampOhms, leaky, high })),
    ),
  );
  const half = [...f.sets].filter(([, how]) => how === "half").map(([i]) => i);
  const span = (test: LiveTest, sets: Faulted["sets"] | null): Interval => {
    const key = `${test.called} ${sets === null}`;
    const at: Position = { ...dead, live: true, heat: test.called === "heat", cold: test.called === "cold" };
    const circuit = known.get(key) ?? voltsIn(sets ? { ...f, sets } : f, at, way);
    known.set(key, circuit);
    const [a, b] = [base.index.get(test.between[0])!, base.index.get(test.between[1])!];
    const all = variants.map((v) => circuit(a, b, test.lamp, v));
    // A short: whatever the fuse leaves.
    if (all.includes(null)) return { low: 0, high: volts };
    return { low: Math.min(...(all as number[])), high: Math.max(...(all as number[])) };
  };
  return tests.map((test) => {
    let { low, high } = span(test, null);
    if (half.length > 0) {
      const opened = span(test, new Map(half.map((i) => [i, "open" as const])));
      if (opened.high < 0.2 * low) [low, high] = [low * HALF.low, high * HALF.high];
      else if (Math.abs(opened.low - low) > 1)
        [low, high] = [HALF.low * Math.min(low, opened.low), Math.max(high, opened.high)];
    }
    // Where not the mains but neutral and earth lie between, what lies between those two is read.
    const earth = test.id.endsWith("first") || test.id.endsWith("second") || high < 0.5 * volts;
    const shift = earth ? NEUTRAL + WAY / 2 : 0;
    return { low: Math.max(0, low * (1 - MAINS_SPAN) - WAY - shift), high: high * (1 + MAINS_SPAN) + shift };
  });
}
