import type { WiringFinding } from "./finding";
import type { Hazard } from "./hazard";
import { hazardsIn } from "./hazards";
import { mainsTable } from "./mains";
import type { WiringPlan } from "./plan";
import { netlistOf } from "./netlist";
import { sayPlace } from "./sayHazard";

/** What is joined to what in any state of relays, switches and plugs: each sentence names the conductor. */
export function ofTheSolver(plan: WiringPlan): WiringFinding[] {
  const { twoLines } = mainsTable[plan.wiring.mains];
  const hazards = hazardsIn(plan);
  const net = netlistOf(plan);
  const has = (kind: Hazard["kind"], is: (h: Hazard) => boolean = () => true) =>
    hazards.find((h) => h.kind === kind && is(h));
  const found: WiringFinding[] = [];
  const say = (id: string, severity: WiringFinding["severity"], text: string, mend: string) =>
    found.push({ id, severity, text, mend });
  if (has("short") ?? has("shortTurned") ?? has("shortOtherLine"))
    say("short", "danger", "Two conductors of different potential meet: a short.", "Part them.");
  if (has("runsUncalled") ?? has("offLive", (h) => h.kind === "offLive" && !h.turned && h.pole === 1))
    say(
      "outlets-together",
      "danger",
      "One outlet is live while only the other is switched on: the link between the two sockets is whole, so heat and cold run together.",
      "Break the link on the live side; where a twin socket cannot be split, take two single ones.",
    );
  for (const h of hazards) {
    if (h.kind === "noEarth")
      say(
        `no-earth-${h.where}`,
        "danger",
        `No earth at ${sayPlace(h.where, plan)}.`,
        "Lay a wire to it from the block of the earth.",
      );
    if (h.kind === "metalLive")
      say(`live-${h.where}`, "danger", `Live metal: ${sayPlace(h.where, plan)}.`, "Part it from the line.");
  }
  const off = has("switchLive", (h) => h.kind === "switchLive" && !h.turned && net.pins.get(h.where)?.part.cord === 1);
  if (off)
    say(
      "half-off",
      "danger",
      "With the switch off one line stays live in the whole of it.",
      "Use a switch that opens both lines.",
    );
  if (has("blownLive", (h) => h.kind === "blownLive" && !h.turned))
    say(
      "one-fuse",
      "warning",
      "A fuse stands in one of the two lines: with it blown the other one stays live.",
      "Pull the plug before it is opened; the breaker at the wall opens both lines.",
    );
  if (has("offLive", (h) => h.kind === "offLive" && !h.turned && h.pole === 2))
    say(
      "second-line",
      "warning",
      "A relay opens one line only: the second one stays live at the outlets while all is off.",
      "Use a contactor with two poles; pull the plug before anything is touched.",
    );
  else if (!twoLines && has("offLive", (h) => h.kind === "offLive" && h.turned))
    say(
      "turned-relay",
      "note",
      "The plug goes in both ways round, and a relay opens one conductor: an outlet that is off may be live.",
      "Pull the plug before anything is touched; a contactor with two poles opens both.",
    );
  return found;
}
