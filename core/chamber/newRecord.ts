import { DEFAULTS_VERSION, RECORD_VERSION, type ChamberRecord } from "../model";

/** A chamber with nothing but defaults. The caller hands in identity and time: the core has no clock and no chance. */
export function newChamber(id: string, name: string, now: string): ChamberRecord {
  return {
    id,
    kind: "chamber",
    schemaVersion: RECORD_VERSION,
    defaultsVersion: DEFAULTS_VERSION,
    revision: 0,
    updatedAt: now,
    createdAt: now,
    demo: false,
    name,
    settled: [],
    room: {},
    roomSeries: null,
    cabinet: {},
    thermal: {},
    heater: {},
    cooler: {},
    unit: {},
    settings: {},
    vessels: [{ vessel: {}, product: {} }],
    probes: [{ probe: {} }],
    stages: [{ stage: {} }],
    happenings: [],
  };
}
