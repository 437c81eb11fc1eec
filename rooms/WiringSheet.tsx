"use client";

import { Printer } from "lucide-react";
import { useSearchParams } from "next/navigation";
import { useMemo, type ReactNode } from "react";
import { describe } from "@/core/chamber";
import type { ChamberRecord } from "@/core/model";
import { measures, printMeasure } from "@/core/quantity";
import {
  airInside,
  beyondTheMeter,
  checkedList,
  colourOf,
  cordFor,
  cordSource,
  lengthsOf,
  namesOf,
  netlistOf,
  neverHere,
  orderOfWork,
  proveAgain,
  sayMarked,
  stopWords,
  uncheckedList,
  wiringFindings,
  wiringPlanOf,
  type SaidTest,
} from "@/core/wiring";
import { useProof } from "@/bench/useWiring";
import { Enclosure, Ladder } from "@/parts/wiring";
import { useWorkshop } from "@/workshop";
import { NoChamber } from "./NoChamber";
import { RoomHead } from "./RoomHead";
import { WiringLabels } from "./WiringLabels";

/** The wiring of a chamber on paper; the address names the chamber. */
export function WiringRoom() {
  const id = useSearchParams().get("c") ?? "";
  const record = useWorkshop((s) => s.records[id]);
  const status = useWorkshop((s) => s.status);
  if (status !== "open") return null;
  if (record?.kind !== "chamber") return <NoChamber />;
  return <Sheet record={record} />;
}

const none = () => undefined;
const nothingRead = {};
const severityNames = { danger: "Danger", warning: "Warning", note: "Note" } as const;

function Part({ title, children, page = false }: { title: string; children: ReactNode; page?: boolean }) {
  return (
    <section className={`grid gap-2 ${page ? "print:break-before-page" : ""}`} aria-label={title}>
      <h2 className="text-xl">{title}</h2>
      {children}
    </section>
  );
}

