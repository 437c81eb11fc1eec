import type { Cord, OutletName } from "./plan";

/** Something that must not be, in some state of contacts, switches and plugs. Places are pins. */
export type Hazard =
  /** Two conductors of different potential meet. */
  | { kind: "short" }
  /** The same, in some way of turning the plugs or on some line of the house alone. */
  | { kind: "shortTurned" }
  | { kind: "shortOtherLine" }
  /** The conductor that is not live meets earth behind the supply, or a load's current goes back by it. */
  | { kind: "returnOnEarth" }
  /** What goes out by one cord comes back by both. */
  | { kind: "sharedReturn" }
  /** Live behind a fuse that has blown. */
  | { kind: "blownLive"; cord: Cord; turned: boolean }
  /** Metal that is touched is live, or nothing takes it to earth. */
  | { kind: "metalLive"; where: string }
  | { kind: "noEarth"; where: string }
  /** An outlet is live though it is not called; `turned`: with a plug turned round alone. */
  | { kind: "offLive"; at: OutletName; pole: 1 | 2; turned: boolean }
  /** It gets its whole voltage though it is not called. */
  | { kind: "runsUncalled"; at: OutletName }
  /** What ends the heating by itself does not. */
  | { kind: "notEnded"; at: OutletName }
  /** Live with something switched off that ought to open all. */
  | { kind: "switchLive"; hand: string; where: string; turned: boolean }
  /** Live with one of two cords pulled. */
  | { kind: "pulledLive"; cord: Cord; where: string }
  /** A pin of the cord that was pulled is live. */
  | { kind: "pinLive"; cord: Cord }
  /** Low voltage meets the mains. */
  | { kind: "lowLive" }
  /** Line and neutral are exchanged at an outlet. */
  | { kind: "polarity"; at: OutletName }
  /** A motor gets half waves. */
  | { kind: "halfWave"; at: OutletName; motor: boolean }
  /** It does not run when it is called. */
  | { kind: "dead"; at: OutletName }
  /** The same, and what is plugged in carries the line on to the contact that nothing holds. */
  | { kind: "liveThroughLoad"; at: OutletName; turned: boolean };

export const hazardKey = (h: Hazard): string => Object.values(h).join(" ");
