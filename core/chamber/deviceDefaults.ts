import type { Cabinet, CabinetKind, Cooler, CoolerKind, Edit, Fan, Heater, HeaterKind, Light } from "../model";
import { celsius, kelvins, roundTo } from "../quantity";
import { isVesselItself } from "./geometry";
import { wallConductance } from "./heatLoss";
import { referenceCabinet } from "./reference";
import { coolerBody, heaterBody } from "./thermal";

/** Heaters that can go in a kind of box, the usual one first. */
export function heatersFor(kind: CabinetKind): HeaterKind[] {
  if (kind === "crock") return ["element", "immersion", "none"];
  if (kind === "kettle") return ["immersion", "plate", "none"];
  if (kind === "drum" || kind === "brick") return ["charcoal", "fanHeater", "none"];
  if (kind === "jacketed") return ["plate", "belt", "none"];
  return ["tube", "lamp", "bulb", "belt", "mat", "fanHeater", "none"];
}

export function coolersFor(kind: CabinetKind): CoolerKind[] {
  if (kind === "jacketed") return ["peltier", "none"];
  if (isVesselItself(kind) || kind === "crock" || kind === "drum" || kind === "brick") return ["none"];
  if (kind === "foam") return ["none", "ice", "peltier"];
  return ["compressor", "none", "ice", "peltier"];
}

/** Another kind of cooler, at its usual power. Without an id the first one. */
export const coolerChoice = (kind: CoolerKind, id?: string): Edit[] => [
  { section: "cooler", field: "kind", id, value: kind },
  { section: "cooler", field: "power", id, value: undefined },
];

export const coolerLabels: Record<CoolerKind, string> = {
  none: "None",
  compressor: "Compressor",
  peltier: "Thermoelectric plate",
  ice: "Ice or frozen bottles",
};

/** @param shared it is one plate with a cooler */
export const heaterDefaults = (kind: HeaterKind, power: number, cabinet: Cabinet, shared = false): Heater => ({
  kind,
  power: kind === "none" ? 0 : power,
  ownThermostat: false,
  ownThermostatAt: celsius(kind === "fanHeater" ? 60 : 45),
  staysOff: false,
  timer: 0,
  fuel: 7.5,
  usableShare: 0.9,
  fuelHeat: 29e6,
  burnShare: 0.85,
  idlePower: 900,
  ...heaterBody(cabinet, kind, shared),
});

/** Cooling power of a usual device for a box, W (estimate: a compressor in proportion to the wall loss). */
function coolerPower(kind: CoolerKind, cabinet: Cabinet): number {
  if (kind === "peltier") return 60;
  if (kind !== "compressor") return 0;
  if (cabinet.kind === "chest") return 42;
  const share = wallConductance(cabinet) / wallConductance(referenceCabinet.cabinet);
  return roundTo(referenceCabinet.coolerPower * Math.max(0.5, share), 5);
}

/** @param stored power and ice that are said: the body is as large as they make it */
export function coolerDefaults(
  kind: CoolerKind,
  cabinet: Cabinet,
  stored: { power?: number | undefined; iceMass?: number | undefined } = {},
): Cooler {
  const power = coolerPower(kind, cabinet);
  const iceMass = 4;
  const body = coolerBody(cabinet, { kind, power: stored.power ?? power, iceMass: stored.iceMass ?? iceMass });
  return {
    ...coolerSwitches,
    // The condenser of a chest lies in its skin; others have it at their back (10 to 20 % of the cold: estimate).
    skin: kind === "compressor" && cabinet.kind === "chest" ? 0.15 : 0,
    kind,
    power,
    iceMass,
    ...body,
  };
}

/** Usual fan and light, W (common practice, no source). */
export const fanDefaults: Fan = { power: 4 };
export const lightDefaults: Light = { power: 8 };

const coolerSwitches = {
  ownThermostat: false,
  ownThermostatAt: celsius(3),
  staysOff: false,
  defrostEvery: 0,
  defrostFor: 20 * 60,
  defrostPower: 120,
  electric: 60,
  largestLift: kelvins(35),
  hotRise: kelvins(12),
  iceStart: celsius(-16),
  iceEvery: 0,
} as const;
