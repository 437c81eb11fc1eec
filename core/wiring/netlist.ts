import { jobOf, parentOf, type Job, type LineName } from "./lines";
import { partTable, type Part, type Pin, type Place } from "./parts";
import { cordOf, type WiringPlan } from "./plan";

/** A wire of the list: where it runs, what it is for. Pins are called `part.key`. */
export interface Wire {
  id: string;
  /** Counted once, in the order of the work: earth first, low voltage last. */
  number: number;
  from: string;
  to: string;
  job: Job;
  line: LineName;
}

/** A pin with the part that it is of, and the letter and number that stand on its label. */
export interface PlacedPin extends Pin {
  id: string;
  part: Part;
  /** The part's letter and the pin's number in it: B2. */
  mark: string;
}

/** Everything that a plan is made of: derived from the record, edited by nobody. */
export interface Netlist {
  plan: WiringPlan;
  parts: readonly Part[];
  wires: readonly Wire[];
  pins: ReadonlyMap<string, PlacedPin>;
  /** The letter of each part. */
  letters: ReadonlyMap<string, string>;
  /** What stands on each line in its order, without what hangs on its end. */
  lines: ReadonlyMap<LineName, readonly Stop[]>;
}

export interface Stop {
  part: string;
  in: string;
  out: string;
  switches: boolean;
}

const ORDER: readonly Job[] = ["earth", "second", "first", "switched", "low"];

/** A, B, … Z, AA: I and O are left out, which look like numbers. */
const LETTERS = "ABCDEFGHJKLMNPQRSTUVWXYZ";
const letterOf = (i: number): string =>
  (i >= LETTERS.length ? LETTERS.charAt(Math.floor(i / LETTERS.length) - 1) : "") + LETTERS.charAt(i % LETTERS.length);

const known = new WeakMap<WiringPlan, Netlist>();

/** The parts of a plan with every conductor that somebody lays between their pins. */
export function netlistOf(plan: WiringPlan): Netlist {
  const found = known.get(plan) ?? derived(plan);
  known.set(plan, found);
  return found;
}

type Put = Place & { part: string };

function derived(plan: WiringPlan): Netlist {
  const parts = partTable.flatMap(({ of }) => of(plan));
  const places = parts.flatMap((p) => p.places.map((place): Put => ({ ...place, part: p.id })));
  const full = (p: Put, key: string) => `${p.part}.${key}`;
  const names = [...new Set(places.map((p) => p.line))];
  const lines = new Map<LineName, Stop[]>(
    names.map((line) => [
      line,
      places
        .filter((p) => p.line === line && !p.tap)
        .sort((a, b) => a.rank - b.rank)
        .map((p) => ({ part: p.part, in: full(p, p.in), out: full(p, p.out ?? p.in), switches: p.switches ?? false })),
    ]),
  );
  const parent = (line: LineName) => parentOf(line, (o) => cordOf(plan, o));
  const wires: Omit<Wire, "number">[] = [];
  const lay = (from: string, to: string, job: Job, line: LineName) =>
    wires.push({ id: `${from}>${to}`, from, to, job, line });
  /** Where a line ends: at its last stop, else where its parent does. */
  const endOf = (line: LineName): { pin: string; job: Job } | null => {
    const stops = lines.get(line) ?? [];
    const last = stops[stops.length - 1];
    if (last) return { pin: last.out, job: stops.some((s) => s.switches) ? "switched" : jobOf(line) };
    const from = parent(line);
    return from ? endOf(from) : null;
  };
  for (const line of names) {
    const from = parent(line);
    let at = from ? (endOf(from)?.pin ?? null) : null;
    let job = jobOf(line);
    for (const stop of lines.get(line)!) {
      if (at !== null) lay(at, stop.in, job, line);
      at = stop.out;
      if (stop.switches) job = "switched";
    }
  }
  for (const p of places)
    if (p.tap) {
      const end = endOf(p.line);
      if (end) lay(end.pin, full(p, p.in), end.job, p.line);
    }
  const letters = new Map(parts.map((p, i) => [p.id, letterOf(i)]));
  const pins = new Map(
    parts.flatMap((p) =>
      p.pins.map((q, i): [string, PlacedPin] => [
        `${p.id}.${q.key}`,
        { ...q, id: `${p.id}.${q.key}`, part: p, mark: `${letters.get(p.id)!}${i + 1}` },
      ]),
    ),
  );
  const numbered = ORDER.flatMap((job) => wires.filter((w) => w.job === job)).map((w, i): Wire => ({
    ...w,
    number: i + 1,
  }));
  return { plan, parts, wires: numbered, pins, letters, lines };
}

/** A pin as somebody would call it who stands before it: by the unit's own paper where its name was typed. */
export function sayPin(id: string, { pins, plan }: Pick<Netlist, "pins" | "plan">): string {
  const typed = plan.names[id];
  return typed ? `unit, ${typed}` : (pins.get(id)?.name ?? id);
}

/** The same with the mark that stands on its label. */
export const sayMarked = (id: string, net: Pick<Netlist, "pins" | "plan">): string =>
  `${net.pins.get(id)?.mark ?? ""} ${sayPin(id, net)}`.trim();

/** Pins that somebody's own paper has names for, in their order. */
export const pinsOnPaper = ({ pins, wires }: Netlist): string[] => {
  const wired = new Set(wires.flatMap(({ from, to }) => [from, to]));
  return [...pins.values()].filter(({ id, part }) => part.paper && wired.has(id)).map(({ id }) => id);
};

/** How far a wire runs outside of the enclosure, m. */
export const awayOf = ({ pins }: Pick<Netlist, "pins">, { from, to }: Pick<Wire, "from" | "to">): number =>
  Math.max(pins.get(from)?.away ?? 0, pins.get(to)?.away ?? 0);
