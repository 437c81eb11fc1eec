import type { Thing } from "../model";

/** Something fixed inside, as a sentence calls it. */
export const thingNames: Record<Thing["kind"], string> = {
  heater: "the heater",
  fan: "the fan",
  absorber: "the absorber",
  cable: "the cable",
  drain: "the drain",
  rail: "the shelf rail",
  plate: "the cold plate",
  tray: "the drip tray",
  other: "something else",
};

/** Sizes and clearances as they are usual, m (estimates): one measures one's own. */
export const usualThing: Record<Thing["kind"], Omit<Thing, "kind" | "x" | "y">> = {
  heater: { z: 0, width: 0.1, depth: 0.1, height: 0.2, clear: 0.1 },
  fan: { z: 0.3, width: 0.12, depth: 0.04, height: 0.12, clear: 0.05 },
  absorber: { z: 0, width: 0.15, depth: 0.1, height: 0.1, clear: 0.01 },
  cable: { z: 0, width: 0.02, depth: 0.02, height: 0.3, clear: 0 },
  drain: { z: 0, width: 0.05, depth: 0.05, height: 0.005, clear: 0 },
  rail: { z: 0.3, width: 0.015, depth: 0.4, height: 0.01, clear: 0 },
  plate: { z: 0.2, width: 0.3, depth: 0.03, height: 0.3, clear: 0.05 },
  tray: { z: 0, width: 0.3, depth: 0.1, height: 0.05, clear: 0 },
  other: { z: 0, width: 0.1, depth: 0.1, height: 0.1, clear: 0.02 },
};
