import type { Cabinet, CabinetAge, Cooler, Heater, HeaterKind, Thermal, Vessel } from "../model";
import { heaterBodies } from "./heaterBodies";
import { insideOf, outsideArea, vesselSurface } from "./geometry";
import { boxes } from "./boxes";
import { isStillAir, STILL_FILM, stirring, vesselRadiation } from "./films";
import {
  JACKET_CONDUCTIVITY,
  midWallArea,
  sealLength,
  surfaceResistance,
  transmittance,
  wallResistance,
} from "./heatLoss";
import { referenceCabinet as ref } from "./reference";

/** Materials that conduct better than this are metals, W/mK. */
const METAL = 5;

type Shell = Omit<Thermal, "fanHeat" | "filmGrows">;
/** What stores a device's residual heat or cold, and where it goes: J/K, W/K. */
export type DeviceBody = Pick<Heater, "bodyCapacity" | "toAir" | "toLining" | "toVessel" | "toRoom">;

/** Between the air of a still box and its surfaces, W/m²K. */
const filmIn = ({ kind, fan }: Cabinet): number => STILL_FILM * (fan ? stirring(kind).surfaces : 1);

/** What years cost a bought cabinet: wet foam and a hard seal lose 20 to 50 % more (estimate). */
export const worn: Record<CabinetAge, number> = { new: 1, worn: 1.2, old: 1.5 };

/**
 * Loss through the foam of a bought cabinet from its inner face to the room, W/K: area at mid-wall over what its layers
 * and its outer face resist (ISO 6946; the film inside stands apart). Edges, pipes and the door's frame lead past the
 * foam: together with the seal a tenth to a third of the sum (estimate).
 */
const EDGES = 1.05;
const foamLoss = (cabinet: Cabinet): number =>
  (EDGES * worn[cabinet.age] * midWallArea(cabinet)) / (wallResistance(cabinet) + surfaceResistance.inside);

/**
 * Loss of a thin-walled round box through its wall, W/K, with what its side has been given beyond its usual wall:
 * thickness, another material, a jacket. Lid and bottom stay as they are.
 */
function wrapped(loss: number, cabinet: Cabinet): number {
  const usual = boxes[cabinet.kind].cabinet;
  const added =
    cabinet.jacket / JACKET_CONDUCTIVITY +
    cabinet.insulation / cabinet.conductivity -
    usual.insulation / usual.conductivity;
  if (added === 0) return loss;
  const side = Math.PI * cabinet.width * cabinet.height;
  const share = side / outsideArea(cabinet);
  return loss * (1 - share) + 1 / (1 / (loss * share) + added / side);
}

/**
 * A fridge of any size, scaled from the tall cabinet: loss by U·A, leak by the seal, air by volume, lining by area. Air
 * takes heat by its film alone; between vessel and lining it is radiated, past the air (films.ts).
 */
function fridge(cabinet: Cabinet): Shell {
  const inside = insideOf(cabinet);
  const refInside = insideOf(ref.cabinet);
  const area = inside.area / refInside.area;
  const seal = sealLength(cabinet) / sealLength(ref.cabinet);
  const dead = cabinet.kind === "warmBox";
  const age = worn[cabinet.age];
  return {
    airCapacity: ref.air * (inside.volume / refInside.volume),
    liningCapacity: ref.lining * area,
    wallLayers: 1,
    airToLining: filmIn(cabinet) * inside.area,
    liningToRoom: foamLoss(cabinet),
    // A seal that nobody mends and pierced walls cost a dead fridge a little more.
    airToRoom: (dead ? 0.37 : ref.airToRoom) * seal * age,
    openToRoom: 40 * seal,
    filmToAir: filmIn(cabinet),
    filmToLining: vesselRadiation(cabinet.kind),
  };
}

/** The chest freezer of 140 L that other chests are scaled from (estimates): J/K, W/K. */
export const chestReference = {
  cabinet: {
    kind: "chest",
    height: 0.85,
    width: 0.75,
    depth: 0.55,
    insulation: 0.065,
    conductivity: 0.022,
    jacket: 0,
    age: "new",
    collar: 0,
    fan: false,
    bath: 0,
    humidity: 0.75,
  } satisfies Cabinet,
  air: 250,
  lining: 9000,
  airToRoom: 0.1,
};
/** A collar of 2 cm boards with 2 cm of foam, W/m²K. */
const COLLAR = transmittance(0.02, 0.035) * 0.85;

