import { buildNetwork, variant, type Built, type Conditions, type Network } from "../chamber";
import type { Chamber } from "../model";
import { holdOf, ROOM, type Hold } from "./discretise";
import { padded, type Padded } from "./kernel";
import { memo } from "./memo";

/** One set of matrices: the chamber under some conditions, with some of its coolers running. */
export interface Mode {
  network: Network;
  /** Which coolers cool, a bit each. */
  cooling: number;
  hold: Hold;
  phi: Padded;
  /** Γ of the room. */
  gain: Float64Array;
  /** Heat that flows into each pinned ice over a step, J: its weights on the state and on the inputs; null otherwise. */
  absorb: (Float64Array | null)[];
  /** Whether any ice is pinned. */
  melts: boolean;
}

const column = (hold: Hold, input: number) =>
  Float64Array.from({ length: hold.n }, (_, i) => hold.gamma[i * hold.m + input]!);

/** ∫ Σ G_j (T_j − T_ice) dt over a step as weights on x and u: rows of Ψ and Ω, summed over the ice's neighbours. */
function absorbOf(network: Network, hold: Hold, ice: number): Float64Array {
  const { n, m, psi, omega } = hold;
  const weights = new Float64Array(n + m);
  const flow = (from: number, conductance: number) => {
    for (let i = 0; i < n; i++) weights[i]! += conductance * psi[from * n + i]!;
    for (let i = 0; i < m; i++) weights[n + i]! += conductance * omega[from * m + i]!;
  };
  for (const { a, b, conductance } of network.links) {
    if (a !== ice && b !== ice) continue;
    flow(a === ice ? b : a, conductance);
    flow(ice, -conductance);
  }
  return weights;
}

const keyOf = (c: Conditions, cooling: number) =>
  `${c.open}|${c.fanStopped}|${c.stirred}|${c.film}|${c.probes.join()}|${c.loadsIn}|${c.out.join()}|${c.ice.join()}|${cooling}`;

/** The modes of a network, made when they are first met. */
export class Modes {
  private readonly made = new Map<string, Mode>();

  constructor(
    private readonly network: Network,
    private readonly chamber: Built,
    private readonly dt: number,
  ) {}

  of(conditions: Conditions, cooling: number): Mode {
    const key = keyOf(conditions, cooling);
    const found = this.made.get(key);
    if (found) return found;
    const network = variant(this.network, this.chamber, conditions);
    const melting = network.coolers.map(({ iceMass }, i) => iceMass > 0 && conditions.ice[i] === "melting");
    const pinned = melting.reduce((bits, melts, i) => (melts ? bits | (1 << i) : bits), 0);
    const hold = holdOf({ network, cooling, pinned, dt: this.dt });
    const mode: Mode = {
      network,
      cooling,
      hold,
      phi: padded(hold.phi, hold.n),
      gain: column(hold, ROOM),
      absorb: melting.map((melts, i) => (melts ? absorbOf(network, hold, network.coolers[i]!.node) : null)),
      melts: pinned !== 0,
    };
    this.made.set(key, mode);
    return mode;
  }
}

/** A network and its modes. */
export interface Laid {
  network: Network;
  modes: Modes;
}

/** As many as a search runs: three seasons, and eight corners of what is not known in each. */
const MOST_KEPT = 32;

const laid = memo(({ dt, ...chamber }: Built & { dt: number }): Laid => {
  const network = buildNetwork(chamber);
  return { network, modes: new Modes(network, chamber, dt) };
}, MOST_KEPT);

/**
 * The network of a chamber with its modes, those of the last trials kept: a search, a dragged handle and draws of a product
 * ask for the same again and again.
 * @param dt step, s
 */
export const laidFor = (
  { thermal, cabinet, heaters, coolers, vessels, probes, moisture, happenings }: Chamber,
  dt: number,
): Laid =>
  laid({
    dt,
    thermal,
    cabinet,
    heaters,
    coolers,
    vessels,
    probes,
    moisture,
    happenings: happenings.filter((h) => h.kind === "loadIn"),
  });
