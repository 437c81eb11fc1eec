import type { Wiring } from "../model";

/** A plug by its standard: which way it goes in, its own fuse, what its socket carries and what stands before that. */
interface PlugKind {
  label: string;
  /** It goes in both ways round; null: that is for the person to say. */
  turns: boolean | null;
  /** The fuse inside of it, A; 0: none. */
  fuse: number;
  /** What its socket and the usual breaker before it are made for, A; null: as is usual for the mains. */
  socket: number | null;
  breaker: number | null;
}

/** From memory, each by the standard that its name gives. */
export const plugTable: Record<Wiring["plug"], PlugKind> = {
  cee7: { label: "CEE 7/7, 16 A: most of Europe", turns: true, fuse: 0, socket: 16, breaker: 16 },
  // A ring behind 32 A: the fuse in the plug is what protects the cord.
  bs1363: { label: "BS 1363, 13 A with a fuse: Britain, Ireland", turns: false, fuse: 13, socket: 13, breaker: 32 },
  as3112: { label: "AS/NZS 3112, 10 A: Australia, New Zealand", turns: false, fuse: 0, socket: 10, breaker: 20 },
  sev1011: { label: "SEV 1011 type 12, 10 A: Switzerland", turns: false, fuse: 0, socket: 10, breaker: 13 },
  cei23: { label: "CEI 23-50, 10 or 16 A: Italy", turns: true, fuse: 0, socket: 10, breaker: 16 },
  nema5: { label: "NEMA 5-15 or 5-20, 120 V: North America", turns: false, fuse: 0, socket: null, breaker: null },
  nema6: { label: "NEMA 6-15 or 6-20, two lines: North America", turns: false, fuse: 0, socket: null, breaker: null },
  jis8303: { label: "JIS C 8303, 15 A, 100 V: Japan", turns: true, fuse: 0, socket: 15, breaker: null },
  other: { label: "Another one", turns: null, fuse: 0, socket: null, breaker: null },
};
