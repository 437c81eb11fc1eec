"use client";

import { useMemo } from "react";
import {
  beeped,
  OPEN,
  soundIntervals,
  faultKey,
  hasTwoCords,
  keyOfUnit,
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
const ohms = plainKind("Ω", 0.1);

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
          const read = record.work.meter[keyOfUnit(plan.unit, id)];
          return read === undefined ? [] : [[id, read]];
        }),
      ),
    [predicted, plan, record.work.meter],
  );
  const { possible, somethingElse, next, pass } = nameFaults(predicted, readings);
  const faults = possible.filter((f) => f.kind !== "none");
  const none = faults.length < possible.length;
  const done = Object.keys(readings).length;
  const put = (id: string, value: number | null) =>
    change((r) => {
      const { [keyOfUnit(plan.unit, id)]: _old, ...rest } = r.work.meter;
      return {
        ...r,
        work: { ...r.work, meter: value === null ? rest : { ...rest, [keyOfUnit(plan.unit, id)]: value } },
      };
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
        <span className="self-center font-semibold">{sayExpected(test, soundIntervals(predicted, i))}</span>
        {test.asks !== "beep" ? (
          <span className="grid gap-1">
            <NumberField
              label={`Read: ${test.says}`}
              kind={test.live ? volts : ohms}
              value={read ?? 0}
              estimate={read === undefined}
              onCommit={(value) => {
                const limit = test.live ? 1000 : OPEN;
                if (value < 0) return { code: "tooLow", at: [], limit: 0 };
                if (value > limit) return { code: "tooHigh", at: [], limit };
                put(test.id, value);
                return null;
              }}
              onReset={read === undefined ? undefined : () => put(test.id, null)}
              defaultText="not measured yet"
            />
            {!test.live && (
              <button
                type="button"
                className={`key ${read === OPEN ? "key-strong" : ""}`}
                aria-pressed={read === OPEN}
                onClick={() => put(test.id, read === OPEN ? null : OPEN)}
              >
                No reading: open
              </button>
            )}
          </span>
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
        Try the meter on something known before and after. Dead first:{" "}
        {plan.wiring.laid === "cord"
          ? hasTwoCords(plan)
            ? "both plugs pulled"
            : "plug pulled"
          : "the circuit off, locked, and proved dead by somebody licensed"}
        , main switch on, nothing in the outlets.{" "}
        {plan.wiring.laid === "cord" &&
          plan.wiring.plugTurns &&
          "Mark the pin of the plug that the line comes from, and leave the plug the same way round while you measure live. "}
        Then, with the enclosure shut and a 60 W lamp as a load, at the outlets alone; press the residual-current
        button. An outlet that is off may read anything up to the full mains without a load: that is no fault. Whoever
        is not at ease with live tests leaves them to an electrician.
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
        <h4 className="text-lg">{plan.wiring.laid === "cord" ? "Dead: plug pulled" : "Dead: circuit off"}</h4>
        <p className="quiet max-w-prose">
          A heater or a winding between the pins may beep on many meters; the plug of a fridge may read open, since its
          thermostat or its electronics stand before the motor.
        </p>
        <ul>{predicted.tests.filter((t) => !t.live).map(row)}</ul>
      </section>
      <section aria-label="Live tests">
        <h4 className="text-lg">Live: under a test load, at the outlets alone</h4>
        <p className="max-w-prose">
          <strong>Local code and a licensed electrician decide who may do this.</strong>
        </p>
        <ul>{predicted.tests.filter((t) => t.live).map(row)}</ul>
      </section>
    </div>
  );
}
