"use client";

import { Printer } from "lucide-react";
import Link from "next/link";
import { useMemo, useState } from "react";
import { unitKindTable } from "@/core/controller";
import { mainsKinds, type Edit, type Wiring } from "@/core/model";
import { cautionsAt } from "@/core/safety";
import {
  airInside,
  checkedList,
  layoutOf,
  mainsTable,
  namesOf,
  uncheckedList,
  wiringFindings,
  wiringPlanOf,
  type WiringPlan,
} from "@/core/wiring";
import { Cautions, Fold } from "@/parts/common";
import { Choice, plainKind, Select } from "@/parts/fields";
import { useActions, useChamber, usePreferences } from "../context";
import { Fields } from "../Fields";
import { ToggleField } from "../ToggleField";
import { ValueField } from "../ValueField";
import * as choices from "./wiring/choices";
import { Consequences } from "./wiring/Consequences";
import { HowWired } from "./wiring/HowWired";
import { MeterProof } from "./wiring/MeterProof";
import { OrderOfWork } from "./wiring/OrderOfWork";
import { TerminalNames } from "./wiring/TerminalNames";
import { WireList } from "./wiring/WireList";
import { Enclosure, Ladder } from "@/parts/wiring";

const amps = plainKind("A", 1);
const severityNames = { danger: "Danger", warning: "Warning", note: "Note" } as const;

