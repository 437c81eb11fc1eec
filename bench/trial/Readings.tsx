"use client";

import { Plus, X } from "lucide-react";
import { useMemo, useState } from "react";
import { dropReading, freshId, putReading } from "@/core/chamber";
import type { Chamber, Edit, Reading } from "@/core/model";
import { localMoment, localSeconds } from "@/core/program";
import { modelOf, printFigure, type ProductObservable } from "@/core/product";
import { atFirst, printNumber } from "@/core/quantity";
import { judgedName, paceBy, readAgainst, type FigureRange, type Trial } from "@/core/trial";
import { Fold } from "@/parts/common";
import { DateField, NumberField, plainKind, Select } from "@/parts/fields";
import { useActions, useChamber, usePreferences } from "../context";
import { figureKind } from "../figureKind";
import { useMoments } from "../useMoments";

const hours = plainKind("h", 1, 3600);
/** Nearer to the usual course than this, a pace is the usual one. */
const SAME = 0.05;

interface Choice {
  key: string;
  vessel: string;
  figure: ProductObservable;
  label: string;
}

const choicesOf = ({ vessels }: Chamber): Choice[] =>
  vessels.flatMap(({ id, product }) =>
    modelOf(product)
      .observables.filter((o) => !o.speaks || o.speaks(product))
      .map((figure) => ({
        key: `${id} ${figure.name}`,
        vessel: id,
        figure,
        label: vessels.length > 1 ? `${atFirst(judgedName(id, vessels))}: ${figure.label}` : atFirst(figure.label),
      })),
  );

/** What has been read of the products, typed beside their course; and what it says of the course. */
export function Readings({
  trial,
  chamber,
  spreads,
}: {
  trial: Trial;
  chamber: Chamber;
  spreads: readonly FigureRange[];
}) {
  const { record } = useChamber();
  const { change } = useActions();
  const choices = choicesOf(chamber);
  const [key, setKey] = useState("");
  const chosen = choices.find((c) => c.key === key) ?? choices[0];
  const begins = chamber.program.startsAt ? localSeconds(chamber.program.startsAt) : null;
  const [at, setAt] = useState(Math.round((trial.days * 86_400) / 4 / 3600) * 3600);
  const { scale } = usePreferences();
  const own = record.readings.filter((r) => choices.some((c) => c.vessel === r.vessel && c.figure.name === r.name));
  if (!chosen) return null;
  const { figure, vessel } = chosen;
  return (
    <Fold summary={own.length ? `Readings (${own.length})` : "A reading beside it"} open={own.length > 0}>
      <div className="flex flex-wrap items-start gap-x-6 gap-y-2">
        <div className="w-64">
          <Select
            label="What was read"
            value={chosen.key}
            options={choices.map((c) => ({ value: c.key, label: c.label }))}
            onChoose={setKey}
          />
        </div>
        <div className="w-56">
          {begins === null ? (
            <NumberField
              label="When, from the beginning"
              kind={hours}
              value={at}
              onCommit={(value) => {
                if (value < 0) return "It cannot lie before the beginning.";
                setAt(value);
                return null;
              }}
            />
          ) : (
            <DateField
              label="When"
              value={localMoment(begins + at)}
              onCommit={(value) => {
                const moment = value ? localSeconds(value) - begins : -1;
                if (moment < 0) return "It cannot lie before the beginning.";
                setAt(moment);
                return null;
              }}
            />
          )}
        </div>
        <NewReading
          key={chosen.key}
          label={`Its ${figure.label}`}
          figure={figure}
          onPut={(value) =>
            change(
              putReading({ id: freshId(record.readings, "r"), vessel, name: figure.name, at, value }),
              `reading of ${figure.label}`,
            )
          }
        />
      </div>
      <ul className="mt-3 grid gap-2" aria-label="Readings">
        {own.map((reading) => (
          <ReadingLine
            key={reading.id}
            reading={reading}
            trial={trial}
            chamber={chamber}
            choice={choices.find((c) => c.vessel === reading.vessel && c.figure.name === reading.name)!}
            spreads={spreads}
            newest={own.findLast((r) => r.vessel === reading.vessel)?.id === reading.id}
            scale={scale}
          />
        ))}
      </ul>
    </Fold>
  );
}

interface NewProps {
  label: string;
  figure: ProductObservable;
  onPut: (value: number) => ReturnType<ReturnType<typeof useActions>["change"]>;
}

function NewReading({ label, figure, onPut }: NewProps) {
  const { scale } = usePreferences();
  const [value, setValue] = useState(figure.unit === "" ? 1 : 0);
  return (
    <>
      <div className="w-48">
        <NumberField
          label={label}
          kind={figureKind(figure.unit, scale)}
          value={value}
          onCommit={(next) => {
            setValue(next);
            return null;
          }}
        />
      </div>
      <button type="button" className="key mt-7" onClick={() => onPut(value)}>
        <Plus size={16} aria-hidden /> Put it beside the course
      </button>
    </>
  );
}

interface LineProps {
  reading: Reading;
  trial: Trial;
  chamber: Chamber;
  choice: Choice;
  spreads: readonly FigureRange[];
  /** The last reading of its vessel: the one that says at what pace it goes. */
  newest: boolean;
  scale: "C" | "F";
}

/** One reading with what the course says, and the pace that would go through it. */
function ReadingLine({ reading, trial, chamber, choice, spreads, newest, scale }: LineProps) {
  const { apply, change } = useActions();
  const say = useMoments(trial);
  const { figure } = choice;
  const print = (v: number) => printFigure(v, figure.unit, scale);
  const against = useMemo(() => readAgainst(chamber, trial, spreads, reading), [chamber, trial, spreads, reading]);
  const share = useMemo(() => (newest ? paceBy(chamber, trial, reading) : null), [chamber, trial, reading, newest]);
  const { product } = chamber.vessels.find((v) => v.id === reading.vessel)!;
  const within = against && reading.value >= against.low && reading.value <= against.high;
  const pace = share === null ? null : product.pace * share;
  const worth = pace !== null && Math.abs(share! - 1) > SAME && pace >= 0.2 && pace <= 5;
  return (
    <li className="rule-line flex flex-wrap items-center gap-x-4 gap-y-1 border-b pb-2">
      <span className="font-semibold">{say(reading.at)}</span>
      <span>
        {choice.label} {print(reading.value)}
        {against && spreads.length === 0 && (
          <span className="quiet">
            ; by the course {print(against.usual)}; how far it may lie off is being worked out
          </span>
        )}
        {against && spreads.length > 0 && (
          <span className="quiet">
            ; by the course {print(against.usual)}, {within ? "within" : "outside of"} what nine of ten would be (
            {print(against.low)} to {print(against.high)})
          </span>
        )}
        {!against && <span className="quiet">; the trial does not come to it</span>}
      </span>
      {worth && (
        <button
          type="button"
          className="key"
          onClick={() =>
            apply(
              [{ section: "product", field: "pace", id: reading.vessel, value: Number(pace.toFixed(2)) } as Edit],
              "pace by a reading",
            )
          }
        >
          By it: {printNumber(pace, 0.01)} times the usual pace. Take that
        </button>
      )}
      <button type="button" className="key px-2" onClick={() => change(dropReading(reading.id), "reading out")}>
        <X size={16} aria-hidden />
        <span className="sr-only">Take the reading of {say(reading.at)} out</span>
      </button>
    </li>
  );
}
