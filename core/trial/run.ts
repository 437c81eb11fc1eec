import { buildNetwork, type Network } from "../chamber";
import { aroundAt, isDaily, recordedTemperature } from "../climate";
import { freshOutlet, NO_READING, powerUp } from "../controller";
import { freshCooler, freshHeater } from "../device";
import { lotOf, modelOf } from "../product";
import { startProgram, type ProgramPlan } from "../program";
import { inputsOf, type Inputs } from "./discretise";
import type { TrialInput } from "./input";
import { paddedVector } from "./kernel";
import { memo } from "./memo";
import { moistOf, startMoist, type Moist } from "./moistState";
import { Modes } from "./modes";
import type { RunState } from "./state";
import { situationAt } from "./timeline";

/** What is computed once for a trial. */
export interface Run {
  input: TrialInput;
  network: Network;
  at: Inputs;
  modes: Modes;
  plan: ProgramPlan;
  steps: number;
  /** Room at the middle of each step of a day, or of the whole trial where no day is like the other, °C. */
  rooms: Float64Array;
  state: RunState;
  /** Of the water in its air; null where its humidity is as typed. */
  moist: Moist | null;
}

/** Steps in a row in which nothing switched and no alarm changed, as they were before each was taken. */
export interface QuietSteps {
  /** The first of them, and how many there are. */
  from: number;
  count: number;
  /** The state of each, one behind the other, `stride` apart. */
  x: Float64Array;
  stride: number;
  rooms: Float64Array;
  /** What each controller's display showed, step by step. */
  shown: Float64Array;
}

/** What a watcher of the trial is shown at every step, before the step is taken. */
export interface Watcher {
  sample(state: RunState, room: number): void;
  /**
   * The same of quiet steps at once; to the last bit what showing each of them would have come to. Of the controllers
   * only what sounds stands as it was: they may have decided over the step that comes.
   */
  quiet?(state: RunState, steps: QuietSteps): void;
}

/** Shows quiet steps one by one. */
export function replay(watcher: Watcher, state: RunState, { from, count, x, stride, rooms, shown }: QuietSteps): void {
  const { x: live, step, shown: display } = state;
  const after = live.slice();
  const last = display.slice();
  const controllers = last.length;
  for (let k = 0; k < count; k++) {
    live.set(x.subarray(k * stride, (k + 1) * stride));
    state.step = from + k;
    for (let c = 0; c < controllers; c++) display[c] = shown[k * controllers + c]!;
    watcher.sample(state, rooms[k]!);
  }
  live.set(after);
  state.step = step;
  display.set(last);
}

type Around = Pick<TrialInput, "dt" | "startHour"> &
  Pick<TrialInput["chamber"], "room" | "recorded" | "happenings"> & { steps: number };

/** A room mostly repeats itself daily, and a cosine a step would not be free. */
const roomByStep = memo((around: Around) => {
  const { dt, startHour, steps } = around;
  const perDay = Math.round(86_400 / dt);
  const daily = isDaily(around) && Math.abs(perDay * dt - 86_400) < 1e-9;
  return Float64Array.from({ length: daily ? Math.min(perDay, steps) : steps }, (_, i) =>
    aroundAt(around, (i + 0.5) * dt, startHour),
  );
}, 4);

/** Sets up a trial: box and devices at the room's temperature, each vessel, load and the ice at their own. */
export function startRun(input: TrialInput): Run {
  const { chamber } = input;
  const network = buildNetwork(chamber);
  const { room, recorded } = chamber;
  const weather = chamber.happenings.filter((h) => h.kind === "weather");
  const around = { room, recorded, happenings: weather };
  const start = recorded ? recordedTemperature(recorded, 0) : aroundAt(around, 0, input.startHour);
  const n = network.nodes.length;
  const x = paddedVector(n).fill(start, 0, n);
  network.shells.forEach((parts, v) => parts.forEach(({ node }) => (x[node] = chamber.vessels[v]!.startTemperature)));
  if (chamber.cabinet.kind === "kettle") x[network.air] = chamber.vessels[0]!.startTemperature;
  chamber.happenings
    .filter((h) => h.kind === "loadIn")
    .sort((a, b) => a.at - b.at)
    .forEach((h, i) => (x[network.loads[i]!] = h.temperature));
  network.coolers.forEach(({ node, iceMass }, i) => {
    if (iceMass > 0) x[node] = chamber.coolers[i]!.iceStart;
  });
  const steps = Math.round((input.days * 86_400) / input.dt);
  const modes = new Modes(network, chamber, input.dt);
  const at = inputsOf(network);
  const u = new Float64Array(at.count);
  u[at.constant] = 1;
  const plan: ProgramPlan = { stages: chamber.stages, program: chamber.program };
  const coolers = chamber.coolers.map(freshCooler);
  const moist = moistOf(chamber, network);
  return {
    input,
    network,
    at,
    modes,
    plan,
    steps,
    moist,
    rooms: roomByStep({ ...around, dt: input.dt, startHour: input.startHour, steps }),
    state: {
      step: 0,
      x,
      controls: chamber.controllers.map(({ unit }) => powerUp(unit.restAtStart)),
      outlets: chamber.controllers.flatMap(() => [freshOutlet(), freshOutlet()]),
      shown: new Float64Array(chamber.controllers.length).fill(NO_READING),
      heaters: chamber.heaters.map((h) => freshHeater(h.fuel)),
      coolers,
      products: chamber.vessels.map((v, i) => ({
        ...modelOf(v.product).start(v.product, lotOf(v), v.startTemperature),
        ...input.unknowns?.[i],
      })),
      program: startProgram(plan),
      heat: new Float64Array(network.vessels.length),
      evaporated: new Float64Array(network.vessels.length),
      u,
      inputs: 0,
      mode: modes.of({ ...situationAt(input, 0).conditions, ice: coolers.map((c) => c.ice) }, 0),
      film: 0,
      on: 0,
      heating: false,
      cooling: false,
      moisture: moist && startMoist(chamber, moist, start),
    },
  };
}
