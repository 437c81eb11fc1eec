export * from "./block";
export * from "./bytes";
export * from "./envelope";
export * from "./readings";
export * from "./writer";
