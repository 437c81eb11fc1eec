import type { Network } from "../chamber";
import { aroundAt, dailyWave, isDaily, recordedTemperature, wavePhase } from "../climate";
import { freshOutlet, NO_READING, powerUp } from "../controller";
import { freshCooler, freshHeater } from "../device";
import { lotOf, modelOf } from "../product";
import { startProgram, type ProgramPlan } from "../program";
import { inputsOf, type Inputs } from "./discretise";
import type { TrialInput } from "./input";
import { paddedVector } from "./kernel";
import { aroundOf, type Around, type Flight } from "./leap";
import { memo } from "./memo";
import { moistOf, startMoist, type Moist } from "./moistState";
import { laidFor, type Modes } from "./modes";
import { freshPace } from "./pace";
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
  /** The room as lines and a wave, for leaps; null: every step is taken by itself. */
  around: Around | null;
  /** How many steps a leap has usually taken lately. */
  leaps: { usual: number };
}

/** What a watcher of the trial is shown at every step, before the step is taken. */
export interface Watcher {
  sample(state: RunState, room: number): void;
  /**
   * The same of steps in which nothing switches and no alarm changes, at once: those of a flight after its first, which was
   * shown already. Of the controllers only what sounds stands as it was.
   */
  leap?(state: RunState, flight: Flight): void;
  /** How many lines it looks for the extremes of in a leap. */
  lines?: number;
}

/** Nobody watches. */
export const unwatched: Watcher = { sample: () => undefined, leap: () => undefined };

type Weather = Pick<TrialInput, "dt" | "startHour"> &
  Pick<TrialInput["chamber"], "room" | "recorded" | "happenings"> & { steps: number };

/** A room mostly repeats itself daily, and a cosine a step would not be free. */
const roomByStep = memo((weather: Weather) => {
  const { dt, startHour, steps, room } = weather;
  const perDay = Math.round(86_400 / dt);
  const daily = isDaily(weather) && Math.abs(perDay * dt - 86_400) < 1e-9;
  const rooms = Float64Array.from({ length: daily ? Math.min(perDay, steps) : steps }, (_, i) =>
    aroundAt(weather, (i + 0.5) * dt, startHour),
  );
  return { rooms, around: aroundOf(rooms, steps, dt, dailyWave(weather), wavePhase(room, startHour)) };
}, 4);

/** Sets up a trial: box and devices at the room's temperature, each vessel, load and the ice at their own. */
export function startRun(input: TrialInput): Run {
  const { chamber } = input;
  const { network, modes } = laidFor(chamber, input.dt);
  const { room, recorded } = chamber;
  const happenings = chamber.happenings.filter((h) => h.kind === "weather");
  const weather = { room, recorded, happenings };
  const start = recorded ? recordedTemperature(recorded, 0) : aroundAt(weather, 0, input.startHour);
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
  const at = inputsOf(network);
  const u = new Float64Array(at.count);
  u[at.constant] = 1;
  const plan: ProgramPlan = { stages: chamber.stages, program: chamber.program };
  const coolers = chamber.coolers.map(freshCooler);
  const moist = moistOf(chamber, network);
  const { rooms, around } = roomByStep({ ...weather, dt: input.dt, startHour: input.startHour, steps });
  return {
    input,
    network,
    at,
    modes,
    plan,
    steps,
    moist,
    rooms,
    around: input.plain ? null : around,
    leaps: { usual: 100 },
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
      felt: x.slice(),
      feltAt: -1,
      bend: Infinity,
      drift: 0,
      paces: { products: freshPace(), water: freshPace() },
      before: { products: null, moisture: null },
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
