"use client";

import { Plus, X } from "lucide-react";
import type { Edit, Program } from "@/core/model";
import { beginsAt, localMoment, localSeconds } from "@/core/program";
import { Fold } from "@/parts/common";
import { clockKind, DateField, NumberField, plainKind } from "@/parts/fields";
import { useActions, useChamber } from "../context";
import { ToggleField } from "../ToggleField";
import { ValueField } from "../ValueField";
import { BackPlan } from "./BackPlan";
import { TodoFields } from "./TodoFields";

const DAY = 86_400;
const days = plainKind("days", 0.5, DAY);

/** When a program begins or is to be ready, who is there, and what has to be done by hand on which day. */
export function ProgramFields() {
  const { chamber } = useChamber();
  const { apply } = useActions();
  const { program } = chamber;
  return (
    <Fold summary="When it begins, who is there, and what is to be done by hand" open>
      <div className="grid grid-cols-[repeat(auto-fill,minmax(min(13.5rem,100%),1fr))] gap-x-6 gap-y-2">
        <DateField
          label="It begins"
          value={program.startsAt.slice(0, 16)}
          hint="With it days become dates."
          onCommit={(value) => apply(beginsAt(program, value), "its beginning")}
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
      <AwayFields />
      <BackPlan />
      <TodoFields />
    </Fold>
  );
}

/** Days on which nobody is there: as dates once the beginning is known, as days of the program before. */
function AwayFields() {
  const { chamber } = useChamber();
  const { apply } = useActions();
  const { startsAt, away } = chamber.program;
  const begins = startsAt ? localSeconds(startsAt) : null;
  const put = (next: Program["away"], label = "days away") =>
    apply([{ section: "program", field: "away", value: next } as Edit], label);
  // Those who leave later come back later: the days away stay as many.
  const move = (i: number, end: "from" | "to", at: number) =>
    put(
      away.map((s, k) => {
        if (k !== i) return s;
        const next = Math.max(0, at);
        if (end === "to") return { ...s, to: next };
        return { from: next, to: next >= s.to ? next + (s.to - s.from) : s.to };
      }),
    );
  const field = (i: number, end: "from" | "to") => {
    const at = away[i]![end];
    const label = `Away ${i + 1}: ${end === "from" ? "from" : "until"}`;
    if (begins === null)
      return (
        <NumberField
          label={label}
          kind={days}
          value={at}
          hint={end === "to" ? "Counted from the beginning." : undefined}
          onCommit={(value) => move(i, end, value)}
        />
      );
    return (
      <DateField
        label={label}
        value={localMoment(begins + at)}
        onCommit={(value) => (value ? move(i, end, localSeconds(value) - begins) : "Say a date and its hour.")}
      />
    );
  };
  return (
    <>
      <ul className="mt-2 grid gap-2" aria-label="Days away">
        {away.map((_, i) => (
          <li key={i} className="flex flex-wrap items-start gap-3">
            <div className="w-56">{field(i, "from")}</div>
            <div className="w-56">{field(i, "to")}</div>
            <button type="button" className="key mt-7 px-2" onClick={() => put(away.filter((_s, k) => k !== i))}>
              <X size={16} aria-hidden /> Remove<span className="sr-only"> away {i + 1}</span>
            </button>
          </li>
        ))}
      </ul>
      {away.length < 20 && (
        <button
          type="button"
          className="key mt-2"
          onClick={() => {
            const from = away.at(-1)?.to ?? 2 * DAY;
            put([...away, { from, to: from + 2 * DAY }]);
          }}
        >
          <Plus size={16} aria-hidden /> Days on which nobody is there
        </button>
      )}
    </>
  );
}
