import { mainsTable, type Fault, type Orientation, type WiringPlan } from "../wiring";

/*
 * What a meter really shows: a topology and an elimination of its own, so that the proof is not tested by itself. It
 * takes from the application the names of terminals and of faults, and nothing else.
 */

type Outlet = "heat" | "cold";
interface Branch {
  a: string;
  b: string;
  ohms: number;
  farads?: number;
}
interface Wired {
  id: string;
  a: string;
  b: string;
}

/** How hands and calls stand. */
export interface Standing {
  hand: string | null;
  called: Outlet | null;
  live: boolean;
  lamp: Outlet | null;
}

/** What is drawn for one wiring: everything that nobody knows beforehand. */
export interface Draw {
  next: () => number;
  lampOhms: number;
  mains: number;
  neutral: number;
  leaky: boolean;
}

const between = (next: () => number, low: number, high: number): number => low * (high / low) ** next();

const outletsOf = (plan: WiringPlan): Outlet[] => [
  ...(plan.heat ? (["heat"] as const) : []),
  ...(plan.cold ? (["cold"] as const) : []),
];
const twoCords = (plan: WiringPlan) => plan.wiring.secondCord && !!plan.heat && !!plan.cold;
const twin = (plan: WiringPlan) => plan.wiring.outlets === "twin" && !!plan.heat && !!plan.cold;
export const sock = (plan: WiringPlan, o: Outlet, pole: string) =>
  twin(plan) ? `twin.${o}-${pole}` : `${o}-outlet.${pole}`;

/** Every conductor, drawn by hand from the choices: on the way in, to the unit, to each outlet, beyond the barrier. */
function wiresOf(plan: WiringPlan): Wired[] {
  const w = plan.wiring;
  const list: Wired[] = [];
  const lay = (a: string, b: string) => list.push({ id: `${a}>${b}`, a, b });
  const chain = (...points: string[]) => {
    for (let i = 0; i + 1 < points.length; i += 2) lay(points[i]!, points[i + 1]!);
  };
  const [p, q] = w.laid === "cord" ? ["plug", "plug2"] : ["cable", "cable2"];
  const rcd = w.residualAt === "box" && (w.residual === "r30" || w.residual === "r5");
  const two = twoCords(plan);
  const own = w.relay === "mechanical" && w.relaysIn === "unit";
  chain(
    `${p}.1`,
    ...(rcd ? ["rcd.in1", "rcd.out1"] : []),
    ...(w.fuse > 0 ? ["fuse.in", "fuse.out"] : []),
    ...(w.mainSwitch === "none" ? [] : ["switch.in1", "switch.out1"]),
    "block.1",
  );
  chain(
    `${p}.2`,
    ...(rcd ? ["rcd.in2", "rcd.out2"] : []),
    ...(w.mainSwitch === "both" ? ["switch.in2", "switch.out2"] : []),
    "block.2",
  );
  lay(`${p}.e`, "block.e");
  let [feed, back] = ["block.1", "block.2"];
  if (two) {
    lay(`${q}.e`, "block.e");
    if (rcd) {
      lay(`${q}.1`, "rcd2.in1");
      lay(`${q}.2`, "rcd2.in2");
    }
    const first = rcd ? "rcd2.out1" : `${q}.1`;
    if (w.fuse > 0) lay(first, "fuse2.in");
    feed = w.fuse > 0 ? "fuse2.out" : first;
    back = rcd ? "rcd2.out2" : `${q}.2`;
  }
  lay("block.1", "unit.1");
  lay("block.2", "unit.2");
  for (const o of outletsOf(plan)) {
    const [from, to] = two && o === "cold" ? [feed, back] : ["block.1", "block.2"];
    const [into, out] = own ? [`unit.${o}-in`, `unit.${o}-out`] : [`${o}-relay.in`, `${o}-relay.out`];
    lay(from, into);
    if (o === "heat" && w.cutOut === "yes") {
      lay(out, "cut-out.in");
      lay("cut-out.out", sock(plan, o, "1"));
    } else lay(out, sock(plan, o, "1"));
    if (w.relay === "contactor") {
      lay(to, `${o}-relay.in2`);
      lay(`${o}-relay.out2`, sock(plan, o, "2"));
      lay("block.1", `unit.${o}-in`);
      lay(`unit.${o}-out`, `${o}-relay.coil1`);
      lay("block.2", `${o}-relay.coil2`);
    } else {
      lay(to, sock(plan, o, "2"));
      if (!own) {
        lay(`unit.${o}+`, `${o}-relay.coil+`);
        lay(`unit.${o}-`, `${o}-relay.coil-`);
      }
    }
    if (!(twin(plan) && o === "cold")) lay("block.e", sock(plan, o, "e"));
    if (w.pilots) {
      lay(sock(plan, o, "1"), `${o}-pilot.1`);
      lay(sock(plan, o, "2"), `${o}-pilot.2`);
    }
  }
  lay("unit.probe-a", "probes.a");
  lay("unit.probe-b", "probes.b");
  if (w.supply > 0) {
    lay("block.1", "supply.1");
    lay("block.2", "supply.2");
    lay("supply.+", "twelve.+");
    lay("supply.-", "twelve.-");
  }
  if (w.metalBox) {
    lay("block.e", "box.m");
    lay("block.e", "lid.m");
  }
  if (w.metalVessel && plan.heat) lay("block.e", "vessel.m");
  return list;
}

