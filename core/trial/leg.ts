import type { OnOffNumbers } from "../controller";
import { isProgrammed, isWatchful, nextMoment, takeDue } from "../program";
import { givenAt } from "./given";
import type { Desk } from "./hindered";
import type { Reader } from "./reader";
import type { Run } from "./run";
import { changeSteps, numbersNow, situationAt, type Situation } from "./timeline";
import { watchesOf, type Wait } from "./waits";

/** A stretch of a trial in which nothing changes but what the chamber itself does: from one happening or stage to the next. */
export interface Leg {
  first: number;
  /** The step after its last. */
  last: number;
  /** A stage begins with it, or something happens: it is not only where somebody looked. */
  fresh: boolean;
  now: Situation;
  /** What each controller works with. */
  numbers: OnOffNumbers[];
  /** What the stage waits for that has to be looked at; none where it is over, or waits for the clock alone. */
  waits: Wait[];
  /** What the outlets give all through it, where that is not the controllers' to decide. */
  outs: readonly number[] | null;
  /** Devices do what their outlets say and no more. */
  free: boolean;
  /** Probes read without fault, noise and drift, and what devices do changes with their outlets alone: it can leap. */
  calm: boolean;
}

/** Takes what is due at the present step, and says what holds from there and how far. Mutates the program's state. */
export function nextLeg(run: Run, desk: Desk, readers: readonly Reader[], until: number): Leg {
  const { input, plan, state } = run;
  const { program, step: first } = state;
  const { chamber, dt } = input;
  const programmed = isProgrammed(plan);
  if (programmed) takeDue(plan, program, first * dt);
  const changes = changeSteps(input);
  const change = changes.find((s) => s > first) ?? Infinity;
  const due = programmed ? Math.max(first + 1, Math.ceil(nextMoment(plan, program) / dt - 1e-9)) : Infinity;
  const now = situationAt(input, first);
  const seen = input.given ? givenAt(input.given, first, dt) : { index: -1, until: Infinity };
  const outs = input.given ? (input.given[seen.index]?.outs ?? chamber.controllers.flatMap(() => [0, 0])) : null;
  // Devices that only their outlet decides over need no further questions.
  const freeHeat = chamber.heaters.map((h, i) => {
    const { staysOff, cutOut } = now.heaters[i]!;
    return !(h.staysOff || staysOff || h.ownThermostat || h.timer > 0 || desk.fires[i] || desk.stirring[i] || cutOut);
  });
  desk.freeHeat = freeHeat;
  const stuck = now.controllers.some((c) => c.heatStuck !== "" || c.coldStuck !== "");
  const free =
    !desk.shares && !stuck && freeHeat.every(Boolean) && desk.freeCold.every(Boolean) && desk.loadPowers.length === 0;
  const byThemselves =
    chamber.heaters.some((h) => h.ownThermostat || h.timer > 0) ||
    chamber.coolers.some((c) => c.ownThermostat || c.defrostEvery > 0);
  const read = readers.every(({ probe, noise }) => {
    const { fault, drifted, driftRate } = now.probes[probe]!;
    return fault === 0 && drifted === 0 && driftRate === 0 && noise === 0;
  });
  const waits = isWatchful(plan) && program.dueAt < 0 && program.finishedAt < 0 ? watchesOf(run) : [];
  return {
    first,
    last: Math.min(until, change, due, seen.until),
    fresh: changes.includes(first) || Math.abs(program.since - first * dt) < dt,
    now,
    numbers: numbersNow(input, now, program),
    waits,
    outs,
    free,
    calm: now.power && (read || outs !== null) && !byThemselves && !desk.shares,
  };
}

/** Sets how each controller reads its probe over a leg. */
export function setReaders(readers: readonly Reader[], { now, numbers }: Leg, dt: number): void {
  readers.forEach((reader, c) => {
    const feels = now.probes[reader.probe]!;
    reader.fault = feels.fault;
    reader.drift = feels.drifted * reader.perStep;
    reader.driftStep = feels.driftRate * dt * reader.perStep;
    reader.offset = numbers[c]!.offset;
  });
}
