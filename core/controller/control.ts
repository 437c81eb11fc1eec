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
}