/** The wiring as it is with a fault in it: what is laid where, what meets, how contacts are. */
interface Laid {
  wires: Wired[];
  joints: Branch[];
  /** By contact: how it behaves. */
  contact: Record<string, "closed" | "open" | "inverse" | "half">;
  house: number;
  fuseGone: Record<string, true>;
}

function laidWith(plan: WiringPlan, key: string, next: () => number): Laid {
  const laid: Laid = { wires: wiresOf(plan), joints: [], contact: {}, house: 0, fuseGone: {} };
  const metal = (a: string, b: string) => laid.joints.push({ a, b, ohms: 0.02 });
  const exchange = (a: string, b: string, only?: (w: Wired) => boolean) => {
    const other = (t: string) => (t === a ? b : t === b ? a : t);
    laid.wires = laid.wires.map((w) => (!only || only(w) ? { ...w, a: other(w.a), b: other(w.b) } : w));
  };
  const [p, q] = plan.wiring.laid === "cord" ? ["plug", "plug2"] : ["cable", "cable2"];
  const [kind, rest] = [key.slice(0, key.indexOf(":")), key.slice(key.indexOf(":") + 1)];
  const [x, y] = rest.split("|");
  if (key === "none") return laid;
  switch (kind) {
    case "off":
      laid.wires = laid.wires.filter((w) => w.id !== rest);
      return laid;
    case "poor": {
      const wire = laid.wires.find((w) => w.id === rest)!;
      laid.wires = laid.wires.filter((w) => w !== wire);
      laid.joints.push({ a: wire.a, b: wire.b, ohms: between(next, 1, 100) });
      return laid;
    }
    case "exchanged":
      exchange(x!, y!);
      return laid;
    case "crossed": {
      // Two wires exchanged at the one end are the same two exchanged at the other.
      const [one, two] = [laid.wires.find((w) => w.id === x)!, laid.wires.find((w) => w.id === y)!];
      laid.wires = laid.wires.map((w) => (w === one ? { ...w, b: two.b } : w === two ? { ...w, b: one.b } : w));
      return laid;
    }
    case "joined":
      metal(x!, y!);
      return laid;
    case "house":
      laid.house = Number(rest);
      return laid;
    case "fuse":
    case "fuse2": {
      if (rest === "blown") {
        laid.fuseGone[kind] = true;
        return laid;
      }
      // It stands in the other conductor: the line goes on without it, and whatever left the plug there goes through it.
      const [before, after] = [
        laid.wires.find((w) => w.b === `${kind}.in`)!,
        laid.wires.find((w) => w.a === `${kind}.out`)!,
      ];
      const afters = laid.wires.filter((w) => w.a === `${kind}.out`);
      laid.wires = laid.wires.filter((w) => w !== before && !afters.includes(w));
      metal(before.a, after.b);
      const end = `${kind === "fuse" ? p : q}.2`;
      laid.wires = laid.wires.map((w) => (w.a === end ? { ...w, a: `${kind}.out` } : w));
      metal(end, `${kind}.in`);
      return laid;
    }
    case "switch":
      laid.contact[`switch${rest.slice(-1)}`] = "closed";
      return laid;
    case "cut-out":
      if (rest === "blown") laid.contact["cut-out"] = "open";
      else metal(laid.wires.find((w) => w.b === "cut-out.in")!.a, sock(plan, "heat", "1"));
      return laid;
    case "twin":
      if (rest === "crossed") exchange("twin.heat-1", "twin.cold-1");
      else laid.contact[rest === "link-kept" ? "link1" : "link2"] = "closed";
      return laid;
    case "heat-load":
      if (rest === "short") metal("heat-load.1", "heat-load.2");
      else if (rest === "open") laid.contact["heat-own"] = "open";
      else metal("heat-load.1", "heat-load.e");
      return laid;
    case "cold-load":
      metal("cold-load.1", "cold-load.e");
      return laid;
    case "unit":
      if (rest === "crossed") {
        if (
          plan.wiring.relay === "contactor" ||
          (plan.wiring.relaysIn === "unit" && plan.wiring.relay === "mechanical")
        )
          exchange("unit.heat-out", "unit.cold-out");
        else {
          exchange("unit.heat+", "unit.cold+");
          exchange("unit.heat-", "unit.cold-");
        }
        return laid;
      }
      laid.contact[`unit-${rest.slice(0, 4)}`] = rest.slice(5) as "closed";
      return laid;
    case "heat-relay":
    case "cold-relay": {
      const o = kind.slice(0, 4);
      const what = rest.slice(5);
      if (what === "leak")
        laid.joints.push({ a: `${o}-relay.in`, b: `${o}-relay.out`, ohms: between(next, 1500, 50_000) });
      else if (what.endsWith("2")) laid.contact[`${o}-pole2`] = what.slice(0, -1) as "closed";
      else laid.contact[`${o}-pole1`] = what as "closed";
      return laid;
    }
    default:
      throw new Error(`No such fault is known here: ${key}`);
  }
}

