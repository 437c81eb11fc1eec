import { mainsTable } from "../mains";
import { outletsIn } from "../plan";
import { NO_READING, part, pin } from "./build";
import type { PartType } from "./type";

/** A small lamp that says that something is live takes so many A (estimate). */
const AMPS = 0.002;

export const pilot: PartType = {
  type: "pilot lamp",
  of: (plan) =>
    plan.wiring.pilots
      ? outletsIn(plan).map((o) =>
          part({
            id: `${o}-pilot`,
            type: "pilot lamp",
            label: "Lamp",
            outlet: o,
            pins: [
              pin("1", `lamp of the ${o} outlet`, { end: "push-on" }),
              pin("2", `lamp of the ${o} outlet, other end`, { end: "push-on" }),
            ],
            places: [
              { line: `${o}.1`, rank: 0, in: "1", tap: true },
              { line: `${o}.2`, rank: 0, in: "2", tap: true },
            ],
            joins: [
              {
                key: "lamp",
                a: "1",
                b: "2",
                is: "load",
                dead: [50_000, NO_READING],
                ohms: mainsTable[plan.wiring.mains].volts / AMPS,
              },
            ],
            size: { width: 0.022, height: 0.022, row: "front" },
            symbol: "lamp",
            bought: [{ key: "pilots", name: "Small lamp for the mains", quantity: 1 }],
          }),
        )
      : [],
};
