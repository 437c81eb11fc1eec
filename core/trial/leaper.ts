import { onOffFamily, type Quiet } from "../controller";
import { burnOn, fuelSteps, type Desk } from "./hindered";
import { untilFilms } from "./filmNow";
import type { Knots } from "./knots";
import { Basis, differencesOf, Flight, LONGEST } from "./leap";
import type { Leg } from "./leg";
import { feltFrom, type Reader } from "./reader";
import type { Run, Watcher } from "./run";
import { CLEAR, limitsOf, stepsUntilNews } from "./waits";
import type { Look } from "../program";

/** Where leaps have been too short to be worth it so many steps are taken one by one before the next try. */
const PAUSE = 100;
/** What the last leap counts for in how long they usually are. */
const FRESH = 0.1;

/**
 * Steps from which on a leap costs less than they do: it takes the state apart and puts it together again, and looks for
 * each line that is followed for its extremes (measured, for networks of 5 to 14 nodes).
 */
const worth = (nodes: number, lines: number): number => nodes / 3 + (lines * nodes) / 8;

const quiet: Quiet = { low: 0, high: 0, steps: 0 };

/**
 * Takes a run over the steps in which nothing can switch: no reading comes to a point that matters, no delay and no alarm's
 * wait ends, nothing that a stage waits for comes about, no fuel runs out. All is asked of the same closed form that then
 * gives the state where it lands.
 */
export class Leaper {
  private readonly flight: Flight | null;
  private left = 0;
  private readonly worth: number;

  constructor(
    private readonly run: Run,
    private readonly desk: Desk,
    private readonly readers: readonly Reader[],
    private readonly knots: Knots,
    private readonly look: Look,
    lines: number,
  ) {
    const { around, network } = run;
    this.worth = worth(network.nodes.length, lines);
    this.flight =
      around && new Flight(around, network.nodes.length, network.nodes.length + differencesOf(network).length, readers);
  }

  /**
   * Leaps from the present step, over which all is decided and shown, and says how many steps that took; 0: it has to be
   * taken by itself.
   * @param most steps until products, program or happenings move on
   */
  leap({ numbers, waits, now, outs }: Leg, most: number, watcher: Watcher): number {
    const { flight, run, desk, readers } = this;
    const { around, state, input } = run;
    if (!flight || !around || most < 2) return 0;
    if (this.left > 0) {
      this.left--;
      return 0;
    }
    const { dt } = input;
    const { controls, shown, mode, x, program } = state;
    const basis = Basis.of(mode, dt, around.angle);
    if (!basis) return this.wait();
    let steps = Math.min(most, LONGEST, fuelSteps(desk, run));
    if (waits.length > 0)
      steps = Math.min(steps, stepsUntilNews(waits, program.heldSince, this.look, state.step * dt, dt));
    if (steps < 2) return 0;
    steps = Math.min(steps, flight.begin(basis, state.step, x, state.u, state.inputs));
    for (let c = 0; c < readers.length && steps > 1 && !outs; c++) {
      const reader = readers[c]!;
      onOffFamily.quiet(controls[c]!, numbers[c]!, shown[c]!, dt, quiet);
      steps = Math.min(steps, quiet.steps + 1);
      if (steps > 1)
        steps = flight.leaves(
          reader.node,
          0,
          steps,
          feltFrom(reader, quiet.low) + CLEAR,
          feltFrom(reader, quiet.high + 1) - CLEAR,
        );
    }
    for (const wait of waits) {
      if (steps < 2) break;
      if (wait.node < 0) continue;
      const { low, high } = limitsOf(wait, program.heldSince);
      steps = flight.leaves(wait.node, 0, steps, low, high);
    }
    const { every, films } = this.knots;
    if (films && steps > every - (state.step % every)) steps = untilFilms(run, now, flight, steps, every);
    if (steps < 2) return this.wait();
    flight.over(steps);
    if (watcher.leap) watcher.leap(state, flight);
    else flight.replay(state, (s, room) => watcher.sample(s, room));
    const seconds = (steps - 1) * dt;
    for (let c = 0; c < readers.length; c++) {
      if (!outs) onOffFamily.skip(controls[c]!, numbers[c]!, shown[c]!, seconds);
      shown[c] = flight.reading(c, steps - 1);
    }
    burnOn(desk, run, seconds);
    flight.land(x);
    this.learn(steps);
    return steps;
  }

  private wait(): number {
    this.learn(1);
    return 0;
  }

  /** Follows how long leaps are, and rests where that is not worth it. */
  private learn(steps: number): void {
    const { leaps } = this.run;
    leaps.usual += FRESH * (steps - leaps.usual);
    if (leaps.usual >= this.worth) return;
    this.left = PAUSE;
    // The next tries begin on the edge: two or three tell whether it has become better.
    leaps.usual = this.worth;
  }
}
