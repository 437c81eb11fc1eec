"use client";

import { beyondTheMeter, type ProofAnswer, type SaidFault, type SaidTest, type WiringPlan } from "@/core/wiring";
import type { ProofStore } from "./proofStore";

/** So many possible faults are told by name; the rest are counted. */
const TOLD = 8;

export interface ProofProps {
  plan: WiringPlan;
  store: ProofStore;
  answer: ProofAnswer;
  /** The answer is to the readings as they stand now. */
  current: boolean;
}

/** Nothing is measured under voltage but behind residual-current protection that was tried. */
export const isReady = ({ wiring }: WiringPlan, store: ProofStore): boolean =>
  (wiring.residual === "r30" || wiring.residual === "r5") && store.done("residual");

/** What was read, in the order in which somebody has to know it: danger, what to do, where, what next. */
export function ProofResult({ plan, answer, store, current }: ProofProps) {
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
      ) : answer.pass && isReady(plan, store) ? (
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
