"use client";

import Link from "next/link";
import { useSearchParams } from "next/navigation";
import { useMemo, useState } from "react";
import { VerdictTitle } from "@/bench";
import { figuresOf, printFigure, wholeOf } from "@/bench/trial/figures";
import { Sized } from "@/bench/trial/Sized";
import { boxes, describe } from "@/core/chamber";
import { labelOf, parametersOf, printSetting } from "@/core/controller";
import type { ChamberRecord, SettingName } from "@/core/model";
import { atFirst, printTemperature, type Scale } from "@/core/quantity";
import { judgedName } from "@/core/trial";
import { CompareChart, dashOf } from "@/parts/trace";
import { useWorkshop } from "@/workshop";
import type { TrialAnswer } from "@/workers";
import { RoomHead } from "./RoomHead";
import { useVerdicts } from "@/bench/useVerdicts";

/** So many lines can still be told apart. */
const MOST = 4;

/** Chambers side by side: their settings, their figures, what is judged in them on one axis. */
export function CompareRoom() {
  const status = useWorkshop((s) => s.status);
  const records = useWorkshop((s) => s.records);
  const named = useSearchParams().getAll("c").join(" ");
  // What is chosen here stands at once; the address follows a moment later.
  const [picked, setPicked] = useState<string | null>(null);
  const asked = picked ?? named;
  const chambers = useMemo(
    () =>
      Object.values(records)
        .filter((r): r is ChamberRecord => r.kind === "chamber")
        .sort((a, b) => Number(a.demo) - Number(b.demo) || a.name.localeCompare(b.name, undefined, { numeric: true })),
    [records],
  );
  const chosen = useMemo(() => {
    const ids = asked.split(" ");
    const there = chambers.filter((c) => ids.includes(c.id));
    return there.length > 0 ? there.slice(0, MOST) : chambers.filter((c) => !c.archived).slice(0, 2);
  }, [chambers, asked]);
  if (status !== "open") return null;
  // The page is the same: what is chosen stands in its address.
  const choose = (ids: readonly string[]) => {
    setPicked(ids.join(" "));
    window.history.replaceState(null, "", `/compare?${ids.map((id) => `c=${id}`).join("&")}`);
  };
  const ids = chosen.map((c) => c.id);
  return (
    <>
      <RoomHead title="Compare chambers" />
      <main className="mx-auto grid max-w-5xl gap-6 px-4 py-6">
        {chambers.length < 2 ? (
          <p>
            There have to be two chambers before they can be compared.{" "}
            <Link href="/new" className="underline underline-offset-4">
              Make another one
            </Link>
            .
          </p>
        ) : (
          <fieldset>
            <legend className="mb-1 font-semibold">Which ones, up to {MOST}</legend>
            <div className="flex flex-wrap gap-1.5">
              {chambers.map(({ id, name }) => {
                const on = ids.includes(id);
                return (
                  <label
                    key={id}
                    className={`flex min-h-11 items-center gap-3 rounded-(--radius-field) border px-3 ${on ? "border-base-content bg-base-200" : "rule-line"}`}
                  >
                    <input
                      type="checkbox"
                      className="accent-base-content h-5 w-5"
                      checked={on}
                      disabled={on ? ids.length === 1 : ids.length === MOST}
                      onChange={() => choose(on ? ids.filter((other) => other !== id) : [...ids, id])}
                    />
                    {name}
                  </label>
                );
              })}
            </div>
          </fieldset>
        )}
        {chosen.length > 0 && <Beside chambers={chosen} />}
      </main>
    </>
  );
}

