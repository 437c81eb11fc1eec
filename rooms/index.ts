export * from "./Card";
export * from "./DemoDoor";
export * from "./Frame";
export * from "./NewChamber";
export * from "./Preferences";
export * from "./Shelf";
export * from "./DoorPage";
