import { printDuration } from "../quantity";
import type { Run } from "./run";

/** Between these a network of constant conductances says something of air, walls and products; bodies of heaters get hotter, °C. */
const COLDEST = -90;
const HOTTEST = 500;
const HOTTEST_BODY = 2000;

/** A trial that has left what its equations stand for: no figure of it means anything. */
export class LeftGround extends Error {
  constructor(
    /** s from its start */
    readonly at: number,
    /** °C, or no number at all */
    readonly reached: number,
  ) {
    const where = !Number.isFinite(reached)
      ? "its temperatures would rise or fall without end"
      : `something in it would be at ${Math.round(reached)}\u00a0°C`;
    super(
      `after ${printDuration(at)} ${where}, which is outside of what can be computed here, so none of its figures are shown. Take back what you changed last; look at the power of the heater, at open water and at what dries`,
    );
    this.name = "LeftGround";
  }
}

/** Ends a trial whose state has left the model's ground. @throws LeftGround */
export function keepToGround({ state, network, input }: Run): void {
  const { x } = state;
  const { nodes } = network;
  for (let i = 0; i < nodes.length; i++) {
    const t = x[i]!;
    const hottest = nodes[i]!.kind === "heater" || nodes[i]!.kind === "cold" ? HOTTEST_BODY : HOTTEST;
    // Written so that what is no number does not pass.
    if (!(t > COLDEST && t < hottest)) throw new LeftGround(state.step * input.dt, t);
  }
}
