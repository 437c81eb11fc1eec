import { hazardKey, type Hazard } from "./hazard";
import { poleNames } from "./mains";
import { netlistOf, sayMarked } from "./netlist";
import type { OutletName, WiringPlan } from "./plan";
import { rank, severityOf, worstFirst, type Severity } from "./severity";

export interface SaidHazard {
  severity: Severity;
  text: string;
}

const outlets: Record<OutletName, string> = { heat: "heat outlet", cold: "cold outlet" };
const devices: Record<OutletName, string> = { heat: "heater", cold: "cooler" };
const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** A pin as the thing that somebody touches. */
export function sayPlace(id: string, plan: WiringPlan): string {
  const net = netlistOf(plan);
  const role = net.pins.get(id)?.role;
  if (role?.is === "load") return `the metal of the ${devices[role.outlet]}`;
  if (role?.is === "socket") return `the earth of the ${outlets[role.outlet]}`;
  if (role?.is === "metal") return `the ${net.pins.get(id)!.name}`;
  return sayMarked(id, net);
}

/** What a hazard is, in words. */
function say(h: Hazard, plan: WiringPlan): string {
  const [, second] = poleNames(plan.wiring);
  const turned = "turned" in h && h.turned ? " with the plug turned round" : "";
  switch (h.kind) {
    case "short":
      return "A short: fuse or breaker trips as soon as it is plugged in or switched on, and it may flash.";
    case "shortTurned":
      return "A short, but only with a plug turned round: it may work for weeks before.";
    case "shortOtherLine":
      return "A short where the second circuit is on another line of the house: it may work at one pair of sockets and not at another.";
    case "returnOnEarth":
      return `Current of the ${second} flows in the earth wire: residual-current protection trips at once; without it nobody notices.`;
    case "sharedReturn":
      return `Current that goes out by one cord comes back by both: residual-current protection trips, and one ${second} may carry more than its fuse lets through.`;
    case "blownLive":
      return `With the ${h.cord === 2 ? "second " : ""}fuse blown everything behind it stays live${turned}.`;
    case "metalLive":
      return `${capital(sayPlace(h.where, plan))} is live.`;
    case "noEarth":
      return `${capital(sayPlace(h.where, plan))} has no earth, or a poor one: a second fault makes it live.`;
    case "offLive":
      return `The ${outlets[h.at]} is live while it is off${turned}.`;
    case "runsUncalled":
      return h.at === "heat"
        ? `The heater runs without being called${plan.wiring.cutOut === "yes" ? ": only the one-shot cut-out ends it" : ", and nothing ends it"}.`
        : "The cooler runs without being called, and nothing ends it.";
    case "notEnded":
      return "The one-shot cut-out does not end the heating.";
    case "switchLive":
      return `With ${handName(h.hand, plan)}, ${sayPlace(h.where, plan)} stays live${turned}.`;
    case "pulledLive":
      return `With the ${h.cord === 1 ? "first" : "second"} cord pulled, ${sayPlace(h.where, plan)} stays live.`;
    case "pinLive":
      return `With the ${h.cord === 1 ? "first" : "second"} cord pulled, a pin of its plug is live.`;
    case "lowLive":
      return "Low voltage is joined to the mains: probe, 12 V or their metal may be live.";
    case "polarity":
      return `The ${outlets[h.at]} has line and neutral exchanged: a switch or a lamp holder plugged in there stays live.`;
    case "halfWave":
      return h.motor
        ? `The ${devices[h.at]} gets half waves: its motor overheats.`
        : `The ${devices[h.at]} gets half waves: it gives about half its power.`;
    case "liveThroughLoad":
      return `The ${outlets[h.at]} looks dead when it is called, and both its contacts are live${turned}: one of them through what is plugged in.`;
    case "dead":
      return `The ${outlets[h.at]} stays dead when it is called.`;
  }
}

