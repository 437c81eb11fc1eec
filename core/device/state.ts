/** All that heater and cooler remember between two steps; plain data. */
export interface DeviceState {
  heaterFed: boolean;
  /** An electronic switch that waits for a finger. */
  heaterLocked: boolean;
  /** The heater's own thermostat has cut it. */
  heaterOpen: boolean;
  /** Seconds of the present run, for its timer. */
  heaterRan: number;
  coolerFed: boolean;
  coolerLocked: boolean;
  coolerOpen: boolean;
  sinceDefrost: number;
  defrostLeft: number;
  /** Fuel left, kg. */
  fuel: number;
  /** Heat that the ice has taken in melting, J; and seconds since it was put in. */
  melted: number;
  iceAge: number;
  /** Heat brought in by changed ice, J (negative: it was colder). */
  brought: number;
  iceChanges: number;
}

export const freshDevices = (fuel: number): DeviceState => ({
  heaterFed: false,
  heaterLocked: false,
  heaterOpen: false,
  heaterRan: 0,
  coolerFed: false,
  coolerLocked: false,
  coolerOpen: false,
  sinceDefrost: 0,
  defrostLeft: 0,
  fuel,
  melted: 0,
  iceAge: 0,
  brought: 0,
  iceChanges: 0,
});

/** A copy of the same shape to the engine: the inner loop is compiled for one shape. */
export const copyDevices = (s: DeviceState): DeviceState => ({
  heaterFed: s.heaterFed,
  heaterLocked: s.heaterLocked,
  heaterOpen: s.heaterOpen,
  heaterRan: s.heaterRan,
  coolerFed: s.coolerFed,
  coolerLocked: s.coolerLocked,
  coolerOpen: s.coolerOpen,
  sinceDefrost: s.sinceDefrost,
  defrostLeft: s.defrostLeft,
  fuel: s.fuel,
  melted: s.melted,
  iceAge: s.iceAge,
  brought: s.brought,
  iceChanges: s.iceChanges,
});
