import type { Chamber, Happening, HappeningKind, Stage } from "../model";
import { celsius, kelvins } from "../quantity";
import { hasLid } from "./geometry";
import { coolersOf, hasCooler, hasFire, hasHeater, heatersOf, isIce } from "./devices";

interface HappeningInfo {
  label: string;
  /** A failure, or something that somebody does. */
  failure: boolean;
}

export const happeningInfo: Record<HappeningKind, HappeningInfo> = {
  setpoint: { label: "Setpoint changed", failure: false },
  door: { label: "Door open", failure: false },
  lidOff: { label: "Lid off", failure: false },
  loadIn: { label: "Cold or warm load put in", failure: false },
  weather: { label: "Cold snap or heat wave", failure: false },
  probeOut: { label: "Probe out of its place", failure: true },
  probeFault: { label: "Probe unplugged or shorted", failure: true },
  probeDrift: { label: "Probe slowly drifting", failure: true },
  powerCut: { label: "Power cut", failure: true },
  heaterStaysOff: { label: "Heater stays off after its next cut", failure: true },
  heaterCutOut: { label: "Heater cut by its own thermostat", failure: true },
  relayStuck: { label: "Relay stuck", failure: true },
  coldFails: { label: "Cooling runs but does not cool", failure: true },
  fanStops: { label: "Fan or pump stopped", failure: true },
  iceForgotten: { label: "Ice forgotten", failure: true },
  fuelOut: { label: "Fuel out", failure: true },
};

/** The kinds that can happen to a chamber. */
export function happeningsFor(chamber: Chamber): HappeningKind[] {
  const { cabinet, coolers } = chamber;
  const heats = hasHeater(chamber);
  const plain = heatersOf(chamber).some((h) => h.kind !== "charcoal");
  const can: Record<HappeningKind, boolean> = {
    setpoint: true,
    door: !hasLid(cabinet.kind),
    lidOff: hasLid(cabinet.kind),
    loadIn: true,
    weather: true,
    probeOut: true,
    probeFault: true,
    probeDrift: true,
    powerCut: true,
    heaterStaysOff: plain,
    heaterCutOut: plain,
    relayStuck: heats || hasCooler(chamber),
    coldFails: hasCooler(chamber),
    fanStops: cabinet.fan,
    iceForgotten: coolers.some((c) => isIce(c) && c.iceEvery > 0),
    fuelOut: hasFire(chamber),
  };
  return (Object.keys(happeningInfo) as HappeningKind[]).filter((kind) => can[kind]);
}

/** What a kind of happening can happen to, of what is there; empty where it happens to the whole chamber. */
export function whichOf(kind: HappeningKind, chamber: Chamber): string[] {
  const ids = (list: readonly { id: string }[]) => list.map((e) => e.id);
  switch (kind) {
    case "setpoint":
    case "relayStuck":
      return ids(chamber.controllers);
    case "probeOut":
    case "probeFault":
    case "probeDrift":
      return ids(chamber.probes);
    case "heaterStaysOff":
    case "heaterCutOut":
      return ids(heatersOf(chamber).filter((h) => h.kind !== "charcoal"));
    case "fuelOut":
      return ids(heatersOf(chamber).filter((h) => h.kind === "charcoal"));
    case "coldFails":
      return ids(coolersOf(chamber));
    case "iceForgotten":
      return ids(chamber.coolers.filter(isIce));
    default:
      return [];
  }
}

const MINUTE = 60;
const HOUR = 3600;

/** A happening of a kind at a moment, with usual values that can be changed; it happens to the first that it can. */
export function newHappening(kind: HappeningKind, id: string, at: number, chamber: Chamber, stage: Stage): Happening {
  const placed = { id, at };
  const which = whichOf(kind, chamber)[0] ?? "";
  switch (kind) {
    case "setpoint":
      return { ...placed, which, kind, to: celsius(stage.target + 2) };
    case "door":
      return { ...placed, kind, lasting: 10 * MINUTE };
    case "lidOff":
      return { ...placed, kind, lasting: MINUTE };
    case "probeOut":
      return { ...placed, which, kind, lasting: 0, to: "air" };
    case "probeFault":
      return { ...placed, which, kind, lasting: 0, fault: "open" };
    case "probeDrift":
      return { ...placed, which, kind, lasting: 0, perDay: kelvins(0.5) };
    case "relayStuck":
      return { ...placed, which, kind, lasting: 0, outlet: hasHeater(chamber) ? "heat" : "cold", to: "on" };
    case "loadIn":
      return { ...placed, kind, volume: 0.002, temperature: celsius(5) };
    case "fuelOut":
      return { ...placed, which, kind };
    case "weather":
      return { ...placed, kind, lasting: 48 * HOUR, by: kelvins(-8) };
    case "fanStops":
    case "powerCut":
      return { ...placed, kind, lasting: kind === "powerCut" ? 8 * HOUR : 0 };
    case "heaterStaysOff":
    case "heaterCutOut":
    case "coldFails":
    case "iceForgotten":
      return { ...placed, which, kind, lasting: 0 };
  }
}
