import type { LoadedVessel } from "../model";
import { COME_UP, COUNTED_FROM, COUNTS_FROM, degreeHours, degreeHoursAllowed, SAFE_PH } from "../product";
import { stageName } from "../program";
import { celsius, printNumber, printTemperature, type Scale } from "../quantity";
import type { HandTask } from "./handTask";
import type { Plan } from "./planWith";
import type { Trial } from "./runTrial";

/** So long before a limit, or before it is done, somebody is told, s: time to light a fire or to drive home. */
export const LEAD = 1800;
const HOUR = 3600;

const figure = ({ trace }: Trial, index: number, name: string) =>
  trace.figures.find((f) => f.index === index && f.name === name)?.values;

/** The core at the moment that lies so long before it is first at a temperature, °C; null where it never gets there. */
function coreBefore(trial: Trial, core: Float32Array, wanted: number): number | null {
  const { width } = trial.trace;
  const there = core.findIndex((t) => t >= wanted);
  if (there < 1) return null;
  const back = Math.max(0, there - Math.ceil(LEAD / width));
  const seen = core[back]!;
  return Number.isFinite(seen) ? seen : null;
}

/** When degree-hours would be used up if the pH never came down, s; null: not in this trial. */
function degreeHoursGone({ trace }: Trial, index: number): number | null {
  const layer = trace.layers.find((l) => l.kind === "vessel" && l.index === index);
  const [low, high] = layer ? [layer.low, layer.high] : [trace.low.product, trace.high.product];
  let sum = 0;
  let highest = -Infinity;
  for (let i = 0; i < trace.bins; i++) {
    if (!Number.isFinite(high[i])) continue;
    highest = Math.max(highest, high[i]!);
    sum += degreeHours((low[i]! + high[i]!) / 2, trace.width / HOUR);
    if (sum > degreeHoursAllowed(highest)) return trace.from + i * trace.width;
  }
  return null;
}

/**
 * What has to be looked at before it is too late: at least half an hour before a limit, whether anybody is there or not. A
 * limit does not wait for the morning.
 */
export function forewarnings({ chamber }: Plan, trial: Trial, scale: Scale): HandTask[] {
  const at = (t: number) => printTemperature(celsius(t), scale);
  const end = trial.finishedAt ?? trial.days * 86_400;
  const stageAt = (moment: number) => (trial.stages.findLast((s) => s.from <= moment) ?? trial.stages[0]!).id;
  const task = (id: string, moment: number, name: string): HandTask[] => {
    if (moment < 0 || moment > end) return [];
    const stage = stageAt(moment);
    return [{ id, at: moment, stage, stageName: stageName(chamber.stages, stage), name, waited: false }];
  };
  const whose = ({ id }: LoadedVessel) =>
    chamber.vessels.length > 1 ? `Vessel ${chamber.vessels.findIndex((v) => v.id === id) + 1}: ` : "";
  const { fuelOutAt } = trial.metrics;
  const fire =
    fuelOutAt === null
      ? []
      : task("fuel", Math.max(0, fuelOutAt - LEAD), "Add fuel: in half an hour the charge is burned");
  return chamber.vessels
    .flatMap((vessel, index): HandTask[] => {
      const { product, putIn, id } = vessel;
      if (product.kind === "sausage" && product.startPh > SAFE_PH) {
        const gone = degreeHoursGone(trial, index);
        if (gone === null) return [];
        const says = `pH ${SAFE_PH} by now: in half an hour the degree-hours are used up. If it is not there, hold the batch back`;
        return task(`${id}-ph-by`, gone - LEAD, whose(vessel) + says);
      }
      const core = figure(trial, index, "core");
      if (!core) return [];
      // One that is through in less than half of the time needs no clock.
      const hours = Math.max(...(figure(trial, index, "comeUp") ?? []).filter(Number.isFinite));
      const warm = product.kind === "smoke" ? core.findIndex((t) => t >= COUNTED_FROM) : -1;
      const counted = warm > 0 ? trial.trace.from + warm * trial.trace.width : putIn;
      const clock = hours > (COME_UP.latest - LEAD / HOUR) / 2;
      const comeUp = task(
        `${id}-come-up`,
        clock ? counted + COME_UP.latest * HOUR - LEAD : Infinity,
        `${whose(vessel)}The core has to be past ${at(COUNTS_FROM)} by now: in half an hour it is ${COME_UP.latest} h. If it is not, make it hotter at once; after that, throw it out`,
      );
      const soon = (name: string, wanted: number, says: string) => {
        const alarm = wanted > 0 ? coreBefore(trial, core, wanted) : null;
        // A core that rises by less than its probe errs in half an hour gives no alarm worth setting.
        if (alarm === null || wanted - alarm < 2) return [];
        const set = `Set the alarm of the probe in the food to ${printTemperature(celsius(alarm), scale, 1)}: about half an hour before ${says} at ${at(wanted)}`;
        return task(`${id}-${name}`, putIn, whose(vessel) + set);
      };
      return product.kind === "smoke"
        ? [
            ...soon("wrap-alarm", product.wrapAt, "it is wrapped"),
            ...soon("done-alarm", product.doneAt, "it is done"),
            ...comeUp,
          ]
        : comeUp;
    })
    .concat(fire);
}

/** What is put in later, with its moment. */
export function puttingIn({ chamber }: Plan, trial: Trial, scale: Scale): HandTask[] {
  return chamber.vessels.flatMap((vessel, index): HandTask[] => {
    const { putIn, id, count, startTemperature } = vessel;
    if (putIn === 0 || putIn > trial.days * 86_400) return [];
    const stage = (trial.stages.findLast((s) => s.from <= putIn) ?? trial.stages[0]!).id;
    const many = count > 1 ? ` (${printNumber(count, 1)})` : "";
    const name = `Put in vessel ${index + 1}${many}, at ${printTemperature(startTemperature, scale)}`;
    return [{ id: `${id}-put-in`, at: putIn, stage, stageName: stageName(chamber.stages, stage), name, waited: false }];
  });
}
