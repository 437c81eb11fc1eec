"use client";

import { useMemo } from "react";
import {
  beeped,
  faultKey,
  nameFaults,
  predict,
  sayExpected,
  sayFault,
  type MeterTest,
  type WiringPlan,
} from "@/core/wiring";
import { useActions, useChamber } from "../../context";
import { NumberField, plainKind } from "@/parts/fields";

const volts = plainKind("V", 1);
/** Readings of each unit are its own. */
const keyOf = ({ unit }: WiringPlan, test: string) => (unit === 0 ? test : `${unit}:${test}`);

/** Dead and live tests at plug and outlets, what each has to show, and what the readings leave possible. */
export function MeterProof({ plan }: { plan: WiringPlan }) {
  const predicted = useMemo(() => predict(plan), [plan]);
  const { record } = useChamber();
  const { change } = useActions();
  // What was read of a test that this plan does not have says nothing here.
  const readings = useMemo(
    () =>
      Object.fromEntries(
        predicted.tests.flatMap(({ id }) => {
          const read = record.work.meter[keyOf(plan, id)];
          return read === undefined ? [] : [[id, read]];
        }),
      ),
    [predicted, plan, record.work.meter],
  );
  const { possible, somethingElse, next, pass } = nameFaults(predicted, readings);
  const sound = predicted.hypotheses[0]!;
  const faults = possible.filter((f) => f.kind !== "none");
  const none = faults.length < possible.length;
  const done = Object.keys(readings).length;
  const put = (id: string, value: number | null) =>
    change((r) => {
      const { [keyOf(plan, id)]: _old, ...rest } = r.work.meter;
      return { ...r, work: { ...r.work, meter: value === null ? rest : { ...rest, [keyOf(plan, id)]: value } } };
    }, "reading of the meter");
  const row = (test: MeterTest) => {
    const i = predicted.tests.indexOf(test);
    const read = readings[test.id];
    return (
      <li
        key={test.id}
        className={`rule-line grid gap-x-4 gap-y-1 border-b py-2 sm:grid-cols-[minmax(0,1fr)_11rem_13rem] ${next?.id === test.id ? "bg-base-200" : ""}`}
      >
        <span className="self-center">
          {test.says}
          {next?.id === test.id && <span className="quiet"> · tells most now</span>}
        </span>
        <span className="self-center font-semibold">{sayExpected(test, sound.intervals[i]!)}</span>
        {test.live ? (
          <NumberField
            label={`Read: ${test.says}`}
            kind={volts}
            value={read ?? 0}
            estimate={read === undefined}
            onCommit={(value) => {
              if (value < 0 || value > 1000) return { code: "tooHigh", at: [], limit: 1000 };
              put(test.id, value);
              return null;
            }}
            onReset={read === undefined ? undefined : () => put(test.id, null)}
            defaultText="not measured yet"
          />
        ) : (
          <span className="flex gap-2">
            {[true, false].map((beeps) => (
              <button
                key={String(beeps)}
                type="button"
                className={`key ${read === beeped(beeps) ? "key-strong" : ""}`}
                aria-pressed={read === beeped(beeps)}
                onClick={() => put(test.id, read === beeped(beeps) ? null : beeped(beeps))}
              >
                {beeps ? "It beeps" : "Silent"}
                <span className="sr-only">: {test.says}</span>
              </button>
            ))}
          </span>
        )}
      </li>
    );
  };
  return (
    <div className="grid gap-4">
      <p className="max-w-prose">
        Try the meter on something known before and after. Dead first: plug pulled, main switch on, nothing in the
        outlets. Then, with the enclosure shut and a 60 W lamp as a load, at the outlets alone; press the
        residual-current button. An outlet that is off may read anything up to the full mains without a load: that is no
        fault. Whoever is not at ease with live tests leaves them to an electrician.
      </p>
      {done > 0 && (
        <button
          type="button"
          className="key justify-self-start"
          onClick={() => change((r) => ({ ...r, work: { ...r.work, meter: {} } }), "readings of the meter")}
        >
          Begin anew: forget all readings
        </button>
      )}
      <section className="border-base-content border-l-4 pl-4" role="status" aria-label="What the readings say">
        {done === 0 ? (
          <p>No reading yet. {next ? `Begin with: ${next.says}.` : ""}</p>
        ) : somethingElse ? (
          <p className="text-error font-semibold">
            No single thing explains these readings: something else, or more than one. Read again; then stop and have it
            looked at.
          </p>
        ) : pass ? (
          <p>
            <strong>The readings pass.</strong> They do not show insulation, the quality of the earth, or what happens
            under a full load; nothing here says that it is safe.
          </p>
        ) : (
          <>
            <p>
              {done} of {predicted.tests.length} read.{" "}
              {none
                ? faults.length > 0
                  ? "Nothing being wrong explains them, and so would:"
                  : "Nothing being wrong explains them so far."
                : "Something is wrong. These explain the readings:"}
            </p>
            <ul className="list-disc pl-5">
              {faults.slice(0, 8).map((f) => {
                const { is, mend } = sayFault(f, plan);
                return (
                  <li key={faultKey(f)}>
                    {is}.{!none && ` ${mend}`}
                  </li>
                );
              })}
              {faults.length > 8 && <li>and {faults.length - 8} more</li>}
              <li className="quiet">or something else</li>
            </ul>
            {next && <p>Next, since it tells most: {next.says}.</p>}
            {!next && !none && <p>No further test tells them apart: open it, plug pulled, and look.</p>}
          </>
        )}
      </section>
      <section aria-label="Dead tests">
        <h4 className="text-lg">Dead: plug pulled</h4>
        <ul>{predicted.tests.filter((t) => !t.live).map(row)}</ul>
      </section>
      <section aria-label="Live tests">
        <h4 className="text-lg">Live: under a test load, at the outlets alone</h4>
        <ul>{predicted.tests.filter((t) => t.live).map(row)}</ul>
      </section>
    </div>
  );
}