const handName = (hand: string, plan: WiringPlan): string =>
  netlistOf(plan)
    .parts.flatMap((p) => p.hands)
    .find((h) => h.name === hand)?.says ?? hand;

/** What goes without saying beside something else: a short that is there anyway, what is live with a plug either way. */
function saidAnyway(h: Hazard, keys: ReadonlySet<string>): boolean {
  if (h.kind === "shortTurned" || h.kind === "shortOtherLine") return keys.has(hazardKey({ kind: "short" }));
  return "turned" in h && h.turned && keys.has(hazardKey({ ...h, turned: false }));
}

/** Several places that stay live in the same way are told by the first and how many more. */
function gathered(hazards: readonly Hazard[], plan: WiringPlan): SaidHazard[] {
  const groups = new Map<string, Hazard[]>();
  for (const h of hazards) {
    const key =
      "where" in h && h.kind !== "metalLive" && h.kind !== "noEarth" ? hazardKey({ ...h, where: "" }) : hazardKey(h);
    groups.set(key, [...(groups.get(key) ?? []), h]);
  }
  return [...groups.values()].map((same) => {
    const text = say(same[0]!, plan);
    const more = same.length - 1;
    return {
      severity: severityOf(same[0]!),
      text:
        more > 0 ? text.replace(" stays live", ` and ${more} more ${more === 1 ? "point" : "points"} stay live`) : text,
    };
  });
}

/** Said hazards, the worst first, each sentence once. */
export function sayHazards(hazards: readonly Hazard[], plan: WiringPlan): SaidHazard[] {
  const keys = new Set(hazards.map(hazardKey));
  const all = gathered(hazards.filter((h) => !saidAnyway(h, keys)).sort(worstFirst), plan);
  return all
    .filter((h, i) => all.findIndex((o) => o.text === h.text) === i)
    .sort((a, b) => rank[a.severity] - rank[b.severity]);
}

/** What somebody does first: by what feeds it. */
export function stopWords(plan: WiringPlan, live: boolean): string {
  const { laid } = plan.wiring;
  const two = plan.wiring.secondCord && plan.heat !== null && plan.cold !== null;
  if (laid !== "cord")
    return live
      ? `Stop. Switch ${two ? "both circuits" : "the circuit"} off at the breaker, and lock it.`
      : `Stop. Leave ${two ? "both circuits" : "the circuit"} off and locked.`;
  if (live) return `Stop. Pull ${two ? "both plugs" : "the plug"}.`;
  return `Stop. Leave ${two ? "both plugs" : "the plug"} pulled.`;
}

/** The worst that a reading may mean, in a few words for somebody who stands before it. */
export function worstWords(hazards: readonly Hazard[], plan: WiringPlan): string {
  const [worst] = [...hazards].sort(worstFirst);
  if (!worst) return "";
  switch (worst.kind) {
    case "metalLive":
      return "Metal may be live.";
    case "lowLive":
      return "The probe or the 12 V side may be live.";
    case "pinLive":
      return "A pin of a pulled plug may be live.";
    case "noEarth":
      return "Metal may have no earth.";
    case "returnOnEarth":
      return "The earth may carry current, and metal may be live.";
    case "runsUncalled":
    case "notEnded":
      return worst.at === "heat" ? "The heater may run without end." : "The cooler may run without end.";
    case "offLive":
    case "liveThroughLoad":
    case "polarity":
      return `The ${outlets[worst.at]} may be live while it looks off.`;
    case "switchLive":
    case "blownLive":
    case "pulledLive":
      return "Parts may stay live when you think they are off.";
    case "short":
    case "shortTurned":
    case "shortOtherLine":
      return "It may short out and flash when it gets power.";
    case "sharedReturn":
      return `Two circuits may be joined: a wire may overheat, and metal may be live when one ${plan.wiring.laid === "cord" ? "plug is pulled" : "circuit is off"}.`;
    case "halfWave":
    case "dead":
      return "It does not work as planned.";
  }
}
