/** A reading that is none: the probe is unplugged or shorted. */
export const NO_READING = Number.MAX_SAFE_INTEGER;

/** What a controller gives out at a step. Written over by every step: the trial allocates nothing for it. */
export interface ControlOutput {
  /** Shares of its outlets, 0..1; an on/off unit knows only the ends. */
  heat: number;
  cold: number;
  lowAlarm: boolean;
  highAlarm: boolean;
  /** What its display shows, in steps of its resolution, or NO_READING. */
  display: number;
  /** A target for another controller, °C; NaN where it gives none. */
  target: number;
}

export const noOutput = (): ControlOutput => ({
  heat: 0,
  cold: 0,
  lowAlarm: false,
  highAlarm: false,
  display: NO_READING,
  target: NaN,
});

/** For how long readings change nothing: as long as they stay between two ends, for so many more of them. */
export interface Quiet {
  low: number;
  high: number;
  steps: number;
}

/**
 * One family of controllers: a state machine over readings in steps of the unit's own display. Its numbers are worked
 * out once for a stage's settings; its state is plain data.
 */
export interface ControlFamily<State, Numbers> {
  /** Its outlets get shares, which each outlet switches within its window. */
  shares: boolean;
  powerUp: (numbers: Numbers) => State;
  copy: (state: State) => State;
  step: (state: State, numbers: Numbers, reading: number, dt: number, out: ControlOutput) => void;
  /**
   * Which readings after this one, dt s apart, leave all that it gives out as it is; a family whose outlets follow every
   * reading says: none. Writes over `quiet`.
   */
  quiet: (state: State, numbers: Numbers, reading: number, dt: number, quiet: Quiet) => void;
  /** The same as stepping through so many seconds of readings that changed nothing, the last of which is given. */
  skip: (state: State, numbers: Numbers, reading: number, seconds: number) => void;
}
