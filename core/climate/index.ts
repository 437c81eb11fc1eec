export * from "./room";
