import { mainsTable, type WiringPlan } from "./plan";
import { relaysInUnit, wiresOf } from "./wires";

/** A terminal as somebody would call it who stands before it: by the unit's own paper where its name was typed. */
export function sayTerminal(terminal: string, plan: Pick<WiringPlan, "wiring" | "names">): string {
  const typed = plan.names[terminal];
  if (typed) return `unit, ${typed}`;
  const { wiring } = plan;
  const [one, two] = mainsTable[wiring.mains].twoLines ? ["first line", "second line"] : ["line", "neutral"];
  const fixed = wiring.laid !== "cord";
  const [plug, cold] = fixed ? ["supply", "second supply"] : ["plug", "second plug"];
  const inUnit = relaysInUnit(plan);
  const outlet = (o: "heat" | "cold"): Record<string, string> => ({
    [`${o} 1`]: `${o} outlet, ${one}`,
    [`${o} 2`]: `${o} outlet, ${two}`,
    [`${o} earth`]: `${o} outlet, earth`,
    [`${o} relay in`]: inUnit ? `unit, contact for ${o}, in` : `relay for ${o}, in`,
    [`${o} relay out`]: inUnit ? `unit, contact for ${o}, out` : `relay for ${o}, out`,
    [`${o} relay in 2`]: `contactor for ${o}, second pole in`,
    [`${o} relay out 2`]: `contactor for ${o}, second pole out`,
    [`unit ${o} in`]: `unit, contact for ${o}, in`,
    [`unit ${o} out`]: `unit, contact for ${o}, out`,
    [`unit ${o} +`]: `unit, drive for ${o}, plus`,
    [`unit ${o} −`]: `unit, drive for ${o}, minus`,
    [`${o} coil 1`]: `coil of the contactor for ${o}`,
    [`${o} coil 2`]: `coil of the contactor for ${o}, other end`,
    [`${o} coil +`]: `relay for ${o}, control plus`,
    [`${o} coil −`]: `relay for ${o}, control minus`,
    [`${o} pilot 1`]: `lamp of the ${o} outlet`,
    [`${o} pilot 2`]: `lamp of the ${o} outlet, other end`,
    [`${o} load 1`]: `${o === "heat" ? "heater" : "cooler"}\u2019s own plug, ${one}`,
    [`${o} load 2`]: `${o === "heat" ? "heater" : "cooler"}\u2019s own plug, ${two}`,
    [`${o} load earth`]: `${o === "heat" ? "heater" : "cooler"}\u2019s own plug, earth`,
  });
  const known: Record<string, string> = {
    "plug 1": `${plug}, ${one}`,
    "plug 2": `${plug}, ${two}`,
    "plug earth": `${plug}, earth`,
    "cold plug 1": `${cold}, ${one}`,
    "cold plug 2": `${cold}, ${two}`,
    "cold plug earth": `${cold}, earth`,
    "common 1": `block of the ${one}`,
    "common 2": `block of the ${two}`,
    "common earth": "block of the earth",
    "unit 1": `unit, ${one}`,
    "unit 2": `unit, ${two}`,
    "unit probe a": "unit, probe",
    "unit probe b": "unit, probe, other end",
    "probe a": "probe terminals",
    "probe b": "probe terminals, other end",
    "supply 1": `12 V supply, ${one}`,
    "supply 2": `12 V supply, ${two}`,
    "supply +": "12 V supply, plus",
    "supply −": "12 V supply, minus",
    "twelve +": "12 V terminals, plus",
    "twelve −": "12 V terminals, minus",
    "cut-out in": "one-shot cut-out at the heater, in",
    "cut-out out": "one-shot cut-out at the heater, out",
    "switch 1 in": `main switch, ${one}, in`,
    "switch 1 out": `main switch, ${one}, out`,
    "switch 2 in": `main switch, ${two}, in`,
    "switch 2 out": `main switch, ${two}, out`,
    "fuse in": "fuse, in",
    "fuse out": "fuse, out",
    "cold fuse in": "second fuse, in",
    "cold fuse out": "second fuse, out",
    box: "metal of the box",
    ...outlet("heat"),
    ...outlet("cold"),
  };
  return known[terminal] ?? terminal;
}

const ofUnit = (terminal: string): boolean => terminal.startsWith("unit ");

/** Terminals of the unit that its own paper has a name for, in the order in which they are wired. */
export function unitTerminals(plan: WiringPlan): string[] {
  const inUnit = relaysInUnit(plan);
  const all = wiresOf(plan).flatMap(({ from, to }) => [from, to]);
  return [...new Set(all)].filter((t) => ofUnit(t) || (inUnit && / relay (in|out)$/.test(t)));
}
