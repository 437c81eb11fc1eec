import type { Chamber } from "../model";
import type { Say, WiringFinding } from "./finding";
import { ofTheLoads } from "./loadFindings";
import { mainsTable } from "./mains";
import { ofTheNetlist } from "./netFindings";
import { hasCutOut, hasTwoCords, plugTurns, type WiringPlan } from "./plan";
import { fixedFor, fixedSource } from "./sizes";
import { ofTheSolver } from "./solverFindings";

/** What the solver and the tables say of a wiring before anybody buys a wire. */
export function wiringFindings(plan: WiringPlan, chamber: Chamber): WiringFinding[] {
  const found: WiringFinding[] = [];
  const say: Say = (id, severity, text, mend) => found.push({ id, severity, text, mend });
  const { wiring } = plan;
  if (wiring.ownWork) {
    found.push(...ofTheSolver(plan));
    ofTheWay(plan, say);
    ofTheCable(plan, chamber, say);
    ofTheNetlist(plan, chamber, say);
  }
  asked(plan, say);
  ofTheLoads(plan, chamber, say);
  say(
    "strip",
    "note",
    "A power strip or a cable reel before it is made for less than the socket, gets warm when rolled up, and lies where it gets wet.",
    "Plug it straight into the wall.",
  );
  const rank = { danger: 0, warning: 1, note: 2 } as const;
  return found
    .filter((f, i) => found.findIndex((o) => o.id === f.id) === i)
    .sort((a, b) => rank[a.severity] - rank[b.severity]);
}

/** What only the person knows: protection at the wall, and what ends the heating. */
function asked(plan: WiringPlan, say: Say): void {
  const { residual, cutOut, ownWork } = plan.wiring;
  if (residual === "none")
    say(
      "residual",
      "danger",
      "No residual-current protection (RCD, GFCI) stands before it, and it is wet around it.",
      "Use a socket or an adapter with one.",
    );
  else if (residual === "unknown")
    say(
      "residual-unknown",
      "warning",
      "Nobody has said yet whether residual-current protection (RCD, GFCI) stands before it.",
      "Look for a test button at the socket or in the fuse box, press it, and say which kind it is.",
    );
  if (plan.heat === null || plan.heat.watts <= 0 || hasCutOut(plan)) return;
  const mend = "Put a one-shot thermal cut-out in series with the heater, where it gets hot first.";
  if (cutOut === "no" || ownWork)
    say(
      "no-cut-out",
      "danger",
      "Nothing ends the heating when relay or unit fail switched on, and relays fail so.",
      mend,
    );
  else
    say(
      "cut-out-unknown",
      "warning",
      "Nobody has said yet whether a one-shot cut-out ends the heating when the unit\u2019s relay sticks.",
      "Look at heater and unit, and say it below.",
    );
}

function ofTheWay(plan: WiringPlan, say: Say): void {
  const { wiring } = plan;
  if (wiring.mainSwitch === "one" && plugTurns(plan) && !mainsTable[wiring.mains].twoLines)
    say(
      "turned",
      "warning",
      "The plug goes in both ways round: a switch of one pole then opens the neutral, and isolates nothing.",
      "Use a switch that opens both.",
    );
  if (hasTwoCords(plan))
    say(
      "two-cords",
      "warning",
      "Two cords feed it: with one pulled, or the main switch off, what hangs on the other stays live.",
      "Put a label on the lid: pull both. Or use one cord for all of it.",
    );
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
      `Fixed cable: ${fixed.name} for the ${wiring.breaker} A of the breaker (${fixedSource(plan)}, from memory).`,
      "Have it laid and joined by somebody licensed, with a switch beside it that opens all its conductors.",
    );
  else
    say(
      "no-fixed",
      "danger",
      `No cable of ${fixedSource(plan)} carries the ${wiring.breaker} A of the breaker in a room of ${Math.ceil(chamber.room.high)} °C.`,
      "Use a smaller breaker.",
    );
  if (wiring.mainSwitch !== "both")
    say(
      "fixed-switch",
      "danger",
      "A fixed cable has no plug to pull, and no switch here opens all its conductors.",
      "Use a main switch that opens both.",
    );
}

/** What was looked at before, and what was not: no plan is called safe. */
export const checkedList =
  "Checked: what is joined in every state of switches, relays and plugs; currents against fuse, cord, relay, outlet and cut-out; sizes and warmth.";
export const uncheckedList =
  "Not checked: the wiring of the house, insulation, workmanship, local rules. Not covered at all: three-phase supplies, low-voltage refrigerators, gas. Have those planned and built by somebody licensed.";
