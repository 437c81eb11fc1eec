import { copyUnit, type UnitState } from "../controller";
import { copyDevices, type DeviceState } from "../device";
import type { FermentState } from "../product";
import type { Mode } from "./modes";

export type IcePhase = "frozen" | "melting" | "water";

/** Everything that changes in the course of a trial; plain data, so that a trial can go on from any saved moment. */
export interface RunState {
  step: number;
  /** Node temperatures, °C, padded with zeros (kernel.ts). */
  x: Float64Array;
  /** One machine for each outlet unit; a pair has two. */
  machines: UnitState[];
  devices: DeviceState;
  ice: IcePhase;
  ferments: FermentState[];
  /** Own heat of each vessel now, and what evaporation takes, W. */
  heat: Float64Array;
  evaporated: Float64Array;
  /** Inputs in force over the present step (discretise.ts), but for the room. */
  u: Float64Array;
  /** Rises whenever inputs or mode change: sums over steps need only look then. */
  inputs: number;
  mode: Mode;
}

/** A copy of a state that the run may go on without. */
export const copyState = (state: RunState): RunState => ({
  step: state.step,
  x: state.x.slice(),
  machines: state.machines.map(copyUnit),
  devices: copyDevices(state.devices),
  ice: state.ice,
  ferments: state.ferments.map((f) => ({ lag: f.lag, done: f.done })),
  heat: state.heat.slice(),
  evaporated: state.evaporated.slice(),
  u: state.u.slice(),
  inputs: state.inputs,
  mode: state.mode,
});
