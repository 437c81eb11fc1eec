import type { Hazard } from "./hazard";
import type { Consequence } from "./hazards";

/** How bad it is: danger to somebody, something that stops the work, or something to know. */
export type Severity = "danger" | "warning" | "note";

export const rank = { danger: 0, warning: 1, note: 2 } as const;

export function severityOf(h: Hazard): Severity {
  switch (h.kind) {
    case "blownLive":
    case "offLive":
    case "liveThroughLoad":
      return h.turned ? "note" : "danger";
    case "pulledLive":
    case "halfWave":
      return "warning";
    case "dead":
      return "note";
    default:
      return "danger";
  }
}

/** Which of two hazards is told first: what kills before what burns, what burns before what only trips. */
const order: readonly Hazard["kind"][] = [
  "metalLive",
  "lowLive",
  "pinLive",
  "noEarth",
  "returnOnEarth",
  "runsUncalled",
  "notEnded",
  "offLive",
  "liveThroughLoad",
  "polarity",
  "switchLive",
  "blownLive",
  "short",
  "shortTurned",
  "shortOtherLine",
  "sharedReturn",
  "pulledLive",
  "halfWave",
  "dead",
];

export const worstFirst = (a: Hazard, b: Hazard): number =>
  rank[severityOf(a)] - rank[severityOf(b)] ||
  order.indexOf(a.kind) - order.indexOf(b.kind) ||
  // Of two outlets the heater's burns.
  Number("at" in b && b.at === "heat") - Number("at" in a && a.at === "heat");

export const isDangerous = ({ hazards }: Pick<Consequence, "hazards">): boolean =>
  hazards.some((h) => severityOf(h) === "danger");

/** How much it matters that a test tells it, the worst of what a fault brings. */
export const weightOf = ({ hazards }: Pick<Consequence, "hazards">): number =>
  Math.max(0, ...hazards.map((h) => (severityOf(h) === "danger" ? order.length - order.indexOf(h.kind) : 0)));
