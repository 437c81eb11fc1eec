import type { Cabinet } from "../model";

/**
 * The tall cabinet with 23 L that the network is scaled from. All of it engineering estimates, some tuned to
 * practice (docs/sources.md): J/K, W/K, W, m, m³.
 */
export const referenceCabinet = {
  cabinet: {
    kind: "upright",
    height: 1.7,
    width: 0.6,
    depth: 0.6,
    insulation: 0.05,
    conductivity: 0.022,
    jacket: 0,
    age: "new",
    collar: 0,
    fan: false,
    bath: 0,
    humidity: 0.75,
  } satisfies Cabinet,
  coolerPower: 70,
  air: 500,
  lining: 15_000,
  evaporator: 2500,
  evaporatorToAir: 4.5,
  evaporatorToLining: 1,
  airToRoom: 0.25,
  smallHeater: { capacity: 450, toAir: 0.8, toLining: 0.4 },
  largeHeater: { capacity: 900, toAir: 6, toLining: 2 },
} as const;
