export { BETWEEN, TO_WALLS } from "./collide";
export * from "./fit";
export * from "./flat";
export * from "./lift";
export { extents, fullHeight, outlineOf, type Outline } from "./outline";
export { type Placed } from "./place";
export * from "./remedies";
export { type Space } from "./space";
