import { mainsTable, type WiringPlan } from "./plan";

/** A terminal as somebody would call it who stands before it. */
export function sayTerminal(terminal: string, { wiring }: Pick<WiringPlan, "wiring">): string {
  const [one, two] = mainsTable[wiring.mains].twoLines ? ["first line", "second line"] : ["line", "neutral"];
  const known: Record<string, string> = {
    "plug 1": `plug, ${one}`,
    "plug 2": `plug, ${two}`,
    "plug earth": "plug, earth",
    "common 1": `block of the ${one}`,
    "common 2": `block of the ${two}`,
    "common earth": "block of the earth",
    "unit 1": `unit, ${one}`,
    "unit 2": `unit, ${two}`,
    "heat 1": `heat outlet, ${one}`,
    "heat 2": `heat outlet, ${two}`,
    "heat earth": "heat outlet, earth",
    "cold 1": `cold outlet, ${one}`,
    "cold 2": `cold outlet, ${two}`,
    "cold earth": "cold outlet, earth",
    "heat relay in": "relay for heat, in",
    "heat relay out": "relay for heat, out",
    "cold relay in": "relay for cold, in",
    "cold relay out": "relay for cold, out",
    "switch 1 in": `main switch, ${one}, in`,
    "switch 1 out": `main switch, ${one}, out`,
    "switch 2 in": `main switch, ${two}, in`,
    "switch 2 out": `main switch, ${two}, out`,
    "fuse in": "fuse, in",
    "fuse out": "fuse, out",
    box: "metal of the box",
  };
  return known[terminal] ?? terminal;
}
