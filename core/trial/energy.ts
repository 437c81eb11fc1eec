import { coolerElectricity } from "../chamber";
import { ROOM } from "./discretise";
import { iceContent } from "./ice";
import type { Mode } from "./modes";
import { addNodes, type Flight, type Sums } from "./leap";
import type { Run } from "./run";
import type { RunState } from "./state";

/** Sums of state and inputs over all steps of one mode. */
interface Ledger {
  mode: Mode;
  x: Float64Array;
  u: Float64Array;
  steps: number;
  /** Those of steps that were leapt over. */
  leapt: Sums | null;
}

/** The sums of a ledger over all of its steps, whether taken or leapt over. */
function whole({ x, u, steps, leapt }: Ledger): Pick<Ledger, "x" | "u" | "steps"> {
  if (!leapt) return { x, u, steps };
  const [nodes, inputs] = [x.slice(), u.slice()];
  addNodes(leapt, nodes);
  for (let j = 0; j < inputs.length; j++) inputs[j]! += j === ROOM ? leapt.line + leapt.cos : leapt.u[j]!;
  return { x: nodes, u: inputs, steps: steps + leapt.steps };
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
  /** s that each cooler ran, whether it cooled or not. */
  private readonly coolerSeconds: number[];
  /** Inputs in force since they last changed, and the steps since then that are not booked yet. */
  private readonly held: Float64Array;
  private inputs = -1;
  private pending = 0;
  private leapt = 0;
  private evaporates = 0;
  /** What runs, and the steps since that last changed. */
  private on = 0;
  private ran = 0;
  private readonly heaters: number;

  constructor(private readonly run: Run) {
    this.ledger = this.ledgerOf(run.state.mode);
    this.held = run.state.u.slice();
    this.start = run.state.x.slice();
    this.startIce = this.ice();
    this.heaters = run.state.heaters.length;
    this.coolerSeconds = run.state.coolers.map(() => 0);
  }

  private ice(): number {
    const { state, network } = this.run;
    return state.coolers.reduce((sum, _, c) => sum + iceContent(state, network, c), 0);
  }

  private ledgerOf(mode: Mode): Ledger {
    const found = this.ledgers.get(mode);
    if (found) return found;
    const { n, m } = mode.hold;
    const made = { mode, x: new Float64Array(n), u: new Float64Array(m), steps: 0, leapt: null };
    this.ledgers.set(mode, made);
    return made;
  }

  add(state: RunState, room: number): void {
    if (state.inputs !== this.inputs) {
      this.flush();
      this.inputs = state.inputs;
      this.held.set(state.u);
      if (state.mode !== this.ledger.mode) this.ledger = this.ledgerOf(state.mode);
      this.evaporates = state.evaporated.reduce((sum, w) => sum + w, 0);
    }
    if (state.on !== this.on) {
      this.flushRuns();
      this.on = state.on;
    }
    const { x: sums, u: inputs } = this.ledger;
    const { x } = state;
    for (let i = 0; i < sums.length; i++) sums[i]! += x[i]!;
    inputs[ROOM]! += room;
    this.pending++;
    this.ran++;
  }

  /** Steps of a flight: the inputs and what runs are as they were at the step before. */
  addLeap(flight: Flight, from: number, to: number): void {
    const { ledger } = this;
    ledger.leapt ??= flight.freshSums(ledger.u.length);
    flight.addSums(ledger.leapt, from, to);
    this.leapt += to - from;
    this.ran += to - from;
  }

  /** Books the steps since the inputs last changed. */
  private flush(): void {
    const { pending, leapt, ledger, held } = this;
    for (let j = 0; j < held.length; j++) if (j !== ROOM) ledger.u[j]! += held[j]! * pending;
    if (ledger.leapt && leapt > 0) {
      const { u } = ledger.leapt;
      for (let j = 0; j < held.length; j++) u[j]! += held[j]! * leapt;
    }
    ledger.steps += pending;
    this.evaporated += this.evaporates * ((pending + leapt) * this.run.input.dt);
    this.pending = this.leapt = 0;
  }

  private flushRuns(): void {
    const seconds = this.ran * this.run.input.dt;
    for (let c = 0; c < this.coolerSeconds.length; c++)
      if (this.on & (1 << (this.heaters + c))) this.coolerSeconds[c]! += seconds;
    this.ran = 0;
  }

  /** Heat flows of the whole trial so far, J. */
  total(): EnergyAccount {
    this.flush();
    this.flushRuns();
    const { network, input, state, at } = this.run;
    const { dt, chamber } = input;
    let heater = 0;
    let fire = 0;
    let product = 0;
    let fan = 0;
    let defrost = 0;
    let cold = 0;
    let lost = 0;
    const bodyIntegrals = network.coolers.map(() => 0);
    let vapour = 0;
    for (const ledger of this.ledgers.values()) {
      const { mode } = ledger;
      const { x, u, steps } = whole(ledger);
      const { n, m, psi, omega } = mode.hold;
      const integral = (i: number) => {
        let sum = 0;
        for (let j = 0; j < n; j++) sum += psi[i * n + j]! * x[j]!;
        for (let j = 0; j < m; j++) sum += omega[i * m + j]! * u[j]!;
        return sum;
      };
      const seconds = steps * dt;
      const room = u[ROOM]! * dt;
      chamber.heaters.forEach(({ kind }, h) => {
        const joules = u[at.heater + h]! * dt;
        heater += joules;
        if (kind === "charcoal") fire += joules;
      });
      fan += u[at.air]! * dt;
      for (let c = 0; c < network.coolers.length; c++) defrost += u[at.cold + c]! * dt;
      for (let v = 0; v < network.vessels.length; v++) product += u[at.vessel + v]! * dt;
      for (let i = at.wet; i < at.count; i++) vapour += u[i]! * dt;
      mode.network.nodes.forEach((node, i) => {
        if (node.toRoom > 0) lost += node.toRoom * (integral(i) - room);
      });
      network.coolers.forEach(({ node, law }, c) => {
        if (!(mode.cooling & (1 << c))) return;
        const { power, perBody, bodyAt, perRoom, roomAt, skin } = law;
        const body = integral(node);
        bodyIntegrals[c]! += body;
        // What a condenser in the wall gives back to it was never taken out of the box.
        const taken = power * (seconds * (1 - perBody * bodyAt - perRoom * roomAt) + perBody * body + perRoom * room);
        cold += (1 - skin) * taken;
      });
    }
    const isIce = (i: number) => network.coolers.some((c) => c.node === i && c.iceMass > 0);
    const stored = network.nodes.reduce(
      (sum, node, i) => sum + (isIce(i) ? 0 : node.capacity * (state.x[i]! - this.start[i]!)),
      this.ice() - this.startIce,
    );
    const ofIce = (of: "melted" | "brought") =>
      state.coolers.reduce((sum, c, i) => sum + (network.coolers[i]!.iceMass > 0 ? c[of] : 0), 0);
    return {
      heater,
      fire,
      product: product + this.evaporated,
      evaporated: this.evaporated,
      fan,
      defrost,
      vapour,
      brought: ofIce("brought"),
      cold,
      lost,
      stored,
      cooler: chamber.coolers.reduce(
        (sum, c, i) => sum + coolerElectricity(c, this.coolerSeconds[i]!, bodyIntegrals[i]!),
        0,
      ),
      melted: ofIce("melted"),
    };
  }
}

