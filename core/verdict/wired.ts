import { wiringFindings, wiringPlanOf } from "../wiring";
import type { Finding, Rule } from "./types";

/** What is dangerous in how heat and cold are switched, by whichever unit. */
export const wiredWrong: Rule = ({ chamber }) => {
  const all = chamber.controllers.flatMap((_, unit) => wiringFindings(wiringPlanOf(chamber, unit), chamber));
  return all
    .filter((f, i) => f.severity === "danger" && all.findIndex((o) => o.id === f.id) === i)
    .map((f): Finding => ({
      id: `wiring-${f.id}`,
      severity: "danger",
      station: "wiring",
      title: "Not to be plugged in like this",
      text: `${f.text} ${f.mend} Local code and a licensed electrician decide.`,
      moment: null,
      remedies: [],
    }));
};
