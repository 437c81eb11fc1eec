"use client";

import { modelOf, printFigure, signsOf } from "@/core/product";
import { atFirst } from "@/core/quantity";
import { judgedName, readyWords, type FigureRange, type ReadyRange, type Trace, type Trial } from "@/core/trial";
import { FigureLane, LEFT, RIGHT, type View } from "@/parts/trace";
import { useChamber, usePreferences, useShownRange, useShownTrial } from "../context";
import { useDays, useMoments } from "../useMoments";
import { Readings } from "./Readings";
import { Sized } from "./Sized";

/** When it is ready: a range, since its pace, its box and the weather are estimates. */
function sayReady(ready: ReadyRange, moment: (s: number) => string, day: (s: number) => string): string {
  const { soon, late } = ready;
  const words = readyWords({ ready: [ready] });
  if (soon === null || words === null) return "Not ready in the time that was tried, even if all goes quickly.";
  const at = soon < CLOCKED ? moment : day;
  return `${atFirst(words)}: from ${at(soon)}${late === null ? " on" : ` to ${at(late)}`}.`;
}

/** What is ready within less is said by the clock, s; anything else by its day. */
const CLOCKED = 2 * 86_400;

const NO_RANGES: FigureRange[] = [];

/** What becomes of the products, figure by figure, in the scale of time of the trace above. */
export function ProductLanes({ trial, trace, view }: { trial: Trial; trace: Trace; view: View }) {
  const { chamber: now, record } = useChamber();
  // What the trial was run on: the hand may have gone on already.
  const chamber = useShownTrial().of?.chamber ?? now;
  const { range, progress, failed } = useShownRange();
  const spreads = range?.figures ?? NO_RANGES;
  const { scale } = usePreferences();
  const say = useMoments(trial);
  const sayDay = useDays(trial);
  const lanes = chamber.vessels.flatMap(({ product, id }, index) =>
    modelOf(product).observables.flatMap((figure) => {
      if (figure.speaks && !figure.speaks(product)) return [];
      const course = trace.figures.find((f) => f.index === index && f.name === figure.name);
      const whose = chamber.vessels.length > 1 ? `${atFirst(judgedName(id, chamber.vessels))}: ` : "";
      const label = whose ? `${whose}${figure.label}` : atFirst(figure.label);
      const ends = spreads.find((s) => s.index === index && s.name === figure.name);
      const spread = ends ? { ...ends, from: trial.trace.from, width: trial.trace.width } : null;
      const read = record.readings.filter((r) => r.vessel === id && r.name === figure.name);
      return course ? [{ figure, course, product, spread, label, read, key: `${id}-${figure.name}` }] : [];
    }),
  );
  const seen = chamber.vessels.map(({ id, product }, index) => ({
    id,
    signs: signsOf(
      product,
      (name) => trial.trace.figures.find((f) => f.index === index && f.name === name)?.values,
      trial.trace,
    ),
  }));
  if (lanes.length === 0) return null;
  return (
    <section className="grid grid-cols-1 gap-1" aria-label="What becomes of it">
      <h3 className="text-lg">What becomes of it</h3>
      <p className="quiet max-w-prose">
        The line is the usual course of such a product: an estimate. The shade lies between what nine of ten would be,
        by trials of their own in which product, box, heater and room are other than usual, all together. A thick stroke
        stands where what is wanted is reached. A reading decides.
      </p>
      <div role="status">
        {range?.ready.map((ready) => (
          <p key={ready.index}>
            {ready.index >= 0 &&
              chamber.vessels.length > 1 &&
              `${atFirst(judgedName(chamber.vessels[ready.index]!.id, chamber.vessels))}: `}
            <strong>{sayReady(ready, say, sayDay)}</strong>
          </p>
        ))}
        {!range && (
          <p className="quiet">
            {failed
              ? "How early and how late it may be ready could not be worked out. The usual course stands."
              : progress
                ? `Working out how early and how late it may be ready: ${progress.done} of ${progress.of} trials.`
                : "How early and how late it may be ready is worked out next."}
          </p>
        )}
      </div>
      {lanes.map(({ figure, course, product, spread, label, read, key }) => (
        <Sized key={key} className="h-[62px]">
          {(total) => (
            <FigureLane
              values={course.values}
              from={trace.from}
              width={trace.width}
              view={view}
              limit={figure.limit?.(product) ?? null}
              spread={spread}
              readings={read}
              label={label}
              print={(v) => printFigure(v, figure.unit, scale)}
              total={total}
              left={LEFT}
              right={RIGHT}
            />
          )}
        </Sized>
      ))}
      {seen.some((s) => s.signs.length > 0) && (
        <section className="grid gap-1 pt-2" aria-label="What one sees, and when">
          <h4 className="font-semibold">What one is likely to see, and when</h4>
          <ul className="grid gap-1">
            {seen.flatMap(({ id, signs }) =>
              signs.map(({ says, at }) => (
                <li key={`${id} ${says}`} className="grid gap-x-4 sm:grid-cols-[11rem_1fr]">
                  <span className="font-semibold">{say(at)}</span>
                  <span>
                    {chamber.vessels.length > 1 && `${atFirst(judgedName(id, chamber.vessels))}: `}
                    {says}
                  </span>
                </li>
              )),
            )}
          </ul>
        </section>
      )}
      <Readings trial={trial} chamber={chamber} spreads={spreads} />
    </section>
  );
}
