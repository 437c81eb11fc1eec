import {
  fill,
  type Cabinet,
  type Chamber,
  type ChamberRecord,
  type Heater,
  type Probe,
  type Product,
  type Stage,
  type Unit,
} from "../model";
import { celsius, kelvins, middle, roundTo, type Temperature } from "../quantity";
import { productDefaults } from "../product";
import { genericUnit } from "../controller";
import { wallConductance } from "./heatLoss";
import { referenceCabinet } from "./reference";
import { heaterFor, heatNeeded } from "./sizing";

/** Half-width of the band that is offered around the middle of the packet's range, K (common practice, no source). */
const HALF_BAND = 1;

/** Middle of the packet's range with a degree each way, never outside the packet; the target in the middle. */
function stageDefaults(product: Product): Stage {
  const centre = roundTo(middle(product.packetLow, product.packetHigh), 0.5);
  const low = celsius(Math.max(product.packetLow, centre - HALF_BAND));
  const high = celsius(Math.min(product.packetHigh, centre + HALF_BAND));
  return { low, high, target: middle(low, high) };
}

const unitDefaults = (scale: Unit["scale"] | undefined): Unit => genericUnit(scale ?? "C");

/** Cooling power of a usual compressor for a cabinet of this size, W (estimate: in proportion to the wall loss). */
const coolerDefault = (cabinet: Cabinet): number =>
  roundTo(
    referenceCabinet.coolerPower * Math.max(0.5, wallConductance(cabinet) / wallConductance(referenceCabinet.cabinet)),
    5,
  );

/**
 * A stored chamber with every default filled in. Later defaults follow from earlier values: the band from the packet,
 * the target from the band, the cooler from the cabinet, the heater from the loss in the coldest room.
 */
export function describe(record: ChamberRecord): Chamber {
  const room = fill({ low: celsius(12), high: celsius(22), warmestHour: 15 }, record.room);
  const cabinet = fill<Cabinet>(referenceCabinet.cabinet, record.cabinet);
  const unit = fill(unitDefaults(record.unit.scale?.value), record.unit);
  const vessels = record.vessels.map(({ vessel, product }) => ({
    ...fill({ volume: 0.023, startTemperature: celsius(22) }, vessel),
    product: fill(productDefaults[product.kind?.value ?? "ale"], product),
  }));
  const firstProduct = vessels[0]?.product ?? productDefaults.ale;
  const stages = record.stages.map(({ stage }) => {
    const withBand = fill(stageDefaults(firstProduct), { ...stage, target: undefined });
    return fill({ ...withBand, target: middle(withBand.low, withBand.high) }, { target: stage.target });
  });
  const probes = record.probes.map(({ probe }) => fill<Probe>({ place: "strapped", error: kelvins(0) }, probe));
  const cooler = fill({ power: coolerDefault(cabinet) }, record.cooler);
  const bare: Chamber = { room, cabinet, heater: { power: 0 }, cooler, unit, vessels, probes, stages };
  const target: Temperature = stages[0]?.target ?? celsius(20);
  const heater = fill<Heater>({ power: heaterFor(heatNeeded(bare, target)) }, record.heater);
  return { ...bare, heater };
}
