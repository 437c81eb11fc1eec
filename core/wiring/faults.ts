import type { Change, Fault } from "./fault";
import { mainsTable, poleNames } from "./mains";
import { netlistOf, sayMarked, type Netlist } from "./netlist";
import type { OwnFault, Part, Place } from "./parts";
import { cordsOf, plugTurns, type WiringPlan } from "./plan";

const known = new WeakMap<WiringPlan, readonly Fault[]>();

/** Every single thing that can be wrong with a wiring: of each wire, each two neighbours, each part. */
export function faultsOf(plan: WiringPlan): readonly Fault[] {
  const found = known.get(plan) ?? allOf(netlistOf(plan));
  known.set(plan, found);
  return found;
}

function allOf(net: Netlist): Fault[] {
  const all = [...ofWires(net), ...ofPins(net), ...ofParts(net), ...ofTheHouse(net.plan)];
  return [...new Map(all.map((f) => [f.key, f])).values()];
}

function ofWires(net: Netlist): Fault[] {
  return net.wires.flatMap((w): Fault[] => {
    const name = `wire ${w.number} from ${sayMarked(w.from, net)} to ${sayMarked(w.to, net)}`;
    const off: Fault = {
      key: `off:${w.id}`,
      is: `The ${name} is off`,
      mend: "Look at both its ends.",
      change: { off: [w.id] },
      of: "wire",
    };
    if (w.job !== "earth") return [off];
    return [
      off,
      {
        key: `poor:${w.id}`,
        is: `The joint of the earth ${name} is poor: 1 to 100 Ω`,
        mend: "Make it again, on bare metal, and read the ohms again.",
        change: { poor: w.id },
        of: "wire",
      },
    ];
  });
}

function ofPins(net: Netlist): Fault[] {
  const { parts, pins, plan } = net;
  const faults: Fault[] = [];
  const say = (id: string) => sayMarked(id, net);
  const exchanged = (a: string, b: string) =>
    faults.push({
      key: `exchanged:${a}|${b}`,
      is: `The wires at ${say(a)} and ${say(b)} are exchanged`,
      mend: "Exchange them.",
      change: { swap: [[a, b]] },
      of: "pins",
    });
  const joined = (a: string, b: string) => {
    const low = [a, b].some((id) => pins.get(id)?.role.is === "low");
    const mains = [a, b].some((id) => pins.get(id)?.role.is !== "low");
    faults.push({
      key: `joined:${a}|${b}`,
      is: `${say(a)} and ${say(b)} touch`,
      mend:
        low && mains
          ? "Part them: low voltage and mains never meet."
          : "Part them, and look for strands that stand out.",
      change: { add: [{ a, b }] },
      of: low && mains ? "low" : "pins",
    });
  };
  const at = (id: string) => net.wires.filter(({ from, to }) => from === id || to === id);
  const wired = new Set(net.wires.flatMap(({ from, to }) => [from, to]));
  /** Where several wires end: those that come in, and those that go on to the same outlet or the same part. */
  const crossed = (a: string, b: string) => {
    for (const x of at(a))
      for (const y of at(b)) {
        const alike =
          (x.to === a) === (y.to === b) &&
          (x.to === a || x.line.split(".")[0] === y.line.split(".")[0]) &&
          (x.to === a || !x.line.startsWith("way") || pins.get(x.to)!.part === pins.get(y.to)!.part);
        if (alike)
          faults.push({
            key: `crossed:${x.id}|${y.id}`,
            is: `Wires ${x.number} and ${y.number} are exchanged at ${say(a)} and ${say(b)}`,
            mend: "Exchange them.",
            change: { cross: [[x.id, a, y.id, b]] },
            of: "pins",
          });
      }
  };
  const full = (part: Part, key: string) => (key.includes(".") ? key : `${part.id}.${key}`);
  const there = (id: string) => pins.has(id);
  for (const part of parts) {
    for (const [k, l] of part.beside) {
      const [a, b] = [full(part, k), full(part, l)];
      if (at(a).length > 1 && at(b).length > 1) crossed(a, b);
      else if (wired.has(a) || wired.has(b)) exchanged(a, b);
      joined(a, b);
    }
    for (const [k, l] of part.touching) {
      const [a, b] = [full(part, k), full(part, l)];
      if (there(a) && there(b)) joined(a, b);
    }
  }
  // Two alike, one for each outlet: what belongs to the one was wired to the other.
  for (const [i, one] of parts.entries())
    for (const other of parts.slice(i + 1))
      if (one.type === other.type && one.outlet !== other.outlet && one.outlet && other.outlet)
        for (const { key } of one.pins) {
          const [a, b] = [full(one, key), full(other, key)];
          if (wired.has(a) && wired.has(b)) exchanged(a, b);
        }
  // Conductors of two cords that meet.
  if (cordsOf(plan).length === 2) {
    const of = (cord: 1 | 2) =>
      [...pins.values()].filter(({ role }) => role.is === "source" && role.cord === cord && role.pole !== "e");
    for (const a of of(1)) for (const b of of(2)) joined(a.id, b.id);
  }
  return faults;
}

