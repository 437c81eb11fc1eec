import { DEFAULTS_VERSION, CHAMBER_VERSION, type ChamberRecord } from "../model";

/** A chamber with nothing but defaults. The caller hands in identity and time: the core has no clock and no chance. */
export function newChamber(id: string, name: string, now: string): ChamberRecord {
  return {
    id,
    kind: "chamber",
    schemaVersion: CHAMBER_VERSION,
    defaultsVersion: DEFAULTS_VERSION,
    revision: 0,
    updatedAt: now,
    createdAt: now,
    demo: false,
    name,
    settled: [],
    room: {},
    roomReadings: null,
    roomSeries: null,
    cabinet: {},
    thermal: {},
    build: {},
    wiring: {},
    moisture: {},
    devices: [
      { id: "h1", device: "heater", at: null, heater: {} },
      { id: "c1", device: "cooler", at: null, cooler: {} },
    ],
    controllers: [{ id: "u1", unit: {}, probes: ["p1"], heat: ["h1"], cold: ["c1"] }],
    vessels: [{ id: "v1", vessel: {}, product: {}, band: {} }],
    probes: [{ id: "p1", in: "v1", probe: {} }],
    job: null,
    program: {},
    stages: [{ id: "s1", stage: {}, settings: {} }],
    happenings: [],
    readings: [],
    ownWay: [],
    work: { done: [], proofs: {}, names: {}, photo: null },
    parts: [],
  };
}