function Sheet({ record }: { record: ChamberRecord }) {
  const { system } = useWorkshop((s) => s.preferences);
  const chamber = useMemo(() => describe(record), [record]);
  const asked = Number(useSearchParams().get("u") ?? 0);
  const unit = Number.isInteger(asked) && asked >= 0 && asked < chamber.controllers.length ? asked : 0;
  const plan = useMemo(() => wiringPlanOf(chamber, unit, namesOf(record, unit)), [chamber, unit, record]);
  const own = chamber.wiring.ownWork;
  const net = netlistOf(plan);
  const { answer } = useProof(plan, nothingRead);
  const { faces, ways } = neverHere(chamber);
  const lengths = useMemo(() => lengthsOf(plan), [plan]);
  const findings = wiringFindings(plan, chamber);
  const cord = cordFor(plan, Math.ceil(airInside(plan, chamber)));
  return (
    <>
      <RoomHead title="Wiring on paper" back={`/bench?c=${record.id}&at=wiring`} of={record.id}>
        <button type="button" className="key" onClick={() => window.print()}>
          <Printer size={18} aria-hidden /> Print
        </button>
      </RoomHead>
      <main className="mx-auto grid max-w-5xl gap-6 px-4 py-6 md:px-8 print:p-0">
        <p className="text-xl">
          {record.name}
          {chamber.controllers.length > 1 && `, unit ${unit + 1}`}
        </p>
        <p className="max-w-prose">
          <strong>Local code and a licensed electrician decide; nothing here does.</strong>
        </p>
        {findings.length > 0 && (
          <ul className="grid max-w-prose gap-1">
            {findings.map((f) => (
              <li key={f.id}>
                <strong>{severityNames[f.severity]}:</strong> {f.text} {f.mend}
              </li>
            ))}
          </ul>
        )}
        <p className="max-w-prose text-[0.875rem]">
          {checkedList} {uncheckedList}
        </p>
        {!own && (
          <p className="max-w-prose">
            A ready-made unit switches it: there is nothing to wire. The station Wiring says what its outlets have to
            carry.
          </p>
        )}
        {own && (
          <>
            <Part title="Ladder" page>
              <div className="overflow-x-auto" tabIndex={0} role="group" aria-label="The ladder, moved sideways">
                <Ladder plan={plan} picked={null} onPick={none} />
              </div>
            </Part>
            <Part title="Inside of the enclosure, to scale" page>
              <div className="overflow-x-auto" tabIndex={0} role="group" aria-label="The enclosure, moved sideways">
                <Enclosure plan={plan} picked={null} onPick={none} system={system} />
              </div>
            </Part>
            <Part title={`Conductors${cord ? `, ${cord.name} (${cordSource(plan)})` : ""}`} page>
              <div className="overflow-x-auto">
                <table className="w-full text-left text-[0.875rem]">
                  <thead>
                    <tr className="rule-line border-b">
                      {["Laid", "No.", "From", "To", "Colour", "Length", "Ends"].map((head) => (
                        <th key={head} className="py-1 pr-3">
                          {head}
                        </th>
                      ))}
                    </tr>
                  </thead>
                  <tbody>
                    {net.wires.map((wire) => (
                      <tr key={wire.id} className="rule-line break-inside-avoid border-b">
                        <td className="pr-3">{"\u2610"}</td>
                        <td className="pr-3 font-semibold">{wire.number}</td>
                        <td className="pr-3">{sayMarked(wire.from, net)}</td>
                        <td className="pr-3">{sayMarked(wire.to, net)}</td>
                        <td className="pr-3">{colourOf(wire, chamber.wiring)}</td>
                        <td className="pr-3 whitespace-nowrap">
                          {printMeasure(Math.ceil(lengths[wire.id]! * 100) / 100, measures.length, system)}
                        </td>
                        <td>
                          {net.pins.get(wire.from)!.end}, {net.pins.get(wire.to)!.end}
                        </td>
                      </tr>
                    ))}
                  </tbody>
                </table>
              </div>
            </Part>
            <Part title="Order of the work" page>
              <ol className="grid max-w-prose gap-1 text-[0.9375rem]">
                {orderOfWork(plan).map(({ id, says, tools, stop }) => (
                  <li key={id} className={stop ? "font-semibold" : ""}>
                    {"\u2610"} {says}
                    {tools && <span className="quiet"> ({tools})</span>}
                  </li>
                ))}
              </ol>
            </Part>
            <Part title="Dead proof" page>
              <p className="max-w-prose font-semibold">
                {"\u2610"} The meter was tried on something known, before and after. {"\u2610"}{" "}
                {chamber.wiring.laid === "cord"
                  ? "Every plug is pulled."
                  : "The circuit is off, locked and proved dead."}{" "}
                {"\u2610"} Nothing is in the outlets; main switch on; no jumper anywhere.
              </p>
              <p className="max-w-prose">
                Lid off, meter on ohms, its leads&#8217; own ohms taken off. The first reading that is wrong:{" "}
                <strong>{stopWords(plan, false)}</strong> Mend it, and begin again with the first test. No voltage
                before every line is right.
              </p>
              {answer ? <Lines tests={answer.dead} from={0} /> : <p>Working the tests out …</p>}
            </Part>
            <Part title="Live proof" page>
              <p className="max-w-prose">
                <strong>Only after every dead test was right, and only by somebody who may.</strong> Lid shut, behind a
                residual-current device whose button tripped, with a filament lamp of 25 to 60 W for these mains in the
                outlet, at the outlets alone.
              </p>
              <p className="max-w-prose">
                {"\u2610"} Residual-current device: ______ mA, its button tripped. The first reading that is wrong:{" "}
                <strong>{stopWords(plan, true)}</strong>
              </p>
              {answer && <Lines tests={answer.live} from={answer.dead.length} />}
              <p className="max-w-prose">No meter here can tell: {beyondTheMeter.join("; ")}.</p>
            </Part>
            <Part title="What must be proved again" page>
              <ul className="grid max-w-prose gap-1">
                {proveAgain.map(({ after, what }) => (
                  <li key={after}>
                    After {after}: <strong>{what}</strong>.
                  </li>
                ))}
              </ul>
            </Part>
            {faces.length > 0 && (
              <Part title="Where no hole goes">
                <p className="max-w-prose">
                  No face of the cabinet is known to be free. A pierced pipe lets out the refrigerant, which mostly
                  burns.
                </p>
                <ul className="grid max-w-prose gap-1">
                  {faces.map(({ face, hides }) => (
                    <li key={face}>
                      <strong>{face}, never:</strong> {hides}.
                    </li>
                  ))}
                </ul>
                <p className="max-w-prose">Ways that need no hole: {ways.join("; ")}.</p>
              </Part>
            )}
            <Part title="Labels, to stick on" page>
              <WiringLabels plan={plan} name={record.name} />
            </Part>
          </>
        )}
      </main>
    </>
  );
}

/** Tests with a line for what was read. */
function Lines({ tests, from }: { tests: readonly SaidTest[]; from: number }) {
  return (
    <table className="w-full text-left text-[0.875rem]">
      <thead>
        <tr className="rule-line border-b">
          {["No.", "Between", "Has to show", "Read"].map((head) => (
            <th key={head} className="py-1 pr-3">
              {head}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {tests.map((test, i) => (
          <tr key={test.id} className="rule-line break-inside-avoid border-b">
            <td className="py-1 pr-3 font-semibold">{from + i + 1}</td>
            <td className="pr-3">{test.says}</td>
            <td className="pr-3 font-semibold">{test.expected}</td>
            <td className="rule-line w-24 border-b" aria-label="read" />
          </tr>
        ))}
      </tbody>
    </table>
  );
}
