import { nextAttended, sayEnds, stageName, startHourOf } from "../program";
import { modelOf } from "../product";
import { printDuration } from "../quantity";
import type { Case, Rule } from "./types";
import { sayDays, words } from "./words";

const HOUR = 3600;
/** A stage that has ended may wait so long for somebody without a word, s. */
const PATIENCE = 3 * HOUR;

/** The furthest that a stage without a latest time is reckoned with to go on, s. */
const LONGEST = 200 * 24 * HOUR;

/** Whether a figure that the stage waits for goes on towards it fast enough to come there by its latest time. */
function stillMoves({ result, stage, chamber, trial: { trace } }: Case, span: number): boolean {
  const until = Math.min(stage.latest > 0 ? stage.latest : LONGEST, LONGEST);
  if (until <= span) return false;
  const at = (values: Float32Array, time: number) =>
    values[Math.min(trace.bins - 1, Math.max(0, Math.floor((time - trace.from) / trace.width)))]!;
  /** Slower and slower as most things go: half as fast as over the second half of it, it still comes there. */
  const comes = (index: number, name: string, side: "atLeast" | "atMost", value: number): boolean => {
    const values = trace.figures.find((f) => f.index === index && f.name === name)?.values;
    if (!values) return false;
    const [half, last] = [at(values, result.from + span / 2), at(values, result.to)];
    const ahead = last + (((last - half) / (span / 2)) * (until - span)) / 2;
    return last !== half && (side === "atLeast" ? ahead >= value : ahead <= value);
  };
  return stage.ends.some((end) => {
    if (end.kind !== "reaches") return false;
    const { name, id, of } = end.observable;
    const index = of === "vessels" ? 0 : chamber.vessels.findIndex((v) => v.id === id);
    if (comes(index, name, end.comparison, end.value)) return true;
    // Some begin to count only once another has come: equal gravities after the sugar is gone.
    const product = chamber.vessels[index]?.product;
    return (product ? modelOf(product).observables : []).some((o) => {
      const limit = o.limit?.(product!);
      return limit?.aim === true && o.name !== name && comes(index, o.name, limit.side, limit.value);
    });
  });
}

/** What a stage waits for does not come within the trial: the program stands still there. */
export const stageStalls: Rule = (c) => {
  const { result, stage, chamber, trial } = c;
  const waits = stage.ends.filter((e) => e.kind === "reaches");
  if (waits.length === 0 || result.dueAt !== null || trial.finishedAt !== null) return null;
  // By the clock alone it would have ended later than the trial does: nothing stalls.
  const span = result.to - result.from;
  // What has to be held for a while takes at least that long once it is there.
  const held = Math.max(...waits.map((e) => e.heldFor));
  if (span < 12 * HOUR + held) return null;
  // It is too early to say of most things; and what goes on fast enough comes there.
  if (span < stage.latest / 3 || stillMoves(c, span)) return null;
  const { when } = words(c);
  return {
    id: "stage-stalls",
    about: stage.id,
    severity: "warning",
    station: "job",
    title: "A stage does not come to its end",
    text: `It goes on ${sayEnds(stage, chamber, c.scale)}. It began ${when(result.from)} and has gone on for ${printDuration(span)}; within the ${sayDays(trial.days)} of this trial that does not come. A latest time would end it all the same.`,
    moment: result.from,
    remedies: [],
  };
};

/** Stages that the trial never comes to. */
export const trialTooShort: Rule = (c) => {
  const { chamber, trial } = c;
  const reached = trial.stages.length;
  const left = chamber.stages.slice(reached);
  const last = trial.stages.at(-1)!;
  const stage = chamber.stages[reached - 1]!;
  if (left.length === 0 || (last.dueAt === null && stage.ends.some((e) => e.kind === "reaches"))) return null;
  if (stage.ends.length === 0 && stage.latest === 0)
    return {
      id: "stage-without-end",
      about: stage.id,
      severity: "warning",
      station: "job",
      title: "A stage without an end stands before others",
      text: `${stageName(chamber.stages, stage.id)} has no end, so ${left.map((s) => stageName(chamber.stages, s.id)).join(", ")} never begin${left.length === 1 ? "s" : ""}: ${left.length} of ${chamber.stages.length} stages are without effect.`,
      moment: last.from,
      remedies: [],
    };
  if (last.dueAt !== null) return null; // nobodyThere speaks of that
  return {
    id: "trial-too-short",
    severity: "note",
    station: "job",
    title: "The program is longer than this trial",
    text: `In ${sayDays(trial.days)} it comes to stage ${reached} of ${chamber.stages.length}. What comes after that is not looked at here: choose a longer trial.`,
    moment: last.from,
    remedies: [],
  };
};

/** A stage has ended and waits long for somebody to key in the next one. */
export const nobodyThere: Rule = (c) => {
  const { result, chamber, trial, stage } = c;
  if (result.dueAt === null || !chamber.program.byHand) return null;
  const last = chamber.stages.at(-1)!.id === stage.id;
  const handed = nextAttended(chamber.program, startHourOf(chamber.program), result.dueAt);
  const waited = handed - result.dueAt;
  if (last || waited <= PATIENCE) return null;
  const { when } = words(c);
  const next = chamber.stages[chamber.stages.findIndex((s) => s.id === stage.id) + 1]!;
  return {
    id: "nobody-there",
    about: stage.id,
    severity: Number.isFinite(handed) ? "note" : "warning",
    station: "job",
    title: Number.isFinite(handed) ? "A stage waits for somebody" : "Nobody is ever there to key in the next stage",
    text: Number.isFinite(handed)
      ? `It is over ${when(result.dueAt)}; ${stageName(chamber.stages, next.id)} is keyed in ${when(handed)}, ${printDuration(waited)} later, when somebody is there again.`
      : `It is over ${when(result.dueAt)}, and in the ${sayDays(trial.days)} of this trial no hour is attended.`,
    moment: result.dueAt,
    remedies: [],
  };
};