/** What lies in the parts, drawn once for a wiring: Ω. */
function innards(plan: WiringPlan, next: () => number): Record<string, number> {
  const open = () => (next() < 0.3 ? Infinity : 1);
  return {
    unit: between(next, 150, 1e6) * open(),
    supply: between(next, 500, 1e6) * open(),
    out12: between(next, 100, 1e6) * open(),
    sensor: between(next, 80, 5e5),
    coilHeat: between(next, 30, 20_000),
    coilCold: between(next, 30, 20_000),
    driveHeat: plan.wiring.relay === "solid" ? between(next, 200, 1e6) * open() : between(next, 50, 2000),
    driveCold: plan.wiring.relay === "solid" ? between(next, 200, 1e6) * open() : between(next, 50, 2000),
    heater: plan.heatOhms ? between(next, plan.heatOhms.low, plan.heatOhms.high) : between(next, 1, 1e5),
    cooler: between(next, 1, 1e6) * open(),
    pilot: between(next, 50_000, 1e7),
    off: between(next, 1.5e6, 1e8),
  };
}

/** A wiring that somebody has built, with one thing wrong or none. */
export class Built {
  private readonly laid: Laid;
  private readonly inside: Record<string, number>;
  constructor(
    private readonly plan: WiringPlan,
    fault: Pick<Fault, "key">,
    private readonly draw: Draw,
  ) {
    this.laid = laidWith(plan, fault.key, draw.next);
    this.inside = innards(plan, draw.next);
  }

  get isHalf(): boolean {
    return Object.values(this.laid.contact).includes("half");
  }

