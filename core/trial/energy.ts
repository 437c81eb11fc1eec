import { COMPRESSOR } from "../chamber";
import { INPUT } from "./discretise";
import type { Run } from "./stepper";

const { constant: CONSTANT, room: ROOM, heater: HEATER, vessel: VESSEL } = INPUT;

/**
 * Exact integrals over a trial. Since ∫x dt = Ψ·x + Ω·u with Ψ, Ω constant in a mode, sums of x and u by mode are
 * enough; nothing is approximated.
 */
export class EnergySums {
  private readonly states: [Float64Array, Float64Array];
  private readonly inputs: [Float64Array, Float64Array];
  private readonly start: Float64Array;
  private readonly power: number;

  constructor(private readonly run: Run) {
    const { n, m } = run.holds[0];
    this.states = [new Float64Array(n), new Float64Array(n)];
    this.inputs = [new Float64Array(m), new Float64Array(m)];
    this.start = run.state.x.slice();
    this.power = run.network.heaterPower;
  }

  add(room: number, heating: boolean, cooling: boolean): void {
    const { x, heat } = this.run.state;
    const states = cooling ? this.states[1] : this.states[0];
    const inputs = cooling ? this.inputs[1] : this.inputs[0];
    for (let i = 0; i < states.length; i++) states[i]! += x[i]!;
    inputs[CONSTANT]! += 1;
    inputs[ROOM]! += room;
    if (heating) inputs[HEATER]! += this.power;
    for (let v = 0; v < heat.length; v++) inputs[VESSEL + v]! += heat[v]!;
  }

  private integral(mode: 0 | 1): Float64Array {
    const { n, m, psi, omega } = this.run.holds[mode];
    return Float64Array.from({ length: n }, (_, i) => {
      let sum = 0;
      for (let j = 0; j < n; j++) sum += psi[i * n + j]! * this.states[mode][j]!;
      for (let j = 0; j < m; j++) sum += omega[i * m + j]! * this.inputs[mode][j]!;
      return sum;
    });
  }

  /** Heat flows of the whole trial so far, J. */
  total(): EnergyAccount {
    const { network, input, state } = this.run;
    const { dt } = input;
    const integrals = [this.integral(0), this.integral(1)] as const;
    const sumOf = (at: number) => (this.inputs[0][at]! + this.inputs[1][at]!) * dt;
    const room = sumOf(ROOM);
    const roomCold = this.inputs[1][ROOM]! * dt;
    const secondsCold = this.inputs[1][CONSTANT]! * dt;
    const evaporator = integrals[1][network.evaporator]!;
    const { perEvaporator, evaporatorAt, perRoom, roomAt } = COMPRESSOR;
    const lost = network.nodes.reduce(
      (sum, node, i) => sum + node.toRoom * (integrals[0][i]! + integrals[1][i]! - room),
      0,
    );
    return {
      heater: sumOf(HEATER),
      product: network.vessels.reduce((sum, _, v) => sum + sumOf(VESSEL + v), 0),
      cold:
        network.coolerPower *
        (secondsCold * (1 - perEvaporator * evaporatorAt - perRoom * roomAt) +
          perEvaporator * evaporator +
          perRoom * roomCold),
      lost,
      stored: network.nodes.reduce((sum, node, i) => sum + node.capacity * (state.x[i]! - this.start[i]!), 0),
      compressor: (network.coolerPower / 1.15) * (secondsCold + 0.012 * (evaporator - evaporatorAt * secondsCold)),
    };
  }
}

/** Heat brought in by heater and product, taken by the evaporator, lost to the room and stored; electricity of the compressor. J. */
export interface EnergyAccount {
  heater: number;
  product: number;
  cold: number;
  lost: number;
  stored: number;
  /** Electrical, J: (Q0/1.15)·[1 + 0.012·(T_evap + 23.3)] while it runs. Engineering estimate. */
  compressor: number;
}
