export { BETWEEN, TO_WALLS } from "./collide";
export * from "./fit";
export * from "./flat";
export * from "./lift";
export { closedHeight, extents, fullHeight, outlineOf, ringsOf, widest, type Outline } from "./outline";
export { type Placed } from "./place";
export * from "./remedies";
export { type Space } from "./space";
export * from "./things";
