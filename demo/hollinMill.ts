import { newChamber } from "@/core/chamber";
import { applyEdits, type ChamberRecord } from "@/core/model";
import { celsius } from "@/core/quantity";

/** When the demo's records were written; they are invented, and so is their date. */
const WRITTEN = "2026-10-03T17:40:00.000Z";

/** The larder cabinet in the mill's cellar with its rye saison. */
function larderCabinet(): ChamberRecord {
  const record = applyEdits(newChamber("demo-larder-cabinet", "Larder cabinet, rye saison", WRITTEN), [
    { section: "product", field: "kind", value: "farmhouse" },
    { section: "product", field: "originalGravity", value: 1.056 },
    { section: "product", field: "finalGravity", value: 1.005 },
    { section: "product", field: "packetLow", value: celsius(21) },
    { section: "product", field: "packetHigh", value: celsius(27) },
    { section: "stage", field: "low", value: celsius(22.5) },
    { section: "stage", field: "high", value: celsius(25) },
    { section: "vessel", field: "volume", value: 0.025 },
    { section: "vessel", field: "startTemperature", value: celsius(19) },
    { section: "room", field: "low", value: celsius(9) },
    { section: "room", field: "high", value: celsius(17) },
    { section: "room", field: "warmestHour", value: 16 },
    { section: "cabinet", field: "height", value: 1.42 },
    { section: "cabinet", field: "width", value: 0.55 },
    { section: "cabinet", field: "depth", value: 0.58 },
    { section: "heater", field: "power", value: 60 },
    { section: "probe", field: "place", value: "air" },
  ]);
  return { ...record, demo: true, settled: ["job", "box", "heat"] };
}

/** Hollin Mill: a made-up shared cellar kitchen in an old watermill. */
export const hollinMill = (): ChamberRecord[] => [larderCabinet()];
