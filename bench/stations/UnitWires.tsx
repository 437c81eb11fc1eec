"use client";

import { plugDevice, readProbe } from "@/core/chamber";
import { outletsOf } from "@/core/controller";
import { placeLabel } from "@/core/probe";
import { Select, Toggle } from "@/parts/fields";
import { useActions, useChamber } from "../context";
import { deviceNames } from "./deviceNames";

/** Which probe a unit reads, and what hangs on its outlets. */
export function UnitWires() {
  const { chamber, controller, unit } = useChamber();
  const { change } = useActions();
  const { id } = controller;
  const outlets = outletsOf(unit);
  const names = deviceNames(chamber);
  const elsewhere = (device: string) =>
    chamber.controllers.some((c) => c.id !== id && (c.heat.includes(device) || c.cold.includes(device)));
  const side = (outlet: "heat" | "cold", title: string) => {
    const fits = names.filter((d) => (outlet === "heat" ? d.kind !== "cooler" : d.kind !== "heater"));
    return (
      <fieldset className="grid gap-1">
        <legend className="font-semibold">{title}</legend>
        {fits.length === 0 && <p className="quiet">There is nothing to plug in.</p>}
        {fits.map((d) => (
          <Toggle
            key={d.id}
            label={d.name}
            value={controller[outlet].includes(d.id)}
            hint={elsewhere(d.id) ? "It hangs on another unit now, and would be taken from there." : undefined}
            onChange={(on) => change(plugDevice(d.id, on ? { controller: id, outlet } : null), `${d.name} plugged`)}
          />
        ))}
      </fieldset>
    );
  };
  return (
    <section className="grid gap-3" aria-label="What it reads and switches">
      {chamber.probes.length > 1 && (
        <div className="max-w-md">
          <Select
            label="It reads"
            value={controller.probes[0]!}
            options={chamber.probes.map((p, i) => ({
              value: p.id,
              label: `Probe ${i + 1}: ${placeLabel(p.place, chamber.cabinet).toLowerCase()}`,
            }))}
            onChoose={(probe) => change(readProbe(id, probe), "probe that it reads")}
          />
        </div>
      )}
      {(names.length > 2 || chamber.controllers.length > 1) && (
        <div className="grid gap-4 sm:grid-cols-2">
          {outlets.heat && side("heat", "On its outlet for heat")}
          {outlets.cold && side("cold", "On its outlet for cold")}
        </div>
      )}
    </section>
  );
}