/** How heat and cold are switched: ready-made, or wired by oneself with its list, its drawing and its proof by meter. */
export function WiringStation() {
  const { chamber, record } = useChamber();
  const { apply } = useActions();
  const { system } = usePreferences();
  const { wiring } = chamber;
  const [unit, setUnit] = useState(0);
  const which = Math.min(unit, chamber.controllers.length - 1);
  // The same plan stays the same: what is worked out of it is not done anew at each reading that is typed.
  const key = JSON.stringify(wiringPlanOf(chamber, which, namesOf(record, which)));
  const plan = useMemo(() => JSON.parse(key) as WiringPlan, [key]);
  const findings = useMemo(() => wiringFindings(plan, chamber), [plan, chamber]);
  const [picked, setPicked] = useState<string | null>(null);
  const pick = (id: string) => setPicked(picked === id ? null : id);
  const set = (field: keyof Wiring, value: unknown, label: string) =>
    apply([{ section: "wiring", field, value } as Edit], label);
  const number = (
    field: "breaker" | "outletAmps" | "outletMotorAmps" | "relayAmps" | "relayMotorAmps" | "heatAmps" | "coldAmps",
    label: string,
    hint?: string,
  ) => <ValueField at={{ section: "wiring", field }} label={label} kind={amps} value={wiring[field]} hint={hint} />;
  return (
    <>
      <p className="max-w-prose">
        <strong>Local code and a licensed electrician decide; nothing here does.</strong> A ready-made unit with its
        outlets does all of this: then only its load is looked at.
      </p>
      {chamber.controllers.length > 1 && (
        <Choice
          label="Which unit"
          value={String(plan.unit)}
          options={chamber.controllers.map((c, i) => ({
            value: String(i),
            label: c.unit.name || `Unit ${i + 1}: ${unitKindTable[c.unit.kind].label.toLowerCase()}`,
          }))}
          onChoose={(value) => setUnit(Number(value))}
        />
      )}
      <ToggleField
        at={{ section: "wiring", field: "ownWork" }}
        label="I wire it myself"
        value={wiring.ownWork}
        hint="Then every wire is listed, drawn and proved by meter."
      />
      <Fields title="What is there" note="As it stands on your own papers.">
        <Select
          label="Mains"
          value={wiring.mains}
          options={mainsKinds.map((value) => ({ value, label: mainsTable[value].label }))}
          onChoose={(value) => set("mains", value, "mains")}
        />
        {wiring.laid === "cord" && (
          <Select
            label="Plug"
            value={wiring.plug}
            options={choices.plugs as { value: string; label: string }[]}
            onChoose={(value) => set("plug", value, "plug")}
          />
        )}
        {number("breaker", "Breaker at the wall")}
        <ValueField
          at={{ section: "wiring", field: "otherWatts" }}
          label="What else hangs on that circuit"
          kind={plainKind("W", 50)}
          value={wiring.otherWatts}
          hint="At the same time: a freezer, a kettle, a lamp."
        />
        {number("relayAmps", wiring.ownWork ? "Relay: resistive load" : "The unit\u2019s outlet: resistive load")}
        {number(
          "relayMotorAmps",
          wiring.ownWork ? "Relay: motor, running" : "The unit\u2019s outlet: motor, running",
          "0: its paper does not say.",
        )}
        {wiring.ownWork && number("outletAmps", "Outlet: resistive load")}
        {wiring.ownWork && number("outletMotorAmps", "Outlet: motor, running", "0: it does not say.")}
        {plan.heat && number("heatAmps", "Nameplate of what heats", "0: not read yet; worked out from its watts.")}
        {plan.cold &&
          number(
            "coldAmps",
            "Nameplate of what cools",
            "0: not read yet; worked out with a motor\u2019s power factor.",
          )}
        <Select
          label="Residual-current protection"
          value={wiring.residual}
          options={choices.residualKinds as { value: string; label: string }[]}
          hint="RCD or GFCI. Press its test button before each batch."
          onChoose={(value) => set("residual", value, "residual-current protection")}
        />
        {plan.heat && (
          <Select
            label="One-shot thermal cut-out"
            value={wiring.cutOut}
            options={choices.cutOuts as { value: string; label: string }[]}
            hint="Works without the unit: relays can stick on."
            onChoose={(value) => set("cutOut", value, "cut-out")}
          />
        )}
      </Fields>
      {wiring.ownWork && <HowWired plan={plan} />}
      <section className="grid gap-3" aria-label="What the plan says" aria-live="polite">
        <h3 className="text-lg">What the plan says</h3>
        <ul className="grid max-w-prose gap-2">
          {findings.map((f) => (
            <li key={f.id} className={`border-l-4 pl-3 ${f.severity === "danger" ? "border-error" : "rule-line"}`}>
              <strong className={f.severity === "danger" ? "text-error" : ""}>{severityNames[f.severity]}:</strong>{" "}
              <span className={f.severity === "danger" ? "text-error font-semibold" : ""}>{f.text}</span> {f.mend}
            </li>
          ))}
        </ul>
        <p className="quiet max-w-prose">
          {checkedList} {uncheckedList}
        </p>
      </section>
      {wiring.ownWork && (
        <>
          <section className="grid gap-2" aria-label="The drawing">
            <h3 className="text-lg">The drawing</h3>
            <div className="overflow-x-auto" tabIndex={0} role="group" aria-label="The drawing, moved sideways">
              <Ladder plan={plan} picked={picked} onPick={pick} />
            </div>
          </section>
          <section className="grid gap-2" aria-label="Inside of the enclosure">
            <h3 className="text-lg">Inside of the enclosure, to scale</h3>
            <p className="quiet max-w-prose">
              The least that holds its parts at their usual sizes (estimates): measure your own. At full load they give
              off {Math.round(layoutOf(plan).watts)}&nbsp;W, and the air inside comes to some{" "}
              {Math.ceil(airInside(plan, chamber))} °C in the warmest room.
            </p>
            <div className="overflow-x-auto" tabIndex={0} role="group" aria-label="The enclosure, moved sideways">
              <Enclosure plan={plan} picked={picked} onPick={pick} system={system} />
            </div>
          </section>
          <WireList plan={plan} picked={picked} onPick={pick} />
          <Fold summary={"Terminals as your unit\u2019s paper names them"} part="names">
            <TerminalNames key={plan.unit} plan={plan} />
          </Fold>
          <Fold summary="What one fault would do" part="faults">
            <Consequences plan={plan} />
          </Fold>
          <Fold summary="Order of the work, photo, holes" part="work">
            <OrderOfWork plan={plan} />
          </Fold>
          <Fold summary="Proof by meter" part="proof">
            <MeterProof key={key} plan={plan} />
          </Fold>
          <Link
            href={`/wiring?c=${record.id}${plan.unit > 0 ? `&u=${plan.unit}` : ""}`}
            className="key justify-self-start"
          >
            <Printer size={18} aria-hidden /> All of it on paper, with labels
          </Link>
        </>
      )}
      <Cautions cautions={cautionsAt("heat", chamber.cabinet.kind)} />
    </>
  );
}
