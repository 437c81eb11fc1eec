"use client";

import { Undo2 } from "lucide-react";
import { useEffect, useState } from "react";
import type { ChamberRecord, Edit } from "@/core/model";
import { beginsAt, localSeconds, stageName } from "@/core/program";
import type { BackPlanned } from "@/core/trial";
import { DateField } from "@/parts/fields";
import { pool, whyLost } from "@/workers";
import { useActions, useChamber } from "../context";
import { sayDate } from "../useMoments";
import { GentlestKey } from "./GentlestKey";

/** Now, as a local moment. */
const localNow = (): number => Date.now() / 1000 - new Date().getTimezoneOffset() * 60;

/** What a plan hangs on: taking it moves the beginning and the days away, and leaves it as it is. */
const planned = ({ revision: _r, updatedAt: _u, settled: _s, program, ...rest }: ChamberRecord): string => {
  const { startsAt: _b, away: _a, ...others } = program;
  return JSON.stringify([rest, others]);
};

type Answer = BackPlanned | { ok: false; problem: string };

/** From a finish date back to the beginning from which it is ready in nine of ten cases. */
export function BackPlan() {
  const { record, chamber } = useChamber();
  const { apply } = useActions();
  const { finishBy } = chamber.program;
  const [asked, setAsked] = useState<{ of: ChamberRecord; left: AbortController } | null>(null);
  const [answer, setAnswer] = useState<{ of: ChamberRecord; found: Answer; now: number } | null>(null);
  useEffect(() => () => asked?.left.abort(), [asked]);
  const plan = () => {
    const left = new AbortController();
    setAsked({ of: record, left });
    setAnswer(null);
    void pool
      .run("planBack", { record, finishBy }, { signal: left.signal })
      .catch((error: unknown): Answer => ({ ok: false, problem: `It could not be worked out: ${whyLost(error)}.` }))
      .then((found) => {
        if (left.signal.aborted) return;
        setAnswer({ of: record, found, now: localNow() });
        setAsked(null);
      });
  };
  const running = asked !== null;
  const old = answer !== null && planned(answer.of) !== planned(record);
  return (
    <section className="mt-4 grid gap-2" aria-label="Planned backwards">
      <div className="flex flex-wrap items-start gap-3">
        <div className="w-56">
          <DateField
            label="To be ready by"
            value={finishBy.slice(0, 16)}
            hint="Empty: whenever it is."
            onCommit={(value) => apply([{ section: "program", field: "finishBy", value }], "when it is to be ready")}
          />
        </div>
        {running ? (
          <button
            type="button"
            className="key mt-7"
            onClick={() => {
              asked.left.abort();
              setAsked(null);
            }}
          >
            Stop
          </button>
        ) : (
          <button type="button" className="key mt-7" disabled={!finishBy} onClick={plan}>
            <Undo2 size={18} aria-hidden /> Plan backwards from there
          </button>
        )}
        {running && (
          <p role="status" className="mt-9">
            Running its slow case …
          </p>
        )}
      </div>
      {answer && !old && !answer.found.ok && (
        <p role="alert" className="text-error font-semibold">
          {answer.found.problem}
        </p>
      )}
      {old && <p className="quiet">Something has changed since. Plan again.</p>}
      <GentlestKey />
      {answer?.found.ok && !old && <Found found={answer.found} now={answer.now} />}
    </section>
  );
}

function Found({ found: { plan }, now }: { found: Extract<BackPlanned, { ok: true }>; now: number }) {
  const { chamber } = useChamber();
  const { apply } = useActions();
  const { finishBy, startsAt } = chamber.program;
  const begins = localSeconds(plan.startsAt);
  const late = begins - now;
  const past = late < 0;
  const taken = startsAt.slice(0, 16) === plan.startsAt;
  const edits: Edit[] = beginsAt(chamber.program, plan.startsAt);
  return (
    <div className="border-base-content grid gap-2 border-l-4 pl-4" role="region" aria-label="The plan">
      <p className="text-lg">
        Begin on <strong>{sayDate(begins)}</strong>: it is ready by {sayDate(localSeconds(finishBy))}
        {plan.spread ? " in nine of ten cases" : ""}, usually on {sayDate(begins + plan.usualDone)}.
      </p>
      <table className="max-w-2xl text-left">
        <thead>
          <tr className="rule-line border-b">
            <th className="py-1 pr-4">Stage</th>
            <th className="py-1 pr-4">usually ends</th>
            <th className="py-1">{plan.spread ? "nine of ten by" : "ends"}</th>
          </tr>
        </thead>
        <tbody>
          {plan.late.map((span, i) => (
            <tr key={span.id} className="rule-line border-b">
              <td className="py-1 pr-4 font-semibold">{stageName(chamber.stages, span.id)}</td>
              <td className="py-1 pr-4">{plan.usual[i]?.ended ? sayDate(begins + plan.usual[i].to) : "goes on"}</td>
              <td className="py-1">{span.ended ? sayDate(begins + span.to) : "goes on"}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {past && (
        <p role="alert" className="text-error font-semibold">
          That moment has passed. Begun now it would be ready in nine of ten cases by {sayDate(now + plan.lateDone)}:
          take that for the finish, or a quicker stage.
        </p>
      )}
      <p className="flex flex-wrap items-center gap-3">
        <button type="button" className="key key-strong" disabled={taken} onClick={() => apply(edits, "its beginning")}>
          {taken ? "It begins then" : "Begin then"}
        </button>
        <span className="quiet max-w-prose">
          Stages and bands stay as they are; days away stay on their dates. The spread is an estimate: a reading
          decides.
        </span>
      </p>
    </div>
  );
}
