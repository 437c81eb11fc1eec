import { hasCutOut } from "../plan";
import { CONTACT, part, pin } from "./build";
import type { PartType } from "./type";

/** From the enclosure to the cut-out at the heater, m (estimate). */
const TO_HEATER = 1.5;

export const cutOut: PartType = {
  type: "one-shot cut-out",
  of: (plan) =>
    hasCutOut(plan)
      ? [
          part({
            id: "cut-out",
            type: "one-shot cut-out",
            label: "Cut-out",
            outlet: "heat",
            pins: [
              pin("in", "one-shot cut-out at the heater, in", { end: "push-on", away: TO_HEATER }),
              pin("out", "one-shot cut-out at the heater, out", { end: "push-on", away: TO_HEATER }),
            ],
            places: [{ line: "heat.1", rank: 60, in: "in", out: "out" }],
            joins: [{ key: "link", a: "in", b: "out", is: "metal", ohms: CONTACT }],
            hands: [
              { name: "cut-out", says: "one wire of the cut-out lifted", kind: "ends", outlet: "heat", lifts: ["in"] },
            ],
            faults: [
              {
                key: "blown",
                is: "The one-shot cut-out is open",
                mend: "It has blown: find out what became too hot, then put in another.",
                sets: { link: "open" },
              },
              {
                key: "passed",
                is: "The one-shot cut-out is bridged or left out",
                mend: "Put it into the heater\u2019s line: nothing else ends the heating when a relay stays on.",
                leftOut: true,
                asked: true,
              },
            ],
            symbol: "cutOut",
            bought: [{ key: "cut-out-ends", name: "Heat-proof sleeve and crimps for the cut-out", quantity: 1 }],
            rating: { amps: plan.wiring.cutOutAmps, motorAmps: null, name: "one-shot cut-out" },
          }),
        ]
      : [],
};
