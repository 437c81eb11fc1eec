import {
  fill,
  type Band,
  type Build,
  type CabinetKind,
  type Chamber,
  type ChamberRecord,
  type DeviceRecord,
  type LoadedVessel,
  type PlacedCooler,
  type Probe,
  type Product,
  type Program,
  type Room,
  type Stage,
  type Vessel,
  type Wiring,
} from "../model";
import { genericUnit } from "../controller";
import { placementDefaults } from "../probe";
import { productDefaults } from "../product";
import { celsius, kelvins, middle, roundTo, type Temperature } from "../quantity";
import { boxes, cabinetDefaults } from "./boxes";
import { asMade } from "./defaultChanges";
import { coolerDefaults, fanDefaults, heaterDefaults, lightDefaults } from "./deviceDefaults";
import { cools } from "./devices";
import { aboveOf, isSmoker } from "./geometry";
import { moistureDefaults } from "./moisture";
import { plugTable } from "./plugs";
import { heaterFor, heatNeeded } from "./sizing";
import { thermalDefaults } from "./thermal";

/** Half-width of the band that is offered around the middle of the packet's range, K (common practice, no source). */
const HALF_BAND = 1;

/** The program where nothing is said of it: somebody can always be there, and keys the settings in. */
const programDefaults: Program = {
  startsAt: "",
  attendedFrom: 0,
  attendedTo: 24,
  away: [],
  byHand: true,
  finishBy: "",
  copyOf: "",
  copyOfRevision: 0,
};

/** Middle of the packet's range with a degree each way, never outside the packet; the target in the middle. */
function stageDefaults(product: Product, kind: CabinetKind): Stage {
  const centre = roundTo(middle(product.packetLow, product.packetHigh), 0.5);
  const low = celsius(Math.max(product.packetLow, centre - HALF_BAND));
  const high = celsius(Math.min(product.packetHigh, centre + HALF_BAND));
  return {
    name: "",
    low,
    high,
    target: middle(low, high),
    wish: "band",
    of: isSmoker(kind) ? "air" : "product",
    ends: [],
    latest: 0,
    rampBy: kelvins(0),
    rampEvery: 86_400,
    humidity: 0,
    tasks: [],
  };
}

/** Beans in a bag with a hole every centimetre give off so much of what they would in the open (estimate: 0.01 to 0.1). */
const PERFORATED = 0.02;

/** A room in a house in spring and autumn; its winter and summer (estimates). */
const roomDefaults: Room = {
  low: celsius(12),
  high: celsius(22),
  warmestHour: 15,
  monthly: kelvins(0),
  winter: kelvins(-6),
  summer: kelvins(6),
};

/** Lays stored values over defaults; the target is the middle of the band that results, unless it is stored itself. */
function withMiddle<T extends Band>(defaults: T, stored: { [K in keyof T]?: { value: T[K] } | undefined }): T {
  const withBand = fill(defaults, { ...stored, target: undefined });
  return fill({ ...withBand, target: middle(withBand.low, withBand.high) }, {
    target: stored.target,
  } as typeof stored);
}

/** The stages in turn: what one does not say of band, wish and what it is for is as in the one before. */
function stagesOf(record: ChamberRecord, product: Product, kind: CabinetKind): Chamber["stages"] {
  let before = stageDefaults(product, kind);
  return record.stages.map(({ id, stage }) => {
    const { name, ends, latest, rampBy, rampEvery, humidity, tasks } = stageDefaults(product, kind);
    const moved = stage.low || stage.high || stage.target;
    const defaults = { ...before, name, ends, latest, rampBy, rampEvery, humidity, tasks };
    const filled = moved ? withMiddle(defaults, stage) : fill(defaults, stage);
    before = filled;
    return { ...filled, id };
  });
}

