import type { Chamber } from "../model";
import {
  airInside,
  colourOf,
  cordFor,
  fixedFor,
  hasCutOut,
  hasTwoCords,
  inCord,
  layoutOf,
  lengthsOf,
  outletsIn,
  relaysInUnit,
  wiresOf,
  wiringPlanOf,
  type WiringPlan,
} from "../wiring";
import type { NeededPart } from "./part";

const mm = (m: number) => Math.round(m * 1000);
const relayNames = {
  mechanical: "Relay",
  solid: "Solid-state relay with its sink",
  contactor: "Contactor of two poles, coil for the mains",
} as const;

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

function partsOfUnit(plan: WiringPlan, chamber: Chamber): NeededPart[] {
  const { wiring } = plan;
  const layout = layoutOf(plan);
  const lengths = lengthsOf(plan);
  const wires = wiresOf(plan);
  const outlets = outletsIn(plan);
  if (outlets.length === 0) return [];
  const cords = hasTwoCords(plan) ? 2 : 1;
  const unknown = "a size that the table does not have";
  const size = cordFor(plan, airInside(plan, chamber))?.name ?? unknown;
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
  const metres = new Map<string, number>();
  for (const wire of wires) {
    const colour = colourOf(wire, wiring).replace(/,.*/, "");
    const own = inCord(wire) ? wiring.cordLength : 0;
    metres.set(colour, (metres.get(colour) ?? 0) + lengths[wire.id]! - own);
  }
  return [
    piece(
      "enclosure",
      `Enclosure of ${wiring.metalBox ? "metal" : "plastic"}, at least ${mm(layout.width)} × ${mm(layout.height)} × ${mm(layout.depth)} mm`,
    ),
    wiring.laid === "cord"
      ? byMetre("cord", `Cord with plug, ${size}, three conductors`, cords * wiring.cordLength)
      : byMetre(
          "cord",
          `Fixed cable, ${fixedFor(plan, Math.ceil(chamber.room.high))?.name ?? unknown}, three conductors`,
          cords * wiring.cordLength,
        ),
    ...[...metres].map(([colour, m]) =>
      byMetre(
        `wire-${colour}`,
        colour === "violet"
          ? "Wire for low voltage, 0.5 mm², insulated for the mains, violet"
          : `Wire, ${size}, ${colour}`,
        m,
      ),
    ),
    wiring.outlets === "twin" && outlets.length === 2
      ? piece("twin", `Twin socket that can be split, ${wiring.outletAmps} A`)
      : piece("outlets", `Socket, ${wiring.outletAmps} A`, outlets.length),
    ...(relaysInUnit(plan)
      ? []
      : [piece("relays", `${relayNames[wiring.relay]}, ${wiring.relayAmps} A`, outlets.length)]),
    // The cut-out itself stands with its heater.
    ...(hasCutOut(plan) ? [piece("cut-out-ends", "Heat-proof sleeve and crimps for the cut-out")] : []),
    ...(wiring.pilots ? [piece("pilots", "Small lamp for the mains", outlets.length)] : []),
    ...(wiring.fuse > 0 ? [piece("fuse", `Fuse holder and fuses, ${wiring.fuse} A`, cords)] : []),
    ...(wiring.mainSwitch === "none"
      ? []
      : [piece("switch", `Main switch, ${wiring.mainSwitch === "both" ? "two poles" : "one pole"}`)]),
    piece("blocks", "Terminal block of three"),
    piece("glands", "Gland with strain relief", layout.glands.length),
    piece("ends", "Ferrule, ring or sleeve for a wire\u2019s end", 2 * wires.length),
    ...(wiring.supply > 0 ? [piece("supply", `Supply of 12 V, ${wiring.supply} W`)] : []),
  ];
}
