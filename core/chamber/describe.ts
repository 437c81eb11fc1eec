import {
  fill,
  type CabinetKind,
  type Chamber,
  type ChamberRecord,
  type Probe,
  type Product,
  type Room,
  type Stage,
  type Vessel,
} from "../model";
import { celsius, kelvins, middle, roundTo, type Temperature } from "../quantity";
import { placementDefaults } from "../probe";
import { productDefaults } from "../product";
import { genericUnit } from "../controller";
import { boxes, cabinetDefaults } from "./boxes";
import { coolerDefaults, heaterDefaults } from "./deviceDefaults";
import { isSmoker } from "./geometry";
import { heaterFor, heatNeeded } from "./sizing";
import { thermalDefaults } from "./thermal";

/** Half-width of the band that is offered around the middle of the packet's range, K (common practice, no source). */
const HALF_BAND = 1;

/** Middle of the packet's range with a degree each way, never outside the packet; the target in the middle. */
function stageDefaults(product: Product, kind: CabinetKind): Stage {
  const centre = roundTo(middle(product.packetLow, product.packetHigh), 0.5);
  const low = celsius(Math.max(product.packetLow, centre - HALF_BAND));
  const high = celsius(Math.min(product.packetHigh, centre + HALF_BAND));
  return { low, high, target: middle(low, high), wish: "band", of: isSmoker(kind) ? "air" : "product" };
}

const roomDefaults: Room = { low: celsius(12), high: celsius(22), warmestHour: 15, monthly: kelvins(0) };

/**
 * A stored chamber with every default filled in. Later defaults follow from earlier values: the box from its kind, the
 * band from the packet, the target from the band, the cooler from the box, the heater from the loss in the coldest
 * room, the network's parameters from all of them.
 */
export function describe(record: ChamberRecord): Chamber {
  const room = fill(roomDefaults, record.room);
  const kind = record.cabinet.kind?.value ?? "upright";
  const box = boxes[kind];
  const cabinet = fill(cabinetDefaults(kind), record.cabinet);
  const unit = fill(genericUnit(record.unit.scale?.value ?? "C", record.unit.kind?.value), record.unit);
  const vesselDefaults: Vessel = {
    ...box.vessel,
    count: 1,
    jacket: 0,
    startTemperature: celsius(22),
    evaporation: 0,
    evaporationAt: celsius(65),
  };
  const vessels = record.vessels.map(({ vessel, product }) => ({
    ...fill(vesselDefaults, vessel),
    product: fill(productDefaults[product.kind?.value ?? "ale"], product),
  }));
  const firstProduct = vessels[0]?.product ?? productDefaults.ale;
  const stages = record.stages.map(({ stage }) => {
    const withBand = fill(stageDefaults(firstProduct, kind), { ...stage, target: undefined });
    return fill({ ...withBand, target: middle(withBand.low, withBand.high) }, { target: stage.target });
  });
  const probes = record.probes.map(({ probe }) => {
    const place = probe.place?.value ?? box.probe;
    return fill<Probe>({ place, error: kelvins(0), ...placementDefaults(place, cabinet), noise: 0, step: 0 }, probe);
  });
  const cooler = fill(coolerDefaults(record.cooler.kind?.value ?? box.cooler, cabinet), record.cooler);
  const target: Temperature = stages[0]?.target ?? celsius(20);
  // The heater's size follows from the loss, which does not depend on the heater.
  const noHeater = heaterDefaults("none", 0);
  const bare: Chamber = {
    room,
    roomSeries: record.roomSeries,
    cabinet,
    thermal: fill(thermalDefaults(cabinet, noHeater, cooler, vessels[0]!), record.thermal),
    heater: noHeater,
    cooler,
    unit,
    vessels,
    probes,
    stages,
    happenings: record.happenings,
  };
  const heaterPower = record.heater.power?.value ?? heaterFor(heatNeeded(bare, target), kind);
  const usual = box.heater === "tube" && heaterPower >= 300 ? "fanHeater" : box.heater;
  const heater = fill(heaterDefaults(record.heater.kind?.value ?? usual, heaterPower), record.heater);
  if (record.heater.kind?.value === "none") heater.power = 0;
  const thermal = fill(thermalDefaults(cabinet, heater, cooler, vessels[0]!), record.thermal);
  return { ...bare, heater, thermal };
}
