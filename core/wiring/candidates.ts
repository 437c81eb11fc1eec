import type { Compiled, Faulted } from "./compiled";
import { piecesOf } from "./pieces";
import { dead, type Position } from "./position";
import { sayMarked } from "./netlist";
import { DeadCircuit, type Interval } from "./ohms";
import { outletsIn, type WiringPlan } from "./plan";
import { EARTH_WAY, type Asks } from "./reading";

/** One thing to measure with everything pulled. */
export interface DeadTest {
  id: string;
  between: readonly [string, string];
  hand: string | null;
  asks: Exclude<Asks, "volts">;
  says: string;
  /** What a sound wiring shows. */
  sound: Interval;
}

/** The dead circuits of a fault, by how hands stand: each worked out when it is first asked for. */
export class Dead {
  private readonly known = new Map<string | null, DeadCircuit>();
  constructor(private readonly f: Faulted) {}
  between(hand: string | null, a: number, b: number): Interval {
    const position: Position = { ...dead, hand };
    const found = this.known.get(hand) ?? new DeadCircuit(this.f, piecesOf(this.f, position, []));
    this.known.set(hand, found);
    return found.between(a, b);
  }
}

const earthly = (base: Compiled, id: string): boolean => {
  const pin = base.net.pins.get(id)!;
  const { role } = pin;
  return (
    role.is === "metal" ||
    ("pole" in role && role.pole === "e") ||
    base.net.wires.some((w) => w.job === "earth" && (w.from === id || w.to === id))
  );
};

/** One dead test from its pins and its hand. */
export function deadTest(base: Compiled, sound: Dead, hand: string | null, a: string, b: string): DeadTest {
  // Beside the winding of a coil a beep tells little: its ohms are read.
  const byCoil = base.net.wires.some(
    ({ line, from, to }) => line.endsWith(".coil") && [from, to].includes(a) && [from, to].includes(b),
  );
  const { net, index } = base;
  const shows = sound.between(hand, index.get(a)!, index.get(b)!);
  const joined = shows.high < 1;
  const asks = joined ? (byCoil || (earthly(base, a) && earthly(base, b)) ? "ohms" : "joined") : "apart";
  const moved = net.parts.flatMap((p) => p.hands).find((h) => h.name === hand);
  return {
    id: `${hand ?? ""}|${a}|${b}`,
    between: [a, b],
    hand,
    asks,
    says: `${moved ? `${moved.says}: ` : ""}${sayMarked(a, net)} ↔ ${sayMarked(b, net)}`,
    sound: asks === "ohms" ? EARTH_WAY : shows,
  };
}

/**
 * Every pair of points that a dead test could be made between: plugs against all that is within, outlets against each
 * other, both sides of each contact, low voltage against the mains, and what each hand changes.
 */
export function candidatesOf(base: Compiled, sound: Dead): DeadTest[] {
  const { pins, parts, plan } = base.net;
  const all = [...pins.values()];
  const source = all.filter(({ role }) => role.is === "source");
  const sockets = all.filter(({ role }) => role.is === "socket");
  const low = all.filter(({ role }) => role.is === "low");
  const mains = all.filter(({ role }) => role.is === "inner" || role.is === "socket" || role.is === "metal");
  const found = new Map<string, DeadTest>();
  const put = (hand: string | null, a: string, b: string) => {
    if (a === b || found.has(`${hand ?? ""}|${b}|${a}`)) return;
    const test = deadTest(base, sound, hand, a, b);
    found.set(test.id, test);
  };
  for (const [i, s] of source.entries()) {
    for (const t of source.slice(i + 1)) put(null, s.id, t.id);
    for (const p of mains) put(null, s.id, p.id);
    if (s.role.is === "source" && s.role.pole !== "e") for (const l of low) put(null, s.id, l.id);
  }
  for (const [i, s] of sockets.entries()) {
    for (const t of sockets.slice(i + 1)) put(null, s.id, t.id);
    if (s.role.is === "socket" && s.role.pole === 1) for (const l of low) put(null, s.id, l.id);
  }
  for (const part of parts)
    for (const j of part.joins)
      if (j.is === "metal" && j.closed && !j.b.includes(".")) put(null, `${part.id}.${j.a}`, `${part.id}.${j.b}`);
  // What a contact feeds, from its way out to the end of its line: the other outlet’s is not meant.
  for (const [line, stops] of base.net.lines) {
    const last = stops[stops.length - 1];
    const from = stops.filter((s) => s.switches).pop() ?? (line.includes("drive") ? stops[0] : undefined);
    if (from && last && from !== last) put(null, from.out, last.in);
    for (const w of base.net.wires)
      if (w.line === line && w.from === last?.out && !line.startsWith("way")) put(null, w.from, w.to);
  }
  const reach = mains.filter(({ role }) => role.is !== "metal");
  for (const { name, kind, lifts } of parts.flatMap((p) => p.hands)) {
    // With a contactor pressed what lies behind it is looked at from the plug.
    if (kind === "lever")
      for (const [i, s] of source.entries()) for (const t of source.slice(i + 1)) put(name, s.id, t.id);
    for (const s of source)
      if (s.role.is === "source" && s.role.pole !== "e")
        for (const p of reach) {
          const [a, b] = [base.index.get(s.id)!, base.index.get(p.id)!];
          if (sound.between(name, a, b).high < 1 !== sound.between(null, a, b).high < 1) put(name, s.id, p.id);
        }
    // A wire that is lifted leaves its two sides to be looked at.
    if (lifts)
      for (const w of base.net.wires)
        if (base.lifts.get(name)!.includes(base.index.get(w.to)!))
          for (const p of reach) {
            const [a, b] = [base.index.get(w.from)!, base.index.get(p.id)!];
            if (sound.between(name, a, b).high < 1 !== sound.between(null, a, b).high < 1) put(name, w.from, p.id);
          }
  }
  for (const o of outletsIn(plan)) ofLoad(base, plan, o, put);
  return [...found.values()];
}

/** What is plugged in, by itself on the table. */
function ofLoad(
  base: Compiled,
  plan: WiringPlan,
  o: "heat" | "cold",
  put: (h: null, a: string, b: string) => void,
): void {
  const load = [...base.net.pins.values()].filter(({ role }) => role.is === "load" && role.outlet === o);
  const at = (pole: 1 | 2 | "e") => load.find(({ role }) => role.is === "load" && role.pole === pole)?.id;
  const [one, two, earth] = [at(1), at(2), at("e")];
  if (one && two && o === "heat" && plan.heatOhms) put(null, one, two);
  if (one && earth) put(null, one, earth);
}
