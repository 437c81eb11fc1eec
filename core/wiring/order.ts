import { mainsTable, type WiringPlan } from "./plan";
import { breaksBothLinks, hasCutOut, hasTwoCords, outletsIn } from "./wires";

/** One step of the work; at a stop somebody who knows it looks before it goes on. */
export interface Step {
  id: string;
  says: string;
  tools: string;
  stop: boolean;
}

/** The work in its order, with the points at which to stop and have it looked at (common practice, no source). */
export function orderOfWork(plan: WiringPlan): Step[] {
  const { wiring } = plan;
  const step = (id: string, says: string, tools = ""): Step => ({ id, says, tools, stop: false });
  const stop = (id: string, says: string): Step => ({ id, says, tools: "", stop: true });
  return [
    stop("rules", "Stop: ask what local rules let you do yourself, and who looks at it."),
    step("lay", "Lay all parts out as drawn, lid off, nothing connected.", "the drawing, a rule"),
    step(
      "holes",
      "Drill the enclosure, not the cabinet: burrs off, glands in, the barrier in its place.",
      "step drill, file, goggles",
    ),
    step("fix", "Fix every part; nothing hangs on its wires.", "screwdriver"),
    ...(wiring.metalBox
      ? [
          step(
            "box-earth",
            "The earth of the metal box and of its lid first, on bare metal, with a toothed washer.",
            "ring, spanner",
          ),
        ]
      : []),
    step("earth", "Lay the earth to each outlet, longer than the others: it parts last.", "stripper, crimping pliers"),
    step(
      "second",
      `Lay the ${mainsTable[wiring.mains].twoLines ? "second line" : "neutral"}, wire by wire as the list has it, each ticked off.`,
      "stripper, ferrules",
    ),
    step("line", "Lay the line and the switched wires; label both ends of each.", "stripper, ferrules, labels"),
    ...(wiring.outlets === "twin"
      ? [
          step(
            "link",
            `Break the link between the sockets on the live side${breaksBothLinks(plan) ? ", and the one on the other side" : ""}, and look that nothing bridges it.`,
            "pliers",
          ),
        ]
      : []),
    ...(wiring.supply > 0
      ? [step("low", "Low voltage beyond the barrier: supply, fan, probes; no wire crosses it.", "screwdriver")]
      : []),
    ...(hasCutOut(plan)
      ? [
          step(
            "cut-out",
            "The one-shot cut-out at the heater, where it becomes hot first; in its line, and nowhere else.",
            "heat-proof sleeve, crimping pliers",
          ),
        ]
      : []),
    step("pull", "Pull at every wire; count the strands that stand out: none.", "hand, lamp"),
    ...(wiring.laid === "cord"
      ? [
          step(
            "cord",
            `${hasTwoCords(plan) ? "Each cord" : "The cord"} through its gland: it is held there and not at its terminals; a loop hangs below it, so that water drips off.`,
            "gland spanner",
          ),
        ]
      : [stop("fixed", "Stop: the fixed cable is laid and joined by somebody licensed, the circuit off and locked.")]),
    stop("look", "Stop: have it looked at, open, by somebody licensed, before it has ever been plugged in."),
    step("photo", "Take a photo of it as it is finished, and keep it here.", "camera"),
    ...(hasTwoCords(plan)
      ? [step("two", "A label on the lid: two cords, pull both before it is opened.", "label")]
      : []),
    step("dead", "Shut it. Dead tests at plug and outlets (Proof by meter).", "meter"),
    stop("plug", "Stop: all dead tests pass, the residual-current button trips, the fuse is the right one."),
    step(
      "live",
      `Live tests under a lamp at ${outletsIn(plan).length > 1 ? "both outlets" : "the outlet"}, shut.`,
      "meter, 60 W lamp",
    ),
    step(
      "water",
      "A day with water in the place of the batch, watched; then feel plug, cord and enclosure: none of them warm.",
      "hand",
    ),
  ];
}

/** What has to be proved again, after what. */
export const proveAgain: readonly { after: string; what: string }[] = [
  { after: "any wire moved, a part changed, the box opened", what: "all dead tests, then the live ones" },
  {
    after: "another heater or cooler on an outlet",
    what: "the loads against relay, fuse and outlet; then a day with water",
  },
  { after: "a fuse that blew", what: "why it blew; the dead tests before another goes in" },
  { after: "a move to another place", what: "line and neutral of that socket, the residual-current button" },
  { after: "a year", what: "the button, the earth, every screw" },
];