function ofParts(net: Netlist): Fault[] {
  return net.parts.flatMap((part) =>
    part.faults.map((own): Fault => {
      const full = (key: string) => (key.includes(".") ? key : `${part.id}.${key}`);
      const change: Change = {
        ...(own.sets
          ? { sets: Object.fromEntries(Object.entries(own.sets).map(([key, how]) => [`${part.id}.${key}`, how])) }
          : {}),
        ...(own.swaps ? { swap: own.swaps.map(([a, b]) => [full(a), full(b)] as const) } : {}),
        ...moved(net, part, own),
      };
      if (own.joins)
        change.add = [...(change.add ?? []), ...own.joins.map((j) => ({ ...j, a: full(j.a), b: full(j.b) }))];
      const isLoad = part.pins.some(({ role }) => role.is === "load");
      return {
        key: `${part.id}:${own.key}`,
        is: own.is,
        mend: own.mend,
        change,
        of: isLoad ? "load" : "part",
        ...(own.asked ? { asked: true } : {}),
      };
    }),
  );
}

/** A part that its line passes by, or that stands in another line. */
function moved(net: Netlist, part: Part, own: OwnFault): Pick<Change, "off" | "add"> {
  if (!own.leftOut && !own.standsIn) return {};
  const place = part.places.find((p) => p.out !== undefined);
  if (!place) return {};
  const [before, after] = around(net, part, place);
  const add = [{ a: before, b: after }];
  if (!own.standsIn) return { add };
  const [into, out] = [`${part.id}.${place.in}`, `${part.id}.${place.out!}`];
  const off = net.wires.filter((w) => w.to === into || w.from === out).map((w) => w.id);
  const begin = net.lines.get(own.standsIn)![0]!.out;
  const next = net.wires.filter((w) => w.from === begin);
  return {
    off: [...off, ...next.map((w) => w.id)],
    add: [...add, { a: begin, b: into }, ...next.map((w) => ({ a: out, b: w.to }))],
  };
}

/** The pins before and after a part on its line. */
function around(net: Netlist, part: Part, place: Place): [before: string, after: string] {
  const into = net.wires.find((w) => w.to === `${part.id}.${place.in}`)!;
  const out = net.wires.find((w) => w.from === `${part.id}.${place.out!}`)!;
  return [into.from, out.to];
}

/** What is wrong with the socket in the wall: where a plug cannot be turned and its two conductors differ. */
function ofTheHouse(plan: WiringPlan): Fault[] {
  if (mainsTable[plan.wiring.mains].twoLines || plugTurns(plan)) return [];
  const [one, two] = poleNames(plan.wiring);
  const where = plan.wiring.laid === "cord" ? "socket in the wall" : "supply in the wall";
  return cordsOf(plan).map((cord) => ({
    key: `house:${cord}`,
    is: `The ${cord === 2 ? "second " : ""}${where} has ${one} and ${two} exchanged`,
    mend: "Nothing here is wrong: have the house looked at by somebody licensed, and take another socket.",
    change: { house: cord },
    of: "house",
  }));
}
