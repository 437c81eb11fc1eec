import { heatersOn, isBought } from "../chamber";
import type { Chamber } from "../model";
import { airInside } from "./enclosure";
import type { Say } from "./finding";
import { mainsTable, type WiringPlan } from "./plan";
import { cordFor, cordSource, protectedBy, sinkFor, voltageDrop } from "./sizes";
import { hasTwoCords } from "./wires";

/** A load that runs for three hours may take so much of what protects it (NEC 210.23 and 210.21(B)(2), from memory). */
const CONTINUOUS = 0.8;
/** A compressor's first moment against its running current; a solid-state relay is hardly ever made for it (from memory). */
const START = 6;
/** Air in which a shut enclosure is too warm for what is in it, °C: most parts are made for 55 (from memory). */
const TOO_WARM = 50;
/** A cold lamp takes some twelve times its current: a relay takes a tenth of its rating of lamps (from memory). */
const LAMP = 0.1;

/** What flows, what it flows through, and how warm that gets. */
export function ofTheLoads(plan: WiringPlan, chamber: Chamber, say: Say): void {
  currents(plan, say);
  warmth(plan, chamber, say);
}

const flowing = ({ wiring, heat, cold }: WiringPlan) => {
  const { volts } = mainsTable[wiring.mains];
  const amps = (watts: number | null) => (watts ?? 0) / volts;
  return {
    volts,
    heat: amps(heat),
    cold: amps(cold),
    others: amps(wiring.otherWatts),
    protects: protectedBy(wiring),
  };
};

/** Through one cord both flow, through two each by itself. */
const mostFlowing = (plan: WiringPlan): number => {
  const { heat, cold } = flowing(plan);
  return hasTwoCords(plan) ? Math.max(heat, cold) : heat + cold;
};

/** Against fuse, breaker, relay and outlet. */
function currents(plan: WiringPlan, say: Say): void {
  const { wiring } = plan;
  const { heat, cold, others, protects } = flowing(plan);
  const most = mostFlowing(plan);
  if (most > protects * CONTINUOUS + 1e-9)
    say(
      "continuous",
      "warning",
      `${most.toFixed(1)} A may run for hours on ${protects} A: four fifths of it are the most for so long.`,
      "A smaller heater, or a circuit of its own.",
    );
  // With a circuit of its own for what cools, the first one carries the rest.
  const onFirst = hasTwoCords(plan) ? heat : heat + cold;
  if (others > 0 && onFirst + others > wiring.breaker * CONTINUOUS + 1e-9)
    say(
      "circuit-shared",
      "warning",
      `With what else hangs on the circuit ${(onFirst + others).toFixed(1)} A may flow for hours: its breaker of ${wiring.breaker} A takes ${(wiring.breaker * CONTINUOUS).toFixed(1)} A for so long, and trips some night.`,
      "A circuit of its own, or the other things elsewhere.",
    );
  if (heat > wiring.relayAmps + 1e-9)
    say(
      "relay-heat",
      "danger",
      `The heater takes ${heat.toFixed(1)} A, the relay is made for ${wiring.relayAmps} A.`,
      "A larger relay or a contactor.",
    );
  if (plan.motor && cold > 0) {
    const start = cold * START;
    if (wiring.relayMotorAmps === 0)
      say(
        "relay-motor",
        "warning",
        `The compressor takes some ${start.toFixed(0)} A as it starts; the relay\u2019s paper says nothing of motors.`,
        "Look for its rating in horsepower or for motors.",
      );
    else if (cold > wiring.relayMotorAmps)
      say(
        "relay-motor",
        "danger",
        `The compressor runs at ${cold.toFixed(1)} A, the relay takes ${wiring.relayMotorAmps} A of a motor.`,
        "A larger relay or a contactor.",
      );
  }
  if (Math.max(heat, cold) > wiring.outletAmps + 1e-9)
    say(
      "outlet",
      "danger",
      `More flows than the outlet\u2019s ${wiring.outletAmps} A.`,
      "An outlet that is rated for it.",
    );
  if (protects > wiring.outletAmps + 1e-9)
    say(
      "outlet-protected",
      "warning",
      `What protects it lets ${protects} A through, the outlets are made for ${wiring.outletAmps} A.`,
      `A fuse of ${wiring.outletAmps} A or less in the cord.`,
    );
}

/** Cord, enclosure, lamps, sink: what gets warm, and what must not spark. */
function warmth(plan: WiringPlan, chamber: Chamber, say: Say): void {
  const { wiring } = plan;
  const { volts, heat, cold, protects } = flowing(plan);
  const air = Math.ceil(airInside(plan, chamber));
  if (wiring.ownWork && air > TOO_WARM)
    say(
      "enclosure-hot",
      "warning",
      `In the warmest room the air in the shut enclosure comes to some ${air} °C by the heat of its parts.`,
      "A larger enclosure, or the solid-state relay with its sink outside.",
    );
  const lamps = heatersOn(chamber, chamber.controllers[plan.unit]!).filter((h) => h.kind === "bulb" && h.power > 0);
  const lampAmps = lamps.reduce((sum, h) => sum + h.power, 0) / volts;
  if (lampAmps > wiring.relayAmps * LAMP + 1e-9)
    say(
      "relay-lamp",
      "warning",
      `A cold lamp takes about twelve times its ${lampAmps.toFixed(2)} A for a moment: a relay for ${wiring.relayAmps} A takes about ${(wiring.relayAmps * LAMP).toFixed(1)} A of lamps.`,
      "A relay with a rating for lamps, or a heater in its place.",
    );
  const fans = chamber.fans.reduce((sum, f) => sum + f.power, 0);
  if (wiring.ownWork && wiring.supply > 0 && fans > wiring.supply * CONTINUOUS + 1e-9)
    say(
      "supply-weak",
      "warning",
      `The fans take ${fans.toFixed(0)} W; a 12 V supply of ${wiring.supply} W feeds ${(wiring.supply * CONTINUOUS).toFixed(0)} W for hours.`,
      "A stronger supply.",
    );
  else if (wiring.ownWork && wiring.supply > 0)
    say(
      "supply",
      "note",
      `A 12 V supply of ${wiring.supply} W feeds ${(wiring.supply * CONTINUOUS).toFixed(0)} W for hours: a fifth is its margin.`,
      "Its own fuse on the 12 V side, double insulation between both sides.",
    );
  const cord = cordFor(plan, air);
  if (!cord)
    say(
      "no-cord",
      "danger",
      `No flexible cord of ${cordSource(plan)} carries the ${protects} A that protect it, in air of ${air} °C.`,
      "A smaller fuse in the cord.",
    );
  else {
    const drop = voltageDrop(mostFlowing(plan), wiring.cordLength, cord.area);
    if (drop > volts * 0.03)
      say("drop", "note", `${drop.toFixed(1)} V are lost in the cord: more than 3 %.`, "A shorter or a thicker one.");
  }
  if (wiring.relay === "solid" && Math.max(heat, cold) > 0.5) {
    const { watts, most } = sinkFor(Math.max(heat, cold), air);
    say(
      "solid",
      "warning",
      `A solid-state relay gives off ${watts.toFixed(0)} W here: its sink may have ${Math.max(0, most).toFixed(1)} K/W at the most. It fails on, never off.`,
      "The sink in free air, and a one-shot cut-out in series with the heater that no electronics decide over.",
    );
    if (plan.motor)
      say(
        "solid-motor",
        "warning",
        "A solid-state relay is rarely made for a compressor\u2019s start.",
        "A mechanical relay for the cold.",
      );
  }
  if (isBought(chamber.cabinet.kind) && plan.motor) {
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
