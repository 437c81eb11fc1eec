export * from "./BandRuler";
export * from "./FlatRuler";
export * from "./marks";
export * from "./useSize";