  /** Conductors and contacts of a state, as resistances; which contacts are closed is sought until nothing moves. */
  private circuit(s: Standing, sources: readonly Fixed[], half: "closed" | "open"): Branch[] {
    const { plan, laid, inside } = this;
    const w = plan.wiring;
    const mains = mainsTable[w.mains];
    const list: Branch[] = [];
    const lifted = s.hand === "cut-out" ? "cut-out.in" : null;
    for (const { a, b } of laid.wires) if (a !== lifted && b !== lifted) list.push({ a, b, ohms: 0.02 });
    list.push(...laid.joints);
    const metal = (a: string, b: string) => list.push({ a, b, ohms: 0.01 });
    const ohms = (a: string, b: string, value: number) => Number.isFinite(value) && list.push({ a, b, ohms: value });
    for (const f of ["fuse", "fuse2"])
      if (w.fuse > 0 && (f === "fuse" || twoCords(plan)) && s.hand !== f && !laid.fuseGone[f])
        metal(`${f}.in`, `${f}.out`);
    for (const r of ["rcd", "rcd2"])
      if (s.hand !== r && laid.wires.some((x) => x.a.startsWith(`${r}.`) || x.b.startsWith(`${r}.`)))
        for (const n of [1, 2]) metal(`${r}.in${n}`, `${r}.out${n}`);
    for (const n of w.mainSwitch === "both" ? [1, 2] : w.mainSwitch === "one" ? [1] : [])
      if (s.hand !== "switch" || laid.contact[`switch${n}`] === "closed") metal(`switch.in${n}`, `switch.out${n}`);
    if (w.cutOut === "yes" && plan.heat && laid.contact["cut-out"] !== "open") metal("cut-out.in", "cut-out.out");
    if (twin(plan)) {
      const both = twoCords(plan) || w.relay === "contactor";
      if (!w.linkBroken || laid.contact.link1) metal("twin.heat-1", "twin.cold-1");
      if (!both || !w.linkBroken || laid.contact.link2) metal("twin.heat-2", "twin.cold-2");
      metal("twin.heat-e", "twin.cold-e");
    }
    // Parts that let something through.
    ohms("unit.1", "unit.2", s.live ? 15_000 : inside.unit!);
    if (w.supply > 0) ohms("supply.1", "supply.2", s.live ? 15_000 : inside.supply!);
    if (!s.live) {
      ohms("probes.a", "probes.b", inside.sensor!);
      if (w.supply > 0) ohms("supply.+", "supply.-", inside.out12!);
    }
    for (const o of outletsOf(plan)) {
      const big = o === "heat" ? "Heat" : "Cold";
      if (w.pilots) ohms(`${o}-pilot.1`, `${o}-pilot.2`, s.live ? mains.volts / 0.002 : inside.pilot!);
      if (w.relay === "contactor")
        ohms(`${o}-relay.coil1`, `${o}-relay.coil2`, s.live ? mains.volts ** 2 / 5 : inside[`coil${big}`]!);
      else if (!s.live && (w.relay === "solid" || w.relaysIn === "outside"))
        ohms(`${o}-relay.coil+`, `${o}-relay.coil-`, inside[`drive${big}`]!);
      if (!(o === "heat" && laid.contact["heat-own"]))
        ohms(`${o}-load.1`, `${o}-load.2`, o === "heat" ? inside.heater! : inside.cooler!);
      if (s.lamp === o) ohms(sock(plan, o, "1"), sock(plan, o, "2"), this.draw.lampOhms);
    }
    // Contacts: closed by what drives them, by a lever, by a fault.
    const contacts = this.contacts(s);
    let closed = contacts.map(() => false);
    for (let round = 0; round < 8; round++) {
      const now = [...list, ...contacts.flatMap((c, i) => (closed[i] ? [{ a: c.a, b: c.b, ohms: 0.01 }] : []))];
      const group = groupsOf(now);
      const fed = (t: string) => sources.find((f) => group(f.at) === group(t));
      const apart = (a: string, b: string) => {
        const [m, n] = [fed(a), fed(b)];
        return !!m && !!n && Math.hypot(m.re - n.re, m.im - n.im) > 0.5 * mains.volts;
      };
      const unitFed = s.live && apart("unit.1", "unit.2");
      const next = contacts.map((c) => {
        const how = laid.contact[c.name];
        if (how === "closed") return true;
        if (how === "open") return false;
        if (how === "half" && half === "open") return false;
        const driven =
          c.by === "unit"
            ? unitFed && s.called === c.o
            : c.by === "coil"
              ? s.hand === `${c.o}-lever` || (s.live && apart(`${c.o}-relay.coil1`, `${c.o}-relay.coil2`))
              : unitFed &&
                s.called !== null &&
                group(`${c.o}-relay.coil+`) !== group(`${c.o}-relay.coil-`) &&
                group(`unit.${s.called}+`) === group(`${c.o}-relay.coil+`) &&
                group(`unit.${s.called}-`) === group(`${c.o}-relay.coil-`);
        return how === "inverse" ? !driven : driven;
      });
      const same = next.every((n, i) => n === closed[i]);
      closed = next;
      if (same) break;
    }
    for (const [i, c] of contacts.entries())
      if (closed[i]) metal(c.a, c.b);
      else {
        if (w.relay === "solid") ohms(c.a, c.b, s.live ? 230_000 : inside.off!);
        else if (s.live) list.push({ a: c.a, b: c.b, ohms: Infinity, farads: 1e-7 });
        if (s.live && this.draw.leaky) list.push({ a: c.a, b: c.b, ohms: 230_000, farads: 1e-7 });
      }
    // A snubber stays beside a contact that is closed: no matter.
    return list;
  }

