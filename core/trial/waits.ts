import type { Network } from "../chamber";
import { NO_READING } from "../controller";
import type { Chamber, Observable } from "../model";
import { productObservable } from "../product";
import { waitsFor, type Look } from "../program";
import { displayOf } from "./reader";
import type { Run } from "./run";

/** Reads what a stage waits for from a run's present state. */
export function lookInto(run: Run): Look {
  const { input, network, state, rooms } = run;
  const { chamber } = input;
  return ({ of, id, name }, least) => {
    switch (of) {
      case "air":
        return state.x[network.air]!;
      case "room":
        return rooms[state.step % rooms.length]!;
      case "probe":
        return state.x[network.probes[chamber.probes.findIndex((p) => p.id === id)]!]!;
      case "controller": {
        const at = chamber.controllers.findIndex((c) => c.id === id);
        const shown = state.shown[at]!;
        const { slope, zero } = displayOf(chamber.controllers[at]!.unit);
        return shown === NO_READING ? NaN : shown * slope + zero;
      }
      case "vessels": {
        // The slowest decides: the one that is furthest from where all have to be.
        const values = chamber.vessels.flatMap(({ product }, v) => {
          if (name === "temperature") return [state.x[network.vessels[v]!]!];
          const figure = productObservable(product, name);
          return figure ? [figure.of(state.products[v]!, product)] : [];
        });
        // One that is still to come has not got anywhere.
        if (values.length === 0 || chamber.vessels.some((v) => v.putIn > state.step * input.dt)) return NaN;
        return least ? Math.min(...values) : Math.max(...values);
      }
      case "vessel": {
        const at = chamber.vessels.findIndex((v) => v.id === id);
        if (name === "temperature") return state.x[network.vessels[at]!]!;
        const { product } = chamber.vessels[at]!;
        return productObservable(product, name)?.of(state.products[at]!, product) ?? NaN;
      }
    }
  };
}

/** What is measured at a node can be waited for without a call: −1 for everything else. */
function nodeOf({ of, id, name }: Observable, chamber: Chamber, network: Network): number {
  if (of === "air") return network.air;
  if (of === "probe") return network.probes[chamber.probes.findIndex((p) => p.id === id)] ?? -1;
  if (of === "vessel" && name === "temperature")
    return network.vessels[chamber.vessels.findIndex((v) => v.id === id)] ?? -1;
  return -1;
}

/** One thing that the present stage waits for. */
export interface Wait {
  node: number;
  least: boolean;
  value: number;
  index: number;
  /** What is looked at, and for how long it has to be so, s. */
  observable: Observable;
  heldFor: number;
  /** It is a figure of products, which only moves when they are moved on. */
  figure: boolean;
}

/** All that the present stage of a run waits for. */
export function watchesOf({ plan, state, input, network }: Run): Wait[] {
  const stage = plan.stages[state.program.stage]!;
  return waitsFor(stage).flatMap((index) => {
    const end = stage.ends[index]!;
    if (end.kind !== "reaches") return [];
    const { observable, comparison, value, heldFor } = end;
    const { of, name } = observable;
    return [
      {
        node: nodeOf(observable, input.chamber, network),
        least: comparison === "atLeast",
        value,
        index,
        observable,
        heldFor,
        figure: (of === "vessel" || of === "vessels") && name !== "temperature",
      },
    ];
  });
}

/** Whether anything that a stage waits for may be so: only then is it looked at closely. */
export function mayBeSo(watches: readonly Wait[], held: readonly number[], x: Float64Array): boolean {
  for (let w = 0; w < watches.length; w++) {
    const { node, least, value, index } = watches[w]!;
    if (node < 0 || held[index]! >= 0 || (least ? x[node]! >= value : x[node]! <= value)) return true;
  }
  return false;
}

/** Whether a figure that is waited for has come to it, or is no longer there, since that was looked at. */
export const figureTurns = (waits: readonly Wait[], held: readonly number[], look: Look): boolean =>
  waits.some(({ figure, observable, least, value, index }) => {
    if (!figure) return false;
    const figured = look(observable, least);
    return (least ? figured >= value : figured <= value) !== held[index]! >= 0;
  });

/** So near to what matters each step is looked at by itself, K: more than a leap can be off. */
export const CLEAR = 1e-9;

/** Between which temperatures a node stays while what is waited for of it stays as it is. */
export function limitsOf({ least, value, index }: Wait, held: readonly number[]): { low: number; high: number } {
  const so = held[index]! >= 0;
  return least === so ? { low: value + CLEAR, high: Infinity } : { low: -Infinity, high: value - CLEAR };
}

/**
 * Steps until something that is waited for has been so for long enough, or may be seen to be so or no longer; nodes are
 * not looked at (`limitsOf`). 1: the next step has to be looked at.
 * @param now s
 */
export function stepsUntilNews(
  waits: readonly Wait[],
  held: readonly number[],
  look: Look,
  now: number,
  dt: number,
): number {
  let steps = Infinity;
  for (const { node, figure, observable, least, value, index, heldFor } of waits) {
    const since = held[index]!;
    if (node < 0) {
      if (!figure) return 1;
      const figured = look(observable, least);
      if ((least ? figured >= value : figured <= value) !== since >= 0) return 1;
    }
    if (since >= 0) steps = Math.min(steps, Math.ceil((heldFor - 1e-9 - (now - since)) / dt));
  }
  return Math.max(1, steps);
}
