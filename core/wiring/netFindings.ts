import type { Chamber } from "../model";
import { airInside } from "./enclosure";
import type { Say } from "./finding";
import { netlistOf } from "./netlist";
import type { Part } from "./parts";
import { cordOf, hasTwoCords, outletsIn, type Load, type WiringPlan } from "./plan";
import { cordFor, earthOhms, laidArea, protectedBy } from "./sizes";

/** Degrees of protection against water by place (IEC 60529; which place asks for which is common practice, no source). */
const PROTECTION = { dry: "IP20", damp: "IP44", splash: "IP65" } as const;
/** A cord whose earth alone is more than this leaves too little for its joints, Ω. */
const EARTH_MOST = 0.15;

/** What flows through a part for hours: of its outlet, of its cord, of all. */
function loadsThrough(plan: WiringPlan, part: Part): Load[] {
  const all = outletsIn(plan).filter((o) => {
    if (part.outlet) return part.outlet === o;
    return part.cord ? cordOf(plan, o) === part.cord : true;
  });
  return all.map((o) => plan[o]!);
}

/** What follows from parts, pins and wires: each against what it is made for. */
export function ofTheNetlist(plan: WiringPlan, chamber: Chamber, say: Say): void {
  const net = netlistOf(plan);
  const protects = protectedBy(plan.wiring);
  for (const part of net.parts) {
    const { rating } = part;
    if (!rating) continue;
    const loads = loadsThrough(plan, part);
    if (loads.length === 0) continue;
    const amps = Math.max(...loads.map((l) => l.amps));
    if (rating.amps < amps - 1e-9)
      say(
        `weak-${part.type}`,
        "danger",
        `The ${rating.name} is made for ${rating.amps} A, and ${amps.toFixed(1)} A flow through it.`,
        "Use a stronger one, or a weaker load.",
      );
    else if (rating.amps < protects - 1e-9)
      say(
        `unprotected-${part.type}`,
        "danger",
        `The ${rating.name} is made for ${rating.amps} A, and what protects it lets ${protects} A through.`,
        `Use a fuse of ${rating.amps} A or less, or a stronger part.`,
      );
  }
  ofMotors(plan, say);
  ofPins(plan, chamber, say);
  const cord = laidArea(plan, airInside(plan, chamber), Math.ceil(chamber.room.high));
  const earth = cord === null ? 0 : earthOhms(plan.wiring.cordLength, cord);
  if (earth > EARTH_MOST)
    say(
      "earth-long",
      "warning",
      `The earth of the cord alone is ${earth.toFixed(2)} Ω: with its joints it may read more than 0.5 Ω.`,
      "Use a shorter or a thicker cord.",
    );
  say(
    "water",
    "note",
    `In a ${plan.wiring.place === "splash" ? "place that gets splashed" : `${plan.wiring.place} place`} the enclosure, its outlets and glands are ${PROTECTION[plan.wiring.place]} or better (IEC 60529).`,
    plan.wiring.place === "dry"
      ? "Keep it off the floor."
      : "Glands point down, and the cord hangs in a loop below them.",
  );
  if (plan.wiring.fuse > 0)
    say(
      "fuse-kind",
      "note",
      "Use ceramic fuses that break 1,500 A (IEC 60127 type H): a glass one may burst on a short.",
      plan.heat?.motor || plan.cold?.motor ? "Use time-lag ones (T): a quick one blows when the motor starts." : "",
    );
  if (chamber.heaters.some((h) => h.kind === "immersion") && !plan.wiring.metalVessel)
    say(
      "vessel",
      "note",
      "An element in the liquid: if its kettle or pot is of metal, it has to be earthed.",
      "Say below that the vessel is of metal: the earth then stands in the list and is tested.",
    );
  if (hasTwoCords(plan) && plan.wiring.residual !== "none" && plan.wiring.residualAt === "wall")
    say(
      "two-residual",
      "note",
      "Each of the two cords needs residual-current protection of its own.",
      "Press both buttons.",
    );
}

/** What a motor runs through against its rating for motors: a rating for resistive loads says nothing of its start. */
function ofMotors(plan: WiringPlan, say: Say): void {
  for (const o of outletsIn(plan)) {
    const load = plan[o]!;
    if (!load.motor) continue;
    const through = netlistOf(plan).parts.flatMap(({ rating, outlet }) =>
      rating && rating.motorAmps !== null && (outlet === undefined || outlet === o)
        ? [{ name: rating.name, amps: rating.motorAmps }]
        : [],
    );
    const unknown = [...new Set(through.filter((r) => r.amps === 0).map((r) => r.name))];
    if (unknown.length > 0)
      say(
        `motor-${o}`,
        "warning",
        `The motor of the ${o === "heat" ? "heater" : "cooler"} runs at ${load.amps.toFixed(1)} A and takes ${((load.starts * 5) / 8).toFixed(0)} to ${load.starts.toFixed(0)} A as it starts. Nothing is said of motors for: ${unknown.join(", ")}.`,
        "Look for a rating in horsepower, for motors, or AC-3; a resistive rating says nothing of a start.",
      );
    for (const { name, amps } of through)
      if (amps > 0 && load.amps > amps + 1e-9)
        say(
          `motor-weak-${o}`,
          "danger",
          `The motor runs at ${load.amps.toFixed(1)} A, the ${name} takes ${amps} A of a motor.`,
          "Use a larger relay or a contactor.",
        );
  }
}

/** How many conductors a terminal takes, and whether the wire fits into it. */
function ofPins(plan: WiringPlan, chamber: Chamber, say: Say): void {
  const net = netlistOf(plan);
  const size = cordFor(plan, airInside(plan, chamber));
  for (const pin of net.pins.values()) {
    const wires = net.wires.filter((w) => w.from === pin.id || w.to === pin.id);
    if (wires.length > pin.takes)
      say(
        `crowded-${pin.id}`,
        "warning",
        `${wires.length} conductors end at ${pin.mark}, which takes ${pin.takes}.`,
        "Use a longer block or a bar: no more conductors in a terminal than its maker allows.",
      );
    const mains = wires.some((w) => w.job !== "low");
    if (size && mains && (size.area > pin.sizes[1] + 1e-9 || size.area < pin.sizes[0] - 1e-9))
      say(
        `pin-size-${pin.part.type}`,
        "warning",
        `${size.name} does not fit the usual terminals of the ${pin.part.label.toLowerCase()} (${pin.sizes[0]} to ${pin.sizes[1]} mm²).`,
        "Look at the part: choose one that takes the wire.",
      );
  }
}