function chest(cabinet: Cabinet): Shell {
  const { cabinet: base, ...c } = chestReference;
  const bare = { ...cabinet, collar: 0 };
  const inside = insideOf(cabinet);
  const area = inside.area / insideOf(base).area;
  const collar = 2 * (cabinet.width + cabinet.depth) * cabinet.collar * COLLAR;
  return {
    airCapacity: c.air * (inside.volume / insideOf(base).volume),
    liningCapacity: c.lining * area,
    wallLayers: 1,
    airToLining: filmIn(cabinet) * inside.area,
    liningToRoom: foamLoss(bare) + collar,
    airToRoom:
      c.airToRoom * (sealLength(cabinet) / sealLength(base)) * (cabinet.collar > 0 ? 2 : 1) * worn[cabinet.age],
    openToRoom: 8,
    filmToAir: filmIn(cabinet),
    filmToLining: vesselRadiation(cabinet.kind),
  };
}

/** Foam box: conductance of the foam from its inner face to the room, films inside apart (ISO 6946 with one face). */
function foam(cabinet: Cabinet): Shell {
  const area = insideOf(cabinet).area / 0.645;
  const film = 0.13;
  return {
    airCapacity: 150 * (insideOf(cabinet).volume / 0.0525),
    liningCapacity: 900 * area,
    wallLayers: 1,
    airToLining: filmIn(cabinet) * insideOf(cabinet).area,
    liningToRoom: midWallArea(cabinet) / (wallResistance(cabinet) + film),
    airToRoom: 0.15 * (sealLength(cabinet) / 1.9),
    openToRoom: 6,
    filmToAir: filmIn(cabinet),
    filmToLining: vesselRadiation(cabinet.kind),
  };
}

/** A pot with a water bath: the medium is water, the lining is the crock (4.5 L in the reference). */
function crock(cabinet: Cabinet): Shell {
  const size = Math.max(0.1, cabinet.bath / 0.0045);
  const skin = size ** (2 / 3);
  return {
    airCapacity: 18_840 * size,
    liningCapacity: 3200 * skin,
    wallLayers: 1,
    airToLining: 8 * skin,
    liningToRoom: wrapped(0.5 * skin, cabinet),
    airToRoom: skin,
    openToRoom: 3.5 * skin,
    filmToAir: 70,
    filmToLining: 0,
  };
}

/** A kettle: 30 % of the liquid around the element, 70 % above it, joined by mixing (27 L in the reference). */
function kettle(cabinet: Cabinet, vessel: Vessel): Shell {
  const size = vessel.volume / 0.027;
  const skin = size ** (2 / 3);
  const surface = vesselSurface(vessel);
  return {
    airCapacity: 0.3 * vessel.volume * 4.18e6,
    liningCapacity: 2500 * skin,
    wallLayers: 1,
    airToLining: 18 * skin,
    liningToRoom: wrapped(6 * skin, cabinet),
    airToRoom: 2 * skin,
    openToRoom: 4 * skin,
    filmToAir: (200 * (cabinet.fan ? stirring("kettle").surfaces : 1) * skin) / surface,
    filmToLining: (42 * skin) / surface,
  };
}

/** A thin steel drum in the open (200 L in the reference): wind and radiation make most of its loss. */
function drum(cabinet: Cabinet): Shell {
  const area = outsideArea(cabinet) / 2.086;
  return {
    airCapacity: 300 * (insideOf(cabinet).volume / 0.2221),
    // A wall of anything but metal weighs little beside the steel that carries it.
    liningCapacity: 11_000 * area * (cabinet.conductivity > METAL ? cabinet.insulation / 0.001 : 1),
    wallLayers: 1,
    airToLining: 28 * area,
    liningToRoom: wrapped(26 * area, cabinet),
    airToRoom: 4 * area,
    openToRoom: 55 * area,
    filmToAir: 13,
    filmToLining: 0,
  };
}

