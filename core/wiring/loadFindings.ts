import { heatersOn, isBought, plugTable } from "../chamber";
import type { Chamber } from "../model";
import { airInside } from "./enclosure";
import type { Say } from "./finding";
import { mainsTable } from "./mains";
import { hasTwoCords, type WiringPlan } from "./plan";
import { cordFor, cordSource, laidArea, protectedBy, sinkFor, voltageDrop } from "./sizes";

/** A load that runs for three hours may take so much of what protects it (NEC 210.20(A) and 210.23; from memory). */
const CONTINUOUS = 0.8;
/** Air in which a shut enclosure is too warm for what is in it, °C: most parts are made for 55 (from memory). */
const TOO_WARM = 50;
/** A cold lamp takes some twelve times its current: a relay takes a tenth of its rating of lamps (from memory). */
const LAMP = 0.1;

/** What flows, what it flows through, and how warm that gets. */
export function ofTheLoads(plan: WiringPlan, chamber: Chamber, say: Say): void {
  currents(plan, say);
  if (!plan.wiring.ownWork) readyMade(plan, say);
  warmth(plan, chamber, say);
}

const flowing = ({ wiring, heat, cold }: WiringPlan) => ({
  volts: mainsTable[wiring.mains].volts,
  heat: heat?.amps ?? 0,
  cold: cold?.amps ?? 0,
  others: wiring.otherWatts / mainsTable[wiring.mains].volts,
});

/** Through one cord both flow, through two each by itself. */
const mostFlowing = (plan: WiringPlan): number => {
  const { heat, cold } = flowing(plan);
  return plan.wiring.ownWork && hasTwoCords(plan) ? Math.max(heat, cold) : heat + cold;
};

/** Against fuse, breaker and plug. */
function currents(plan: WiringPlan, say: Say): void {
  const { wiring } = plan;
  const { heat, cold, others } = flowing(plan);
  const { american } = mainsTable[wiring.mains];
  const protects = wiring.ownWork ? protectedBy(wiring) : wiring.breaker;
  const most = mostFlowing(plan);
  const socket = plugTable[wiring.plug].socket ?? wiring.breaker;
  if (wiring.laid === "cord" && most > socket + 1e-9)
    say(
      "plug-weak",
      "danger",
      `${most.toFixed(1)} A flow, and plug and socket are made for ${socket} A.`,
      "Use a smaller heater, or a circuit and a socket that are made for it.",
    );
  if (american && wiring.laid === "cord" && most > wiring.breaker * CONTINUOUS + 1e-9)
    say(
      "plug-load",
      "danger",
      `${most.toFixed(1)} A are too much for something plugged into a circuit of ${wiring.breaker} A: it may take ${(wiring.breaker * CONTINUOUS).toFixed(0)} A (NEC 210.23, from memory).`,
      "Use a smaller heater, or a larger circuit.",
    );
  if (most > protects * CONTINUOUS + 1e-9)
    say(
      "continuous",
      "warning",
      `${most.toFixed(1)} A may run for hours on ${protects} A: ${american ? "the code allows" : "it is usage to take"} four fifths of it, ${(protects * CONTINUOUS).toFixed(1)} A, for so long.`,
      "Use a smaller heater, or a circuit of its own.",
    );
  // With a circuit of its own for what cools, the first one carries the rest.
  const onFirst = wiring.ownWork && hasTwoCords(plan) ? heat : heat + cold;
  if (others > 0 && onFirst + others > wiring.breaker * CONTINUOUS + 1e-9)
    say(
      "circuit-shared",
      "warning",
      `With what else hangs on the circuit ${(onFirst + others).toFixed(1)} A may flow for hours: its breaker of ${wiring.breaker} A takes ${(wiring.breaker * CONTINUOUS).toFixed(1)} A for so long, and trips some night.`,
      "Use a circuit of its own, or plug the other things in elsewhere.",
    );
}

/** A ready-made unit: its outlets against what is plugged into them. */
function readyMade({ wiring, heat, cold }: WiringPlan, say: Say): void {
  for (const [load, name] of [
    [heat, "heater"],
    [cold, "cooler"],
  ] as const) {
    if (!load) continue;
    if (load.amps > wiring.relayAmps + 1e-9)
      say(
        `relay-${name}`,
        "danger",
        `The ${name} takes ${load.amps.toFixed(1)} A, the unit\u2019s outlet is made for ${wiring.relayAmps} A.`,
        "Use a stronger unit, or a contactor.",
      );
    if (!load.motor) continue;
    if (wiring.relayMotorAmps === 0)
      say(
        "relay-motor",
        "warning",
        `The motor runs at ${load.amps.toFixed(1)} A and takes ${((load.starts * 5) / 8).toFixed(0)} to ${load.starts.toFixed(0)} A as it starts; the unit\u2019s paper says nothing of motors.`,
        "Look for its rating in horsepower, for motors, or AC-3.",
      );
    else if (load.amps > wiring.relayMotorAmps + 1e-9)
      say(
        "relay-motor",
        "danger",
        `The motor runs at ${load.amps.toFixed(1)} A, the unit takes ${wiring.relayMotorAmps} A of a motor.`,
        "Use a stronger unit, or a contactor.",
      );
  }
}

