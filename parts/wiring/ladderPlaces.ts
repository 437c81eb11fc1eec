import type { ReactNode } from "react";

/** Where rails and rungs of the ladder stand, px. */
export const LEFT = 74;
export const RIGHT = 566;
export const WIDTH = 640;
export const TOP = 96;
export const RUNG = 86;
/** What a cord of its own takes above its rung: plug and fuse. */
export const OWN_CORD = 66;

export const words = { className: "text-xs", fill: "currentColor" } as const;
export const middle = { ...words, textAnchor: "middle" } as const;

/** A conductor by its id, along a path: it lights up where it is picked. */
export type Draw = (id: string, d: string, low?: boolean) => ReactNode;
