import type { Chamber, Happening, HappeningKind, Stage } from "../model";
import { celsius, kelvins } from "../quantity";
import { hasLid } from "./geometry";
import { hasCooler, hasHeater } from "./network";

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
  const { cabinet, heater, cooler } = chamber;
  const heats = hasHeater(chamber);
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
    heaterStaysOff: heats && heater.kind !== "charcoal",
    heaterCutOut: heats && heater.kind !== "charcoal",
    relayStuck: heats || hasCooler(chamber),
    coldFails: hasCooler(chamber),
    fanStops: cabinet.fan,
    iceForgotten: cooler.kind === "ice" && cooler.iceEvery > 0,
    fuelOut: heater.kind === "charcoal",
  };
  return (Object.keys(happeningInfo) as HappeningKind[]).filter((kind) => can[kind]);
}

const MINUTE = 60;
const HOUR = 3600;

/** A happening of a kind at a moment, with usual values that can be changed. */
export function newHappening(kind: HappeningKind, id: string, at: number, chamber: Chamber, stage: Stage): Happening {
  const placed = { id, at };
  switch (kind) {
    case "setpoint":
      return { ...placed, kind, to: celsius(stage.target + 2) };
    case "door":
      return { ...placed, kind, lasting: 10 * MINUTE };
    case "lidOff":
      return { ...placed, kind, lasting: MINUTE };
    case "probeOut":
      return { ...placed, kind, lasting: 0, to: "air" };
    case "probeFault":
      return { ...placed, kind, lasting: 0, fault: "open" };
    case "probeDrift":
      return { ...placed, kind, lasting: 0, perDay: kelvins(0.5) };
    case "relayStuck":
      return { ...placed, kind, lasting: 0, outlet: hasHeater(chamber) ? "heat" : "cold", to: "on" };
    case "loadIn":
      return { ...placed, kind, volume: 0.002, temperature: celsius(5) };
    case "fuelOut":
      return { ...placed, kind };
    case "weather":
      return { ...placed, kind, lasting: 48 * HOUR, by: kelvins(-8) };
    case "fanStops":
    case "powerCut":
      return { ...placed, kind, lasting: kind === "powerCut" ? 8 * HOUR : 0 };
    default:
      return { ...placed, kind, lasting: 0 };
  }
}
