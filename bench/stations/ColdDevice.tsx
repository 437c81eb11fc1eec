"use client";

import { coldAvailable, coldNeeded, coolerChoice, coolerLabels, coolersFor, MELTING_HEAT } from "@/core/chamber";
import type { CoolerKind, PlacedCooler } from "@/core/model";
import { peakHeatOfAll } from "@/core/product";
import { inDegrees, measures, printDuration, printMeasure, printTemperature } from "@/core/quantity";
import {
  Choice,
  differenceKind,
  hoursKind,
  measureKind,
  minutesKind,
  plainKind,
  temperatureKind,
} from "@/parts/fields";
import { useActions, useChamber, usePreferences } from "../context";
import { Fields } from "../Fields";
import { ToggleField } from "../ToggleField";
import { ValueField } from "../ValueField";

/** One cooler, or ice. */
export function ColdDevice({ cooler }: { cooler: PlacedCooler }) {
  const { chamber, stage } = useChamber();
  const { apply } = useActions();
  const preferences = usePreferences();
  const { id } = cooler;
  const { scale, system } = preferences;
  const { cabinet } = chamber;
  const { target } = stage;
  const watts = (w: number) => printMeasure(Math.round(w), measures.power, system);
  const own = peakHeatOfAll(chamber.vessels, target);
  const need = coldNeeded(chamber, target, own);
  const have = coldAvailable(chamber, target, chamber.room.high);
  const kinds = coolersFor(cabinet.kind);
  const note = `Holding ${printTemperature(target, scale)} in the hottest room (${printTemperature(chamber.room.high, scale)})${own > 1 ? ` against ${watts(own)} of its own heat` : ""} takes ${watts(need)} of cold${have > 0 ? `; running without a pause it takes about ${watts(have)} out` : ""} (estimate).`;
  return (
    <>
      {kinds.length > 1 ? (
        <Choice
          label="Cold"
          value={cooler.kind}
          options={kinds.map((kind) => ({ value: kind, label: coolerLabels[kind] }))}
          onChoose={(kind: CoolerKind) => apply(coolerChoice(kind, id), "cooling")}
        />
      ) : (
        <h3 className="text-lg">Cold: none</h3>
      )}
      {cooler.kind === "none" && (
        <p className="max-w-prose">
          {need > 1
            ? `Nothing brings the temperature down but a colder room. ${note}`
            : own > 1
              ? `The box gives its own heat of ${watts(own)} off by itself. What makes it gets warmer than the air meanwhile: the trial shows by how much.`
              : chamber.room.high <= target
                ? "None is needed: the room is never warmer than the target."
                : `Hardly any is needed. ${note}`}
        </p>
      )}
      {cooler.kind === "compressor" && (
        <>
          <Fields title="The compressor" note={note}>
            <ValueField
              at={{ section: "cooler", field: "power", id }}
              label="Cooling power"
              kind={plainKind("W", 5)}
              value={cooler.power}
              hint={inDegrees("Rated at {-23} {°} evaporator, {25} {°} room. 0 W: there is none.", scale)}
            />
          </Fields>
          <section className="grid gap-1">
            <h3 className="text-lg">Questions to the fridge</h3>
            <ToggleField
              at={{ section: "cooler", field: "ownThermostat", id }}
              label="Its own thermostat still decides too"
              value={cooler.ownThermostat}
              hint="Turn its dial to the coldest, or bypass it, so that only your controller decides."
            />
            {cooler.ownThermostat && (
              <div className="max-w-60">
                <ValueField
                  at={{ section: "cooler", field: "ownThermostatAt", id }}
                  label="It cuts with its air at"
                  kind={temperatureKind(scale, 0.1, 0.5)}
                  value={cooler.ownThermostatAt}
                />
              </div>
            )}
            <ToggleField
              at={{ section: "cooler", field: "staysOff", id }}
              label="It stays off after its power was cut"
              value={cooler.staysOff}
              hint="Electronic controls. Pull the plug, put it back, and see whether it starts again by itself."
            />
            <Fields title="Frost-free defrost">
              <ValueField
                at={{ section: "cooler", field: "defrostEvery", id }}
                label="Defrosts after running"
                kind={hoursKind}
                value={cooler.defrostEvery}
                hint="0: it is not frost-free. Hours with its plug live."
              />
              {cooler.defrostEvery > 0 && (
                <>
                  <ValueField
                    at={{ section: "cooler", field: "defrostFor", id }}
                    label="One defrost lasts"
                    kind={minutesKind}
                    value={cooler.defrostFor}
                  />
                  <ValueField
                    at={{ section: "cooler", field: "defrostPower", id }}
                    label="Its heater"
                    kind={plainKind("W", 10)}
                    value={cooler.defrostPower}
                  />
                </>
              )}
            </Fields>
          </section>
        </>
      )}
      {cooler.kind === "peltier" && (
        <Fields title="The plate" note={note}>
          <ValueField
            at={{ section: "cooler", field: "power", id }}
            label="Heat pumped, both faces alike"
            kind={plainKind("W", 5)}
            value={cooler.power}
            hint="It falls in proportion as the faces part."
          />
          <ValueField
            at={{ section: "cooler", field: "largestLift", id }}
            label="Nothing left at"
            kind={differenceKind(scale, 1)}
            value={cooler.largestLift}
            hint="Difference between the faces at which it pumps no more."
          />
          <ValueField
            at={{ section: "cooler", field: "hotRise", id }}
            label="Hot face above the room"
            kind={differenceKind(scale, 1)}
            value={cooler.hotRise}
            hint="Its heat sink and fan; less is better."
          />
          <ValueField
            at={{ section: "cooler", field: "electric", id }}
            label="Electricity while on"
            kind={plainKind("W", 5)}
            value={cooler.electric}
          />
        </Fields>
      )}
      {cooler.kind === "ice" && (
        <Fields title="Ice or frozen bottles" note={iceNote(cooler.iceMass, need, system)}>
          <ValueField
            at={{ section: "cooler", field: "iceMass", id }}
            label="Ice"
            kind={measureKind(measures.mass, system)}
            value={cooler.iceMass}
          />
          <ValueField
            at={{ section: "cooler", field: "iceStart", id }}
            label="Out of the freezer at"
            kind={temperatureKind(scale, 0.1, 1)}
            value={cooler.iceStart}
          />
          <ValueField
            at={{ section: "cooler", field: "iceEvery", id }}
            label="Changed every"
            kind={hoursKind}
            value={cooler.iceEvery}
            hint="0: never."
          />
        </Fields>
      )}
    </>
  );
}

/** By the melting heat alone: when the ice has to be changed at the latest. */
const iceNote = (mass: number, need: number, system: "metric" | "customary") =>
  need > 0.5
    ? `Melting takes 334 kJ a kilogram: against ${printMeasure(Math.round(need), measures.power, system)} it lasts about ${printDuration((mass * MELTING_HEAT) / need)} at the hottest (estimate). Nobody switches ice: the controller only heats against it.`
    : "Nobody switches ice: the controller only heats against it.";
