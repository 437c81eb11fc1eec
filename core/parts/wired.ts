import type { Chamber } from "../model";
import { airInside, colourOf, cordFor, layoutOf, lengthsOf, outletsIn, wiresOf, wiringPlanOf } from "../wiring";
import type { NeededPart } from "./part";

const mm = (m: number) => Math.round(m * 1000);

/** What somebody buys who wires the unit's outlets: wire by metres and colour, and all that it ends in. */
export function partsToWire(chamber: Chamber): NeededPart[] {
  const plan = wiringPlanOf(chamber);
  const { wiring } = plan;
  const layout = layoutOf(plan);
  const lengths = lengthsOf(plan);
  const wires = wiresOf(plan);
  const outlets = outletsIn(plan);
  const size = cordFor(plan, airInside(plan, chamber))?.name ?? "a size that the table does not have";
  const piece = (key: string, name: string, quantity = 1): NeededPart => ({
    key,
    name,
    quantity,
    unit: "",
    eachBatch: false,
  });
  const metres = new Map<string, number>();
  for (const wire of wires) {
    const colour = colourOf(wire, wiring).replace(/,.*/, "");
    const own = wire.from.startsWith("plug") || wire.to.startsWith("plug") ? wiring.cordLength : 0;
    metres.set(colour, (metres.get(colour) ?? 0) + lengths[wire.id]! - own);
  }
  return [
    piece(
      "enclosure",
      `Enclosure of ${wiring.metalBox ? "metal" : "plastic"}, at least ${mm(layout.width)} × ${mm(layout.height)} × ${mm(layout.depth)} mm`,
    ),
    {
      key: "cord",
      name: `Cord with plug, ${size}, three conductors`,
      quantity: wiring.cordLength,
      unit: "m",
      eachBatch: false,
    },
    ...[...metres].map(([colour, m]): NeededPart => ({
      key: `wire-${colour}`,
      name: `Wire, ${size}, ${colour}`,
      quantity: Math.ceil(m * 10) / 10,
      unit: "m",
      eachBatch: false,
    })),
    wiring.outlets === "twin" && outlets.length === 2
      ? piece("twin", `Twin socket that can be split, ${wiring.outletAmps} A`)
      : piece("outlets", `Socket, ${wiring.outletAmps} A`, outlets.length),
    piece(
      "relays",
      `${wiring.relay === "solid" ? "Solid-state relay with its sink" : "Relay"}, ${wiring.relayAmps} A`,
      outlets.length,
    ),
    ...(wiring.fuse > 0 ? [piece("fuse", `Fuse holder and fuses, ${wiring.fuse} A`)] : []),
    ...(wiring.mainSwitch === "none"
      ? []
      : [piece("switch", `Main switch, ${wiring.mainSwitch === "both" ? "two poles" : "one pole"}`)]),
    piece("blocks", "Terminal block of three"),
    piece("glands", "Gland with strain relief", layout.glands.length),
    piece("ends", "Ferrule, ring or sleeve for a wire\u2019s end", 2 * wires.length),
    ...(wiring.supply > 0 ? [piece("supply", `Supply of 12 V, ${wiring.supply} W`)] : []),
  ];
}
