"use client";

import { surfacesOf } from "@/core/demand";
import { celsius, printTemperature } from "@/core/quantity";
import { useChamber, usePreferences } from "../../context";

/** How hot each heater's surface gets that runs without a pause, and what may stand against it. */
export function Touch() {
  const { chamber, stage } = useChamber();
  const { scale } = usePreferences();
  const all = surfacesOf(chamber, stage);
  const at = (t: number) => printTemperature(celsius(t), scale);
  if (all.length === 0) return <p>There is no heater whose surface could touch anything.</p>;
  return (
    <section className="grid gap-3" aria-label="What may touch the heater">
      {all.map(({ heater, name, without, never, may }) => (
        <div key={heater.id} className="grid max-w-prose gap-1">
          <p>
            {all.length > 1 && <strong>{name}: </strong>}
            Running without a pause in air of {at(stage.target)} its surface comes to{" "}
            <strong>{at(Math.min(400, without))}</strong> on average, spots of it more (estimate from{" "}
            {Math.round(heater.power)}
            &nbsp;W and what takes heat off it)
            {heater.ownThermostat ? "; its own thermostat cuts there" : ""}.
          </p>
          {never.length > 0 && (
            <p>
              <strong className="text-error">Never against it:</strong>{" "}
              {never.map((t) => `${t.name} (up to ${at(t.upTo)})`).join("; ")}.
            </p>
          )}
          {may.length > 0 && <p>May touch it: {may.map((t) => `${t.name} (up to ${at(t.upTo)})`).join("; ")}.</p>}
        </div>
      ))}
      <p className="quiet max-w-prose">
        Limits from memory, of standards and product declarations; the hand by EN ISO 13732-1. A relay that sticks lets
        a heater run without a pause: a one-shot thermal cut-out that does not hang on the controller is what stops it.
      </p>
    </section>
  );
}
