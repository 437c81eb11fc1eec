"use client";

import { beyondTheMeter, type ProofAnswer, type SaidFault, type SaidTest, type WiringPlan } from "@/core/wiring";
import { useChamber } from "../../context";
import { useProof } from "../../useWiring";
import { BeforeLive } from "./BeforeLive";
import { useReadings } from "./proofStore";
import { TestRow } from "./TestRow";

/** So many possible faults are told by name; the rest are counted. */
const TOLD = 8;

type Store = ReturnType<typeof useReadings>;

/** The proof by meter: dead and complete before anything live, each reading told by its danger first. */
export function MeterProof({ plan }: { plan: WiringPlan }) {
  const store = useReadings(plan);
  const { readings } = store;
  const { answer, current, failed } = useProof(plan, readings);
  if (failed && !answer)
    return (
      <p role="alert" className="text-error">
        {failed}
      </p>
    );
  if (!answer) return <p aria-live="polite">Working the tests out …</p>;
  if (answer.dead.length === 0) return <p>No outlet switches anything here: there is nothing to prove.</p>;
  return <Proof plan={plan} store={store} answer={answer} current={current} />;
}

interface ProofProps {
  plan: WiringPlan;
  store: Store;
  answer: ProofAnswer;
  /** The answer is to the readings as they stand now. */
  current: boolean;
}

function Proof({ plan, store, answer, current }: ProofProps) {
  const { readings, old, done, tick, begin } = store;
  const meter = done("meter");
  const wrong = answer.stop !== null;
  const count = Object.keys(readings).length;
  return (
    <div className="grid gap-5">
      <Result plan={plan} answer={answer} store={store} current={current} />
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
  store: Store;
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
      {ready(plan, store) && (
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

const ready = ({ wiring }: WiringPlan, store: Store): boolean =>
  (wiring.residual === "r30" || wiring.residual === "r5") && store.done("residual");

/** What was read, in the order in which somebody has to know it: danger, what to do, where, what next. */
function Result({ plan, answer, store, current }: ProofProps) {
  const { readings, put, begin } = store;
  const all = [...answer.dead, ...answer.more, ...answer.live];
  const wrong = all.filter((t) => t.right === false);
  const done = answer.dead.filter((t) => readings[t.id] !== undefined).length;
  const next = all.find((t) => t.id === answer.next);
  const suspects = answer.dangerous.length > 0 ? answer.dangerous : answer.possible;
  return (
    <section
      className={`border-l-4 pl-4 ${answer.stop ? "border-error" : "border-base-content"}`}
      role="status"
      aria-label="What the readings say"
    >
      {answer.stop ? (
        <div className="grid gap-3">
          <p className="text-error text-xl font-bold">{answer.stop}</p>
          {answer.somethingElse && answer.pairs.length > 0 && (
            <Faults title="Two things at once would explain it, for example" faults={answer.pairs.slice(0, 4)} />
          )}
          {!answer.somethingElse && (
            <Faults
              title={suspects.length === 1 ? "It may be" : "It may be one of these"}
              faults={[
                ...answer.dangerous,
                ...answer.possible.filter((p) => !answer.dangerous.some((d) => d.key === p.key)),
              ]}
            />
          )}
          {answer.somethingElse && answer.pairs.length === 0 && (
            <p>No one fault, and no two of those looked at, explain these readings. Have it looked at.</p>
          )}
          {answer.hazards.length > 0 && (
            <ul className="list-disc pl-5">
              {answer.hazards.slice(0, 4).map((h) => (
                <li key={h.text}>{h.text}</li>
              ))}
            </ul>
          )}
          <p>
            {next ? (
              <>
                Next, still dead, since it tells most: <strong>{next.says}</strong>.
              </>
            ) : (
              "No further test tells them apart: look at these places, everything pulled."
            )}
          </p>
          <div className="flex flex-wrap gap-2">
            <button type="button" className="key key-strong" onClick={begin}>
              I have mended it: prove it from the start
            </button>
            {wrong.map((t) => (
              <button key={t.id} type="button" className="key" onClick={() => put(t.id, null)}>
                I read it wrongly: again
                <span className="sr-only">: {t.says}</span>
              </button>
            ))}
          </div>
        </div>
      ) : !current ? (
        <p>Working it out …</p>
      ) : answer.pass && ready(plan, store) ? (
        <div className="grid gap-2">
          <p>
            <strong>Every test is right, and none of the dangerous faults looked at is left.</strong> That is no proof
            that it is safe. No meter here can tell:
          </p>
          <ul className="list-disc pl-5">
            {beyondTheMeter.map((what) => (
              <li key={what}>{what}</li>
            ))}
          </ul>
        </div>
      ) : (
        <Progress answer={answer} done={done} next={next} />
      )}
    </section>
  );
}

function Progress({ answer, done, next }: { answer: ProofAnswer; done: number; next: SaidTest | undefined }) {
  const allDone = next === undefined && answer.deadDone;
  return (
    <div className="grid gap-2">
      <p>
        {done === 0 ? "No reading yet." : `${done} of ${answer.dead.length} dead tests done, all right.`}{" "}
        {next && (
          <>
            Next: <strong>{next.says}</strong>, which {expects(next)}.
          </>
        )}
      </p>
      {allDone && answer.halfSupply && (
        <p>
          <strong>Both conductors of your mains are live, each at about half.</strong> The wiring is as planned, but it
          is planned for line and neutral. Set Mains to two lines, read what the plan says then, and prove it again.
        </p>
      )}
      {allDone && answer.dangerous.length > 0 && (
        <>
          <p className="font-semibold">
            It does not pass: no meter here tells these from a sound wiring. Look at the terminals named, unplugged.
          </p>
          <Faults title="Still possible, and dangerous" faults={answer.dangerous} />
        </>
      )}
      {allDone && answer.pairs.length > 0 && (
        <Faults title="Two at once that no test tells: look at these terminals, unplugged" faults={answer.pairs} />
      )}
    </div>
  );
}

const expects = ({ asks, expected }: SaidTest): string => (asks === "joined" ? expected : `has to show ${expected}`);

function Faults({ title, faults }: { title: string; faults: readonly SaidFault[] }) {
  // What is mended in the same way stands together.
  const told = faults.slice(0, TOLD);
  const mends = [...new Set(told.map((f) => f.mend))];
  return (
    <div>
      <p className="font-semibold">{title}:</p>
      <ul className="grid gap-1">
        {mends.map((mend) => (
          <li key={mend}>
            <ul className="list-disc pl-5">
              {told
                .filter((f) => f.mend === mend)
                .map((f) => (
                  <li key={f.key}>{f.is}.</li>
                ))}
            </ul>
            <span className="block pl-5 font-semibold">{mend}</span>
          </li>
        ))}
        <li className="quiet pl-5">
          {faults.length > TOLD ? `${faults.length - TOLD} more, or something else.` : "Or something else."}
        </li>
      </ul>
    </div>
  );
}
