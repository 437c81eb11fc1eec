import { AIR, happeningInfo } from "../chamber";
import { printDuration } from "../quantity";
import { runTrial, trialOf, type Grace, type Metrics, type Trial } from "../trial";
import { without } from "./calm";
import { lineOf } from "./lines";
import type { Case, Rule } from "./types";
import { percent, TOLERANCE, words } from "./words";

/** How far what is judged strays out of its band once it has been in it, K, and which way. */
function strays({ settled, arrived }: Metrics, { low, high }: Case["band"]) {
  const range = (settled ?? arrived)?.product;
  if (!range) return null;
  const [under, over] = [low - range.low, range.high - high];
  return { by: Math.max(under, over), cold: under > over, range };
}

/** Whether what the case is about keeps to its band around a moment of another trial of the same length. */
function keeps(c: Case, trial: Trial, moment: number): boolean {
  const line = lineOf(trial, c.chamber, c.metrics.judged);
  const bin = Math.floor((moment - trial.trace.from) / trial.trace.width);
  for (let i = Math.max(0, bin - 1); i <= Math.min(trial.trace.bins - 1, bin + 1); i++)
    if (line.low[i]! < c.band.low - TOLERANCE || line.high[i]! > c.band.high + TOLERANCE) return false;
  return true;
}

/** So many happenings are looked at one by one: each is a trial. */
const MOST = 4;

/** The happening without which it would have kept to its band at that moment; its grace is then its own. */
function causeAt(c: Case, moment: number): Grace | null {
  const before = c.metrics.grace
    .filter((g) => g.seconds !== null && Number.isFinite(g.seconds) && g.at + g.seconds <= moment)
    .sort((a, b) => b.at - a.at);
  if (c.chamber.happenings.length === 1) return before[0] ?? null;
  const found = before.slice(0, MOST).find((g) =>
    keeps(
      c,
      runTrial(
        trialOf(
          without(c.plan, (id) => id === g.id),
          c.trial.days,
        ),
      ),
      moment,
    ),
  );
  return found ?? null;
}

/**
 * What happens takes it out of its band, or further out of it. That it would have been out of it by itself is said by the
 * verdict on the trial without: nothing that happens excuses that.
 */
export const takenOut: Rule = (c) => {
  if (!c.calm) return null;
  const here = strays(c.metrics, c.band);
  if (!here || here.by <= TOLERANCE) return null;
  const calmly = c.calm.stages.find((s) => s.id === c.result.id)?.metrics.find((m) => m.judged === c.metrics.judged);
  const there = calmly ? strays(calmly, c.band) : null;
  const moment = here.cold ? here.range.lowAt : here.range.highAt;
  const kept = keeps(c, c.calm, moment);
  if (!kept && there && here.by - there.by <= TOLERANCE) return null;
  const cause = kept ? causeAt(c, moment) : null;
  const { at, by, when } = words(c);
  const follows = cause
    ? ` That follows what happens at ${when(cause.at)}; it leaves ${printDuration(cause.seconds!)} of grace.`
    : "";
  const alone =
    !kept && there ? ` Without what happens it strays as well, by ${by(Math.max(0, there.by))} at the most.` : "";
  return {
    id: "taken-out",
    severity: "note",
    station: "settings",
    title: `${cause ? happeningInfo[cause.kind].label : "What happens"} takes ${c.metrics.judged === AIR ? "the air" : "it"} ${kept ? "" : "further "}out of its band`,
    text: `It ${here.cold ? "sinks to" : "rises to"} ${at(here.cold ? here.range.low : here.range.high)}, ${by(here.by)} ${here.cold ? "below the coldest" : "above the warmest"} that you allow (${when(moment)}), and is in its band ${percent(c.metrics.inBand)} of the time.${follows}${alone}`,
    moment,
    remedies: [],
  };
};
