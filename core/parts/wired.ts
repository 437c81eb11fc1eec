import type { Chamber } from "../model";
import {
  airInside,
  awayOf,
  colourOf,
  cordFor,
  cordsOf,
  fixedFor,
  layoutOf,
  lengthsOf,
  netlistOf,
  outletsIn,
  wiringPlanOf,
  type WiringPlan,
} from "../wiring";
import type { NeededPart } from "./part";

const mm = (m: number) => Math.round(m * 1000);

/** What somebody buys who wires the units' outlets: wire by metres and colour, and all that it ends in. */
export function partsToWire(chamber: Chamber): NeededPart[] {
  const all = chamber.controllers.flatMap((_, unit) => partsOfUnit(wiringPlanOf(chamber, unit), chamber));
  // The same thing of two units is bought twice, in one line.
  const byName = new Map<string, NeededPart>();
  for (const part of all) {
    const known = byName.get(part.name);
    byName.set(part.name, known ? { ...known, quantity: known.quantity + part.quantity } : part);
  }
  const seen = new Map<string, number>();
  return [...byName.values()].map((part) => {
    const before = seen.get(part.key) ?? 0;
    seen.set(part.key, before + 1);
    return before === 0 ? part : { ...part, key: `${part.key}-${before + 1}` };
  });
}

const piece = (key: string, name: string, quantity = 1): NeededPart => ({
  key,
  name,
  quantity,
  unit: "",
  eachBatch: false,
});
const byMetre = (key: string, name: string, m: number): NeededPart => ({
  ...piece(key, name, Math.ceil(m * 10) / 10),
  unit: "m",
});

function partsOfUnit(plan: WiringPlan, chamber: Chamber): NeededPart[] {
  if (outletsIn(plan).length === 0) return [];
  const { wiring } = plan;
  const net = netlistOf(plan);
  const layout = layoutOf(plan);
  const lengths = lengthsOf(plan);
  const cords = cordsOf(plan).length;
  const unknown = "a size that the table does not have";
  const size = cordFor(plan, airInside(plan, chamber))?.name ?? unknown;
  const metres = new Map<string, number>();
  let sheathed = 0;
  for (const wire of net.wires) {
    const away = awayOf(net, wire);
    const colour = colourOf(wire, wiring).replace(/,.*/, "");
    metres.set(colour, (metres.get(colour) ?? 0) + lengths[wire.id]! - away);
    // What leaves the box does so in a sheath; the cord itself is bought by its own length.
    if (away > 0 && away !== wiring.cordLength) sheathed = Math.max(sheathed, away);
  }
  const ends = new Map<string, number>();
  for (const wire of net.wires)
    for (const id of [wire.from, wire.to]) {
      const { end } = net.pins.get(id)!;
      ends.set(end, (ends.get(end) ?? 0) + 1);
    }
  // Each conductor of a block takes a place of it.
  const places = Math.max(...net.parts.flatMap((p) => p.pins).map((p) => (p.takes > 2 ? endsAt(net, p.name) : 0)));
  return [
    piece(
      "enclosure",
      `Enclosure of ${wiring.metalBox ? "metal" : "plastic"}, at least ${mm(layout.width)} × ${mm(layout.height)} × ${mm(layout.depth)} mm`,
    ),
    wiring.laid === "cord"
      ? byMetre("cord", `Sheathed cord, ${size}, three conductors`, cords * wiring.cordLength)
      : byMetre(
          "cord",
          `Fixed cable, ${fixedFor(plan, Math.ceil(chamber.room.high))?.name ?? unknown}, three conductors`,
          cords * wiring.cordLength,
        ),
    ...(sheathed > 0 ? [byMetre("sheathed", `Sheathed heat-proof cable, ${size}, two conductors`, sheathed)] : []),
    ...[...metres].map(([colour, m]) =>
      byMetre(
        `wire-${colour}`,
        colour === "violet"
          ? "Wire for low voltage, 0.5 mm², insulated for the mains, violet"
          : `Wire, ${size}, ${colour}`,
        m,
      ),
    ),
    ...bought(net.parts.flatMap((p) => p.bought)),
    piece("blocks", `Terminal blocks for ${places} conductors each, for line, neutral and earth`, 3),
    piece("glands", "Gland with strain relief", layout.glands.length),
    ...[...ends].map(([end, n]) => piece(`ends-${end}`, endNames[end as keyof typeof endNames], n)),
  ];
}

const endNames = {
  ferrule: "Ferrule",
  ring: "Ring for a screw",
  fork: "Fork for a screw",
  "push-on": "Insulated push-on sleeve",
  screw: "Sleeve for a screw terminal",
} as const;

const endsAt = (net: ReturnType<typeof netlistOf>, name: string): number =>
  net.wires.filter((w) => [w.from, w.to].some((id) => net.pins.get(id)!.name === name)).length;

/** The same thing of several parts in one line. */
function bought(list: readonly { key: string; name: string; quantity: number }[]): NeededPart[] {
  const byName = new Map<string, NeededPart>();
  for (const { key, name, quantity } of list) {
    const before = byName.get(name);
    byName.set(name, before ? { ...before, quantity: before.quantity + quantity } : piece(key, name, quantity));
  }
  return [...byName.values()];
}
