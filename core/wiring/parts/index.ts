export * from "./table";
export * from "./type";
export { breaksBothLinks, socketPin } from "./outlet";
export { PLUGGED } from "./appliance";
export { NO_READING } from "./build";
