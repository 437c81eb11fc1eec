"use client";

import dynamic from "next/dynamic";

// The charts come after the page: what is said and keyed in need not wait for them.
export const TraceChart = dynamic(() => import("./TraceChart").then((m) => m.TraceChart), { ssr: false });
export const InsetChart = dynamic(() => import("./InsetChart").then((m) => m.InsetChart), { ssr: false });
export const SpanChart = dynamic(() => import("./SpanChart").then((m) => m.SpanChart), { ssr: false });
export { FigureLane } from "./FigureLane";
export { ProgramStrip, STRIP } from "./ProgramStrip";
export { LEFT, RIGHT } from "./margins";
export { ProgramSketch } from "./ProgramSketch";
export { sayTrial } from "./say";
export * from "./view";
export const CompareChart = dynamic(() => import("./CompareChart").then((m) => m.CompareChart), { ssr: false });
export { dashOf } from "./dashes";