/**
 * Heat of a trial or a part of it, J. heater + product − evaporated + fan + defrost + vapour + brought − cold − lost = stored.
 */
export interface EnergyAccount {
  /** All heaters, fires among them. */
  heater: number;
  /** The fires alone: no electricity. */
  fire: number;
  /** The product's own heat. */
  product: number;
  evaporated: number;
  /** Fans and lights. */
  fan: number;
  defrost: number;
  /** By water of the air that condenses, less what evaporates takes, with the work of humidifier and dehumidifier. */
  vapour: number;
  /** With fresh ice, against what it took the place of. */
  brought: number;
  /** Taken by the coolers. */
  cold: number;
  lost: number;
  stored: number;
  /** Electricity of the coolers (coolerLaw.ts). */
  cooler: number;
  /** Taken in melting by the ice that is in now. */
  melted: number;
}

/** What lies between two accounts of one trial. */
export const energyBetween = (before: EnergyAccount, after: EnergyAccount): EnergyAccount =>
  Object.fromEntries(
    (Object.keys(after) as (keyof EnergyAccount)[]).map((name) => [name, after[name] - before[name]]),
  ) as unknown as EnergyAccount;

/** What the account is off by, as a share of all its flows; flows under ten kilojoules count as ten. */
export function imbalance(e: EnergyAccount): number {
  const flows = [e.heater, e.product, e.evaporated, e.fan, e.defrost, e.vapour, e.brought, e.cold, e.lost].reduce(
    (sum, q) => sum + Math.abs(q),
    10_000,
  );
  return (
    Math.abs(
      e.heater + e.product - e.evaporated + e.fan + e.defrost + e.vapour + e.brought - e.cold - e.lost - e.stored,
    ) / flows
  );
}