/** Cord, enclosure, lamps, sink: what gets warm, and what must not spark. */
function warmth(plan: WiringPlan, chamber: Chamber, say: Say): void {
  const { wiring } = plan;
  const { volts, heat, cold } = flowing(plan);
  const protects = protectedBy(wiring);
  const air = Math.ceil(airInside(plan, chamber));
  if (wiring.ownWork && air > TOO_WARM)
    say(
      "enclosure-hot",
      "warning",
      `In the warmest room the air in the shut enclosure comes to some ${air} °C by the heat of its parts.`,
      "Use a larger enclosure, or the solid-state relay with its sink outside.",
    );
  const lamps = heatersOn(chamber, chamber.controllers[plan.unit]!).filter((h) => h.kind === "bulb" && h.power > 0);
  const lampAmps = lamps.reduce((sum, h) => sum + h.power, 0) / volts;
  if (lampAmps > wiring.relayAmps * LAMP + 1e-9)
    say(
      "relay-lamp",
      "warning",
      `A cold lamp takes about twelve times its ${lampAmps.toFixed(2)} A for a moment: a relay for ${wiring.relayAmps} A takes about ${(wiring.relayAmps * LAMP).toFixed(1)} A of lamps.`,
      "Use a relay with a rating for lamps, or another heater.",
    );
  const fans = chamber.fans.reduce((sum, f) => sum + f.power, 0);
  if (wiring.ownWork && wiring.supply > 0 && fans > wiring.supply * CONTINUOUS + 1e-9)
    say(
      "supply-weak",
      "warning",
      `The fans take ${fans.toFixed(0)} W; a 12 V supply of ${wiring.supply} W feeds ${(wiring.supply * CONTINUOUS).toFixed(0)} W for hours.`,
      "Use a stronger supply.",
    );
  else if (wiring.ownWork && wiring.supply > 0)
    say(
      "supply-margin",
      "note",
      `A 12 V supply of ${wiring.supply} W feeds ${(wiring.supply * CONTINUOUS).toFixed(0)} W for hours: a fifth is its margin.`,
      "Give the 12 V side a fuse of its own; take a supply with double insulation between its sides.",
    );
  const cord = cordFor(plan, air);
  const area = laidArea(plan, air, Math.ceil(chamber.room.high));
  if (wiring.ownWork && area !== null) {
    const drop = voltageDrop(mostFlowing(plan), wiring.cordLength, area);
    if (drop > volts * 0.03)
      say(
        "drop",
        "note",
        `${drop.toFixed(1)} V are lost in the ${wiring.laid === "cord" ? "cord" : "cable"}: more than 3 %.`,
        "Use a shorter or a thicker one.",
      );
  }
  if (!wiring.ownWork) return sparks(plan, chamber, say);
  if (!cord)
    say(
      "no-cord",
      "danger",
      `No flexible cord of ${cordSource(plan)} carries the ${protects} A that protect it, in air of ${air} °C.`,
      "Use a smaller fuse.",
    );
  if (wiring.relay === "solid" && Math.max(heat, cold) > 0.5) {
    const { watts, most } = sinkFor(Math.max(heat, cold), air);
    say(
      "solid",
      "warning",
      `A solid-state relay gives off ${watts.toFixed(0)} W here: its sink may have ${Math.max(0, most).toFixed(1)} K/W at the most. It fails on, never off.`,
      "Keep the sink in free air, and put a one-shot cut-out in series with the heater.",
    );
    if (plan.cold?.motor)
      say(
        "solid-motor",
        "warning",
        "A solid-state relay is rarely made for a compressor\u2019s start.",
        "Use a mechanical relay or a contactor for the cold.",
      );
  }
  sparks(plan, chamber, say);
}

/** A cabinet whose refrigerant burns. */
function sparks(plan: WiringPlan, chamber: Chamber, say: Say): void {
  if (isBought(chamber.cabinet.kind) && plan.cold?.motor) {
    const sparks = chamber.heaters.filter((h) => h.ownThermostat || h.kind === "fanHeater");
    if (sparks.length > 0 || chamber.cabinet.fan)
      say(
        "spark",
        "warning",
        "Many cabinets hold isobutane, which burns: a heater\u2019s thermostat, a brushed fan or a relay inside makes sparks.",
        "Nothing that sparks goes inside: a sealed heater without a thermostat, a brushless fan, relays outside.",
      );
  }
}
