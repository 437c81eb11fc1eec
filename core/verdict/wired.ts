import { wiringFindings, wiringPlanOf } from "../wiring";
import type { Finding, Rule } from "./types";

/** What is dangerous in how heat and cold are switched. */
export const wiredWrong: Rule = (c) =>
  wiringFindings(wiringPlanOf(c.chamber), c.chamber)
    .filter((f) => f.severity === "danger")
    .map((f): Finding => ({
      id: `wiring-${f.id}`,
      severity: "danger",
      station: "wiring",
      title: "Not to be plugged in like this",
      text: `${f.text} ${f.mend} Local code and a licensed electrician decide.`,
      moment: null,
      remedies: [],
    }));
