import { expose } from "comlink";
import { clockOf, writeClock } from "@/core/quantity";
import { desk } from "./desk";

// A worker is a realm of its own: what it writes reads as the page does.
writeClock(clockOf(navigator.language));
expose(desk);