function Beside({ chambers }: { chambers: readonly ChamberRecord[] }) {
  const { preferences } = useWorkshop();
  const { scale } = preferences;
  const said = useVerdicts(chambers, preferences, scale);
  const all = chambers.map((record, i) => {
    const answer = said[record.id];
    return { record, mark: String(i + 1), answer: typeof answer === "string" ? undefined : answer, failed: answer };
  });
  const there = all.flatMap(({ record, mark, answer }) => (answer ? [{ record, mark, answer }] : []));
  const waiting = all.some(({ failed }) => failed === undefined);
  const rows = rowsOf(there, scale);
  return (
    <>
      <section className="grid gap-2" aria-label="On one axis">
        <h2 className="text-xl">What is judged, on one axis</h2>
        {waiting && (
          <p role="status" className="quiet">
            Running the trials …
          </p>
        )}
        {there.length > 0 && (
          <Sized className="h-80">
            {(width, height) => (
              <CompareChart
                lines={there.map(({ record, mark, answer }) => ({
                  mark,
                  name: record.name,
                  trace: answer.trial.trace,
                }))}
                startHour={there[0]!.answer.trial.startHour}
                scale={scale}
                width={width}
                height={height}
              />
            )}
          </Sized>
        )}
        <ul className="flex flex-wrap gap-x-6 gap-y-1">
          {all.map(({ record, mark, failed }, i) => (
            <li key={record.id} className="flex items-center gap-2">
              <svg width="34" height="10" aria-hidden>
                <path d="M0 5H34" stroke="currentColor" strokeWidth="1.5" strokeDasharray={dashOf(i)} />
              </svg>
              <strong>{mark}</strong> {record.name}
              {typeof failed === "string" && <span className="text-error">: its trial could not be run, {failed}</span>}
            </li>
          ))}
        </ul>
      </section>
      {there.length > 0 && (
        <div className="overflow-x-auto" tabIndex={0} role="group" aria-label="Settings and figures side by side">
          <table className="w-full border-collapse">
            <thead>
              <tr className="border-base-content border-b text-left align-bottom">
                <td />
                {there.map(({ record, mark }) => (
                  <th key={record.id} scope="col" className="py-1 pl-4 font-semibold">
                    {mark}.{" "}
                    <Link href={`/bench?c=${record.id}&at=settings`} className="underline underline-offset-4">
                      {record.name}
                    </Link>
                  </th>
                ))}
              </tr>
            </thead>
            {rows.map(({ head, lines }) => (
              <tbody key={head}>
                <tr>
                  <th colSpan={there.length + 1} scope="rowgroup" className="pt-4 text-left text-lg">
                    {head}
                  </th>
                </tr>
                {lines.map(({ name, cells }) => (
                  <tr key={name} className="rule-line border-b align-top">
                    <th scope="row" className="py-1 text-left font-normal">
                      {name}
                    </th>
                    {cells.map((cell, i) => (
                      <td key={there[i]!.record.id} className="py-1 pl-4">
                        {cell}
                      </td>
                    ))}
                  </tr>
                ))}
              </tbody>
            ))}
          </table>
        </div>
      )}
    </>
  );
}

type There = { record: ChamberRecord; answer: TrialAnswer };
type Row = { name: string; cells: React.ReactNode[] };

/** A dash where a chamber has no such thing. */
const NONE = "\u2013";

/** Whatever any of them has, in the order in which it is first met. */
function merged(of: readonly ReadonlyMap<string, React.ReactNode>[]): Row[] {
  const names = [...new Set(of.flatMap((m) => [...m.keys()]))];
  return names.map((name) => ({ name, cells: of.map((m) => m.get(name) ?? NONE) }));
}

function rowsOf(all: readonly There[], scale: Scale): { head: string; lines: Row[] }[] {
  const show = (t: Parameters<typeof printTemperature>[0]) => printTemperature(t, scale);
  const first = ({ answer }: There) => answer.plan.stages[0]!;
  const what = all.map((c) => {
    const { stage, controls } = first(c);
    const { settings } = controls[0]!;
    const { unit } = c.answer.plan.chamber.controllers[0]!;
    return {
      chamber: new Map<string, React.ReactNode>([
        ["Box", boxes[describe(c.record).cabinet.kind].label],
        ["Band", `${show(stage.low)} to ${show(stage.high)}`],
        ["Stages", c.answer.plan.stages.length],
        ["Worst verdict", c.answer.verdicts[0] ? <VerdictTitle verdict={c.answer.verdicts[0]} /> : NONE],
      ]),
      settings: new Map(
        parametersOf(unit).map((name: SettingName) => [
          labelOf(name, { ...unit, labels: {} }),
          printSetting(settings, name, unit, scale),
        ]),
      ),
      // Each for what fares worst in it, whatever that is called there.
      figures: new Map(
        figuresOf(wholeOf(c.answer.trial), scale, "What is judged").map((f) => [f.name, printFigure(f)]),
      ),
      judged: atFirst(judgedName(c.answer.trial.metrics.judged, c.answer.plan.chamber.vessels)),
    };
  });
  return [
    { head: "The chamber", lines: merged(what.map((w) => w.chamber)) },
    { head: "Keyed into its first unit, first stage", lines: merged(what.map((w) => w.settings)) },
    {
      head: "What its trial comes to",
      lines: [{ name: "What is judged", cells: what.map((w) => w.judged) }, ...merged(what.map((w) => w.figures))],
    },
  ];
}
