import type { Job } from "./lines";
import { poleNames } from "./mains";
import { netlistOf } from "./netlist";
import { breaksBothLinks } from "./parts";
import { hasCutOut, hasTwoCords, type WiringPlan } from "./plan";

/** One step of the work; at a stop somebody who knows it looks before it goes on. */
export interface Step {
  id: string;
  says: string;
  tools: string;
  stop: boolean;
}

/** "wires 1 to 4": those of a job, which are numbered in a row. */
function numbersOf(plan: WiringPlan, ...jobs: Job[]): string {
  const all = netlistOf(plan)
    .wires.filter((w) => jobs.includes(w.job))
    .map((w) => w.number);
  if (all.length === 0) return "";
  if (all.length === 1) return `wire ${all[0]}`;
  return `wires ${all[0]} ${all.length === 2 ? "and" : "to"} ${all[all.length - 1]}`;
}

/** The work in its order, with the points at which to stop and have it looked at (common practice, no source). */
export function orderOfWork(plan: WiringPlan): Step[] {
  const { wiring } = plan;
  const [one, two] = poleNames(wiring);
  const step = (id: string, says: string, tools = ""): Step => ({ id, says, tools, stop: false });
  const stop = (id: string, says: string): Step => ({ id, says, tools: "", stop: true });
  const low = numbersOf(plan, "low");
  return [
    stop("rules", "Stop: ask what local rules let you do yourself, and who looks at it."),
    step("lay", "Lay all parts out as drawn, lid off, nothing connected.", "the drawing, a rule"),
    step(
      "holes",
      "Drill the enclosure, not the cabinet: burrs off, glands in, the barrier in its place.",
      "step drill, file, goggles",
    ),
    step("fix", "Fix every part; nothing hangs on its wires.", "screwdriver"),
    step(
      "labels",
      "Stick its letter on each part, and number both ends of each wire as you lay it.",
      "labels from the printed page",
    ),
    step(
      "earth",
      `Earth first: ${numbersOf(plan, "earth")}${wiring.metalBox ? ", that of the metal box on bare metal with a toothed washer" : ""}. Leave it longer than the others: it parts last.`,
      "stripper, crimping pliers",
    ),
    step("second", `Then the ${two}: ${numbersOf(plan, "second")}, each ticked off in the list.`, "stripper, ferrules"),
    step(
      "line",
      `Then the ${one} and the switched wires: ${numbersOf(plan, "first", "switched")}.`,
      "stripper, ferrules",
    ),
    ...(wiring.outlets === "twin" && wiring.linkBroken && plan.heat && plan.cold
      ? [
          step(
            "link",
            `Break the link between the sockets on the side of the ${one}${breaksBothLinks(plan) ? ", and the one on the other side" : ""}, and look that nothing bridges it.`,
            "pliers",
          ),
        ]
      : []),
    step("low", `Low voltage beyond the barrier: ${low}. No mains wire crosses the barrier.`, "screwdriver"),
    ...(hasCutOut(plan)
      ? [
          step(
            "thermal",
            "The one-shot cut-out at the heater, where it gets hot first; in its line, and nowhere else. Sheathed, heat-proof cable to it.",
            "heat-proof sleeve, crimping pliers",
          ),
        ]
      : []),
    step("pull", "Pull at every wire. No strand stands out; no end is tinned under a screw.", "hand, lamp"),
    ...(wiring.laid === "cord"
      ? [
          step(
            "cord",
            `${hasTwoCords(plan) ? "Each cord" : "The cord"} through its gland: held there and not by its terminals, with a loop below it so that water drips off.`,
            "gland spanner",
          ),
        ]
      : [stop("fixed", "Stop: the fixed cable is laid and joined by somebody licensed, the circuit off and locked.")]),
    stop("look", "Stop: have it looked at, open, by somebody licensed, before it has ever been plugged in."),
    step("photo", "Take a photo of it as it is finished, and keep it here.", "camera"),
    ...(hasTwoCords(plan)
      ? [step("two", "A label on the lid: two cords, pull both before it is opened.", "label")]
      : []),
    step("dead", "Dead proof, lid off, everything pulled: every test of the list.", "meter"),
    stop("plug", "Stop: every dead test is right, and somebody licensed agrees. Only then shut it and plug it in."),
    step(
      "live",
      "Live proof, shut, under a filament lamp, behind a residual-current device that trips.",
      "meter, lamp",
    ),
    step(
      "water",
      "A day with water in the place of the batch, watched. Pull the plug, then feel plug, cord and enclosure: none of them warm.",
      "hand",
    ),
  ];
}

/** What has to be proved again, after what. */
export const proveAgain: readonly { after: string; what: string }[] = [
  {
    after: "any wire moved, a part changed, the box opened",
    what: "the whole proof from the first dead test: what was read before counts for nothing",
  },
  {
    after: "another heater or cooler on an outlet",
    what: "the loads against relay, fuse and outlet; then a day with water",
  },
  { after: "a fuse that blew", what: "why it blew; the dead tests before another goes in" },
  { after: "a move to another place", what: "line and neutral of that socket, the residual-current button" },
  { after: "a year", what: "the button, the earth, every screw" },
];
