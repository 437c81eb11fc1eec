import { hazardKey, type Hazard } from "./hazards";
import { mainsTable, type WiringPlan } from "./plan";
import { sayTerminal } from "./terminals";
import type { OutletName } from "./wires";

/** How bad it is: danger to somebody, something that stops the work, or something to know. */
export interface SaidHazard {
  severity: "danger" | "warning" | "note";
  text: string;
}

const outlets: Record<OutletName, string> = { heat: "heat outlet", cold: "cold outlet" };

/** What a hazard is, in words; `plan`: whose terminals it speaks of. */
export function sayHazard(hazard: Hazard, plan: WiringPlan): SaidHazard {
  const second = mainsTable[plan.wiring.mains].twoLines ? "second line" : "neutral";
  const at = (t: string) =>
    /load earth$/.test(t)
      ? `the metal of the ${t.startsWith("heat") ? "heater" : "cooler"}`
      : t === "box"
        ? "the metal of the box"
        : sayTerminal(t, plan);
  switch (hazard.kind) {
    case "short":
      return { severity: "warning", text: "A short: fuse or breaker goes as soon as it is plugged in or switched on." };
    case "shortTurned":
      return { severity: "danger", text: "A short, but only with a plug turned round: it may work for weeks before." };
    case "shortOtherLine":
      return {
        severity: "danger",
        text: "A short where the second circuit is on another line of the house: it may work at one pair of sockets and not at another.",
      };
    case "returnOnEarth":
      return {
        severity: "danger",
        text: `Current of the ${second} goes back over the earth: residual-current protection trips at once, without it nothing is noticed.`,
      };
    case "sharedReturn":
      return {
        severity: "danger",
        text: `What goes out by one cord comes back by both: residual-current protection trips, and one ${second} may carry more than its fuse lets through.`,
      };
    case "blownLive":
      return {
        severity: hazard.turned ? "note" : "danger",
        text: `With the ${hazard.cord === 2 ? "second " : ""}fuse blown all behind it stays live${hazard.turned ? " when the plug is turned round" : ""}.`,
      };
    case "metalLive":
      return { severity: "danger", text: `${capital(at(hazard.where))} is live.` };
    case "noEarth":
      return {
        severity: "danger",
        text: `${capital(at(hazard.where))} has no earth: a second fault there makes it live.`,
      };
    case "offLive":
      return {
        severity: hazard.turned || hazard.pole === 2 ? "note" : "danger",
        text: `The ${outlets[hazard.at]} is live while it is off${hazard.turned ? ", with the plug turned round" : ""}.`,
      };
    case "runsUncalled":
      return {
        severity: "danger",
        text:
          hazard.at === "heat"
            ? `The heater runs without being called${plan.wiring.cutOut ? ": the one-shot cut-out alone ends it" : ", and nothing ends it"}.`
            : "The cooler runs without being called, and nothing ends it.",
      };
    case "switchLive":
      return {
        severity: hazard.turned ? "warning" : "danger",
        text: `With the main switch off, ${at(hazard.where)} stays live${hazard.turned ? " when the plug is turned round" : ""}.`,
      };
    case "pulledLive":
      return {
        severity: "warning",
        text: `With the ${hazard.cord === 1 ? "first" : "second"} cord pulled, ${at(hazard.where)} stays live.`,
      };
    case "pinLive":
      return {
        severity: "danger",
        text: `With the ${hazard.cord === 1 ? "first" : "second"} cord pulled, a pin of its plug is live.`,
      };
    case "lowLive":
      return { severity: "danger", text: "The low voltage is on the mains." };
    case "liveThroughLoad":
      return {
        severity: hazard.turned ? "note" : "danger",
        text: `The ${outlets[hazard.at]} looks dead when it is called, and both its contacts are live${hazard.turned ? " with the plug turned round" : ""}: one of them through what is plugged in.`,
      };
    case "dead":
      return { severity: "note", text: `The ${outlets[hazard.at]} stays dead when it is called.` };
  }
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

const rank = { danger: 0, warning: 1, note: 2 } as const;
/** What goes without saying beside something else: a short that is there anyway, what is live with a plug either way. */
function saidAnyway(h: Hazard, all: readonly Hazard[]): boolean {
  if (h.kind === "shortTurned" || h.kind === "shortOtherLine") return all.some((o) => o.kind === "short");
  if (!("turned" in h) || !h.turned) return false;
  const plain = hazardKey({ ...h, turned: false });
  return all.some((o) => hazardKey(o) === plain);
}

/** Said hazards, the worst first, each sentence once. */
export function sayHazards(hazards: readonly Hazard[], plan: WiringPlan): SaidHazard[] {
  const all = hazards.filter((h) => !saidAnyway(h, hazards)).map((h) => sayHazard(h, plan));
  return all
    .filter((h, i) => all.findIndex((o) => o.text === h.text) === i)
    .sort((a, b) => rank[a.severity] - rank[b.severity]);
}