/** Nothing is in the way where nothing is said; boards, joints and sheets as they are usual (common practice, no source). */
const buildDefaults: Build = {
  humpWidth: 0,
  humpDepth: 0,
  humpHeight: 0,
  shelfAt: 0,
  doorShelf: 0,
  ceiling: 0,
  rim: 0,
  things: [],
  boardMaterial: "plywood",
  boardThickness: 0.018,
  boardEdges: "two",
  boardSafety: 3,
  joint: "butt",
  lining: 0,
  lip: 0.03,
  sheetLength: 1.25,
  sheetWidth: 0.6,
  kerf: 0.003,
  sheetPrice: 0,
  loadHours: 24,
};

/** What is usual for a kind of mains: its plug, and what the circuit at the wall and its sockets are made for. */
const usualMains: Record<Wiring["mains"], Pick<Wiring, "plug" | "plugTurns" | "breaker" | "outletAmps">> = {
  one230: { plug: "cee7", plugTurns: true, breaker: 16, outletAmps: 16 },
  one120: { plug: "nema5", plugTurns: false, breaker: 15, outletAmps: 15 },
  one100: { plug: "jis8303", plugTurns: true, breaker: 15, outletAmps: 15 },
  two240: { plug: "nema6", plugTurns: false, breaker: 20, outletAmps: 20 },
  two208: { plug: "nema6", plugTurns: false, breaker: 20, outletAmps: 20 },
};

/** A wiring as it is usual for a kind of mains (common practice, no source); nobody wires anything unasked. */
const wiringDefaults = ({ mains, plug }: ChamberRecord["wiring"]): Wiring => {
  const kind = mains?.value ?? "one230";
  const usual = usualMains[kind];
  const typedPlug = plug?.value ?? usual.plug;
  return {
    mains: kind,
    plug: typedPlug,
    plugTurns: plugTable[typedPlug].turns ?? usual.plugTurns,
    plugFuse: plugTable[typedPlug].fuse,
    breaker: plugTable[typedPlug].breaker ?? usual.breaker,
    fuse: 10,
    otherWatts: 0,
    residual: "unknown",
    residualAt: "wall",
    mainSwitch: "both",
    outlets: "two",
    linkBroken: true,
    outletAmps: plugTable[typedPlug].socket ?? usual.outletAmps,
    outletMotorAmps: 0,
    relay: "mechanical",
    relaysIn: "unit",
    relayAmps: 10,
    relayMotorAmps: 0,
    cordLength: 2,
    laid: "cord",
    secondCord: false,
    cutOut: "unknown",
    cutOutAmps: 10,
    heatAmps: 0,
    coldAmps: 0,
    pilots: false,
    heatDouble: false,
    coldDouble: false,
    symbols: "region",
    metalBox: false,
    metalVessel: false,
    place: "damp",
    colours: "now",
    supply: 0,
    ownWork: false,
  };
};

const ofKind = <K extends DeviceRecord["device"]>(record: ChamberRecord, kind: K) =>
  record.devices.filter((d): d is Extract<DeviceRecord, { device: K }> => d.device === kind);

/**
 * A stored chamber with every default filled in. Later defaults follow from earlier values: the box from its kind, the
 * band from the packet, the target from the band, the coolers from the box, the heaters from the loss in the coldest
 * room, the network's parameters from all of them. A default that has changed since the chamber was made stays as it was
 * until the person takes the new one, but for those that hid a danger.
 */
export const describe = (record: ChamberRecord): Chamber => filled(asMade(record, filled));

