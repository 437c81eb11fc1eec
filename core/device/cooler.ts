import type { Cooler } from "../model";
import type { CoolerState } from "./state";

/** A fridge's thermostat closes again this much above where it opened, K (common practice, no source). */
const OWN_DIFFERENTIAL = 3;

/**
 * Whether a cooler that its outlet feeds or not really cools: the fridge's own thermostat, its defrost and its
 * electronic controls have their say. Mutates `state`; `defrostLeft` is above zero while it defrosts.
 * @param fed the outlet is live
 * @param air temperature of the air in the box, °C
 */
export function stepCooler(state: CoolerState, cooler: Cooler, fed: boolean, air: number, dt: number): boolean {
  if (!fed) {
    if (state.fed && cooler.staysOff) state.locked = true;
    state.fed = false;
    return false;
  }
  state.fed = true;
  if (state.locked) return false;
  if (cooler.defrostEvery > 0) {
    state.sinceDefrost += dt;
    if (state.sinceDefrost >= cooler.defrostEvery) {
      state.sinceDefrost = 0;
      state.defrostLeft = cooler.defrostFor;
    }
    if (state.defrostLeft > 0) {
      state.defrostLeft -= dt;
      return false;
    }
  }
  if (cooler.ownThermostat) {
    if (air <= cooler.ownThermostatAt) state.open = true;
    else if (air >= cooler.ownThermostatAt + OWN_DIFFERENTIAL) state.open = false;
  }
  return !state.open;
}
