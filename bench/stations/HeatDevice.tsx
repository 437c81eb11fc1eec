"use client";

import { heaterBodies, heatersFor, heaterSizes, heatNeeded } from "@/core/chamber";
import { fuelHours, fuelPerHour } from "@/core/device";
import type { HeaterKind, PlacedHeater } from "@/core/model";
import { inDegrees, measures, printMeasure, printNumber, printTemperature } from "@/core/quantity";
import { Choice, hoursKind, measureKind, percentKind, plainKind, temperatureKind } from "@/parts/fields";
import { useActions, useChamber, usePreferences } from "../context";
import { Fields } from "../Fields";
import { ToggleField } from "../ToggleField";
import { ValueField } from "../ValueField";

/** One heater, or a fire. */
export function HeatDevice({ heater }: { heater: PlacedHeater }) {
  const { chamber, stage, control } = useChamber();
  const { apply } = useActions();
  const preferences = usePreferences();
  const { id } = heater;
  const { scale, system } = preferences;
  const { cabinet } = chamber;
  const { target } = stage;
  const watts = (w: number) => printMeasure(Math.round(w), measures.power, system);
  const heat = heatNeeded(chamber, target, stage, control.holds);
  const fire = heater.kind === "charcoal";
  const body = heaterBodies[heater.kind];
  const near = heaterSizes.filter((s) => s >= heat / 2 && s <= Math.max(120, heat * 8)).slice(0, 7);
  return (
    <>
      <Choice
        label="Heat"
        value={heater.kind}
        options={heatersFor(cabinet.kind).map((kind) => ({ value: kind, label: heaterBodies[kind].label }))}
        onChoose={(kind: HeaterKind) =>
          apply(
            [
              { section: "heater", field: "kind", id, value: kind },
              ...(heater.power === 0 ? [{ section: "heater", field: "power", id, value: undefined } as const] : []),
            ],
            "heater",
          )
        }
      />
      <p className="quiet -mt-3 max-w-prose">
        {inDegrees(body.note, scale)}
        {body.light && " Light falls on what stands near it."}
      </p>
      {heater.kind !== "none" && (
        <>
          <Fields
            title={fire ? "The fire" : "Its power"}
            note={
              heat > 0
                ? `Holding ${printTemperature(target, scale)} in the coldest room (${printTemperature(chamber.room.low, scale)}) takes ${watts(heat)} (estimate).`
                : `The room is never colder than ${printTemperature(target, scale)}: heat is only needed after a cold start.`
            }
          >
            <ValueField
              at={{ section: "heater", field: "power", id }}
              label={fire ? "Heat with the blower on" : "Heater"}
              kind={plainKind("W", fire ? 100 : 5)}
              value={heater.power}
              hint={fire ? undefined : "0 W: there is none."}
            />
            {fire && (
              <>
                <ValueField
                  at={{ section: "heater", field: "idlePower", id }}
                  label="Glow while it rests"
                  kind={plainKind("W", 50)}
                  value={heater.idlePower}
                  hint="Leaks feed it. If it is more than the hold takes, no blower can control it."
                />
                <ValueField
                  at={{ section: "heater", field: "fuel", id }}
                  label="Charge"
                  kind={measureKind(measures.mass, system)}
                  value={heater.fuel}
                />
                <ValueField
                  at={{ section: "heater", field: "fuelHeat", id }}
                  label="Heat of the fuel"
                  kind={plainKind("MJ/kg", 0.5, 1e6)}
                  value={heater.fuelHeat}
                  hint="Charcoal about 29, briquettes 20 to 27."
                />
                <ValueField
                  at={{ section: "heater", field: "usableShare", id }}
                  label="Share that burns"
                  kind={percentKind}
                  value={heater.usableShare}
                />
                <ValueField
                  at={{ section: "heater", field: "burnShare", id }}
                  label="Share of its heat used"
                  kind={percentKind}
                  value={heater.burnShare}
                />
              </>
            )}
          </Fields>
          {!fire && (
            <div className="flex flex-wrap items-center gap-1.5" role="group" aria-label="Usual heater sizes">
              <span className="quiet mr-1">Usual sizes:</span>
              {near.map((size) => (
                <button
                  key={size}
                  type="button"
                  className={`key ${heater.power === size ? "key-strong" : ""}`}
                  aria-pressed={heater.power === size}
                  onClick={() => apply([{ section: "heater", field: "power", id, value: size }], "heater")}
                >
                  {watts(size)}
                </button>
              ))}
            </div>
          )}
          {fire && heat > 0 && (
            <p className="max-w-prose">
              At this hold it burns about{" "}
              <strong>{printNumber(fuelPerHour(heater, heat), 0.01)}&nbsp;kg an hour</strong>: a charge lasts about{" "}
              <strong>{printNumber(fuelHours(heater, heat), 1)}&nbsp;hours</strong> (estimate; wind and leaks can halve
              it).
              {heater.idlePower > heat &&
                " Its glow alone is more than the hold takes: close the leaks, or nothing holds it down."}
            </p>
          )}
          {!fire && (
            <section className="grid gap-1">
              <h3 className="text-lg">Questions to the heater</h3>
              <ToggleField
                at={{ section: "heater", field: "ownThermostat", id }}
                label="It has a thermostat of its own"
                value={heater.ownThermostat}
                hint="It cuts out early and your controller never knows."
              />
              {heater.ownThermostat && (
                <div className="max-w-60">
                  <ValueField
                    at={{ section: "heater", field: "ownThermostatAt", id }}
                    label="Its body cuts at"
                    kind={temperatureKind(scale, 0.1, 1)}
                    value={heater.ownThermostatAt}
                  />
                </div>
              )}
              <ToggleField
                at={{ section: "heater", field: "staysOff", id }}
                label="It stays off after its plug was pulled once"
                value={heater.staysOff}
                hint="Electronic switch. Test it: pull the plug, put it back, and see whether it heats again by itself."
              />
              <div className="max-w-60">
                <ValueField
                  at={{ section: "heater", field: "timer", id }}
                  label="Its timer cuts after"
                  kind={hoursKind}
                  value={heater.timer}
                  hint="0: it has none."
                />
              </div>
            </section>
          )}
        </>
      )}
    </>
  );
}
