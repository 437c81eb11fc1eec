import type { Chamber } from "../model";
import type { Say, WiringFinding } from "./finding";
import { ofTheLoads } from "./loadFindings";
import { mainsTable, type WiringPlan } from "./plan";
import { fixedFor, fixedSource } from "./sizes";
import { ofTheSolver } from "./solverFindings";
import { hasCutOut, hasTwoCords, plugTurns } from "./wires";

/** What the solver and the tables say of a wiring before anybody buys a wire. */
export function wiringFindings(plan: WiringPlan, chamber: Chamber): WiringFinding[] {
  if (plan.wiring.ownWork) return allFindings(plan, chamber);
  // A ready-made unit is wired already: what is plugged into it still has to suit it.
  const made: WiringPlan["wiring"] = {
    ...plan.wiring,
    fuse: 0,
    mainSwitch: "none",
    outlets: "two",
    relay: "mechanical",
    laid: "cord",
    secondCord: false,
  };
  return allFindings({ ...plan, wiring: made }, chamber).filter((f) => ofTheLoad.includes(f.id));
}

const ofTheLoad: readonly string[] = [
  "residual",
  "continuous",
  "circuit-shared",
  "relay-heat",
  "relay-motor",
  "outlet",
  "spark",
  "relay-lamp",
];

function allFindings(plan: WiringPlan, chamber: Chamber): WiringFinding[] {
  const { wiring } = plan;
  const { twoLines } = mainsTable[wiring.mains];
  const found: WiringFinding[] = [];
  const say: Say = (id, severity, text, mend) => found.push({ id, severity, text, mend });
  found.push(...ofTheSolver(plan));
  if (wiring.mainSwitch === "one" && plugTurns(plan) && !twoLines)
    say(
      "turned",
      "warning",
      "The plug goes in both ways round: a switch of one pole then opens the neutral, and isolates nothing.",
      "A switch that opens both.",
    );
  if (hasTwoCords(plan))
    say(
      "two-cords",
      "warning",
      "Two cords feed it: with one pulled, or the main switch off, what hangs on the other stays live.",
      "A label on the lid, pull both; or one cord for all of it.",
    );
  if (wiring.ownWork && plan.heat !== null && plan.heat > 0 && !hasCutOut(plan))
    say(
      "no-cut-out",
      "danger",
      "Nothing ends the heating when relay or unit fail switched on, and relays fail so.",
      "A one-shot thermal cut-out in series with the heater, at the place that becomes hot first.",
    );
  if (!wiring.residual)
    say(
      "residual",
      "danger",
      "No residual-current protection stands before it, and it is wet around it.",
      "A socket or a plug with one.",
    );
  ofTheCable(plan, chamber, say);
  ofTheLoads(plan, chamber, say);
  return found.filter((f, i) => found.findIndex((o) => o.id === f.id) === i);
}

/** What is laid fixed: its cable, and that it can be switched off. */
function ofTheCable(plan: WiringPlan, chamber: Chamber, say: Say): void {
  const { wiring } = plan;
  if (wiring.laid === "cord") return;
  const fixed = fixedFor(plan, Math.ceil(chamber.room.high));
  if (fixed)
    say(
      "fixed",
      "note",
      `The fixed cable: ${fixed.name} for the ${wiring.breaker} A of the breaker (${fixedSource(plan)}, from memory).`,
      "Laid and joined by somebody licensed; a switch beside it that opens all its conductors.",
    );
  else
    say(
      "no-fixed",
      "danger",
      `No cable of ${fixedSource(plan)} carries the ${wiring.breaker} A of the breaker in a room of ${Math.ceil(chamber.room.high)} °C.`,
      "A smaller breaker.",
    );
  if (wiring.mainSwitch !== "both")
    say(
      "fixed-switch",
      "danger",
      "What is laid fixed has no plug to pull, and no switch here opens all its conductors.",
      "A main switch that opens both.",
    );
}