  private contacts(_: Standing): { name: string; o: Outlet; a: string; b: string; by: "unit" | "coil" | "drive" }[] {
    const w = this.plan.wiring;
    return outletsOf(this.plan).flatMap((o) => {
      const pole = (n: 1 | 2, by: "coil" | "drive") => ({
        name: `${o}-pole${n}`,
        o,
        a: `${o}-relay.in${n === 2 ? "2" : ""}`,
        b: `${o}-relay.out${n === 2 ? "2" : ""}`,
        by,
      });
      const unit = { name: `unit-${o}`, o, a: `unit.${o}-in`, b: `unit.${o}-out`, by: "unit" as const };
      if (w.relay === "contactor") return [unit, pole(1, "coil"), pole(2, "coil")];
      return w.relay === "mechanical" && w.relaysIn === "unit" ? [unit] : [pole(1, "drive")];
    });
  }

  /** Ω between two terminals with everything pulled. */
  ohms(hand: string | null): (a: string, b: string) => number {
    const list = this.circuit({ hand, called: null, live: false, lamp: null }, [], "closed");
    const solver = new Dense(list, []);
    return (a, b) => solver.ohms(a, b);
  }

  /** V between two terminals under the mains. */
  volts(s: { called: Outlet | null; lamp: Outlet }, way: Orientation): (a: string, b: string) => number {
    const sources = this.sources(way);
    const standing: Standing = { hand: null, live: true, ...s };
    const read = (half: "closed" | "open") => {
      const list = this.circuit(standing, sources, half);
      return (a: string, b: string) =>
        new Dense([...list, { a, b, ohms: 1e7 }], sources, mainsTable[this.plan.wiring.mains].hertz).volts(a, b);
    };
    if (!this.isHalf) return read("closed");
    const [on, off] = [read("closed"), read("open")];
    const share = this.draw.next();
    // Half of the time as the one, half as the other: what a meter makes of it is by its kind, from the mean of the
    // rectified alternating part to the true root of the mean square.
    return (a, b) => {
      const [v, u] = [on(a, b), off(a, b)];
      // All but the same: no half waves to speak of.
      if (Math.abs(v - u) < 0.1 * Math.max(v, u)) return (v + u) / 2;
      return Math.sqrt((v * v + u * u) / 2) * (0.55 + 0.45 * share);
    };
  }

