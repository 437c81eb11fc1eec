"use client";

import { CalendarPlus } from "lucide-react";
import { useState } from "react";
import { isKeying, readyWords, todoChanges, type Todo } from "@/core/trial";
import { atFirst } from "@/core/quantity";
import { download } from "@/parts/common";
import { useShownRange, useShownTrial } from "../context";
import { useMoments } from "../useMoments";
import { useTodo } from "../useTodo";
import { Otherwise } from "./Otherwise";

/** So many lines are shown at once. */
const SHOWN = 12;

/** What there is to do, moment by moment, by the trial of the program; and into the calendar with it. */
export function TodoFields() {
  const { live, of } = useShownTrial();
  const { range } = useShownRange();
  const todo = useTodo();
  const [all, setAll] = useState(false);
  // What was planned before it went otherwise.
  const [before, setBefore] = useState<Todo[] | null>(null);
  const trial = live.answer?.trial;
  const say = useMoments(trial ?? { startHour: 0 });
  if (!trial || !of) return null;
  const { startsAt } = of.chamber.program;
  const ready = range && readyWords(range);
  const missing = of.chamber.stages.length - trial.stages.length;
  const shown = all ? todo : todo.slice(0, SHOWN);
  return (
    <>
      <section className="mt-4 grid gap-2" aria-label="To be done">
        <h3 className="text-lg">To be keyed in and done</h3>
        <ol className="grid gap-2">
          {shown.map((task) => (
            <li key={task.id} className="rule-line grid gap-x-4 border-b pb-2 sm:grid-cols-[13rem_1fr]">
              <span className="font-semibold">{say(task.at)}</span>
              <span>
                <Said task={task} />
              </span>
            </li>
          ))}
        </ol>
        {todo.length > SHOWN && (
          <button type="button" className="key justify-self-start" onClick={() => setAll(!all)}>
            {all ? "Show the first ones only" : `Show all ${todo.length}`}
          </button>
        )}
        <p className="quiet max-w-prose">
          By the usual course in this trial: a reading decides, and moves what comes after it.
          {ready && ` ${atFirst(ready)}.`}
          {missing > 0 && " The trial does not come to every stage: make it longer to see the rest."}
        </p>
        <p className="mb-4 flex flex-wrap items-center gap-3">
          <button
            type="button"
            className="key"
            disabled={!startsAt}
            onClick={() =>
              // The package that writes it comes with its first use.
              void import("@/core/formats").then(({ calendarOf }) =>
                download(
                  `${of.record.name.replace(/[^\p{L}\p{N}]+/gu, "-")}.ics`,
                  calendarOf(of.record, todo, new Date(startsAt), new Date(), range),
                  "text/calendar",
                ),
              )
            }
          >
            <CalendarPlus size={18} aria-hidden /> Into the calendar
          </button>
          {!startsAt && <span className="quiet">Say first when it begins.</span>}
        </p>
      </section>
      <Otherwise onPlanned={() => setBefore(todo)} />
      {before && !live.busy && <Changes before={before} after={todo} say={say} onSeen={() => setBefore(null)} />}
    </>
  );
}

function Said({ task }: { task: Todo }) {
  if (!isKeying(task))
    return (
      <>
        {task.name}
        <span className="quiet">
          {" "}
          · {task.stageName}
          {task.waited && ", waits until somebody is there"}
        </span>
      </>
    );
  return (
    <>
      {task.stageName}
      {task.unit && `, ${task.unit}`}: {task.numbers.map(({ label, value }) => `${label} ${value}`).join(", ")}
    </>
  );
}

interface ChangesProps {
  before: Todo[];
  after: Todo[];
  say: (at: number) => string;
  onSeen: () => void;
}

/** Which dates and which numbers are others now. */
function Changes({ before, after, say, onSeen }: ChangesProps) {
  const changes = todoChanges(before, after);
  return (
    <section
      role="status"
      className="border-base-content mt-3 grid gap-2 border-l-4 pl-4"
      aria-label="What has changed"
    >
      <h3 className="text-lg">{changes.length ? "This is otherwise now" : "Nothing else changes"}</h3>
      <ul className="grid gap-1">
        {changes.map(({ kind, task, before: was }) => (
          <li key={task.id}>
            {kind === "gone" ? <s>{say(task.at)}</s> : <strong>{say(task.at)}</strong>}{" "}
            {kind === "moved" && <span className="quiet">(was {say(was!.at)}) </span>}
            {kind === "new" && <span className="quiet">(new) </span>}
            {kind === "gone" && <span className="quiet">(no longer) </span>}
            <Said task={task} />
          </li>
        ))}
      </ul>
      <p className="flex flex-wrap items-center gap-3">
        <button type="button" className="key" onClick={onSeen}>
          Understood
        </button>
        <span className="quiet">Written into the calendar again, its entries move and are not doubled.</span>
      </p>
    </section>
  );
}
