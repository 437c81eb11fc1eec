"use client";

import { CalendarPlus, Plus, X } from "lucide-react";
import { useMemo } from "react";
import { localSeconds } from "@/core/program";
import type { Edit, Program } from "@/core/model";
import { printMoment } from "@/core/quantity";
import { keyingTasks } from "@/core/trial";
import { download, Fold } from "@/parts/common";
import { clockKind, DateField, NumberField, plainKind } from "@/parts/fields";
import { useActions, useChamber, usePreferences, useShownTrial } from "../context";
import { ToggleField } from "../ToggleField";
import { ValueField } from "../ValueField";

const DAY = 86_400;
const days = plainKind("days", 0.5, DAY);

/** When a program begins, who is there, and what has to be keyed in by hand on which day. */
export function ProgramFields() {
  const { chamber } = useChamber();
  const { apply } = useActions();
  const { program } = chamber;
  const put = (field: keyof Program, value: unknown, label: string) =>
    apply([{ section: "program", field, value } as Edit], label);
  const putAway = (away: Program["away"], label = "days away") => put("away", away, label);
  return (
    <Fold summary="When it begins, who is there, and what is to be done by hand" open>
      <div className="grid grid-cols-[repeat(auto-fill,minmax(min(13.5rem,100%),1fr))] gap-x-6 gap-y-2">
        <DateField
          label="It begins"
          value={program.startsAt.slice(0, 16)}
          hint="With it days become dates."
          onCommit={(value) => put("startsAt", value, "its beginning")}
        />
        <ValueField
          at={{ section: "program", field: "attendedFrom" }}
          label="Somebody is there from"
          kind={clockKind}
          value={program.attendedFrom}
        />
        <ValueField
          at={{ section: "program", field: "attendedTo" }}
          label="… until"
          kind={clockKind}
          value={program.attendedTo}
          hint="The same hour twice: at any time."
        />
        <ToggleField
          at={{ section: "program", field: "byHand" }}
          label="Settings are keyed in by hand"
          value={program.byHand}
          hint="Then a stage begins when somebody is there."
        />
      </div>
      <ul className="mt-2 grid gap-2" aria-label="Days away">
        {program.away.map((span, i) => (
          <li key={i} className="flex flex-wrap items-start gap-3">
            <div className="w-44">
              <NumberField
                label={`Away ${i + 1}: from`}
                kind={days}
                value={span.from}
                onCommit={(from) => putAway(program.away.map((s, k) => (k === i ? { ...s, from } : s)))}
              />
            </div>
            <div className="w-44">
              <NumberField
                label={`Away ${i + 1}: until`}
                kind={days}
                value={span.to}
                hint="Counted from the beginning."
                onCommit={(to) => putAway(program.away.map((s, k) => (k === i ? { ...s, to } : s)))}
              />
            </div>
            <button
              type="button"
              className="key mt-7 px-2"
              onClick={() => putAway(program.away.filter((_, k) => k !== i))}
            >
              <X size={16} aria-hidden /> Remove<span className="sr-only"> away {i + 1}</span>
            </button>
          </li>
        ))}
      </ul>
      {program.away.length < 20 && (
        <button
          type="button"
          className="key mt-2"
          onClick={() => {
            const from = program.away.at(-1)?.to ?? 2 * DAY;
            putAway([...program.away, { from, to: from + 2 * DAY }]);
          }}
        >
          <Plus size={16} aria-hidden /> Days on which nobody is there
        </button>
      )}
      <Tasks />
    </Fold>
  );
}

const dates = new Intl.DateTimeFormat(undefined, {
  weekday: "short",
  day: "numeric",
  month: "short",
  hour: "2-digit",
  minute: "2-digit",
  timeZone: "UTC",
});

/** What is to be keyed in, moment by moment, by the trial of the program. */
function Tasks() {
  const { live, of } = useShownTrial();
  const { scale } = usePreferences();
  const { trial, plan } = live.answer ?? {};
  const tasks = useMemo(() => (trial && plan ? keyingTasks(plan, trial, scale) : []), [trial, plan, scale]);
  if (!trial || !of) return null;
  const { startsAt } = of.chamber.program;
  const when = (s: number) =>
    startsAt ? dates.format((localSeconds(startsAt) + s) * 1000) : printMoment(s, trial.startHour);
  const missing = of.chamber.stages.length - new Set(tasks.map((t) => t.stage)).size;
  return (
    <section className="mt-4 grid gap-2" aria-label="To be keyed in">
      <h3 className="text-lg">To be keyed in</h3>
      <ol className="grid gap-2">
        {tasks.map((task) => (
          <li key={task.id} className="rule-line grid gap-x-4 border-b pb-2 sm:grid-cols-[13rem_1fr]">
            <span className="font-semibold">{when(task.at)}</span>
            <span>
              {task.stageName}
              {task.unit && `, ${task.unit}`}: {task.numbers.map(({ label, value }) => `${label} ${value}`).join(", ")}
            </span>
          </li>
        ))}
      </ol>
      <p className="quiet max-w-prose">
        By the usual course in this trial: a reading decides, and moves what comes after it.
        {missing > 0 && " The trial does not come to every stage: make it longer to see the rest."}
      </p>
      <p className="flex flex-wrap items-center gap-3">
        <button
          type="button"
          className="key"
          disabled={!startsAt}
          onClick={() =>
            // The package that writes it comes with its first use.
            void import("@/core/formats").then(({ calendarOf }) =>
              download(
                `${of.record.name.replace(/[^\p{L}\p{N}]+/gu, "-")}.ics`,
                calendarOf(of.record, tasks, new Date(startsAt), new Date()),
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
  );
}
