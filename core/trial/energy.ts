import { coolerElectricity } from "../chamber";
import { INPUT } from "./discretise";
import { iceContent } from "./ice";
import type { Mode } from "./modes";
import type { Run } from "./stepper";
import type { RunState } from "./state";

const { room: ROOM, heater: HEATER, air: AIR, cold: COLD, vessel: VESSEL } = INPUT;

/** Sums of state and inputs over all steps of one mode. */
interface Ledger {
  mode: Mode;
  x: Float64Array;
  u: Float64Array;
  steps: number;
}

/**
 * Exact integrals over a trial. Since ∫x dt = Ψ·x + Ω·u with Ψ, Ω constant in a mode, sums of x and u by mode are
 * enough; nothing is approximated.
 */
export class EnergySums {
  private readonly ledgers = new Map<Mode, Ledger>();
  private ledger: Ledger;
  private readonly start: Float64Array;
  private readonly startIce: number;
  private evaporated = 0;
  /** s that the cooler ran, whether it cooled or not. */
  private coolerSeconds = 0;
  /** Inputs in force since they last changed, and the steps since then that are not booked yet. */
  private readonly held: Float64Array;
  private inputs = -1;
  private pending = 0;
  private evaporates = 0;
  private running = false;

  constructor(private readonly run: Run) {
    this.ledger = this.ledgerOf(run.state.mode);
    this.held = run.state.u.slice();
    this.start = run.state.x.slice();
    this.startIce = iceContent(run.state, run.network);
  }

  private ledgerOf(mode: Mode): Ledger {
    const found = this.ledgers.get(mode);
    if (found) return found;
    const { n, m } = mode.hold;
    const made = { mode, x: new Float64Array(n), u: new Float64Array(m), steps: 0 };
    this.ledgers.set(mode, made);
    return made;
  }

  add(state: RunState, room: number, cooling: boolean): void {
    if (state.inputs !== this.inputs) {
      this.flush();
      this.inputs = state.inputs;
      this.held.set(state.u);
      if (state.mode !== this.ledger.mode) this.ledger = this.ledgerOf(state.mode);
      this.evaporates = state.evaporated.reduce((sum, w) => sum + w, 0);
      this.running = cooling;
    }
    const { x: sums, u: inputs } = this.ledger;
    const { x } = state;
    for (let i = 0; i < sums.length; i++) sums[i]! += x[i]!;
    inputs[ROOM]! += room;
    this.pending++;
    if (cooling !== this.running) {
      // A cooler that runs without cooling changes no input.
      if (cooling) this.coolerSeconds += this.run.input.dt;
      else this.coolerSeconds -= this.run.input.dt;
    }
  }

  /** Books the steps since the inputs last changed. */
  private flush(): void {
    const { pending, ledger, held } = this;
    for (let j = 0; j < held.length; j++) if (j !== ROOM) ledger.u[j]! += held[j]! * pending;
    ledger.steps += pending;
    const seconds = pending * this.run.input.dt;
    if (this.running) this.coolerSeconds += seconds;
    this.evaporated += this.evaporates * seconds;
    this.pending = 0;
  }

  /** Heat flows of the whole trial so far, J. */
  total(): EnergyAccount {
    this.flush();
    const { network, input, state } = this.run;
    const { dt, chamber } = input;
    let heater = 0;
    let product = 0;
    let fan = 0;
    let defrost = 0;
    let cold = 0;
    let lost = 0;
    let bodyIntegral = 0;
    for (const { mode, x, u, steps } of this.ledgers.values()) {
      const { n, m, psi, omega } = mode.hold;
      const integral = (i: number) => {
        let sum = 0;
        for (let j = 0; j < n; j++) sum += psi[i * n + j]! * x[j]!;
        for (let j = 0; j < m; j++) sum += omega[i * m + j]! * u[j]!;
        return sum;
      };
      const seconds = steps * dt;
      const room = u[ROOM]! * dt;
      heater += u[HEATER]! * dt;
      fan += u[AIR]! * dt;
      defrost += u[COLD]! * dt;
      for (let v = 0; v < network.vessels.length; v++) product += u[VESSEL + v]! * dt;
      mode.network.nodes.forEach((node, i) => {
        if (node.toRoom > 0) lost += node.toRoom * (integral(i) - room);
      });
      if (mode.cooling) {
        const { power, perBody, bodyAt, perRoom, roomAt } = network.law;
        const body = integral(network.cold);
        bodyIntegral += body;
        cold += power * (seconds * (1 - perBody * bodyAt - perRoom * roomAt) + perBody * body + perRoom * room);
      }
    }
    const stored = network.nodes.reduce(
      (sum, node, i) =>
        sum + (i === network.cold && network.iceMass > 0 ? 0 : node.capacity * (state.x[i]! - this.start[i]!)),
      iceContent(state, network) - this.startIce,
    );
    return {
      heater,
      product: product + this.evaporated,
      evaporated: this.evaporated,
      fan,
      defrost,
      brought: state.devices.brought,
      cold,
      lost,
      stored,
      cooler: coolerElectricity(chamber.cooler, this.coolerSeconds, bodyIntegral),
      melted: network.iceMass > 0 ? state.devices.melted : 0,
    };
  }
}

/**
 * Heat of a whole trial, J. heater + product − evaporated + fan + defrost + brought − cold − lost = stored.
 */
export interface EnergyAccount {
  heater: number;
  /** The product's own heat. */
  product: number;
  evaporated: number;
  fan: number;
  defrost: number;
  /** With fresh ice, against what it took the place of. */
  brought: number;
  /** Taken by the cooler. */
  cold: number;
  lost: number;
  stored: number;
  /** Electricity of the cooler (coolerLaw.ts). */
  cooler: number;
  /** Taken in melting by the ice that is in now. */
  melted: number;
}

/** What the account is off by, as a share of all its flows; flows under ten kilojoules count as ten. */
export function imbalance(e: EnergyAccount): number {
  const flows = [e.heater, e.product, e.evaporated, e.fan, e.defrost, e.brought, e.cold, e.lost].reduce(
    (sum, q) => sum + Math.abs(q),
    10_000,
  );
  return (
    Math.abs(e.heater + e.product - e.evaporated + e.fan + e.defrost + e.brought - e.cold - e.lost - e.stored) / flows
  );
}
