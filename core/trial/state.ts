import { onOffFamily, type OnOffState, type OutletState } from "../controller";
import { copyCooler, copyHeater, type CoolerState, type HeaterState } from "../device";
import type { ProductState } from "../product";
import { copyProgram, type ProgramState } from "../program";
import { copyMoist, type MoistState } from "./moistState";
import type { Mode } from "./modes";
import type { Pace } from "./pace";

/** Everything that changes in the course of a trial; plain data, so that a trial can go on from any saved moment. */
export interface RunState {
  step: number;
  /** Node temperatures, °C, padded with zeros (kernel.ts). */
  x: Float64Array;
  /** One for each controller, and the heat and the cold outlet of each in turn. */
  controls: OnOffState[];
  outlets: OutletState[];
  /** What each controller's display shows, in steps of its resolution, or NO_READING. */
  shown: Float64Array;
  heaters: HeaterState[];
  coolers: CoolerState[];
  products: ProductState[];
  program: ProgramState;
  /** Temperatures of all nodes as products last moved, °C, and the step of it; −1: they have not. */
  felt: Float64Array;
  feltAt: number;
  /** How far a body would be put off by the run of its own heat, K for each s² that it is held. */
  bend: number;
  /** How quickly what products feel has moved lately, K a step. */
  drift: number;
  /** The spans over which products and water are held, and what they were before the present ones; null: as long as ever. */
  paces: { products: Pace; water: Pace };
  before: { products: ProductState[] | null; moisture: MoistState | null };
  /** Own heat of each vessel now, and what evaporation takes, W. */
  heat: Float64Array;
  evaporated: Float64Array;
  /** Inputs in force over the present step (discretise.ts), but for the room. */
  u: Float64Array;
  /** Rises whenever inputs or mode change: sums over steps need only look then. */
  inputs: number;
  mode: Mode;
  /** How strongly still air moves by itself, as a level of the chamber's films. */
  film: number;
  /** What runs over the present step, a bit each: the heaters, then the coolers. */
  on: number;
  /** Any heater, and any cooler, runs. */
  heating: boolean;
  cooling: boolean;
  /** The water in its air; null where its humidity is as typed. */
  moisture: MoistState | null;
}

/** A copy of a state that the run may go on without. */
export const copyState = (state: RunState): RunState => ({
  step: state.step,
  x: state.x.slice(),
  controls: state.controls.map(onOffFamily.copy),
  outlets: state.outlets.map(({ into, live }) => ({ into, live })),
  shown: state.shown.slice(),
  heaters: state.heaters.map(copyHeater),
  coolers: state.coolers.map(copyCooler),
  products: state.products.map((p) => ({ ...p })),
  program: copyProgram(state.program),
  felt: state.felt.slice(),
  feltAt: state.feltAt,
  bend: state.bend,
  drift: state.drift,
  paces: { products: { ...state.paces.products }, water: { ...state.paces.water } },
  before: {
    products: state.before.products?.map((p) => ({ ...p })) ?? null,
    moisture: state.before.moisture && copyMoist(state.before.moisture),
  },
  heat: state.heat.slice(),
  evaporated: state.evaporated.slice(),
  u: state.u.slice(),
  inputs: state.inputs,
  mode: state.mode,
  film: state.film,
  on: state.on,
  heating: state.heating,
  cooling: state.cooling,
  moisture: state.moisture && copyMoist(state.moisture),
});
