"use client";

import type { ProofAnswer, SaidTest, WiringPlan } from "@/core/wiring";
import { useChamber } from "../../context";
import { useProof } from "../../useWiring";
import { BeforeLive } from "./BeforeLive";
import { isReady, ProofResult, type ProofProps } from "./ProofResult";
import { useReadings, type ProofStore } from "./proofStore";
import { TestRow } from "./TestRow";

/** The proof by meter: dead and complete before anything live, each reading told by its danger first. */
export function MeterProof({ plan }: { plan: WiringPlan }) {
  const store = useReadings(plan);
  const { readings } = store;
  const { answer, current, failed } = useProof(plan, readings);
  if (failed)
    return (
      <p role="alert" className="text-error">
        {failed}
      </p>
    );
  if (!answer) return <p aria-live="polite">Working the tests out …</p>;
  if (answer.dead.length === 0) return <p>No outlet switches anything here: there is nothing to prove.</p>;
  return <Proof plan={plan} store={store} answer={answer} current={current} />;
}

function Proof({ plan, store, answer, current }: ProofProps) {
  const { readings, old, done, tick, begin } = store;
  const meter = done("meter");
  const wrong = answer.stop !== null;
  const count = Object.keys(readings).length;
  return (
    <div className="grid gap-5">
      <ProofResult plan={plan} answer={answer} store={store} current={current} />
      {old && (
        <p className="border-error max-w-prose border-l-4 pl-3">
          <strong>The wiring or what hangs on it has changed since the last readings.</strong> They count for nothing:
          prove it from the first test.
        </p>
      )}
      {count > 0 && !wrong && (
        <button type="button" className="key justify-self-start" onClick={begin}>
          Begin anew: forget all readings
        </button>
      )}
      <section className="grid gap-2" aria-label="Before the first test">
        <h4 className="text-lg">First</h4>
        <label className="flex min-h-11 items-start gap-3 py-2">
          <input
            type="checkbox"
            className="accent-base-content mt-0.5 h-5 w-5 shrink-0"
            checked={meter}
            onChange={() => tick("meter")}
          />
          <span>
            <strong>The meter works:</strong> on ohms its leads touched together read under 0.5 Ω (take that off every
            reading in Ω), and on volts it shows a battery or a socket that is known to be live. Try it again at the
            end.
          </span>
        </label>
        <p className="max-w-prose">{pulledFirst(plan)}</p>
      </section>
      <Tests
        title="Dead proof"
        note="Lid off, meter on ohms. A mark such as B2 is the part B, its terminal 2, as in list and drawing. “No reading” is what the meter shows with its leads apart."
        tests={answer.dead}
        from={0}
        answer={answer}
        store={store}
        disabled={!meter}
      />
      {answer.more.length > 0 && (
        <Tests
          title="To tell the faults apart"
          note="Still dead, everything pulled."
          tests={answer.more}
          from={null}
          answer={answer}
          store={store}
          disabled={!meter}
        />
      )}
      <Live plan={plan} answer={answer} store={store} current={current} />
    </div>
  );
}

const pulledFirst = ({ wiring, ...plan }: WiringPlan): string => {
  const two = wiring.secondCord && plan.heat !== null && plan.cold !== null;
  const off =
    wiring.laid === "cord"
      ? two
        ? "Both plugs pulled and lying before you"
        : "The plug pulled and lying before you"
      : `${two ? "Both circuits" : "The circuit"} off, locked, and proved dead by somebody licensed`;
  return `${off}. Nothing in the outlets, the heater and the cooler beside it, main switch on. No jumper anywhere, now or later.`;
};

interface TestsProps {
  title: string;
  note: string;
  tests: readonly SaidTest[];
  /** Where their numbers begin; null: they have none. */
  from: number | null;
  answer: ProofAnswer;
  store: ProofStore;
  disabled: boolean;
}

function Tests({ title, note, tests, from, answer, store, disabled }: TestsProps) {
  return (
    <section className="grid gap-2" aria-label={title}>
      <h4 className="text-lg">{title}</h4>
      <p className="quiet max-w-prose">{disabled ? "Try the meter first: its box above." : note}</p>
      <ol>
        {tests.map((test, i) => (
          <TestRow
            key={test.id}
            test={test}
            number={from === null ? null : from + i + 1}
            read={store.readings[test.id]}
            next={answer.next === test.id}
            disabled={disabled}
            stop={answer.stop}
            onRead={(value) => store.put(test.id, value)}
          />
        ))}
      </ol>
    </section>
  );
}

/** Tests under voltage: there are none before the dead ones are all done and right, and none once anything is wrong. */
function Live({ plan, answer, store, current }: ProofProps) {
  const { record } = useChamber();
  if (!answer.deadDone || answer.stop !== null || !current)
    return (
      <section aria-label="Live proof">
        <h4 className="text-lg">Live proof</h4>
        <p className="max-w-prose">
          {answer.stop ? "None while anything is wrong." : "It appears here when every dead test is done and right."}
        </p>
      </section>
    );
  return (
    <section className="grid gap-3" aria-label="Live proof">
      <h4 className="text-lg">Live proof</h4>
      <p className="max-w-prose">
        <strong>Local code and a licensed electrician decide who may do this.</strong> Whoever is not at ease with it
        leaves it to them.
      </p>
      <BeforeLive key={record.id} plan={plan} store={store} />
      {isReady(plan, store) && (
        <Tests
          title="Under a lamp"
          note="Lid shut. A filament lamp of 25 to 60 W for your mains in the outlet (an LED glows and reads wrong on an idle contact), meter on volts, at the outlets alone. Leave the plug the same way round."
          tests={answer.live}
          from={answer.dead.length}
          answer={answer}
          store={store}
          disabled={false}
        />
      )}
    </section>
  );
}
