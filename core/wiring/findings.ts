import { heatersOn, isBought } from "../chamber";
import type { Chamber } from "../model";
import { circuitOf, idle, outletsIn, type State } from "./circuit";
import { airInside } from "./enclosure";
import { joinedIn } from "./joined";
import { mainsTable, type WiringPlan } from "./plan";
import { cordFor, cordSource, sinkFor, voltageDrop } from "./sizes";

/** Something that is wrong with a wiring as it is planned, and what mends it. */
export interface WiringFinding {
  id: string;
  severity: "danger" | "warning" | "note";
  text: string;
  mend: string;
}

/** A load that runs for three hours may take so much of what protects it (NEC 210.23 and 210.21(B)(2), from memory). */
const CONTINUOUS = 0.8;
/** A compressor's first moment against its running current; a solid-state relay is hardly ever made for it (from memory). */
const START = 6;
/** Air in which a shut enclosure is too warm for what is in it, °C: most parts are made for 55 (from memory). */
const TOO_WARM = 50;
/** A cold lamp takes some twelve times its current: a relay takes a tenth of its rating of lamps (from memory). */
const LAMP = 0.1;

/** What the solver and the tables say of a wiring before anybody buys a wire. */
export function wiringFindings(plan: WiringPlan, chamber: Chamber): WiringFinding[] {
  if (plan.wiring.ownWork) return allFindings(plan, chamber);
  // A ready-made unit is wired already: what is plugged into it still has to suit it.
  const made = { ...plan.wiring, fuse: 0, mainSwitch: "none", outlets: "two", relay: "mechanical" } as const;
  return allFindings({ ...plan, wiring: made }, chamber).filter((f) => ofTheLoad.includes(f.id));
}

const ofTheLoad: readonly string[] = [
  "residual",
  "continuous",
  "relay-heat",
  "relay-motor",
  "outlet",
  "spark",
  "relay-lamp",
];

function allFindings(plan: WiringPlan, chamber: Chamber): WiringFinding[] {
  const { wiring } = plan;
  const mains = mainsTable[wiring.mains];
  const found: WiringFinding[] = [];
  const say = (id: string, severity: WiringFinding["severity"], text: string, mend: string) =>
    found.push({ id, severity, text, mend });
  const outlets = outletsIn(plan);
  const states: State[] = [
    idle,
    { ...idle, heatOn: true },
    { ...idle, coldOn: true },
    { ...idle, heatOn: true, coldOn: true },
  ];
  for (const state of states) {
    const joined = joinedIn(circuitOf(plan, state));
    if (joined("plug 1", "plug 2")) say("short", "danger", "Both conductors meet: a short.", "Part them.");
    if (joined("plug 1", "plug earth")) say("live-earth", "danger", "The line meets earth.", "Part them.");
    for (const o of outlets) {
      const on = o === "heat" ? state.heatOn : state.coldOn;
      const live = joined("plug 1", `${o} 1`);
      if (live && !on)
        say(
          "outlets-together",
          "danger",
          "One outlet is live while only the other is switched on: the link between the two sockets is whole, so heat and cold run together.",
          "Break the link on the live side; where a twin socket cannot be split, take two single ones.",
        );
      if (!joined("plug earth", `${o} earth`))
        say(`no-earth-${o}`, "danger", `The ${o} outlet has no earth.`, "Lay it from the common earth.");
    }
  }
  const off = joinedIn(circuitOf(plan, { ...idle, mainOn: false }));
  const staysLive =
    wiring.mainSwitch !== "none" && (off("plug 1", "common 1") || (mains.twoLines && off("plug 2", "common 2")));
  if (staysLive)
    say(
      "half-off",
      "danger",
      "With the switch off one line stays live in the whole of it.",
      "A switch that opens both lines.",
    );
  if (wiring.mainSwitch === "one" && wiring.plugTurns && !mains.twoLines)
    say(
      "turned",
      "warning",
      "The plug goes in both ways round: a switch of one pole then opens the neutral, and isolates nothing.",
      "A switch that opens both.",
    );
  if (mains.twoLines)
    say(
      "second-line",
      "warning",
      "A relay opens one line only: the second one stays live at the outlets while all is off.",
      "Relays or a contactor with two poles; pull the plug before anything is touched.",
    );
  if (!wiring.residual)
    say(
      "residual",
      "danger",
      "No residual-current protection stands before it, and it is wet around it.",
      "A socket or a plug with one.",
    );
  const volts = mains.volts;
  const amps = (watts: number | null) => (watts ?? 0) / volts;
  const [heat, cold] = [amps(plan.heat), amps(plan.cold)];
  const protects = wiring.fuse > 0 ? Math.min(wiring.fuse, wiring.breaker) : wiring.breaker;
  if (heat + cold > protects * CONTINUOUS + 1e-9)
    say(
      "continuous",
      "warning",
      `${(heat + cold).toFixed(1)} A may run for hours on ${protects} A: four fifths of it are the most for so long.`,
      "A smaller heater, or a circuit of its own.",
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
  if (wiring.ownWork && wiring.supply > 0)
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
    const drop = voltageDrop(heat + cold, wiring.cordLength, cord.area);
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
  return found.filter((f, i) => found.findIndex((o) => o.id === f.id) === i);
}
