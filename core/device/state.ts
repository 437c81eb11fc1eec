export type IcePhase = "frozen" | "melting" | "water";

/** All that a heater remembers between two steps; plain data. */
export interface HeaterState {
  fed: boolean;
  /** An electronic switch that waits for a finger. */
  locked: boolean;
  /** Its own thermostat has cut it. */
  open: boolean;
  /** Seconds of the present run, for its timer. */
  ran: number;
  /** Fuel left, kg. */
  fuel: number;
}

/** All that a cooler remembers between two steps; plain data. */
export interface CoolerState {
  fed: boolean;
  locked: boolean;
  open: boolean;
  sinceDefrost: number;
  defrostLeft: number;
  /** Of ice: its phase, the heat that it has taken in melting (J), and seconds since it was put in. */
  ice: IcePhase;
  melted: number;
  iceAge: number;
  /** Heat brought in by changed ice, J (negative: it was colder). */
  brought: number;
  iceChanges: number;
}

export const freshHeater = (fuel: number): HeaterState => ({ fed: false, locked: false, open: false, ran: 0, fuel });

export const freshCooler = (): CoolerState => ({
  fed: false,
  locked: false,
  open: false,
  sinceDefrost: 0,
  defrostLeft: 0,
  ice: "frozen",
  melted: 0,
  iceAge: 0,
  brought: 0,
  iceChanges: 0,
});

/** Copies of the same shape to the engine: the inner loop is compiled for one shape. */
export const copyHeater = (s: HeaterState): HeaterState => ({
  fed: s.fed,
  locked: s.locked,
  open: s.open,
  ran: s.ran,
  fuel: s.fuel,
});

export const copyCooler = (s: CoolerState): CoolerState => ({
  fed: s.fed,
  locked: s.locked,
  open: s.open,
  sinceDefrost: s.sinceDefrost,
  defrostLeft: s.defrostLeft,
  ice: s.ice,
  melted: s.melted,
  iceAge: s.iceAge,
  brought: s.brought,
  iceChanges: s.iceChanges,
});