/** Masonry: conductance of the wall to the open by ISO 6946, its mass by 1.6 MJ/m³K, in three layers. */
function brick(cabinet: Cabinet): Shell {
  const area = midWallArea(cabinet);
  const inside = insideOf(cabinet);
  return {
    airCapacity: 1250 * inside.volume,
    liningCapacity: area * cabinet.insulation * 1.6e6,
    wallLayers: 3,
    airToLining: 12 * inside.area,
    liningToRoom: area / (wallResistance(cabinet) + 0.04),
    airToRoom: 4,
    openToRoom: 80,
    filmToAir: 11,
    filmToLining: 3,
  };
}

/** A vessel in its own jacket: the lining is steel and foam around it, the air its headspace. */
function jacketed(cabinet: Cabinet, vessel: Vessel): Shell {
  const surface = vesselSurface(vessel);
  return {
    airCapacity: 60,
    liningCapacity: 4000 * (surface / 0.45),
    wallLayers: 1,
    airToLining: 0.4,
    liningToRoom: surface / (wallResistance(cabinet) + 0.13),
    airToRoom: 0.05,
    openToRoom: 1,
    filmToAir: 0.6,
    filmToLining: 25,
  };
}

function shellOf(cabinet: Cabinet, vessel: Vessel): Shell {
  switch (cabinet.kind) {
    case "chest":
      return chest(cabinet);
    case "foam":
      return foam(cabinet);
    case "crock":
      return crock(cabinet);
    case "kettle":
      return kettle(cabinet, vessel);
    case "drum":
      return drum(cabinet);
    case "brick":
      return brick(cabinet);
    case "jacketed":
      return jacketed(cabinet, vessel);
    default:
      return fridge(cabinet);
  }
}

/** Default body of a cooler in a box. */
export function coolerBody(cabinet: Cabinet, cooler: Pick<Cooler, "kind" | "power" | "iceMass">): DeviceBody {
  const none = { bodyCapacity: 1, toAir: 0, toLining: 0, toVessel: 0, toRoom: 0 };
  switch (cooler.kind) {
    case "none":
      return none;
    case "ice":
      // Bottles of a litre with 0.06 m² each and a film of 8 W/m²K.
      return { ...none, bodyCapacity: Math.max(1, cooler.iceMass * 2090), toAir: 0.5 * cooler.iceMass };
    case "peltier":
      return cabinet.kind === "jacketed"
        ? { bodyCapacity: 900, toAir: 0, toLining: 0.2, toVessel: 12, toRoom: 0.3 }
        : { bodyCapacity: 600, toAir: 4, toLining: 0.3, toVessel: 0, toRoom: 0.3 };
    case "compressor": {
      const [q0, air, lining] = cabinet.kind === "chest" ? [42, 0.5, 15] : [70, ref.evaporatorToAir, 1];
      const size = Math.max(0.2, cooler.power / q0);
      return {
        bodyCapacity: ref.evaporator * size,
        toAir: air * size * (cabinet.fan ? stirring(cabinet.kind).bodies : 1),
        toLining: lining * size,
        toVessel: 0,
        toRoom: 0,
      };
    }
  }
}

/**
 * Default body of a heater in a box.
 * @param shared it is one plate with a cooler
 */
export function heaterBody(cabinet: Cabinet, kind: HeaterKind, shared: boolean): DeviceBody {
  const body = heaterBodies[kind];
  // In a chest the heater stands close to the walls; a fan takes more heat off any body.
  const chestTube = cabinet.kind === "chest" && kind === "tube";
  return {
    bodyCapacity: chestTube ? 600 : body.capacity,
    toAir:
      (chestTube ? 1.5 : body.toAir) * (cabinet.fan && cabinet.kind !== "kettle" ? stirring(cabinet.kind).bodies : 1),
    toLining: chestTube ? 0 : body.toLining,
    toVessel: shared ? 12 : body.toVessel,
    toRoom: body.toRoom,
  };
}

/** Default parameters of a box in the network; every one of them can be replaced by the person. */
export const thermalDefaults = (cabinet: Cabinet, vessel: Vessel): Thermal => ({
  ...shellOf(cabinet, vessel),
  fanHeat: cabinet.fan ? (cabinet.kind === "kettle" ? 10 : 4) : 0,
  filmGrows: isStillAir(cabinet.kind) ? 0.25 : 0,
});
