import { poleNames } from "../mains";
import type { WiringPlan } from "../plan";
import type { Part, Pin, Role } from "./type";

/** A wire, a contact: Ω (estimates that no reading tells apart). */
export const CONTACT = 0.03;
/** What an open contact with its snubber lets through, F. */
export const SNUBBER = 1e-7;
/** A part's resistance that hides behind electronics: from so many Ω up to none that a meter finds. */
export const NO_READING = 1e9;

const usual: Omit<Pin, "key" | "name" | "role"> = {
  end: "ferrule",
  sizes: [0.5, 2.5],
  takes: 1,
  away: 0,
};
const inner: Role = { is: "inner" };
export const lowRole: Role = { is: "low" };

/** A pin; what is not said of it is as usual for a screwed terminal of 2.5 mm². */
export const pin = (key: string, name: string, more: Partial<Pin> = {}): Pin => ({
  ...usual,
  key,
  name,
  role: inner,
  ...more,
});

/** A part with nothing in it but what is said. */
export const part = (own: Pick<Part, "id" | "type" | "label" | "symbol"> & Partial<Part>): Part => ({
  pins: [],
  places: [],
  joins: [],
  hands: [],
  faults: [],
  beside: [],
  touching: [],
  drives: [],
  watts: 0,
  size: null,
  bought: [],
  rating: null,
  ...own,
});

/** The words of a plan's two conductors. */
export const poles = (plan: WiringPlan) => poleNames(plan.wiring);

/** Each pin with the next one of a row. */
export const row = (...keys: string[]): [string, string][] => keys.slice(1).map((key, i) => [keys[i]!, key]);
