import type { ReactNode } from "react";
import type { Wire } from "@/core/wiring";

/** Where rails and rungs of the ladder stand, px. */
export const LEFT = 84;
export const RIGHT = 636;
export const WIDTH = 720;
/** From the plug down a rail: each thing on it takes so much. */
export const SLOT = 44;
export const RUNG = 98;
export const HEAD = 24;

export const words = { className: "text-xs", fill: "currentColor" } as const;
export const middle = { ...words, textAnchor: "middle" } as const;

/** Words that lines may pass behind. */
export const haloed = {
  ...middle,
  stroke: "var(--color-base-100)",
  strokeWidth: 5,
  strokeLinejoin: "round" as const,
  paintOrder: "stroke" as const,
};

/** A wire along a path, with its number at a place: it lights up where it is picked. */
export type Draw = (wire: Wire, d: string, x: number, y: number) => ReactNode;
