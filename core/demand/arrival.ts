import type { Chamber, Settings } from "../model";
import { celsius, kelvins } from "../quantity";
import { LeftGround, memo, runTrial, trialWith, type Trace } from "../trial";

/** Step of the trial, s, and the longest that is looked at, days. */
const STEP = 20;
const MOST = 14;
/** So far beyond the target that no device ever pauses, K. */
const BEYOND = 100;

const always = (setpoint: number): Settings => ({
  setpoint: celsius(setpoint),
  heatingDifferential: kelvins(0.1),
  coolingDifferential: kelvins(0.1),
  lowLimit: celsius(setpoint - 0.1),
  highLimit: celsius(setpoint),
  compressorDelay: 0,
  lowAlarm: celsius(-100),
  highAlarm: celsius(400),
  lowDeviation: kelvins(0),
  highDeviation: kelvins(0),
  offset: kelvins(0),
});

/** A trial as long as its state stays where the model stands for it; null where that is hardly from its start. */
function withinGround(days: number, traceOf: (days: number) => Trace): Trace | null {
  try {
    return traceOf(days);
  } catch (error) {
    if (!(error instanceof LeftGround)) throw error;
    const steps = Math.floor(error.at / STEP) - 1;
    return steps > 0 ? traceOf((steps * STEP) / 86_400) : null;
  }
}

type Asked = { chamber: Chamber; side: "heat" | "cold"; id: string };

const worked = memo(({ chamber, side, id }: Asked): number | null | undefined => {
  const stage = chamber.stages.find((s) => s.id === id) ?? chamber.stages[0]!;
  const hot = side === "heat";
  const room = hot ? chamber.room.low : chamber.room.high;
  const alone: Chamber = {
    ...chamber,
    room: { ...chamber.room, low: room, high: room, monthly: kelvins(0) },
    stages: [{ ...stage, ends: [], latest: 0, rampBy: kelvins(0) }],
    vessels: chamber.vessels.map((v) => ({ ...v, putIn: 0 })),
  };
  const days = Math.min(MOST, Math.max(1, (2 * chamber.build.loadHours) / 24));
  const settings = [chamber.controllers.map(() => always(stage.target + (hot ? BEYOND : -BEYOND)))];
  const traceOf = (length: number) =>
    runTrial(trialWith(alone, settings, length, STEP), Math.max(1, Math.min(600, Math.round((length * 86_400) / 600))))
      .trace;
  const trace = withinGround(days, traceOf);
  if (!trace) return undefined;
  const whole = trace.from + trace.bins * trace.width > days * 86_400 - 2 * trace.width;
  const bands = chamber.vessels.map((v) => v.band ?? stage);
  for (let bin = 0; bin < trace.bins; bin++) {
    const there = bands.every((band, index) => {
      const own = trace.layers.find((l) => l.kind === "vessel" && l.index === index) ?? null;
      const [low, high] = own ? [own.low, own.high] : [trace.low.product, trace.high.product];
      return hot ? high[bin]! >= band.low : low[bin]! <= band.high;
    });
    if (there) return (trace.from + bin * trace.width) / 3600;
  }
  return whole ? null : undefined;
}, 6);

/**
 * Hours after which all that is put in has come into its band, in the worst room, with every device of a side running
 * without a pause: by a trial, since what stands in still air takes heat only through its film. Null: not in two weeks;
 * undefined: such devices send it out of what can be computed at once.
 */
export const arrivalOf = ({ chamber, ...asked }: Asked): number | null | undefined =>
  // What has no part in it is no part of what is remembered.
  worked({ chamber: { ...chamber, recorded: null, happenings: [] }, ...asked });