/** Filled in with the present defaults, whatever it was made with. */
export function filled(record: ChamberRecord): Chamber {
  const room = fill(roomDefaults, record.room);
  const kind = record.cabinet.kind?.value ?? "upright";
  const box = boxes[kind];
  const cabinet = fill(cabinetDefaults(kind), record.cabinet);
  const controllers = record.controllers.map(({ id, unit, probes, heat, cold }) => ({
    id,
    unit: fill(genericUnit(unit.scale?.value ?? "C", unit.kind?.value), unit),
    probes,
    heat,
    cold,
  }));
  const vesselDefaults: Vessel = {
    ...box.vessel,
    count: 1,
    jacket: 0,
    startTemperature: celsius(22),
    putIn: 0,
    bodyHeight: 0,
    bodyWidth: 0,
    footWidth: 0,
    legs: 0,
    lidHeight: 0,
    lidOver: 0,
    above: 0,
    reach: 0,
    handles: 0,
    tap: 0,
    spots: [],
    evaporation: 0,
    evaporationAt: celsius(65),
    wetShare: 0,
  };
  const loads = record.vessels.map(({ id, vessel, product, band }) => ({
    id,
    ...fill(
      {
        ...vesselDefaults,
        above: aboveOf(vessel.form?.value ?? vesselDefaults.form),
        wetShare: product.kind?.value === "tempeh" ? PERFORATED : 0,
      },
      vessel,
    ),
    product: fill(productDefaults(product.kind?.value ?? "ale"), product),
    stored: band,
  }));
  const first = loads[0]!;
  const stages = stagesOf(record, first.product, kind);
  const vessels: LoadedVessel[] = loads.map(({ stored, ...load }) => ({
    ...load,
    band: Object.values(stored).some((v) => v !== undefined)
      ? withMiddle({ low: stages[0]!.low, high: stages[0]!.high, target: stages[0]!.target }, stored)
      : null,
  }));
  const probes = record.probes.map(({ id, in: where, probe }) => {
    const place = probe.place?.value ?? box.probe;
    const filled = fill<Probe>(
      { place, error: kelvins(0), ...placementDefaults(place, cabinet), noise: 0, step: 0 },
      probe,
    );
    return { ...filled, id, in: where };
  });
  const coolers = ofKind(record, "cooler").map(({ id, at, cooler }): PlacedCooler => {
    const said = { power: cooler.power?.value, iceMass: cooler.iceMass?.value };
    const defaults = coolerDefaults(cooler.kind?.value ?? box.cooler, cabinet, said);
    return { ...fill(defaults, cooler), id, at: at ?? first.id };
  });
  // The heaters' size follows from the loss, which does not depend on them.
  const bare: Chamber = {
    room,
    recorded: record.roomReadings ?? record.roomSeries,
    cabinet,
    thermal: fill(thermalDefaults(cabinet, first), record.thermal),
    build: fill(buildDefaults, record.build),
    wiring: fill(wiringDefaults(record.wiring), record.wiring),
    moisture: fill(moistureDefaults(cabinet, stages), record.moisture),
    heaters: [],
    coolers,
    fans: ofKind(record, "fan").map(({ id, fan }) => ({ ...fill(fanDefaults, fan), id })),
    lights: ofKind(record, "light").map(({ id, light }) => ({ ...fill(lightDefaults, light), id })),
    controllers,
    vessels,
    probes,
    stages,
    program: fill(programDefaults, record.program),
    happenings: record.happenings,
  };
  const stored = ofKind(record, "heater");
  const warmest: Temperature = celsius(Math.max(...stages.map((s) => s.target)));
  const usualPower = stored.some((h) => h.heater.power === undefined) ? heaterFor(heatNeeded(bare, warmest), kind) : 0;
  const heaters = stored.map(({ id, at, heater: said }) => {
    const power = said.power?.value ?? usualPower;
    const usual = box.heater === "tube" && power >= 300 ? "fanHeater" : box.heater;
    const chosen = said.kind?.value ?? usual;
    const plate = chosen === "plate" && coolers.some((c) => c.kind === "peltier" && cools(c));
    const heater = fill(heaterDefaults(chosen, power, cabinet, plate), said);
    if (said.kind?.value === "none") heater.power = 0;
    return { ...heater, id, at: at ?? first.id };
  });
  return { ...bare, heaters };
}
