"use client";

import { Printer } from "lucide-react";
import { useSearchParams } from "next/navigation";
import { useMemo, type ReactNode } from "react";
import { describe } from "@/core/chamber";
import type { ChamberRecord } from "@/core/model";
import { measures, printMeasure } from "@/core/quantity";
import {
  airInside,
  colourOf,
  cordFor,
  cordSource,
  endsOf,
  lengthsOf,
  namesOf,
  orderOfWork,
  predict,
  sayExpected,
  sayTerminal,
  soundIntervals,
  wiresOf,
  wiringFindings,
  wiringPlanOf,
} from "@/core/wiring";
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
  const predicted = useMemo(() => (chamber.wiring.ownWork ? predict(plan) : null), [chamber, plan]);
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
                {f.text} {f.mend}
              </li>
            ))}
          </ul>
        )}
        {!chamber.wiring.ownWork && (
          <p className="max-w-prose">
            A ready-made unit switches it: there is nothing to wire. The station Wiring says what its outlets have to
            carry.
          </p>
        )}
        {predicted && (
          <>
            <Part title="Ladder">
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
                      {["Done", "From", "To", "Colour", "Length", "Ends"].map((head) => (
                        <th key={head} className="py-1 pr-3">
                          {head}
                        </th>
                      ))}
                    </tr>
                  </thead>
                  <tbody>
                    {wiresOf(plan).map((wire) => (
                      <tr key={wire.id} className="rule-line break-inside-avoid border-b">
                        <td className="pr-3">{"\u2610"}</td>
                        <td className="pr-3">{sayTerminal(wire.from, plan)}</td>
                        <td className="pr-3">{sayTerminal(wire.to, plan)}</td>
                        <td className="pr-3">{colourOf(wire, chamber.wiring)}</td>
                        <td className="pr-3 whitespace-nowrap">
                          {printMeasure(Math.ceil(lengths[wire.id]! * 100) / 100, measures.length, system)}
                        </td>
                        <td>
                          {endsOf(wire.from)}, {endsOf(wire.to)}
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
            <Part title="Proof by meter" page>
              <p className="max-w-prose">
                Dead: {plan.wiring.laid === "cord" ? "every plug pulled" : "the circuit off and proved dead"}, main
                switch on. Live: shut, under a 60 W lamp, at the outlets alone. A pass says nothing of insulation or of
                the quality of the earth, and never that it is safe.
              </p>
              <table className="w-full text-left text-[0.875rem]">
                <tbody>
                  {predicted.tests.map((test, i) => (
                    <tr key={test.id} className="rule-line break-inside-avoid border-b">
                      <td className="py-0.5 pr-3">{test.live ? "live" : "dead"}</td>
                      <td className="pr-3">{test.says}</td>
                      <td className="pr-3 font-semibold">{sayExpected(test, soundIntervals(predicted, i))}</td>
                      <td className="rule-line w-20 border-b" aria-label="read" />
                    </tr>
                  ))}
                </tbody>
              </table>
            </Part>
            <Part title="Labels, to stick on" page>
              <WiringLabels plan={plan} name={record.name} />
            </Part>
          </>
        )}
      </main>
    </>
  );
}