  private sources(way: Orientation): Fixed[] {
    const { plan, draw } = this;
    const mains = mainsTable[plan.wiring.mains];
    const [p, q] = plan.wiring.laid === "cord" ? ["plug", "plug2"] : ["cable", "cable2"];
    return (twoCords(plan) ? [1, 2] : [1]).flatMap((cord) => {
      const name = cord === 1 ? p : q;
      const [one, two] = way.half
        ? [
            [0.5, 0],
            [-0.5, 0],
          ]
        : [mains.first, mains.second];
      const around = way.turned[cord - 1] !== (this.laid.house === cord);
      const at = (pole: string, [re, im]: readonly number[]): Fixed => {
        // Where the other conductor is the neutral both stand some volts above earth; between them lie the mains.
        const above = !mains.twoLines && !way.half ? draw.neutral : 0;
        return {
          at: `${name}.${pole}`,
          re: re! * mains.volts * draw.mains + above,
          im: im! * mains.volts * draw.mains,
        };
      };
      return [at("1", around ? two! : one!), at("2", around ? one! : two!), { at: `${name}.e`, re: 0, im: 0 }];
    });
  }
}

interface Fixed {
  at: string;
  re: number;
  im: number;
}

/** What hangs together by less than an ohm. */
function groupsOf(list: readonly Branch[]): (t: string) => string {
  const near = new Map<string, string[]>();
  const put = (a: string, b: string) => near.set(a, [...(near.get(a) ?? []), b]);
  for (const { a, b, ohms } of list)
    if (ohms < 0.5) {
      put(a, b);
      put(b, a);
    }
  const of = new Map<string, string>();
  for (const start of near.keys()) {
    if (of.has(start)) continue;
    const stack = [start];
    while (stack.length > 0) {
      const t = stack.pop()!;
      if (of.has(t)) continue;
      of.set(t, start);
      stack.push(...near.get(t)!);
    }
  }
  return (t) => of.get(t) ?? t;
}

/** G·v = i with a full matrix, pivots by row, complex throughout; sources behind 0.2 Ω. */
export class Dense {
  private readonly names = new Map<string, number>();
  private readonly n: number;
  private readonly lu: Float64Array;
  private readonly order: number[] = [];
  private readonly right: Float64Array;
  constructor(branches: readonly Branch[], sources: readonly Fixed[], hertz = 50) {
    const at = (t: string) => {
      if (!this.names.has(t)) this.names.set(t, this.names.size);
      return this.names.get(t)!;
    };
    for (const b of branches) {
      at(b.a);
      at(b.b);
    }
    for (const s of sources) at(s.at);
    const n = (this.n = this.names.size);
    const m = (this.lu = new Float64Array(2 * n * n));
    this.right = new Float64Array(2 * n);
    const add = (i: number, k: number, re: number, im: number) => {
      m[2 * (i * n + k)]! += re;
      m[2 * (i * n + k) + 1]! += im;
    };
    for (let i = 0; i < n; i++) add(i, i, 1e-13, 0);
    for (const { a, b, ohms, farads = 0 } of branches) {
      const [i, k] = [at(a), at(b)];
      if (i === k) continue;
      const [re, im] = [1 / ohms, 2 * Math.PI * hertz * farads];
      add(i, i, re, im);
      add(k, k, re, im);
      add(i, k, -re, -im);
      add(k, i, -re, -im);
    }
    for (const s of sources) {
      add(at(s.at), at(s.at), 5, 0);
      this.right[2 * at(s.at)]! += 5 * s.re;
      this.right[2 * at(s.at) + 1]! += 5 * s.im;
    }
    this.factor();
  }

  private factor(): void {
    const { n, lu: m } = this;
    for (let i = 0; i < n; i++) this.order.push(i);
    const row = (i: number) => 2 * this.order[i]! * n;
    for (let c = 0; c < n; c++) {
      let best = c;
      let most = -1;
      for (let r = c; r < n; r++) {
        const size = Math.hypot(m[row(r) + 2 * c]!, m[row(r) + 2 * c + 1]!);
        if (size > most) [most, best] = [size, r];
      }
      [this.order[c], this.order[best]] = [this.order[best]!, this.order[c]!];
      const pr = m[row(c) + 2 * c]!;
      const pi = m[row(c) + 2 * c + 1]!;
      const norm = pr * pr + pi * pi;
      for (let r = c + 1; r < n; r++) {
        const ar = m[row(r) + 2 * c]!;
        const ai = m[row(r) + 2 * c + 1]!;
        if (ar === 0 && ai === 0) continue;
        const fr = (ar * pr + ai * pi) / norm;
        const fi = (ai * pr - ar * pi) / norm;
        m[row(r) + 2 * c] = fr;
        m[row(r) + 2 * c + 1] = fi;
        for (let k = c + 1; k < n; k++) {
          const [br, bi] = [m[row(c) + 2 * k]!, m[row(c) + 2 * k + 1]!];
          m[row(r) + 2 * k]! -= fr * br - fi * bi;
          m[row(r) + 2 * k + 1]! -= fr * bi + fi * br;
        }
      }
    }
  }

  private solve(b: Float64Array): Float64Array {
    const { n, lu: m } = this;
    const x = new Float64Array(2 * n);
    for (let i = 0; i < n; i++) {
      const at = 2 * this.order[i]! * n;
      let [re, im] = [b[2 * this.order[i]!]!, b[2 * this.order[i]! + 1]!];
      for (let k = 0; k < i; k++) {
        re -= m[at + 2 * k]! * x[2 * k]! - m[at + 2 * k + 1]! * x[2 * k + 1]!;
        im -= m[at + 2 * k]! * x[2 * k + 1]! + m[at + 2 * k + 1]! * x[2 * k]!;
      }
      x[2 * i] = re;
      x[2 * i + 1] = im;
    }
    for (let i = n - 1; i >= 0; i--) {
      const at = 2 * this.order[i]! * n;
      let [re, im] = [x[2 * i]!, x[2 * i + 1]!];
      for (let k = i + 1; k < n; k++) {
        re -= m[at + 2 * k]! * x[2 * k]! - m[at + 2 * k + 1]! * x[2 * k + 1]!;
        im -= m[at + 2 * k]! * x[2 * k + 1]! + m[at + 2 * k + 1]! * x[2 * k]!;
      }
      const [pr, pi] = [m[at + 2 * i]!, m[at + 2 * i + 1]!];
      const norm = pr * pr + pi * pi;
      x[2 * i] = (re * pr + im * pi) / norm;
      x[2 * i + 1] = (im * pr - re * pi) / norm;
    }
    return x;
  }

  private apart(x: Float64Array, a: string, b: string): number {
    const [i, k] = [this.names.get(a), this.names.get(b)];
    if (i === undefined || k === undefined) return 0;
    return Math.hypot(x[2 * i]! - x[2 * k]!, x[2 * i + 1]! - x[2 * k + 1]!);
  }

  volts(a: string, b: string): number {
    return this.apart(this.solve(this.right), a, b);
  }

  ohms(a: string, b: string): number {
    const [i, k] = [this.names.get(a), this.names.get(b)];
    if (i === undefined || k === undefined) return Infinity;
    const drive = new Float64Array(2 * this.n);
    drive[2 * i] = 1;
    drive[2 * k] = -1;
    return this.apart(this.solve(drive), a, b);
  }
}

/** What a meter of its class shows of so many Ω or V. `asks`: how it is read. */
export function shown(value: number, asks: string, next: () => number): number {
  const noise = (digits: number) => value * (1 + 0.01 * (2 * next() - 1)) + digits * (2 * next() - 1);
  if (asks === "volts") return Math.max(0, noise(1));
  if (asks === "joined") return value < 10 * 10 ** next() ? 0.5 : 9_999_998;
  const most = between(next, 2e6, 4e7);
  if (value > most) return 9_999_999;
  if (asks === "apart" && value < 10 && next() < 0.5) return 0.5;
  return Math.min(9_999_997, Math.max(0, noise(asks === "ohms" ? 0.25 : 0.3)));
}
